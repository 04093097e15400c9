"""What a kind of piece that wears coats declares: its outlines, and what is measured of them."""

from __future__ import annotations

from abc import abstractmethod
from collections.abc import Callable, Sequence
from typing import Protocol, TypeVar

import msgspec

from ..arrays import Chords
from ..box import Box
from ..cache import Cache
from ..coats.context import CoatContext
from ..coats.kind import StackPlace
from ..coats.registry import kind_of as coat_kind
from ..coats.shape import Shape, no_letters, sound_outline
from ..compose.steps import CompositeStep, Step
from ..field.shape_fields import CORE_SIDE, bounds, greatest_inside
from ..model import Coat, Coated
from ..paint.frames import LetterFrames
from .coated import coated_steps
from .guard import piece_for
from .kind import PlacedKind
from .placing.view import View
from .reworking import reworked_steps

C = TypeVar("C", bound=Coated)
STANDING = ("place", "corners", "pose", "off")
"""Fields that every placed piece's outlines come from."""
MEASURED_EM = 200.0
"""px of an em while the core is measured."""
QUICK_LETTERS = 120
"""The most letters whose outlines take no longer than a frame."""


class CoatedKind(PlacedKind[C], Protocol[C]):
    """A placed piece that wears a style: it makes a shape, and coats do the rest.

    outline_fields : those that its outlines come from, besides those that say where it stands; in
        tests chords() is given these alone
    core_side : px of its longer side at which its core is measured
    """

    outline_fields: tuple[str, ...] = ()
    core_side: int = CORE_SIDE

    def steps(self, piece: C, view: View) -> list[Step]:
        return reworked_steps(self, piece, view, self.plain_steps)

    def plain_steps(self, piece: C, view: View) -> list[Step]:
        """What paints it, where no coat reworks its picture."""
        return coated_steps(self, piece, view)

    def outline_values(self, piece: C, dpi: float) -> tuple:
        """What of its declared fields its outlines come from, and what those lead to: fonts, pieces
        within it."""
        return tuple(getattr(piece, name) for name in self.outline_fields)

    def outline_key(self, piece: C, dpi: float) -> tuple:
        """All that its outlines come from, besides the render scale."""
        standing = (getattr(piece, name) for name in STANDING)
        return (*self.outline_values(self.only(piece), dpi), dpi, *standing)

    def only(self, piece: C) -> C:
        """The piece, in tests with no other fields than its outlines may come from."""
        return piece_for(piece, (*self.outline_fields, *STANDING), self.title)

    @abstractmethod
    def chords(self, piece: C, dpi: float, scale: float) -> Chords:
        """(m, 4) float64 px at a render scale: closed outlines, the covered area positive."""

    def sound_chords(self, piece: C, dpi: float, scale: float) -> Chords:
        """The same, without what is no outline."""
        return sound_outline(self.chords(self.only(piece), dpi, scale))

    def sees_others(self, piece: C) -> bool:
        through = any(coat_kind(coat).sees_beneath(coat) for coat in piece.style)
        return through or super().sees_others(piece)

    def own_steps(self, piece: C, context: CoatContext, view: View) -> list[CompositeStep]:
        """What it paints on its face of its own: colours that no coat brings."""
        return []

    def own_place(self, coats: Sequence[Coat]) -> int:
        """How many of these coats lie beneath that: shadows, glows and lines at the foot of the
        stack, so that they frame it, as they frame the first fill of words."""
        top = (n for n, coat in enumerate(coats) if coat_kind(coat).place >= StackPlace.TOP)
        return next(top, len(coats))

    def core(self, piece: C, dpi: float, cache: Cache) -> float:
        """The greatest inside distance in board px; the same wherever the piece stands."""
        home = self.at_home(piece)
        em = max(self.placement(home, dpi).em, 1e-6)
        key = self.core_kept_under(piece, dpi)
        scale = MEASURED_EM / em
        return (
            em
            / MEASURED_EM
            * cache.get(
                key,
                lambda: greatest_inside(self.sound_chords(home, dpi, scale), self.core_side),
            )
        )

    def core_kept_under(self, piece: C, dpi: float) -> tuple:
        """The key under which core() keeps what it measured."""
        return ("core", self.struct, self.core_key(self.at_home(piece), dpi))

    def measured_quickly(self, piece: C) -> bool:
        """Whether its outlines and its core take about a frame's time: few letters, none bent."""
        bent = bool({*self.shapings(piece)} - {"corners", "pose"})
        return not bent and len(self.text(piece)) <= QUICK_LETTERS

    def at_home(self, piece: C) -> C:
        """The piece with its place set back: what its core depends on."""
        home = msgspec.structs.replace(piece.place, x=0.0, y=0.0, rotation=0.0)
        return msgspec.structs.replace(piece, place=home)

    def core_key(self, piece: C, dpi: float) -> tuple:
        """All that the core, in em, comes from."""
        return self.outline_key(piece, dpi)

    def smooth(self, piece: C) -> bool:
        """False for hard pixels."""
        return True

    def refinable(self, piece: C) -> bool:
        """Whether it is the same picture when it is painted more finely and reduced: px of its own
        and hard ones are not."""
        return self.smooth(piece)

    def letters(self, piece: C, view: View, key: tuple) -> Callable[[Box], LetterFrames | None]:
        """The frames of its letters over a box of px, where it has letters."""
        return no_letters

    def shape(self, piece: C, view: View) -> Shape:
        """What its coats work on, at the view's scale."""
        dpi, scale = view.board.dpi, view.scale
        key = (self.struct, *self.outline_key(piece, dpi), scale)
        chords = view.cache.get(("chords", *key), lambda: self.sound_chords(piece, dpi, scale))
        placed = self.placement(piece, dpi)
        return Shape(
            key,
            chords,
            placed.em,
            self.core(piece, dpi, view.cache) * scale,
            bounds(chords),
            self.smooth(piece),
            letters=self.letters(piece, view, key),
            depth_axis=placed.depth_axis(scale),
        )

    def ink(self, piece: C, dpi: float) -> tuple[float, float, float, float] | None:
        """x0, y0, x1, y1 board px of its outlines themselves; None without any."""
        chords = self.sound_chords(piece, dpi, 1.0)
        return bounds(chords) if len(chords) else None

    def summary(self, piece: C) -> str:
        count = len(piece.style)
        return f"{self.title}, {count} coat{'' if count == 1 else 's'}" if count else self.title
