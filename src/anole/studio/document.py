"""The open board, its history, and what is chosen on it. Every view listens to this."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from PyQt6.QtCore import QObject, QTimer, pyqtSignal

from ..core.edit.font_files import with_outlines
from ..core.edit.history import History
from ..core.files import board_file
from ..core.files.atomic import FileError
from ..core.files.preview import preview
from ..core.lettering.fonts import find
from ..core.model import Board, Coat, Lettering, ModelError

REST_MS = 50
"""How long panels lag behind a drag at most."""


class Document(QObject):
    """`changed`: the board, or what is shown of it; `chosen`: another piece or coat.

    `settled` follows `changed`: at once, but amid a drag only now and then. The picture and what is
    drawn on it follow `changed`; panels and lists, which the picture need not wait for, `settled`.
    """

    changed = pyqtSignal()
    settled = pyqtSignal()
    chosen = pyqtSignal()
    said = pyqtSignal(str)

    def __init__(self, board: Board, parent: QObject | None = None) -> None:
        super().__init__(parent)
        self.path: Path | None = None
        self.history = History(board)
        self._unknown: object = None
        self._saved: Board | None = board
        self._shown: Board | None = None
        self.piece_id: str | None = None
        self.coat_id: str | None = None
        self.together: tuple[str, ...] = ()
        self._resting = QTimer(self)
        self._resting.setSingleShot(True)
        self._resting.setInterval(REST_MS)
        self._resting.timeout.connect(self.settled)
        self._choose_something()

    # what there is

    @property
    def board(self) -> Board:
        return self.history.board

    @property
    def shown(self) -> Board:
        """The board to paint: the real one, or one that is only being looked at."""
        return self._shown or self.board

    @property
    def is_saved(self) -> bool:
        return self.board == self._saved

    @property
    def piece(self) -> Lettering | None:
        found = [p for p in self.board.pieces if p.id == self.piece_id]
        return found[0] if found and isinstance(found[0], Lettering) else None

    @property
    def coat(self) -> Coat | None:
        coats = self.piece.style if self.piece else ()
        return next((coat for coat in coats if coat.id == self.coat_id), None)

    # choosing

    @property
    def chosen_ids(self) -> tuple[str, ...]:
        """The piece whose panel is shown, and those chosen with it."""
        return (*((self.piece_id,) if self.piece_id else ()), *self.together)

    def choose_also(self, piece_id: str) -> None:
        """Choose one more piece, or one less."""
        if piece_id == self.piece_id:
            if self.together:
                self.choose_first(self.together[-1])
                self.together = tuple(i for i in self.together if i != piece_id)
        elif piece_id in self.together:
            self.together = tuple(i for i in self.together if i != piece_id)
        else:
            self.together = (*self.together, piece_id)
        self.chosen.emit()

    def choose_first(self, piece_id: str) -> None:
        """Show the panel of another of the chosen pieces."""
        ids = self.chosen_ids
        if piece_id in ids and piece_id != self.piece_id:
            self.piece_id, self.coat_id = piece_id, None
            self.together = tuple(i for i in ids if i != piece_id)
            self._choose_coat()
            self.chosen.emit()

    def choose(self, piece_id: str | None, coat_id: str | None = None) -> None:
        if (piece_id, coat_id) == (self.piece_id, self.coat_id) and not self.together:
            return
        if piece_id == self.piece_id and coat_id is None:
            coat_id = self.coat_id
        self.together = ()
        self.piece_id, self.coat_id = piece_id, coat_id
        if coat_id is None:
            self._choose_coat()
        self.chosen.emit()

    def _choose_something(self) -> None:
        there = [p.id for p in self.board.pieces]
        self.together = tuple(i for i in self.together if i in there)
        if self.piece_id not in there:
            words = [p for p in self.board.pieces if isinstance(p, Lettering)]
            self.piece_id = words[-1].id if words else None
            self.coat_id = None
        self._choose_coat()

    def _choose_coat(self) -> None:
        if self.coat is None:
            style = self.piece.style if self.piece else ()
            self.coat_id = style[-1].id if style else None

    # changing

    def apply(
        self, name: str, operation: Callable[[Board], Board], drag: object | None = None
    ) -> bool:
        """Run an operation of core.edit as one named step; what goes wrong is said."""
        try:
            board = operation(self.board)
        except ModelError as error:
            self.said.emit(f"{name}: {error}")
            return False
        except KeyError as error:
            self.said.emit(f"{name}: {error} is no longer on the board")
            return False
        self._shown = None
        self.history.push(name, board, drag)
        self._after(amid=drag is not None)
        return True

    def look_at(self, board: Board | None) -> None:
        """Show another board without changing this one; None shows this one again."""
        if board != self._shown:
            self._shown = board
            self.tell()

    def undo(self) -> None:
        self.history.undo()
        self._after()

    def redo(self) -> None:
        self.history.redo()
        self._after()

    def go(self, step: int) -> None:
        """Any step of the history by number."""
        self.history.go(step)
        self._after()

    def tell(self, amid: bool = False) -> None:
        self.changed.emit()
        if not amid:
            self._resting.stop()
            self.settled.emit()
        elif not self._resting.isActive():
            self._resting.start()

    def _after(self, amid: bool = False) -> None:
        self._shown = None
        before = (self.piece_id, self.coat_id)
        self._choose_something()
        self.tell(amid)
        if before != (self.piece_id, self.coat_id):
            self.chosen.emit()

    # files

    def start(self, board: Board, path: Path | None = None, unknown: object = None) -> None:
        """Another board in place of this one, with a history of its own."""
        self.path, self._unknown, self._shown = path, unknown, None
        self.history = History(board)
        self._saved = board
        self.piece_id = self.coat_id = None
        self._choose_something()
        self.tell()
        self.chosen.emit()

    def open(self, path: Path) -> bool:
        """Read a board; when it cannot be read, this one stays."""
        try:
            found = board_file.read(path)
        except FileError as error:
            self.said.emit(str(error))
            return False
        self.start(found.board, path, found.unknown)
        self._say_missing_fonts()
        if found.troubles:
            self.said.emit("; ".join(found.troubles))
        return True

    def _say_missing_fonts(self) -> None:
        words = [p for p in self.board.pieces if isinstance(p, Lettering)]
        lost = sorted({p.font.family for p in words if not find(p.font)[1]})
        if lost:
            self.said.emit(
                f"Missing font: {', '.join(lost)}. The words keep their stored outlines, where "
                "there are any, until they change; then another font stands in."
            )

    def save(self, path: Path) -> bool:
        """Write the board; when it cannot be written, all stays as it is."""
        try:
            small = preview(self.board)
            whole = with_outlines(self.board)
            board_file.write(path, board_file.Document(whole, self._unknown), small)
        except FileError as error:
            self.said.emit(str(error))
            return False
        self.path, self._saved = path, self.board
        self.tell()
        return True
