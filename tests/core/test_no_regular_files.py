"""Paths that are no files: whoever reads or writes one says so, and waits for nobody."""

from __future__ import annotations

import os
import signal
from pathlib import Path

import pytest

from anole.cli import main
from anole.core import atomic
from anole.core.atomic import FileError
from anole.core.edit.boards import change_board
from anole.core.files import board_file, pack_file, preview, stored_preview
from anole.core.files.journal import JournalError, JournalFolder, JournalWriter, Snapshot, read
from anole.core.files.journal.folder import LOG
from anole.core.files.journal.reader import about
from anole.core.history import History
from anole.core.lettering.font_file import FontError, faces, font_bytes
from anole.core.library import sets, styles
from anole.core.model import Board
from anole.core.series import plan, tables
from anole.studio.documents.settings import Settings


@pytest.fixture(autouse=True)
def in_time():
    """Whoever waits is woken with an error."""

    def late(*_):
        raise TimeoutError("somebody waits for the other end")

    before = signal.signal(signal.SIGALRM, late)
    signal.alarm(20)
    yield
    signal.alarm(0)
    signal.signal(signal.SIGALRM, before)


@pytest.fixture(params=["pipe", "device", "folder"])
def odd(request, tmp_path):
    """Makes a path of that name that is no regular file."""

    def make(path: Path) -> Path:
        path.parent.mkdir(parents=True, exist_ok=True)
        if request.param == "pipe":
            os.mkfifo(path)
        elif request.param == "device":
            path.symlink_to("/dev/zero")
        else:
            path.mkdir()
        return path

    return make


READERS = {
    "board": ("a.anole", board_file.read),
    "its picture": ("a.anole", stored_preview.stored_preview),
    "its thumbnail": ("a.anole", lambda path: preview.small_picture(path, 64)),
    "pack": ("a.anolepack", pack_file.read),
    "style": ("a.anolestyle", styles.read),
    "table": ("a.csv", tables.read),
    "sheet": ("a.xlsx", tables.read),
    "font": ("a.ttf", font_bytes),
    "faces": ("a.otf", faces),
    "bytes": ("a.bin", lambda path: atomic.read_bytes(path, 1 << 20)),
}


@pytest.mark.parametrize("what", READERS)
def test_it_is_not_read(odd, tmp_path, what):
    name, reader = READERS[what]
    with pytest.raises((FileError, FontError)):
        reader(odd(tmp_path / name))


@pytest.mark.parametrize("command", ["render", "thumbnail"])
def test_commands_say_so(odd, tmp_path, capsys, command):
    path = odd(tmp_path / "a.anole")
    out = ["-o", str(tmp_path / "b.png")] if command == "render" else [str(tmp_path / "b.png")]
    assert main([command, str(path), *out]) != 0
    assert "a.anole" in capsys.readouterr().err


def test_what_is_kept_for_the_program_itself_is_passed_over(odd):
    odd(styles.folder() / "a.anolestyle")
    found, troubles = styles.library()
    assert len(troubles) == 1 and [one for one in found if one.own] == []
    odd(sets.OWN.path)
    with pytest.raises(FileError):
        sets.all_sets()
    odd(Settings().path)
    assert Settings().get("theme", "dark") == "dark"


def test_a_series_goes_on_beside_it(odd, tmp_path):
    odd(tmp_path / plan.DONE)
    assert plan.finished(tmp_path) == set()
    row = plan.PlannedRow(1, {}, tmp_path / "a.png", "m")
    with pytest.raises(FileError, match="cannot write"):
        plan.note_finished(tmp_path, row)


def test_a_journal_is_damaged(odd, tmp_path):
    folder = tmp_path / "journal"
    odd(folder / LOG)
    for reader in (about, read):
        with pytest.raises(JournalError):
            reader(folder)


def test_a_journal_that_becomes_none_cannot_be_written_to(odd, tmp_path):
    folder = JournalFolder(tmp_path / "journal")
    history = History(Board())
    writer = JournalWriter(folder)
    writer.write(Snapshot(history.steps, history.at, None, "", "", None))
    folder.log.unlink()
    odd(folder.log)
    history.push("Name", change_board(history.board, name="b"), None)
    with pytest.raises((OSError, FileError)):
        writer.write(Snapshot(history.steps, history.at, None, "", "", None))
    folder.close()
