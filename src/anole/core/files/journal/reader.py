"""Reading a journal back: every step that is whole, however the rest was torn."""

from __future__ import annotations

import os
from datetime import datetime
from pathlib import Path
from typing import Any, NamedTuple

import msgspec

from ... import assets
from ...atomic import FileError, opened, read_bytes
from ...history import MOST_STEPS, History, HistoryStep
from ...lettering.carried_fonts import take_in as take_in_fonts
from ...model import Board, ModelError, Piece, from_builtins
from .chunks import MissingChunk, digest, joined
from .folder import LOG, OLD
from .records import records

MOST_LOG, MOST_ASSET = 1 << 30, 1 << 29
TAIL = 1 << 18
"""Bytes in which the last thing said surely is."""


class JournalError(Exception):
    """A journal from which nothing can be brought back; the message says why."""


class About(NamedTuple):
    """What a journal says of itself."""

    name: str
    path: str
    time: datetime
    steps: int
    is_saved: bool


class Journal(NamedTuple):
    """A history as it was; `saved` is the board that its file held, None when no file did.

    lost : steps that could not be read
    """

    history: History
    saved: Board | None
    path: Path | None
    stamp: str
    unknown: Any
    lost: int


class _Log(NamedTuple):
    chunks: dict[str, Any]
    steps: dict[int, dict[str, Any]]
    now: dict[str, Any]
    unknown: Any


def _order(now: dict[str, Any]) -> list[int]:
    """The numbers of the steps, the oldest first."""
    runs = [(int(first), int(last)) for first, last in now["order"]]
    if sum(last - first + 1 for first, last in runs) > MOST_STEPS:
        raise ValueError("more steps than a history has")
    return [number for first, last in runs for number in range(first, last + 1)]


def _bytes(folder: Path, name: str) -> bytes:
    try:
        return read_bytes(folder / name, MOST_LOG)
    except FileError as error:
        raise JournalError(str(error)) from error


def _log(folder: Path, name: str) -> _Log:
    log = _Log({}, {}, {}, None)
    for record in records(_bytes(folder, name)):
        if "chunk" in record:
            log.chunks[record["chunk"]] = record["value"]
        elif "step" in record:
            log.steps[record["step"]] = record
        elif "unknown" in record:
            log = log._replace(unknown=record["unknown"])
        elif "now" in record:
            log = log._replace(now=record["now"])
    if not log.now:
        raise JournalError(f"the journal {folder.name} holds no whole step")
    return log


def _tail(log: Path) -> bytes:
    """The end of a log: it says last how things stand."""
    with opened(log) as file:
        file.seek(max(os.fstat(file.fileno()).st_size - TAIL, 0))
        return file.read(TAIL)


def about(folder: Path) -> About:
    """What a journal holds, without reading its boards. Raises JournalError."""
    now: dict[str, Any] = {}
    try:
        for record in records(_tail(folder / LOG), b'{"now"'):
            now = record["now"]
        when = datetime.fromisoformat(now["time"])
        saved = now["at"] == now["saved"]
        return About(str(now["name"]), str(now["path"]), when, len(_order(now)), saved)
    except (KeyError, TypeError, ValueError, OSError) as error:
        raise JournalError(f"the journal {folder.name} is damaged: {error}") from error


class _Boards:
    """Boards from their records; they share their pieces, as they did."""

    def __init__(self, log: _Log) -> None:
        self._log = log
        self._pieces: dict[str, Piece] = {}

    def board(self, record: dict[str, Any]) -> Board:
        pieces = tuple(self._piece(value) for value in record["board"]["pieces"])
        bare = joined({**record["board"], "pieces": []}, self._log.chunks)
        bare = from_builtins(bare, Board)
        return msgspec.structs.replace(bare, pieces=pieces)

    def _piece(self, value: Any) -> Piece:
        key = digest(msgspec.json.encode(value))
        if key not in self._pieces:
            whole = {"pieces": [joined(value, self._log.chunks)]}
            board = from_builtins({"width": 100, "height": 100, **whole}, Board)
            self._pieces[key] = board.pieces[0]
        return self._pieces[key]


def read(folder: Path) -> Journal:
    """All of a journal, its files taken in. Raises JournalError."""
    _take_in(folder)
    try:
        return _read(folder, LOG)
    except JournalError:
        if not (folder / OLD).exists():
            raise
        return _read(folder, OLD)


def _read(folder: Path, name: str) -> Journal:
    log = _log(folder, name)
    boards, steps, numbers = _Boards(log), [], []
    try:
        order, now = _order(log.now), log.now
        for number in order:
            try:
                record = log.steps[number]
                steps.append(HistoryStep(str(record["name"]), boards.board(record)))
                numbers.append(number)
            except (ModelError, MissingChunk, KeyError, TypeError):
                continue
        if not steps:
            raise JournalError(f"no step of the journal {folder.name} can be read")
        take_in_fonts({asset: None for step in steps for asset in step.board.fonts})
        by_number = dict(zip(numbers, steps, strict=True))
        at = max((i for i, n in enumerate(numbers) if n <= now["at"]), default=0)
        saved = by_number.get(now["saved"])
        return Journal(
            History.of(steps, at),
            None if saved is None else saved.board,
            Path(now["path"]) if now["path"] else None,
            str(now["stamp"]),
            log.unknown,
            len(order) - len(steps),
        )
    except (KeyError, TypeError, ValueError) as error:
        raise JournalError(f"the journal {folder.name} is damaged: {error}") from error


def _take_in(folder: Path) -> None:
    for path in sorted((folder / "assets").glob("*")):
        try:
            data = read_bytes(path, MOST_ASSET)
        except FileError:
            continue
        if assets.digest(data) == path.name:
            assets.put(data)
