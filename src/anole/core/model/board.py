"""The board: the one value that holds a whole design."""

from __future__ import annotations

from typing import Annotated, TypeVar

from msgspec import Meta, Struct

from .asset import Asset
from .colour import Colour
from .export import Export
from .fields import Name, meta
from .lamp import Lamp
from .nesting import path_to
from .paints import Gradient
from .pieces import Coated, Lettering, Piece, Pieces, Placed
from .series import Series

P = TypeVar("P", bound=Piece)
FORMAT = "anole-board/1"
LONGEST_SIDE = 32_000

Side = Annotated[int, Meta(ge=1, le=LONGEST_SIDE)]


class Swatch(Struct, frozen=True, cache_hash=True):
    """A colour with a name."""

    name: Name
    colour: Colour


class NamedGradient(Struct, frozen=True, cache_hash=True):
    """A gradient with a name."""

    name: Name
    gradient: Gradient


class Board(Struct, frozen=True, cache_hash=True, kw_only=True):
    """A design: its size in px, its resolution, its lamp and its pieces, bottom first."""

    format: Annotated[str, Meta(pattern=r"^anole-board/\d+(\.\d+)?$")] = FORMAT
    name: Name = "Untitled"
    width: Annotated[Side, meta("Width", "px", unit="px")] = 1280
    height: Annotated[Side, meta("Height", "px", unit="px")] = 720
    dpi: Annotated[float, Meta(ge=1, le=10_000)] = 96.0
    lamp: Lamp = Lamp()
    pieces: Pieces = ()
    swatches: Annotated[tuple[Swatch, ...], Meta(max_length=1000)] = ()
    gradients: Annotated[tuple[NamedGradient, ...], Meta(max_length=1000)] = ()
    fonts: Annotated[tuple[Asset, ...], Meta(max_length=200)] = ()
    assets: Annotated[tuple[Asset, ...], Meta(max_length=2000)] = ()
    exports: Annotated[tuple[Export, ...], Meta(max_length=200)] = ()
    series: Series | None = None

    def piece(self, piece_id: str) -> Piece:
        """The piece of that id, in whatever cluster it is. Raises KeyError."""
        path = path_to(self.pieces, piece_id)
        if not path:
            raise KeyError(piece_id)
        return path[-1]

    def lettering(self, piece_id: str) -> Lettering:
        """The lettering of that id. Raises KeyError when there is none."""
        return self._that_is(Lettering, piece_id)

    def coated(self, piece_id: str) -> Coated:
        """The piece of that id, which wears a style. Raises KeyError when there is none."""
        return self._that_is(Coated, piece_id)

    def placed(self, piece_id: str) -> Placed:
        """The piece of that id, which stands somewhere. Raises KeyError when there is none."""
        return self._that_is(Placed, piece_id)

    def _that_is(self, kind: type[P], piece_id: str) -> P:
        piece = self.piece(piece_id)
        if not isinstance(piece, kind):
            raise KeyError(piece_id)
        return piece
