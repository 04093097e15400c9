"""What a journal is told: a history as it stands, and what of it is saved."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any, NamedTuple

from ...history import HistoryStep
from ...model import Board


class Snapshot(NamedTuple):
    """A history at one moment. Its boards share what did not change, so it costs next to nothing.

    steps : the oldest first; at : index of the one that stands
    saved : the board as its file holds it, None when no file does
    path : that file, "" without one; stamp : what identified its content then
    unknown : what a newer version wrote beside the board
    """

    steps: Sequence[HistoryStep]
    at: int
    saved: Board | None = None
    path: str = ""
    stamp: str = ""
    unknown: Any = None
