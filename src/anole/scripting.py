"""Anole from Python: open or begin a board, set its words, put styles on, render. `import anole` gives
what stands here.

    board = anole.open("bout-night.anole")
    board.set_words("Title", "Last lap")
    board.put_on("Title", "cup gold")
    board.export("last-lap.png")
"""

from __future__ import annotations

import os
from pathlib import Path
from typing import Any

from .core.arrays import Pixels
from .core.atomic import FileError
from .core.edit.boards import as_stored, change_board
from .core.edit.checked import replaced
from .core.edit.pieces import change_piece
from .core.edit.recolouring import in_colours
from .core.edit.titles import add_title
from .core.edit.wearing import add_style, named, put_style
from .core.files import board_file, exporting, formats
from .core.files.preview import preview
from .core.library import styles as library
from .core.model import Board, Export, Lettering, Style
from .core.model.nesting import every
from .core.render.export import rgba

PathLike = str | os.PathLike[str]
StyleLike = str | PathLike | Style


class OpenBoard:
    """A board to work on. `board` is its value now, which never changes: each method that changes
    something puts another one in its place and returns this object, so that calls can be chained.

    Pieces are meant by their name, or by their id where names are alike.
    """

    def __init__(self, board: Board, unknown: object = None) -> None:
        self.board = board
        self._unknown = unknown

    def __repr__(self) -> str:
        size = f"{self.board.width} x {self.board.height} px"
        return f"<anole board {self.board.name!r}, {size}, {len(self.board.pieces)} pieces>"

    @property
    def pieces(self) -> list[str]:
        """The names of all pieces, bottom first, those in clusters too; the id of one without."""
        return [piece.name or piece.id for piece in every(self.board.pieces)]

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

    def add_words(self, text: str, style: StyleLike | None = None, name: str = "") -> str:
        """New words on top, as large as the board has room for; returns their name. Raises
        FileError for a style that there is not."""
        chosen = Style(name="", coats=()) if style is None else find_style(style)
        self.board, fresh = add_title(self.board, text, chosen, library.digest(chosen.coats))
        if name:
            self.board = change_piece(self.board, fresh, name=name)
        return self.board.piece(fresh).name

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

    def change(self, piece: str, **fields: object) -> OpenBoard:
        """Set fields of a piece by their names in the file, such as opacity or size. Raises
        KeyError and ModelError."""
        self.board = change_piece(self.board, self._id(piece), **fields)
        return self

    def render(self, scale: float = 1.0, *, transparent: bool = False) -> Pixels:
        """(H, W, 4) uint8, straight alpha, sRGB-encoded, at a scale of the board's size. Raises
        TooLarge."""
        return rgba(self.board, scale, transparent=transparent)

    def export(self, path: PathLike, scale: float = 1.0, **fields: Any) -> exporting.Written:
        """Write a file as its ending says: png, jpg, webp, avif, tif, pdf, ora, gif. Fields are those
        of an export: quality, most (bytes), transparent, trim, padding, width, bleed, marks. Returns
        its bytes, quality and size in px. Raises FileError, ModelError and TooLarge."""
        target = Path(path)
        form = formats.by_ending(target.suffix)
        if form is None:
            known = ", ".join(formats.endings())
            raise FileError(f"{target.name}: the name of a picture must end in one of {known}")
        settings = replaced(Export(format=form.name, scale=scale), **fields)
        return exporting.write(target, self.board, settings)

    def save(self, path: PathLike) -> None:
        """Write an .anole file. Raises FileError."""
        document = board_file.StoredBoard(as_stored(self.board), self._unknown)
        board_file.write(Path(path), document, preview(self.board))

    def style_of(self, piece: str) -> Style:
        """The coats that a piece wears, as a style. Raises KeyError."""
        found = self.board.coated(self._id(piece))
        return Style(name=found.name or found.id, coats=found.style)

    def _id(self, piece: str) -> str:
        for found in every(self.board.pieces):
            if piece in (found.id, found.name):
                return found.id
        raise KeyError(f"no piece is called {piece!r}; there is: {', '.join(self.pieces)}")

    def _lettering(self, piece: str) -> Lettering:
        found = self.board.piece(self._id(piece))
        if not isinstance(found, Lettering):
            raise KeyError(f"{piece!r} is no lettering")
        return found


def open(path: PathLike) -> OpenBoard:
    """A board from an .anole file. Raises FileError."""
    document = board_file.read(Path(path))
    return OpenBoard(document.board, document.unknown)


def new(width: int = 1280, height: int = 720, dpi: float = 96.0) -> OpenBoard:
    """An empty board, without a ground. Raises ModelError."""
    return OpenBoard(change_board(Board(width=width, height=height), dpi=dpi))


def styles(words: str = "") -> list[str]:
    """The names of the styles of the library, or of those that all words are found in."""
    kept, _ = library.library()
    return [entry.style.name for entry in kept if library.is_found(entry.style, words)]


def find_style(style: StyleLike) -> Style:
    """A style by its name or its file. Raises FileError."""
    return style if isinstance(style, Style) else library.find(os.fspath(style))
