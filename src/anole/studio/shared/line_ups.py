"""Pieces lined up by a side, or spread out with equal gaps."""

from __future__ import annotations

from ...core.edit.arranging import align, distribute
from .session import Session

TITLES = {
    "left": "Line up the left sides",
    "middle": "Centre left to right",
    "right": "Line up the right sides",
    "top": "Line up the tops",
    "centre": "Centre top to bottom",
    "bottom": "Line up the bottoms",
    "across": "Equal gaps across",
    "down": "Equal gaps down",
}
GAPS, LEAST_FOR_GAPS = ("across", "down"), 3


def able(session: Session) -> list[str]:
    """Which of TITLES can be done: a single piece is lined up with the board."""
    count = len(session.selection.ids) if session.selection.placed is not None else 0
    return [what for what in TITLES if count >= LEAST_FOR_GAPS or (count and what not in GAPS)]


def line_up(session: Session, what: str) -> None:
    """Do one of TITLES with what is chosen."""
    ids = session.selection.ids
    if what in GAPS:
        session.document.apply("Equal gaps", lambda b: distribute(b, ids, what == "across"))
    else:
        session.document.apply("Line up", lambda b: align(b, ids, what))  # type: ignore[arg-type]
