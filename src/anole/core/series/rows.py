"""A row of a table put on a board, and what is wrong with it."""

from __future__ import annotations

from pathlib import Path
from typing import NamedTuple

import msgspec

from ..atomic import FileError, read_bytes
from ..coats.kind import StackPlace
from ..coats.registry import kind_of as coat_kind
from ..edit.coats import change_coat
from ..edit.fitting import leaves
from ..edit.pictures import MOST_FILE, add_picture
from ..edit.pieces import change_piece
from ..edit.titles import best_lines
from ..edit.wearing import put_style
from ..lettering.fonts import find
from ..lettering.itemise import has
from ..library import styles as library
from ..model import Board, Coated, Colour, ColourPaint, FitBox, Lettering, ModelError
from ..model.nesting import path_to
from ..model.series import Binding
from ..paint.image_formats import ImageError
from ..pieces.registry import coated_kind, kind_of
from ..text import short

SMALL = 0.03
"""Of the board's height: an em below which words are hardly read."""
NO = {"", "0", "no", "false", "off", "-"}


class BoundRow(NamedTuple):
    """The board of a row, and what is wrong with it, one line each."""

    board: Board
    warnings: tuple[str, ...]


def bound(
    board: Board, bindings: tuple[Binding, ...], cells: dict[str, str], folder: Path
) -> BoundRow:
    """The board with a row's cells in it. What cannot be set stays as it is and is told. Paths of
    pictures lie in `folder` or below; others are refused."""
    warnings: list[str] = []
    for binding in bindings:
        if binding.column not in cells:
            warnings.append(f"the table has no column “{short(binding.column, 40)}”")
            continue
        try:
            board = _set(board, binding, cells[binding.column], folder)
        except (ModelError, FileError, ImageError, ValueError) as error:
            warnings.append(f"{short(binding.column, 40)}: {short(error, 160)}")
        except KeyError:
            warnings.append(f"the piece that “{short(binding.column, 40)}” sets is not there")
    for binding in bindings:
        if binding.sets == "words":
            warnings += _about_words(board, binding.piece)
    return BoundRow(board, tuple(dict.fromkeys(warnings)))


def _set(board: Board, binding: Binding, cell: str, folder: Path) -> Board:
    piece = board.piece(binding.piece)
    if binding.sets == "words":
        return _with_words(board, piece.id, cell)
    if binding.sets == "shown":
        return change_piece(board, piece.id, shown=cell.strip().lower() not in NO)
    if not cell:
        return board
    if binding.sets == "style":
        style = library.find(cell)
        return put_style(board, piece.id, style, library.digest(style.coats))
    if binding.sets == "colour":
        return _with_colour(board, piece.id, Colour.parse(cell))
    return _with_picture(board, piece.id, _inside(folder, cell))


def _with_words(board: Board, piece_id: str, text: str) -> Board:
    """Other words in the room that the first ones had: they are fitted to it."""
    piece = board.lettering(piece_id)
    if piece.box is None:
        x0, y0, x1, y1 = coated_kind(piece).extent(piece, board)
        wide, high = max(x1 - x0, 1.0), max(y1 - y0, 1.0)
        board = change_piece(board, piece_id, box=FitBox(width=wide, height=high, fit="shrink"))
    elif piece.box.fit == "none":
        fitted = msgspec.structs.replace(piece.box, fit="shrink")
        board = change_piece(board, piece_id, box=fitted)
    board = change_piece(board, piece_id, text=text.replace("\\n", "\n"))
    # broken into the lines in which they are largest, unless the table breaks them
    return change_piece(board, piece_id, text=best_lines(board, piece_id))


def _with_colour(board: Board, piece_id: str, colour: Colour) -> Board:
    """The colour on the lowest coat of the face that is painted."""
    for coat in board.coated(piece_id).style:
        kind = coat_kind(coat)
        if kind.held(coat) and kind.place >= StackPlace.TOP:
            return change_coat(board, piece_id, coat.id, paint=ColourPaint(colour=colour))
    raise ValueError("the piece has no coat on its face that could take a colour")


def _inside(folder: Path, text: str) -> Path:
    """A path of the table, which must not leave its folder. Raises FileError."""
    home = folder.resolve()
    path = (home / text).resolve()
    if home != path and home not in path.parents:
        raise FileError(f"{short(text, 60)} lies outside of the table's folder and was not read")
    return path


def _with_picture(board: Board, piece_id: str, path: Path) -> Board:
    board, sha, _ = add_picture(board, read_bytes(path, MOST_FILE), path.name)
    fields = kind_of(board.piece(piece_id)).dropped(board.piece(piece_id), sha)
    if fields is None:
        raise ValueError("the piece takes no picture")
    return change_piece(board, piece_id, **fields)


def _about_words(board: Board, piece_id: str) -> list[str]:
    """Letters that the font lacks, and words that leave the board or become very small."""
    if not path_to(board.pieces, piece_id):
        return []
    piece = board.piece(piece_id)
    if not isinstance(piece, Lettering) or not piece.text.strip():
        return []
    found = []
    file = find(piece.font)[0]
    lacking = [c for c in dict.fromkeys(piece.text) if not c.isspace() and not has(file, c)]
    if lacking:
        found.append(f"{piece.font.family} has no {' '.join(lacking[:8])}")
    name = piece.name or piece.id
    if piece_id in [p.id for p in board.pieces] and leaves(piece, board):
        found.append(f"“{short(name, 30)}” leaves the board")
    em = coated_kind(piece).placement(piece, board.dpi).em
    if em < SMALL * board.height:
        found.append(f"“{short(name, 30)}” becomes very small")
    return found


def bindable(board: Board) -> list[tuple[str, str, str]]:
    """(piece id, its name, what of it a column may set), the plainest first."""
    found = []
    for piece in board.pieces:
        name = piece.name or kind_of(piece).text(piece) or kind_of(piece).title
        if isinstance(piece, Lettering):
            found.append((piece.id, name, "words"))
        if kind_of(piece).dropped(piece, "0" * 64) is not None:
            found.append((piece.id, name, "picture"))
        if isinstance(piece, Coated):
            found += [(piece.id, name, "colour"), (piece.id, name, "style")]
        found.append((piece.id, name, "shown"))
    order = ("words", "picture", "colour", "style", "shown")
    return sorted(found, key=lambda one: order.index(one[2]))
