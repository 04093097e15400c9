"""What bends a lettering, of all that it is given: each kind can be switched off and stays set."""

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
        """Whether glyphs stand anywhere but straight on their line."""
        straight = self.head == STRAIGHT and self.foot == STRAIGHT
        return not straight or self.by_letter or any((self.corners, self.pose))

    @property
    def by_letter(self) -> bool:
        """Whether each letter moves by itself."""
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
    off = piece.off
    head, foot = (STRAIGHT, STRAIGHT) if "rails" in off else (piece.head, piece.foot)
    ring = None if "ring" in off else piece.ring
    return Bends(
        piece.rails,
        head,
        foot,
        ring,
        ring.radius.px(em, dpi) / em if ring else 0.0,
        None if "letters" in off else piece.letters,
        None if "corners" in off else piece.corners,
        None if "pose" in off else piece.pose,
    )
