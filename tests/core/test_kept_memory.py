"""A render that nobody asked to be kept keeps nothing, long before anybody looks for rings of garbage."""

from __future__ import annotations

import gc

import pytest

from anole.core.cache import Cache
from anole.core.files import exporting, preview
from anole.core.files.export_target import rendered, target_of
from anole.core.library.styles import find
from anole.core.model import Board, Export
from anole.core.render.export import part, rgba
from anole.core.render.probing import painted_by
from anole.core.render.renderer import board_box

from .shapes import board

WAYS = {
    "whole": lambda made, path: rgba(made),
    "a part": lambda made, path: part(made, 1.0, board_box(made, 1.0)),
    "an export": lambda made, path: rendered(target_of(made, Export())),
    "a trimmed one": lambda made, path: target_of(made, Export(trim=True)),
    "a PNG": lambda made, path: exporting.write(path / "a.png", made, Export()),
    "a preview": lambda made, path: preview.preview(made),
    "which coat": lambda made, path: painted_by(made, made.width / 2, made.height / 2),
    **{
        kind: lambda made, path, kind=kind: exporting.write(path / "a", made, Export(format=kind))
        for kind in ("jpeg", "openraster", "pdf", "coat by coat")
    },
}


def held() -> int:
    """Bytes in all caches that are alive."""
    return sum(one.held for one in gc.get_objects() if isinstance(one, Cache))


@pytest.fixture
def without_collector():
    gc.collect()
    gc.disable()
    yield
    gc.enable()


@pytest.mark.sample(5)
@pytest.mark.parametrize("way", WAYS)
def test_nothing_is_held_afterwards(way, without_collector, tmp_path):
    made: Board = board(*find("cup gold").coats, text="LAP")
    # what the whole process shares is made the first time
    WAYS[way](made, tmp_path)
    gc.collect()
    before = held()
    for _ in range(2):
        WAYS[way](made, tmp_path)
    assert held() <= before + 4096
