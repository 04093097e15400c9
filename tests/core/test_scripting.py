"""Anole from Python: the tutorial as it stands, and what it leaves open."""

from __future__ import annotations

import re
import subprocess
import sys
from pathlib import Path

import numpy as np
import pytest

import anole
from anole.core.atomic import FileError
from anole.core.edit.recolouring import main_hue
from anole.core.model import ModelError

TUTORIAL = Path(__file__).parents[2] / "docs" / "python.md"


def test_the_tutorial_runs_as_it_stands(tmp_path, monkeypatch):
    monkeypatch.chdir(tmp_path)
    code = re.findall(r"```python\n(.*?)```", TUTORIAL.read_text(), re.DOTALL)
    assert len(code) >= 5
    exec(compile("\n".join(code), str(TUTORIAL), "exec"), {})
    made = {path.name for path in tmp_path.iterdir()}
    assert {"bout-night.png", "bout-night-large.png", "bout-night.anole", "Last lap.png"} <= made


def test_importing_it_loads_no_renderer_and_no_window():
    script = (
        "import sys, anole; print([n for n in ('numpy', 'PyQt6', 'numba') if n in sys.modules]);"
        "import anole.scripting; print('PyQt6' in sys.modules)"
    )
    found = subprocess.run(
        [sys.executable, "-c", script], check=False, capture_output=True, text=True
    )
    assert found.stdout.split("\n")[:2] == ["[]", "False"], found.stderr


def test_changed_words_keep_their_name_and_their_style():
    board = anole.new(320, 180)
    title = board.add_words("Lap", style="title shout", name="Title")
    before = board.style_of(title)
    assert title == "Title" and board.pieces == ["Title"]
    assert board.set_words("Title", "Another").words("Title") == "Another"
    assert board.style_of("Title").coats == before.coats


def test_colours_are_those_of_the_words():
    board = anole.new(320, 180)
    title = board.add_words("Lap", style="candy drop")
    pink = main_hue(board.style_of(title).coats)
    board.put_on(title, "cup gold", colours="words")
    found = main_hue(board.style_of(title).coats)
    assert pink is not None and found is not None
    assert abs((found - pink + 180) % 360 - 180) < 6


def test_a_picture_without_words_is_clear():
    assert not np.any(anole.new(20, 10).render(transparent=True))


@pytest.mark.parametrize(
    ("act", "error"),
    [
        (lambda b: b.set_words("Nobody", "x"), KeyError),
        (lambda b: b.put_on("Nobody", "cup gold"), KeyError),
        (lambda b: b.put_on("Lap", "tin foil"), FileError),
        (lambda b: b.put_on("Lap", "cup gold", colours="mauve"), ModelError),
        (lambda b: b.put_on("Lap", "cup gold", colours="nan"), ModelError),
        (lambda b: b.change("Lap", opacity=7), ModelError),
        (lambda b: b.export("x.txt"), FileError),
        (lambda b: b.save("/nowhere/at/all.anole"), FileError),
        (lambda b: anole.new(0, 10), ModelError),
        (lambda b: anole.open("/nowhere.anole"), FileError),
    ],
)
def test_what_goes_wrong_is_said_and_changes_nothing(act, error):
    board = anole.new(320, 180)
    board.add_words("Lap")
    before = board.board
    with pytest.raises(error):
        act(board)
    assert board.board == before


def test_the_package_lists_what_it_gives():
    assert {"new", "open", "styles", "find_style", "OpenBoard"} <= set(dir(anole))
    assert all(hasattr(anole, name) for name in dir(anole))
