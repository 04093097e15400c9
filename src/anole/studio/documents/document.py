"""The open board and its history. Every view listens to this."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path
from typing import TypeVar

from PyQt6.QtCore import QObject, QTimer, pyqtSignal

from ...core import assets, isolation
from ...core.atomic import FileError, write_bytes
from ...core.edit.boards import as_stored
from ...core.files import board_file
from ...core.files.journal import Journal, Snapshot
from ...core.files.preview import preview
from ...core.files.stamp import stamp_of
from ...core.history import History
from ...core.lettering import fonts
from ...core.lettering.fonts import find
from ...core.model import Board, Lettering, ModelError
from ...core.model.nesting import every
from ..runtime.troubles import TROUBLES, what

T = TypeVar("T")
REST_MS = 50
"""How long panels lag behind a drag at most."""


class Document(QObject):
    """`changed`: the board, or what is shown of it; before it `stepped`: the board is another one,
    or `replaced`: another board is open. `saved`: it is in its file. `said`: a message for the
    bar at the foot. `went`: a step was undone or done again: which of both, its name, the board before.

    `settled` follows `changed`: at once, but amid a drag only now and then. The picture and what is
    drawn on it follow `changed`; panels and lists, which the picture need not wait for, `settled`.
    """

    changed = pyqtSignal()
    settled = pyqtSignal()
    stepped = pyqtSignal()
    replaced = pyqtSignal()
    saved = pyqtSignal()
    said = pyqtSignal(str)
    went = pyqtSignal(str, str, object)

    def __init__(self, board: Board, parent: QObject | None = None) -> None:
        super().__init__(parent)
        self.path: Path | None = None
        self.stamp = ""
        self.history = History(board)
        self._unknown: object = None
        self._saved: Board | None = board
        self._shown: Board | None = None
        self._trial: list[Board] | None = None
        self.preview: Callable[[Board], bytes] = preview
        self._holder = f"document {id(self)}"
        self._held_for: tuple[object, object] | None = None
        self._resting = QTimer(self)
        self._resting.setSingleShot(True)
        self._resting.setInterval(REST_MS)
        self._resting.timeout.connect(self.settled)

    # what there is

    @property
    def board(self) -> Board:
        """The board as it is now."""
        return self.history.board

    @property
    def shown(self) -> Board:
        """The board to paint: the real one, or one that is only being looked at."""
        return self._shown or self.board

    @property
    def is_saved(self) -> bool:
        """Whether its file has what the board has."""
        return self.board == self._saved

    @property
    def title(self) -> str:
        """What the board is called: by its file, once it has one."""
        return self.path.stem if self.path is not None else self.board.name

    @property
    def is_pristine(self) -> bool:
        """Whether it is a new board on which nothing was done."""
        return self.path is None and len(self.history.steps) == 1

    def snapshot(self) -> Snapshot:
        """All that a journal keeps of it."""
        path = str(self.path or "")
        return Snapshot(
            self.history.steps, self.history.at, self._saved, path, self.stamp, self._unknown
        )

    # the files it carries

    def _hold_assets(self) -> None:
        """Keep what any step names."""
        last = self._held_for
        now = self._held_for = (self.board.assets, self.board.fonts)
        if last is None or any(a is not b for a, b in zip(last, now, strict=True)):
            boards = [step.board for step in self.history.steps]
            assets.hold(self._holder, {a.sha for b in boards for a in (*b.assets, *b.fonts)})

    def _let_go(self) -> None:
        """Hold what this board needs, and free what no open board needs any more."""
        self._held_for = None
        self._hold_assets()
        assets.free(fonts.let_go(assets.held()))

    def close(self) -> None:
        """Let go of the files that it carries."""
        assets.hold(self._holder, ())
        assets.free(fonts.let_go(assets.held()))

    # changing

    def apply(
        self, name: str, operation: Callable[[Board], Board], drag: object | None = None
    ) -> bool:
        """Run an operation of core.edit as one named step; what goes wrong is said."""
        if self._trial is not None:
            return self._try(operation)
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

    def _try(self, operation: Callable[[Board], Board]) -> bool:
        assert self._trial is not None
        try:
            self._trial.append(operation(self._trial[-1] if self._trial else self.board))
        except (ModelError, KeyError):
            return False
        return True

    def tried(self, act: Callable[[], object]) -> Board | None:
        """The board as `act` would make it, by whatever way it comes to apply(); nothing is
        changed and nobody is told. None where it would change nothing."""
        before, self._trial = self._trial, []
        try:
            act()
            return self._trial[-1] if self._trial else None
        finally:
            self._trial = before

    def make(
        self, name: str, operation: Callable[[Board], tuple[Board, T]], drag: object | None = None
    ) -> T | None:
        """The same for an operation that also returns what it made; None when it went wrong."""
        things: list[T] = []

        def run(board: Board) -> Board:
            board, thing = operation(board)
            things.append(thing)
            return board

        return things[0] if self.apply(name, run, drag) else None

    def look_at(self, board: Board | None) -> None:
        """Show another board without changing this one; None shows this one again."""
        if board != self._shown:
            self._shown = board
            self.tell()

    def undo(self) -> None:
        """Go one step back, and say which."""
        self._go("Undone", self.history.undo_name, self.history.undo)

    def redo(self) -> None:
        """Go one step on again, and say which."""
        self._go("Done again", self.history.redo_name, self.history.redo)

    def _go(self, what: str, name: str | None, go: Callable[[], None]) -> None:
        before = self.board
        go()
        self._after()
        if name is not None:
            self.went.emit(what, name, before)

    def go(self, step: int) -> None:
        """Any step of the history by number."""
        self.history.go(step)
        self._after()

    def tell(self, amid: bool = False) -> None:
        """Say that the board changed; `amid` a drag nothing rests yet."""
        self.changed.emit()
        if not amid:
            self._resting.stop()
            self.settled.emit()
        elif not self._resting.isActive():
            self._resting.start()

    def _after(self, amid: bool = False) -> None:
        self._shown = None
        self._hold_assets()
        self.stepped.emit()
        self.tell(amid)

    # files

    def start(self, board: Board) -> None:
        """A new board in place of this one, with a history of its own."""
        self._put_on(History(board), board)

    def take(self, opened: board_file.StoredBoard, path: Path | None, stamp: str = "") -> None:
        """A board that was read from a file, `path` if it is saved to that again."""
        self._put_on(History(opened.board), opened.board, path, stamp, opened.unknown)
        self._say_missing_fonts()
        if opened.troubles:
            self.said.emit("; ".join(opened.troubles))

    def resume(self, journal: Journal) -> None:
        """A board as it was when the program ended, with its steps."""
        self._put_on(journal.history, journal.saved, journal.path, journal.stamp, journal.unknown)
        self._say_missing_fonts()

    def _put_on(
        self,
        history: History,
        saved: Board | None,
        path: Path | None = None,
        stamp: str = "",
        unknown: object = None,
    ) -> None:
        self.path, self.stamp, self._unknown, self._shown = path, stamp, unknown, None
        self.history, self._saved = history, saved
        self._let_go()
        self.replaced.emit()
        self.tell()

    def _say_missing_fonts(self) -> None:
        words = [p for p in every(self.board.pieces) if isinstance(p, Lettering)]
        lost = sorted({p.font.family for p in words if not find(p.font)[1]})
        if lost:
            self.said.emit(
                f"Missing font: {', '.join(lost)}. The words keep their stored outlines, where "
                "there are any, until they change; then another font stands in."
            )

    def moved_to(self, path: Path) -> None:
        """Its file has another name now."""
        self.path = path
        self.tell()

    def _stored(self) -> tuple[Board, bytes | None]:
        """The board and its picture as files keep them; one that fails to render has none."""
        try:
            return as_stored(self.board), self.preview(self.board)
        except isolation.NotYet:
            # the next save has one
            return self.board, None
        except BaseException as error:  # a library's panic is no reason to lose the board
            TROUBLES.caught(error, f"The board was saved without a picture of it: {what(error)}")
            return self.board, None

    def save(self, path: Path) -> bool:
        """Write the board; when it cannot be written, all stays as it is."""
        try:
            whole, small = self._stored()
            data = board_file.encode(board_file.StoredBoard(whole, self._unknown), small)
            write_bytes(path, data)
        except FileError as error:
            self.said.emit(str(error))
            return False
        self.path, self._saved, self.stamp = path, self.board, stamp_of(path, data)
        self.saved.emit()
        self.tell()
        return True
