"""What a kind of piece declares of itself: everything the program knows of it is asked here."""

from __future__ import annotations

from abc import abstractmethod
from typing import Any, Protocol, TypeVar

import msgspec

from ..compose.steps import Step
from ..model import Board, Paint, Piece, Place, Placed
from ..model.open_union import tag_of
from .backdrops import has_backdrop
from .fresh import Fresh, with_article
from .placing.placement import Placement
from .placing.view import View

P = TypeVar("P", bound=Piece)
Q = TypeVar("Q", bound=Placed)


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
