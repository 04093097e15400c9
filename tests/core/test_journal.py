"""Journals: what is written comes back, however the rest was torn."""

from __future__ import annotations

import os
import random
from importlib.resources import files as resources
from pathlib import Path

import msgspec
import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from anole.core import assets
from anole.core.edit.coats import change_coat
from anole.core.edit.pieces import add_lettering, change_piece
from anole.core.files import board_file
from anole.core.files.journal import (
    JournalError,
    JournalFolder,
    JournalWriter,
    Snapshot,
    folders,
    read,
)
from anole.core.files.journal.reader import about
from anole.core.history import MOST_STEPS, History
from anole.core.model import Asset, Board

from .shapes import board

DEMO = board_file.read(Path(str(resources("anole") / "data" / "boards" / "bout-night.anole"))).board


@pytest.fixture
def folder():
    made = JournalFolder()
    yield made
    made.close()


def lived(rng: random.Random, steps: int) -> History:
    """A history of many edits, undone and done again by chance."""
    history = History(DEMO)
    words = [p for p in history.board.pieces if hasattr(p, "text")]
    for number in range(steps):
        what = rng.randrange(5)
        if what == 0:
            history.undo()
        elif what == 1:
            history.redo()
        else:
            piece = rng.choice(words)
            history.push(
                f"Step {number}",
                change_piece(history.board, piece.id, name=f"name {number}", opacity=rng.random()),
                "drag" if what == 2 else None,
            )
    return history


def snapshot(history: History, saved: Board | None = None, **fields) -> Snapshot:
    return Snapshot(history.steps, history.at, saved, **fields)


def test_a_history_comes_back_as_it_was(folder):
    history, writer = lived(random.Random(1), 60), JournalWriter(folder)
    saved = history.steps[2].board
    writer.write(snapshot(history, saved, path="/tmp/x.anole", stamp="s", unknown={"glow": 1}))
    found = read(folder.path)
    assert found.history.steps == history.steps and found.history.at == history.at
    assert found.saved == saved and found.saved is found.history.steps[2].board
    assert (str(found.path), found.stamp, found.unknown) == ("/tmp/x.anole", "s", {"glow": 1})
    assert found.lost == 0
    told = about(folder.path)
    assert (told.name, told.steps) == (history.board.name, len(history.steps))
    assert not told.is_saved


@given(st.integers(0, 10**6), st.lists(st.integers(1, 12), min_size=1, max_size=8))
@settings(max_examples=12, deadline=None, suppress_health_check=list(HealthCheck))
def test_what_was_added_bit_by_bit_is_what_is_written_at_once(seed, counts):
    rng, made = random.Random(seed), JournalFolder()
    history, writer = lived(rng, 3), JournalWriter(made)
    for count in counts:
        for number in range(count):
            if rng.random() < 0.3:
                history.undo()
            else:
                piece = rng.choice(history.board.pieces)
                history.push(
                    f"{number}", change_piece(history.board, piece.id, opacity=rng.random())
                )
        writer.write(snapshot(history))
        found = read(made.path)
        assert found.history.steps == history.steps and found.history.at == history.at
    made.remove()


def test_only_what_changed_is_written(folder):
    history, writer = lived(random.Random(2), 4), JournalWriter(folder)
    writer.write(snapshot(history))
    before = folder.log.stat().st_size
    writer.write(snapshot(history))
    assert folder.log.stat().st_size - before < 600
    style = next(p for p in history.board.pieces if getattr(p, "style", ()))
    changed = change_coat(history.board, style.id, style.style[0].id, opacity=0.25)
    history.push("Opacity", changed)
    before = folder.log.stat().st_size
    writer.write(snapshot(history))
    whole = len(msgspec.json.encode(str(history.board)))
    assert folder.log.stat().st_size - before < whole / 2


