"""What bends a lettering, of all that it is given: each kind can be switched off and kept."""

from __future__ import annotations

from typing import NamedTuple

from ..model import Corners, Lettering, Letters, Pose, Rail, Ring

STRAIGHT = Rail()


class Bends(NamedTuple):
    """What bends a lettering; all None or straight means that nothing does."""

    rails: str
    head: Rail
    foot: Rail
    ring: Ring | None
    radius: float
    letters: Letters | None
    corners: Corners | None
    pose: Pose | None

    @property
    def bent(self) -> bool:
        straight = self.head == STRAIGHT and self.foot == STRAIGHT
        return not straight or self.by_letter or any((self.corners, self.pose))

    @property
    def by_letter(self) -> bool:
        return bool(self.ring or (self.letters and self.letters.moves))


def shapings(piece: Lettering) -> tuple[str, ...]:
    """The kinds of shaping a lettering has, whether on or off, in the order they are done."""
    has = {
        "rails": (piece.head, piece.foot) != (STRAIGHT, STRAIGHT),
        "ring": piece.ring is not None,
        "letters": piece.letters is not None and piece.letters.moves,
        "corners": piece.corners is not None,
        "pose": piece.pose is not None,
    }
    return tuple(kind for kind, there in has.items() if there)


def bends_of(piece: Lettering, em: float, dpi: float) -> Bends:
    """Those that are on; em in board px."""
    on = {kind: kind not in piece.off for kind in ("rails", "ring", "letters", "corners", "pose")}
    head, foot = (piece.head, piece.foot) if on["rails"] else (STRAIGHT, STRAIGHT)
    ring = piece.ring if on["ring"] else None
    return Bends(
        piece.rails, head, foot, ring, ring.radius.px(em, dpi) / em if ring else 0.0,
        piece.letters if on["letters"] else None,
        piece.corners if on["corners"] else None, piece.pose if on["pose"] else None,
    )  # fmt: skip
