"""Settings that are damaged are set aside; whatever stands in them, a window starts."""

from __future__ import annotations

import json
import re
from pathlib import Path

import pytest

import anole.studio
from anole.studio.documents import picture_memory
from anole.studio.documents.settings import ASIDE, Settings

from .menus import entries, menus, plain


@pytest.fixture
def path():
    path = Settings().path
    path.parent.mkdir(parents=True, exist_ok=True)
    return path


@pytest.mark.parametrize(
    "content",
    [b"", b"{", b"\xff\xfe", b"[1]", b"null", b"[" * 100_000, b'{"recent": [}', b"\0" * 300],
)
def test_a_damaged_file_is_set_aside_with_a_word(path, content, open_window):
    path.write_bytes(content)
    window = open_window()
    assert "settings were damaged" in window.status.text.text()
    assert path.with_name(path.name + ASIDE).read_bytes() == content
    window.settings.put("theme", "light")
    assert Settings().get("theme", "") == "light"
    assert Settings().trouble == ""


ODD = [
    None,
    7,
    -1.5,
    True,
    "\0",
    "x" * 300,
    [],
    [None, 3, "\0", "a" * 5000, [], {}],
    {"a": 1},
    "\ud800",
    ["\udfff"],
    {"\ud800": "\ud800"},
    "ä€",
    10**400,
    float("nan"),
    [float("inf")] * 2,
]


SETTINGS = {
    key
    for path in Path(anole.studio.__file__).parent.rglob("*.py")
    for key in re.findall(r"""ettings\.(?:get|put|texts)\("(\w+)\"""", path.read_text())
}
"""Every key that the window's code names."""


@pytest.mark.parametrize("odd", ODD, ids=lambda v: repr(v)[:20])
def test_odd_values_never_stop_a_start_or_a_menu(path, odd, open_window, settle):
    assert {"shape", "theme"} < SETTINGS
    keys = ("recent", "shape", "panels", "own_size", "purpose", "theme", "backup", "recent_colours", "favourite_fonts",
            "recent_fonts", *SETTINGS)  # fmt: skip
    path.write_text(json.dumps(dict.fromkeys(keys, odd)))
    window = open_window()
    for menu in menus(window):
        assert menu.actions()
    for stage in (0, 1, 2):
        window.show_stage(stage)
    settle(window)


@pytest.mark.parametrize("sizes", [[10**12] * 2, [0, 0], [True] * 2, [1, 1], [300], 7, {"a": 1}])
def test_odd_widths_of_panels(path, sizes, open_window):
    path.write_text(json.dumps({"panels": {"ARRANGE": sizes, "COAT": sizes}}))
    window = open_window()
    for stage in (0, 1):
        window.show_stage(stage)
        assert window.panels.sizes()[1] > 500


def test_two_windows_do_not_forget_each_others_settings():
    one, two = Settings(), Settings()
    one.put("theme", "light")
    two.put("backup", "none")
    again = Settings()
    assert (again.get("theme", ""), again.get("backup", "")) == ("light", "none")


def test_a_file_that_cannot_be_written_is_no_trouble(path):
    path.mkdir()
    settings = Settings()
    settings.put("theme", "light")
    assert settings.get("theme", "") == "light"


def test_the_memory_that_is_chosen_is_kept_to_and_remembered(open_window, monkeypatch):
    window = open_window()
    monkeypatch.setattr(picture_memory.SHARED, "capacity", picture_memory.SHARED.capacity)
    view = {plain(action.text()): action for action in entries(window, "View")}
    sizes = view["Memory for pictures"].menu()
    sizes.aboutToShow.emit()
    one = {action.text(): action for action in sizes.actions()}
    assert one["512 MB"].isChecked()
    one["1 GB"].trigger()
    assert picture_memory.SHARED.capacity == 2**30
    picture_memory.SHARED.resize(1)
    picture_memory.keep(Settings())
    assert picture_memory.SHARED.capacity == 2**30
