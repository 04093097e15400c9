"""Every test has a home of its own; nothing of the user's is read or written."""

from __future__ import annotations

import os
import threading
import zlib

import pytest
from hypothesis import settings

from anole.core.coats import guard

# how long an example takes depends on what else the machine does
settings.register_profile("anole", deadline=None)
settings.load_profile("anole")
os.environ.setdefault("QT_QPA_PLATFORM", "offscreen")


def pytest_addoption(parser):
    parser.addoption("--deep", action="store_true", help="every glyph and file instead of a sample")


def pytest_collection_modifyitems(config, items):
    """Of a test marked `sample(n)` n cases, always the same, unless all are asked for or one by its name."""
    if config.getoption("--deep") or any("[" in argument for argument in config.args):
        return
    cases: dict[str, list] = {}
    for item in items:
        if item.get_closest_marker("sample") is not None:
            cases.setdefault(item.nodeid.split("[")[0], []).append(item)
    left = {
        item
        for found in cases.values()
        for item in sorted(found, key=lambda item: zlib.crc32(item.nodeid.encode()))[
            found[0].get_closest_marker("sample").args[0] :
        ]
    }
    config.hook.pytest_deselected(items=[item for item in items if item in left])
    items[:] = [item for item in items if item not in left]


@pytest.fixture
def deep(request) -> bool:
    """Whether tests marked deep go through all there is."""
    return request.config.getoption("--deep")


@pytest.fixture(autouse=True)
def undeclared_reads_raise(monkeypatch):
    """No coat may read more than it declares: its pictures would go stale."""
    monkeypatch.setattr(guard, "ON", True)


@pytest.fixture(autouse=True)
def own_home(tmp_path_factory, monkeypatch):
    home = tmp_path_factory.mktemp("home")
    for name in ("DATA", "CONFIG", "STATE", "CACHE"):
        if name != "CACHE":
            monkeypatch.setenv(f"XDG_{name}_HOME", str(home / name.lower()))
    # no font of the machine may change what a test sees
    monkeypatch.setenv("XDG_DATA_DIRS", str(home / "shared"))
    monkeypatch.setenv("HOME", str(home))
    return home


@pytest.fixture(autouse=True)
def no_thread_left():
    yield
    left = [
        t.name
        for t in threading.enumerate()
        if t.name
        in (
            "anole-render",
            "anole-export",
            "anole-fonts",
            "anole-journal",
            "anole-background",
            "anole-series",
        )
    ]
    assert not left, f"threads left running: {left}"
