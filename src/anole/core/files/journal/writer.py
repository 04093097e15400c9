"""Writing a journal: only what is new since the last time, and all of it on the disk."""

from __future__ import annotations

import contextlib
import os
from datetime import UTC, datetime
from typing import Any

import msgspec

from ... import assets
from ...atomic import appended, write_bytes
from ...history import HistoryStep
from ...model import Board, Piece, to_builtins
from ..board_file import carried
from .chunks import split
from .folder import JournalFolder
from .records import FORMAT, line, ranges
from .snapshot import Snapshot

MOST_GARBAGE, LEAST_SIZE = 3.0, 4 << 20
"""A log of that many bytes and that many times its last whole size is written anew."""


class JournalWriter:
    """Writes snapshots of one history; for one thread. Raises OSError and FileError."""

    def __init__(self, folder: JournalFolder) -> None:
        self.folder = folder
        self._start()
        self._next = 0
        self._size = self._whole = 0

    def _start(self) -> None:
        self._numbers: dict[int, tuple[int, HistoryStep]] = {}
        self._pieces: dict[int, tuple[Piece, Any]] = {}
        self._chunks: set[str] = set()
        self._assets: set[str] = set()
        self._unknown: Any = None

    def write(self, snapshot: Snapshot) -> None:
        """Add what a snapshot has that the log does not hold yet."""
        anew = self._whole == 0 or self._size > max(MOST_GARBAGE * self._whole, LEAST_SIZE)
        if anew:
            self._start()
        lines = self._lines(snapshot)
        if anew:
            data = line({"format": FORMAT}) + b"".join(lines)
            self._keep_old()
            write_bytes(self.folder.log, data)
            self._size = self._whole = len(data)
        else:
            self._append(b"".join(lines))

    def _keep_old(self) -> None:
        """The log as it was, should the new one turn out damaged."""
        with contextlib.suppress(OSError):
            self.folder.old_log.unlink(missing_ok=True)
            os.link(self.folder.log, self.folder.old_log)

    def _append(self, data: bytes) -> None:
        try:
            with appended(self.folder.log) as file:
                file.write(data)
                file.flush()
                os.fdatasync(file.fileno())
        except BaseException:
            # nobody knows how much of it arrived: the next time all is written
            self._whole = 0
            raise
        self._size += len(data)

    def _lines(self, snapshot: Snapshot) -> list[bytes]:
        lines: list[bytes] = []
        live = {id(step) for step in snapshot.steps}
        self._numbers = {key: value for key, value in self._numbers.items() if key in live}
        numbers = [self._number(step, lines) for step in snapshot.steps]
        self._forget_pieces(snapshot)
        if snapshot.unknown is not None and snapshot.unknown is not self._unknown:
            lines.append(line({"unknown": snapshot.unknown}))
            self._unknown = snapshot.unknown
        pairs = zip(numbers, snapshot.steps, strict=True)
        saved = next((number for number, step in pairs if step.board is snapshot.saved), None)
        now = {
            "order": ranges(numbers),
            "at": numbers[snapshot.at],
            "saved": saved,
            "path": snapshot.path,
            "stamp": snapshot.stamp,
            "name": snapshot.steps[snapshot.at].board.name,
            "time": datetime.now(UTC).isoformat(timespec="seconds"),
        }
        lines.append(line({"now": now}))
        return lines

    def _number(self, step: HistoryStep, lines: list[bytes]) -> int:
        """The number of a step, which is written when it is new."""
        known = self._numbers.get(id(step))
        if known is not None:
            return known[0]
        self._keep_assets(step.board)
        bare = to_builtins(msgspec.structs.replace(step.board, pieces=()))
        bare = split(bare, lambda name, text: self._put(name, text, lines))
        bare["pieces"] = [self._piece(piece, lines) for piece in step.board.pieces]
        number, self._next = self._next, self._next + 1
        lines.append(line({"step": number, "name": step.name, "board": bare}))
        self._numbers[id(step)] = number, step
        return number

    def _piece(self, piece: Piece, lines: list[bytes]) -> Any:
        known = self._pieces.get(id(piece))
        if known is None:
            value = split([to_builtins(piece)], lambda name, text: self._put(name, text, lines))[0]
            known = self._pieces[id(piece)] = piece, value
        return known[1]

    def _put(self, name: str, text: bytes, lines: list[bytes]) -> None:
        if name not in self._chunks:
            self._chunks.add(name)
            lines.append(line({"chunk": name, "value": msgspec.Raw(text)}))

    def _forget_pieces(self, snapshot: Snapshot) -> None:
        """Let go of pieces that no step holds any more, at times: an id may be given anew."""
        live = {id(piece) for step in snapshot.steps for piece in step.board.pieces}
        self._pieces = {key: value for key, value in self._pieces.items() if key in live}

    def _keep_assets(self, board: Board) -> None:
        for asset in carried(board):
            path = self.folder.asset(asset.sha)
            if asset.sha not in self._assets and not path.exists():
                path.parent.mkdir(mode=0o700, exist_ok=True)
                write_bytes(path, assets.get(asset.sha))
            self._assets.add(asset.sha)
