"""A style of a look, and the same said for other programs."""

from __future__ import annotations

from typing import Any

from ..model import Style
from .found import coats_of
from .look import Look

CAPS = 0.72
"""Capitals are about so much of an em tall; whose font is known has its own share."""
PICTURED = "face-picture"
"""The coat that paints a face with a picture of itself: a style's file alone does not carry that."""


def style_of(
    look: Look, name: str, caps: float = CAPS, without: frozenset[str] = frozenset()
) -> Style:
    """A style of what was read: lengths in em of the found letters.

    caps : how tall they are in em; without : ids of coats that are left out
    """
    found = coats_of(look, look.cap_height / caps)
    coats = tuple(one.coat for one in found if one.coat.id not in without)
    return Style(name=name, words=("read from a picture",), notes=_said(look), coats=coats)


def _said(look: Look) -> str:
    return f"Read from a picture; {look.difference:.3f} from it in OKLab, where letters are {look.cap_height:.0f} px tall."


def report_of(look: Look) -> dict[str, Any]:
    """What was read, bottom first, in px of the picture, for other programs."""
    box, line = look.box, look.line
    return {
        "coats": [
            {"kind": one.kind, **one.measured, "sure": round(one.sure, 3)}
            for one in coats_of(look, 1.0)
        ],
        "difference": round(look.difference, 4),
        "cap_height": round(look.cap_height, 2),
        "box": [box.x0, box.y0, box.width, box.height],
        "line": [round(float(v), 1) for v in line],
    }
