"""What a paint declares of itself; one kind a file, listed in source.py."""

from __future__ import annotations

from abc import abstractmethod
from collections.abc import Hashable
from typing import Protocol, TypeVar

import numpy as np

from ..arrays import Planes, Points
from ..model import Colour, Paint, Tone
from .context import PaintContext
from .handles import Laying, PaintHandle

P = TypeVar("P", bound=Paint)
UNSEEN = (0.8, 0.75, 0.6, 1.0)
SOME_COLOUR = Colour(240, 200, 120)
"""What a paint starts from where the one before has no colour of its own."""


def unseen(count: int) -> Planes:
    """(4, count) of one colour, for paints that look at the picture where there is none."""
    return np.repeat(np.array(UNSEEN)[:, None], count, 1)


class PaintKind(Protocol[P]):
    """One kind of paint. Subclass it, say what differs, and register an instance.

    title : what people read where they choose one; about : a line on what it does, where its
        fields do not say it
    """

    struct: type[P]
    title: str
    about: str = ""

    @abstractmethod
    def rasterise(self, paint: P, context: PaintContext) -> Planes:
        """Its colours over context.box before its tone: straight alpha, sRGB-encoded float32,
        (4, H, W); (4, 1, W) where every row is the same, (4, H, 1) where every column is."""

    def value(self, paint: P, context: PaintContext) -> Hashable:
        """All that its colours come from."""
        return (paint, context.frames, context.units)

    def tone(self, paint: P) -> tuple[Tone, ...]:
        """Changes to its colours, in their order."""
        return ()

    def opaque(self, paint: P) -> bool:
        """Whether it surely hides what lies beneath, sprayed specks left aside."""
        return False

    def over_board(self, paint: P) -> bool:
        """Whether it is stretched over the board, whatever it is laid on."""
        return False

    def begun(self, colour: Colour) -> P:
        """One that starts from the colour of the paint it takes the place of."""
        return self.struct()

    def first_colour(self, paint: P) -> Colour:
        """The colour that another kind of paint starts from."""
        return SOME_COLOUR

    def handles(self, paint: P, laid: Laying) -> list[PaintHandle]:
        """Where it is held on the board."""
        return []

    def pulled(self, paint: P, laid: Laying, kind: str, at: Points) -> P:
        """The paint with one of its handles at a point (2,), board px."""
        return paint

    def in_section(self, paint: P, count: int, em: float) -> Planes | None:
        """(4, count) straight colours where the build-up shows them otherwise than as a row of px
        through the middle of a letter; None where it does not."""
        return None

    def stand_in(self, paint: P) -> P:
        """The paint with colours of its own, for where there is no picture to take some from."""
        return paint

    def turned(self, paint: P, degrees: float) -> P:
        """The paint turned clockwise in its frame."""
        return paint
