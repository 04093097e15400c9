"""What a kind of piece declares of itself: everything the program knows of it is asked here."""

from __future__ import annotations

from abc import abstractmethod
from collections.abc import Callable, Sequence
from typing import Any, Protocol, TypeVar

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
from ..model import Board, Coat, Coated, Paint, Piece, Place, Placed
from ..model.open_union import tag_of
from ..paint.frames import LetterFrames
from .backdrops import has_backdrop
from .coated import coated_steps
from .fresh import Fresh, with_article
from .guard import piece_for
from .placing.placement import Placement
from .placing.view import View
from .reworking import reworked_steps

P = TypeVar("P", bound=Piece)
Q = TypeVar("Q", bound=Placed)
C = TypeVar("C", bound=Coated)
STANDING = ("place", "corners", "pose", "off")
"""Fields that every placed piece's outlines come from."""
MEASURED_EM = 200.0
"""px of an em while the core is measured."""
QUICK_LETTERS = 120
"""The most letters whose outlines take no longer than a frame."""


class PieceKind(Protocol[P]):
    """One kind of piece. Subclass this, PlacedKind or CoatedKind, and register an instance.

    title : what a card and a panel's head call it
    sections : the parts of its panel, by name; tool : the tool that works inside it on the board
    ground : it covers the board, and is left out of a transparent picture
    on_others : it changes what lies beneath, and shows nothing alone
    scaled : its miniature is itself at a smaller scale, rather than a smaller one of its kind
    """

    struct: type[P]
    title: str
    sections: tuple[str, ...] = ("fields", "blending")
    tool: str = ""
    ground: bool = False
    on_others: bool = False
    scaled: bool = False

    @abstractmethod
    def steps(self, piece: P, view: View) -> list[Step]:
        """What paints it, bottom first."""

    def fresh(self) -> tuple[Fresh, ...]:
        """The ways to begin one that menus offer; none where it begins otherwise, as with a file."""
        return (Fresh(tag_of(self.struct), f"Add {with_article(self.title)}", self.bare),)

    def bare(self, board: Board) -> P:
        """One as a board first gets it, of any id."""
        return self.struct(id="new", name=self.title.capitalize())

    def has_content(self, piece: P) -> bool:
        """Whether there is anything of it to be seen or taken hold of."""
        return True

    def opaque(self, piece: P) -> bool:
        """Whether it surely hides all of the board beneath it."""
        return False

    def sees_others(self, piece: P) -> bool:
        """Whether its steps come from other pieces: what changes others, and backdrops, do."""
        return self.on_others or has_backdrop(piece)

    def text(self, piece: P) -> str:
        """What it says as plain text, on the clipboard and for its name."""
        return piece.name

    def paint(self, piece: P) -> Paint | None:
        """A paint of its own, its field `paint`, that handles on the board move and turn."""
        return None

    def dropped(self, piece: P, asset: str) -> dict[str, Any] | None:
        """The fields that a picture dropped on it sets; None when it takes none."""
        return None

    def summary(self, piece: P) -> str:
        """The second line of its card."""
        return self.title

    def sample(self, piece: P, words: str) -> P:
        """The piece as small pictures show it, saying `words` where it says something."""
        return msgspec.structs.replace(
            piece, id="sample", name="", shown=True, opacity=1.0, blend="normal"
        )

    def moved(self, piece: P, dx: float, dy: float) -> P:
        """The piece on a board whose corner was moved by so many px."""
        return piece

    def settled(self, piece: P) -> P:
        """The piece as a board keeps it, where one picture can be said in several ways."""
        return piece

    def stored(self, piece: P) -> P:
        """The piece as it is written to a file."""
        return piece


class PlacedKind(PieceKind[Q], Protocol[Q]):
    """A piece that stands somewhere on the board; bends : whether corners and pose move it."""

    bends: bool = True
    sections: tuple[str, ...] = ("fields", "place", "shape", "blending")

    @abstractmethod
    def placement(self, piece: Q, dpi: float) -> Placement:
        """Its box, and how that comes onto the board."""

    def bare(self, board: Board) -> Q:
        """In the middle of the board."""
        place = Place(x=board.width / 2, y=board.height / 2)
        return msgspec.structs.replace(super().bare(board), place=place)

    def shapings(self, piece: Q) -> tuple[str, ...]:
        """The kinds of shaping it has, whether on or off, in the order they are done."""
        has = {"corners": piece.corners is not None, "pose": piece.pose is not None}
        return tuple(kind for kind, there in has.items() if there)

    def resized(self, piece: Q, ratio: float) -> dict[str, Any]:
        """The fields that make it larger by a ratio about its anchor."""
        place = piece.place
        scale_x, scale_y = (
            min(max(round(v * ratio, 4), -100), 100) for v in (place.scale_x, place.scale_y)
        )
        return {"place": msgspec.structs.replace(place, scale_x=scale_x, scale_y=scale_y)}

    def pinned(self, piece: Q, dpi: float, anchor: str, at: tuple[float, float]) -> dict[str, Any]:
        """The fields that bring the point `anchor` of its box to a point of the board."""
        return {"place": msgspec.structs.replace(piece.place, x=at[0], y=at[1], anchor=anchor)}

    def fitted(
        self,
        piece: Q,
        dpi: float,
        share: float,
        size: tuple[float, float],
        room: tuple[float, float],
    ) -> dict[str, Any]:
        """The fields that make it `share` of its size, 1 at most, and keep it no larger than the
        room; `size` is that of its outlines now, board px."""
        return self.resized(piece, share) if share < 1 else {}

    def sample(self, piece: Q, words: str) -> Q:
        """Upright, in the middle of things."""
        bare = super().sample(piece, words)
        return msgspec.structs.replace(bare, place=Place())

    def moved(self, piece: Q, dx: float, dy: float) -> Q:
        place = msgspec.structs.replace(piece.place, x=piece.place.x + dx, y=piece.place.y + dy)
        return msgspec.structs.replace(piece, place=place)

    def extent(self, piece: Q, board: Board) -> tuple[float, float, float, float]:
        """x0, y0, x1, y1 board px: the box that it is snapped and lined up by."""
        return self.placement(piece, board.dpi).extent


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
