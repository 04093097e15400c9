"""A process killed at any moment of its work: files stay whole, and the journal brings the work back."""

from __future__ import annotations

import os
import signal
import tempfile
import time
from collections.abc import Callable
from pathlib import Path
from random import Random
from typing import NamedTuple

import msgspec

from anole.core.atomic import FileError
from anole.core.files import board_file
from anole.core.files.journal import JournalError, JournalFolder, JournalWriter, Snapshot, read
from anole.core.history import History
from anole.core.model import Board, Lettering

LONGEST = 0.25
"""Seconds after which a process is killed at the latest."""
SAVE_EVERY = 3


class Kills(NamedTuple):
    """What kills did: target files that were not whole, steps lost that were said to be kept."""

    kills: int
    broken: int
    lost: int
    steps: int


def _work(home: Path, out: int, board: Board) -> None:
    """Edit, keep and save until killed; says on `out` what is on the disk."""
    history = History(board)
    journal = JournalWriter(JournalFolder(home / "journal"))
    words = next(piece for piece in board.pieces if isinstance(piece, Lettering))
    for number in range(1, 100_000):
        changed = msgspec.structs.replace(words, text=f"{number}")
        pieces = tuple(changed if p.id == words.id else p for p in board.pieces)
        history.push(f"{number}", msgspec.structs.replace(history.board, pieces=pieces))
        journal.write(Snapshot(history.steps, history.at))
        os.write(out, f"kept {number}\n".encode())
        if number % SAVE_EVERY == 0:
            board_file.write(home / "a.anole", board_file.StoredBoard(history.board), None)
            os.write(out, f"saved {number}\n".encode())


def _number(board: Board) -> int:
    words = next(piece for piece in board.pieces if isinstance(piece, Lettering))
    return int(words.text) if words.text.isdigit() else 0


def _kill_one(home: Path, board: Board, seconds: float) -> dict[str, int]:
    """What a child said it had done when it was killed after some seconds."""
    incoming, out = os.pipe()
    child = os.fork()
    if child == 0:
        try:
            os.close(incoming)
            _work(home, out, board)
        finally:
            os._exit(1)
    os.close(out)
    time.sleep(seconds)
    os.kill(child, signal.SIGKILL)
    os.waitpid(child, 0)
    said = {"kept": 0, "saved": 0}
    with os.fdopen(incoming, "rb") as lines:
        for line in lines:
            what, _, number = line.decode().partition(" ")
            if number.endswith("\n"):
                said[what] = int(number)
    return said


def run(count: int, board: Board, told: Callable[[int], None]) -> Kills:
    """Kill `count` processes."""
    rng, broken, lost, steps = Random(7), 0, 0, 0
    for number in range(count):
        with tempfile.TemporaryDirectory() as folder:
            home = Path(folder)
            said = _kill_one(home, board, rng.uniform(0, LONGEST))
            steps += said["kept"]
            broken += not _is_whole(home / "a.anole", said["saved"])
            lost += max(said["kept"] - _brought_back(home / "journal"), 0)
        told(number + 1)
    return Kills(count, broken, lost, steps)


def _is_whole(path: Path, saved: int) -> bool:
    if not path.exists():
        return saved == 0
    try:
        return _number(board_file.read(path).board) >= saved
    except FileError:
        return False


def _brought_back(folder: Path) -> int:
    try:
        return _number(read(folder).history.board)
    except JournalError:
        return 0
