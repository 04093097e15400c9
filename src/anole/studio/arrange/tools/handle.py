"""One thing on the board that a piece is pulled by."""

from __future__ import annotations

from typing import NamedTuple

from PyQt6.QtCore import QPointF


class Handle(NamedTuple):
    """`kind` and which one of its kind; where it stands in widget px."""

    kind: str
    which: str
    at: QPointF
