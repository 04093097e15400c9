"""A board to work on from Python: its pieces, its lamp and its files."""

from __future__ import annotations

from collections.abc import Iterable
from pathlib import Path
from typing import TYPE_CHECKING, Any

import msgspec

from ..core.arrays import Pixels
from ..core.atomic import FileError, read_bytes
from ..core.edit.boards import as_stored
from ..core.edit.checked import replaced
from ..core.edit.clusters import dissolve_cluster, make_cluster
from ..core.edit.pictures import MOST_FILE, add_picture, add_picture_piece
from ..core.edit.pieces import change_piece, insert_piece, remove_piece
from ..core.edit.recolouring import in_colours
from ..core.edit.titles import add_title
from ..core.edit.wearing import add_style, named, put_style
from ..core.files import board_file, exporting, formats
from ..core.files.preview import preview
from ..core.library import styles as library
from ..core.model import Board, Export, Lettering, Piece, Style
from ..core.model.nesting import every
from ..core.pieces.registry import is_ground
from ..core.render.export import rgba
from . import values
from .handles import PieceHandle
from .styling import PathLike, StyleLike, find_style

if TYPE_CHECKING:
    from PIL.Image import Image

SHOWN = 1280
"""px of the longer side of a board's picture in a notebook, at most."""


class OpenBoard:
    """A board to work on. `board` is its value now, which never changes: each method that changes
    something puts another one in its place and returns this object, so that calls can be chained.

    Pieces are meant by their name, or by their id where names are alike; `board["Title"]` is one to
    read and change in place.
    """

    def __init__(self, board: Board, unknown: object = None) -> None:
        self.board = board
        self._unknown = unknown

    def __repr__(self) -> str:
        size = f"{self.board.width} x {self.board.height} px"
        return f"<anole board {self.board.name!r}, {size}, {len(self.board.pieces)} pieces>"

    def _repr_png_(self) -> bytes:
        """What a notebook shows."""
        longer = max(self.board.width, self.board.height)
        return self.to_bytes("png", min(1.0, SHOWN / longer))

    # pieces

    @property
    def pieces(self) -> list[str]:
        """The names of all pieces, bottom first, those in clusters too; the id of one without."""
        return [piece.name or piece.id for piece in every(self.board.pieces)]

    def __getitem__(self, piece: str) -> PieceHandle:
        return PieceHandle(self, self._id(piece))

    def __contains__(self, piece: object) -> bool:
        return any(piece in (one.id, one.name) for one in every(self.board.pieces))

    def add(self, piece: Piece, name: str = "", at: int | None = None) -> str:
        """Put a piece on the board, such as `anole.pieces.Wash(...)`: on top, a ground beneath all, or
        at a place of the order, 0 the bottom; returns its name."""
        if name or not piece.name:
            piece = msgspec.structs.replace(piece, name=name or type(piece).__name__)
        place = (0 if is_ground(piece) else len(self.board.pieces)) if at is None else at
        self.board, fresh = insert_piece(self.board, piece, place)
        return self._name(fresh)

    def add_words(
        self, text: str, style: StyleLike | None = None, name: str = "", *,
        font: Any = None, size: Any = None, at: tuple[float, float] | None = None, **fields: Any,
    ) -> str:  # fmt: skip
        """New words on top; returns their name. font : a family, or `anole.pieces.Font(...)`; size : of
        one em, else as large as the board has room for; at : where their middle lies, board px. More
        fields are those of a lettering. Raises FileError for a style that there is not, ModelError."""
        chosen = Style(name="", coats=()) if style is None else find_style(style)
        own = dict(fields) if font is None else {"font": font, **fields}
        set_to = values.checked(Lettering(id="words", text=text), own)
        board, fresh = add_title(
            self.board, text, chosen, library.digest(chosen.coats), **set_to,
        )  # fmt: skip
        self.board = board if not name else change_piece(board, fresh, name=name)
        if size is not None:
            self.change_by_id(fresh, {"size": size, "box": None, "text": text})
        if at is not None:
            self.change_by_id(fresh, {"place": at})
        return self._name(fresh)

    def add_picture(self, path: PathLike, name: str = "", **fields: Any) -> str:
        """A picture's file as a piece on top, an SVG as an emblem; returns its name. Fields are those of
        the piece. Raises FileError, ImageError and ModelError."""
        source = Path(path)
        board, sha, _ = add_picture(self.board, read_bytes(source, MOST_FILE), source.name)
        self.board, fresh = add_picture_piece(board, sha)
        self.change_by_id(fresh, {**fields, "name": name} if name else fields)
        return self._name(fresh)

    def change(self, piece: str, **fields: Any) -> OpenBoard:
        """Set fields of a piece by their names, such as opacity or size. Raises KeyError and
        ModelError."""
        return self.change_by_id(self._id(piece), fields)

    def change_by_id(self, piece_id: str, fields: dict[str, Any]) -> OpenBoard:
        """The same of the piece of an id."""
        if fields:
            set_to = values.checked(self.board.piece(piece_id), fields)
            self.board = change_piece(self.board, piece_id, **set_to)
        return self

    def remove(self, piece: str) -> OpenBoard:
        """Take a piece off. Raises KeyError."""
        self.board = remove_piece(self.board, self._id(piece))
        return self

    def cluster(self, pieces: Iterable[str], name: str = "") -> str:
        """Several pieces as one; returns its name. Raises KeyError and ModelError."""
        self.board, fresh = make_cluster(self.board, [self._id(piece) for piece in pieces])
        if name:
            self.board = change_piece(self.board, fresh, name=name)
        return self._name(fresh)

    def dissolve(self, cluster: str) -> OpenBoard:
        """A cluster's pieces by themselves again. Raises KeyError."""
        self.board, _ = dissolve_cluster(self.board, self._id(cluster))
        return self

    def light(self, **fields: Any) -> OpenBoard:
        """Set fields of the board's lamp: bearing, elevation, size, colour, strength. Raises ModelError."""
        self.board = replaced(self.board, lamp=values.changed(self.board.lamp, fields))
        return self

    # words

    def words(self, piece: str) -> str:
        """What a lettering says. Raises KeyError."""
        return self._lettering(piece).text

    def set_words(self, piece: str, text: str) -> OpenBoard:
        """Let a lettering say something else; its look and its place hold. Raises KeyError and
        ModelError."""
        found = self._lettering(piece)
        # the piece goes on being meant by the name that it had
        self.board = change_piece(self.board, found.id, text=text)
        self.board = change_piece(self.board, found.id, name=found.name)
        return self

    # styles

    def put_on(self, piece: str, style: StyleLike, colours: str = "style") -> OpenBoard:
        """Put a style on a piece, in place of what it wears. colours : "style" for its own, "words"
        for those that the piece wears now, "ground" for those behind it, or a hue in degrees.
        Raises KeyError, FileError and ModelError."""
        target = named(self.board, piece)
        chosen = in_colours(self.board, target.id, find_style(style), colours)
        self.board = put_style(self.board, target.id, chosen, library.digest(chosen.coats))
        return self

    def add_on(self, piece: str, style: StyleLike, beneath: bool = False) -> OpenBoard:
        """Put a style's coats above those that a piece wears, or beneath them. Raises KeyError and
        FileError."""
        target = named(self.board, piece)
        self.board = add_style(self.board, target.id, find_style(style), beneath)
        return self

    def style_of(self, piece: str) -> Style:
        """The coats that a piece wears, as a style. Raises KeyError."""
        found = self.board.coated(self._id(piece))
        return Style(name=found.name or found.id, coats=found.style)

    # pictures of it

    def render(self, scale: float = 1.0, *, transparent: bool = False) -> Pixels:
        """(H, W, 4) uint8, straight alpha, sRGB-encoded, at a scale of the board's size. Raises
        TooLarge."""
        return rgba(self.board, scale, transparent=transparent)

    def image(self, scale: float = 1.0, *, transparent: bool = False) -> Image:
        """The same as Pillow's image, RGBA."""
        from PIL import Image

        return Image.fromarray(self.render(scale, transparent=transparent))

    def to_bytes(self, form: str = "png", scale: float = 1.0, **fields: Any) -> bytes:
        """The bytes of a picture in a format that is one picture's px: png, jpg, webp, avif, tif. Fields
        are those of an export: quality, most (bytes), transparent. Raises ModelError, TooLarge."""
        settings = _export(f"picture.{form}", scale, fields)
        if formats.format_of(settings.format).encode is None:
            raise FileError(f"{form} is no one picture's px: export it to a file")
        pixels = rgba(self.board, settings.scale, transparent=settings.transparent)
        return exporting.data_of(settings, pixels, self.board.dpi)[0]

    def export(self, path: PathLike, scale: float = 1.0, **fields: Any) -> exporting.Written:
        """Write a file as its ending says: png, jpg, webp, avif, tif, pdf, ora, gif. Fields are those
        of an export: quality, most (bytes), transparent, trim, padding, width, bleed, marks. Returns
        its bytes, quality and size in px. Raises FileError, ModelError and TooLarge."""
        target = Path(path)
        return exporting.write(target, self.board, _export(target.name, scale, fields))

    def save(self, path: PathLike) -> None:
        """Write an .anole file. Raises FileError."""
        document = board_file.StoredBoard(as_stored(self.board), self._unknown)
        board_file.write(Path(path), document, preview(self.board))

    # names

    def _id(self, piece: str) -> str:
        for found in every(self.board.pieces):
            if piece in (found.id, found.name):
                return found.id
        raise KeyError(f"no piece is called {piece!r}; there is: {', '.join(self.pieces)}")

    def _name(self, piece_id: str) -> str:
        return self.board.piece(piece_id).name or piece_id

    def _lettering(self, piece: str) -> Lettering:
        found = self.board.piece(self._id(piece))
        if not isinstance(found, Lettering):
            raise KeyError(f"{piece!r} is no lettering")
        return found


def _export(name: str, scale: float, fields: dict[str, Any]) -> Export:
    form = formats.by_ending(Path(name).suffix)
    if form is None:
        known = ", ".join(formats.endings())
        raise FileError(f"{name}: the name of a picture must end in one of {known}")
    return values.changed(Export(format=form.name, scale=scale), fields)