def test_a_long_life_is_written_anew_before_it_grows_without_end(folder, monkeypatch):
    from anole.core.files.journal import writer as module

    monkeypatch.setattr(module, "LEAST_SIZE", 20_000)
    history, writer = History(board()), JournalWriter(folder)
    writer.write(snapshot(history))
    sizes = []
    for number in range(MOST_STEPS + 300):
        history.push(
            "Move",
            change_piece(history.board, history.board.pieces[-1].id, opacity=(number % 997) / 1000),
        )
        if number % 20 == 0:
            writer.write(snapshot(history))
            sizes.append(folder.log.stat().st_size)
    assert any(later < earlier for earlier, later in zip(sizes, sizes[1:], strict=False))
    assert read(folder.path).history.at == len(read(folder.path).history.steps) - 1


def test_assets_are_kept_once_and_come_back(folder):
    data = b"not really a picture"
    sha = assets.put(data)
    base = msgspec.structs.replace(board(), assets=(Asset(sha=sha, name="a.png"),))
    history, writer = History(base), JournalWriter(folder)
    writer.write(snapshot(history))
    first = folder.asset(sha).stat().st_mtime_ns
    history.push("Name", msgspec.structs.replace(base, name="Other"))
    writer.write(snapshot(history))
    assert folder.asset(sha).stat().st_mtime_ns == first
    assets.clear()
    read(folder.path)
    assert assets.get(sha) == data


@given(st.integers(0, 10**6), st.sampled_from(["cut", "flip", "hole"]))
@settings(max_examples=25, deadline=None, suppress_health_check=list(HealthCheck))
def test_a_torn_journal_gives_what_is_whole(seed, damage):
    rng, made = random.Random(seed), JournalFolder()
    history, writer = lived(rng, 10), JournalWriter(made)
    writer.write(snapshot(history))
    first, states = made.log.stat().st_size, [history.steps]
    for number in range(6):
        history.push(
            f"Later {number}",
            change_piece(history.board, history.board.pieces[-1].id, opacity=number / 10 + 0.05),
        )
        writer.write(snapshot(history))
        states.append(history.steps)
    data = bytearray(made.log.read_bytes())
    where = rng.randrange(first if damage == "cut" else 0, len(data))
    if damage == "cut":
        del data[where:]
    elif damage == "flip":
        data[where] ^= 1 << rng.randrange(8)
    else:
        del data[where : where + rng.randrange(1, 2000)]
    made.log.write_bytes(bytes(data))
    try:
        found = read(made.path)
    except JournalError as error:
        # a bit of what all steps share: rare, and said
        assert damage != "cut", error
    else:
        ever = [step for state in states for step in state]
        assert all(step in ever for step in found.history.steps)
        if damage == "cut":
            assert found.history.steps in states
    made.remove()


def test_a_held_journal_is_not_offered_and_a_free_one_is(folder):
    JournalWriter(folder).write(snapshot(History(board())))
    assert folders() == []
    with pytest.raises(OSError):
        JournalFolder(folder.path)
    folder.close()
    assert folders() == [folder.path]
    again = JournalFolder(folder.path)
    assert folders() == []
    again.remove()
    assert not folder.path.exists()


def test_the_newest_generations_are_kept(monkeypatch):
    from anole.core.files.journal import folder as module

    monkeypatch.setattr(module, "MOST_KEPT", 3)
    made = []
    for number in range(5):
        one = JournalFolder()
        JournalWriter(one).write(snapshot(History(add_lettering(board(), f"{number}")[0])))
        one.close()
        os.utime(one.log, (1000 + number, 1000 + number))
        made.append(one.path)
    assert folders() == made[:1:-1]
    assert not made[0].exists()


def test_a_folder_that_is_gone_is_an_error_and_the_next_write_is_whole(folder):
    writer = JournalWriter(folder)
    history = History(board())
    writer.write(snapshot(history))
    folder.log.unlink()
    history.push("Name", msgspec.structs.replace(board(), name="Other"))
    with pytest.raises(OSError):
        writer.write(snapshot(history))
    writer.write(snapshot(history))
    assert read(folder.path).history.steps == history.steps
