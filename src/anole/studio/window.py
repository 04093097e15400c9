"""The window: three stages round one board."""

from __future__ import annotations

from PyQt6.QtCore import QByteArray, Qt, QTimer
from PyQt6.QtGui import QCloseEvent, QDragEnterEvent, QDropEvent, QKeyEvent
from PyQt6.QtWidgets import (
    QApplication,
    QLabel,
    QPushButton,
    QSplitter,
    QStackedWidget,
    QVBoxLayout,
    QWidget,
)  # fmt: skip

from ..core.model import Board
from . import actions, theme
from .arrange.cropping import CroppingHand
from .arrange.leaving import LeavingHand
from .arrange.piece_panel import PiecePanel
from .arrange.pieces_list import PiecesList
from .arrange.pulling import PullingHand
from .arrange.typing import TypingHand
from .board_files import BoardFiles, new_board
from .board_view import BoardView
from .coat.add_coat import AddCoat
from .coat.asking import AskingHand
from .coat.build_up.widget import BuildUp
from .coat.coat_panel import CoatPanel
from .coat.lantern import LanternHand
from .coat.paint_hand import PaintHand
from .coat.shadow_hand import ShadowHand
from .coat.shaping_switches import ShapingSwitches
from .coat.shelf import Shelf
from .desk import Desk
from .document import Document
from .dropper import Dropper
from .dropping import files_in, take
from .font_reader import FontReader
from .foot_bar import FootBar
from .hand import Hand
from .holding import Holding
from .proof.export_panel import ExportPanel
from .proof.proof_view import LargeProof, ProofPictures, SmallProof
from .settings import Settings
from .sides import coat_side, pieces_side, proof_side
from .steps import Steps
from .top_bar import TopBar
from .worker import Worker
from .writing import Writing

SIDE = 310
ARRANGE, COAT, PROOF = range(3)


class Window(QWidget):
    def __init__(self, board: Board | None = None) -> None:
        super().__init__()
        self.setObjectName("desk")
        self.setWindowTitle("Anole")
        self.setAcceptDrops(True)
        self.setMinimumSize(1100, 700)
        self.settings = Settings()
        self.worker = Worker()
        self.document: Document = Document(board or new_board(1280, 720), self)
        self.holding = Holding(self.document)
        self.view: BoardView = BoardView(self.document, self.worker)
        self.pulling, self.cropping = PullingHand(self.view), CroppingHand(self.view)
        self.typing, self.dropper = TypingHand(self.view, self.pulling), Dropper(self.view)
        self.paint_hand, self.asking = PaintHand(self.view), AskingHand(self.view)
        self.lantern, self.throwing = LanternHand(self.view), ShadowHand(self.view)
        self.leaving = LeavingHand(self.view)
        self.desk = Desk(self.document, self.settings, self.worker, self.dropper.start)
        self.hands: list[list[Hand]] = [
            [
                self.dropper,
                self.leaving,
                self.cropping,
                self.typing,
                PaintHand(self.view, True),
                self.pulling,
            ],
            [self.dropper, self.leaving, self.asking, self.throwing, self.lantern, self.paint_hand],
            [],
        ]
        self.pieces = PiecesList(self.document, self.worker)
        self.arrange: PiecePanel = PiecePanel(
            self.document, self.worker, self.settings, self.typing
        )
        self.font_reader = FontReader()
        self.build_up = BuildUp(self.document, self.view)
        self.build_of, self.unit = QLabel(), QPushButton("px")
        self.coats = AddCoat(self.document, self.worker)
        self.shaping = ShapingSwitches(self.document)
        self.coat = CoatPanel(self.document, self.build_up)
        self.shelf = Shelf(self.document, self.worker)
        pictures = ProofPictures(self.document, self.worker)
        self.large_proof, self.small_proof = LargeProof(pictures), SmallProof(pictures)
        self.export: ExportPanel = ExportPanel(self.document, self.worker)
        self.steps = Steps(self.document, self.worker)
        self.actions_by_id = actions.make(self)
        self.foot = FootBar()
        self.files: BoardFiles = BoardFiles(self.document, self.settings, self, self.foot.say)
        self.writing = Writing(self.document, self.foot, self)
        self.top = TopBar(self)
        self._build()
        self._connect()
        self._restore()
        self.show_stage(ARRANGE)
        self._refresh()
        self.view.setFocus()
        self.worker.start()
        self.font_reader.start()

    # making

    def _build(self) -> None:
        self.left, self.middle, self.right = QStackedWidget(), QStackedWidget(), QStackedWidget()
        for part in (pieces_side(self), coat_side(self), proof_side(self)):
            self.left.addWidget(part)
        for part in (self.view, self.large_proof):
            self.middle.addWidget(part)
        for part in (self.arrange, self.coat, self.export):
            self.right.addWidget(part)
        for side in (self.left, self.right):
            side.setObjectName("panel")
            side.setMinimumWidth(300)
        self.split = QSplitter(Qt.Orientation.Horizontal)
        self.split.setChildrenCollapsible(False)
        self.split.setHandleWidth(1)
        for part in (self.left, self.middle, self.right):
            self.split.addWidget(part)
        self.split.setStretchFactor(1, 1)
        self.split.setSizes([SIDE, 640, SIDE])
        self.hint = QLabel(
            "hold H: without the coat      hold S: it alone      hold B: as when it was chosen      "
            "Alt-click: which coat painted this      click: where the strip is cut"
        )
        self.hint.setObjectName("dim")
        self.hint.setAlignment(Qt.AlignmentFlag.AlignCenter)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(1)
        column.addWidget(self.top)
        column.addWidget(self.split, 1)
        column.addWidget(self.hint)
        column.addWidget(self.shelf)
        column.addWidget(self.foot)

    def _connect(self) -> None:
        self.document.settled.connect(self._refresh)
        self.document.chosen.connect(self._refresh)
        self.document.said.connect(self.foot.say)
        self.worker.failed.connect(self.foot.say)
        self.worker.warmed.connect(self._warmed)
        self.view.zoomed.connect(lambda z: self.top.zoom.setText(f"{z:.0%}"))
        self.arrange.board.framing.connect(self.cropping.start)
        self.export.wanted.connect(self.writing.ask)
        self.files.opened.connect(self._opened)
        self.font_reader.read.connect(self._fonts_read)
        # the first start compiles kernels; a start that finds them is too short to mention
        self._warming = QTimer(self)
        self._warming.setSingleShot(True)
        self._warming.timeout.connect(lambda: self._warmed(0.0))
        self._warming.start(700)

    def _warmed(self, share: float) -> None:
        if share >= 1:
            self._warming.stop()
            if not self.foot.progress.isHidden() and self.writing.job is None:
                self.foot.hide()
            return
        if not self._warming.isActive():
            self.foot.show_progress("Preparing the painter; only the first start takes this long.",
                                    share, can_cancel=False)  # fmt: skip

    def _fonts_read(self, count: int, troubles: list[str]) -> None:
        if count:
            self.arrange.fonts.fonts_came()
            self.document.tell()
        if troubles:
            more = f" and {len(troubles) - 3} more" if len(troubles) > 3 else ""
            self.foot.say(
                "Fonts of this system that were skipped: " + "; ".join(troubles[:3]) + more
            )

    # stages

    def show_stage(self, number: int) -> None:
        """Arrange, Coat or Proof."""
        self.left.setCurrentIndex(number)
        self.right.setCurrentIndex(number)
        self.middle.setCurrentIndex(1 if number == PROOF else 0)
        self.view.set_hands(self.hands[number])
        self.shelf.setVisible(number == COAT)
        self.hint.setVisible(number == COAT)
        button = self.top.stages.button(number)
        if button is not None:
            button.setChecked(True)
        self.view.update()

    @property
    def stage(self) -> int:
        return self.left.currentIndex()

    def show_steps(self) -> None:
        """The list of steps, under the undo key."""
        self.steps.fill()
        spot = self.top.undo.mapToGlobal(self.top.undo.rect().bottomRight())
        self.steps.move(spot.x() - self.steps.width(), spot.y() + 4)
        self.steps.show()

    def unfold_coats(self) -> None:
        self.show_stage(COAT)
        self.coats.open.setChecked(True)

    def _switch_unit(self) -> None:
        unit = "em" if self.build_up.unit == "px" else "px"
        self.build_up.set_unit(unit)
        self.unit.setText(unit)

    def fold(self) -> None:
        """Fold all panels: only the board is left; again brings them back."""
        wanted = self.left.isHidden()
        self.left.setVisible(wanted)
        self.right.setVisible(wanted)
        self.shelf.setVisible(wanted and self.stage == COAT)

    def toggle_full_screen(self) -> None:
        self.showNormal() if self.isFullScreen() else self.showFullScreen()

    def change_dress(self) -> None:
        """Dark or light."""
        app = QApplication.instance()
        if isinstance(app, QApplication):
            wanted = theme.LIGHT if theme.theme().name == "dark" else theme.DARK
            theme.put_on(app, wanted)
            self.settings.put("theme", wanted.name)
            self.top.dress()
            self.arrange.fonts.dress()
            for widget in app.allWidgets():
                widget.update()

    def _refresh(self) -> None:
        self.top.refresh()
        piece = self.document.piece
        words = " ".join(piece.text.split())[:24] if piece else ""
        self.build_of.setText(f"of {words}" if words else "choose words in Arrange")
        actions.refresh(self, self.actions_by_id)
        state = "" if self.document.is_saved else " *"
        self.setWindowTitle(f"{self.document.board.name}{state} - Anole")

    # looking without changing

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        if self.stage == COAT and not event.isAutoRepeat():
            self.holding.press(event.key())
        if event.key() == Qt.Key.Key_Escape:
            self.foot.hide()
        super().keyPressEvent(event)

    def keyReleaseEvent(self, event: QKeyEvent | None) -> None:
        if event is not None and not event.isAutoRepeat():
            self.holding.release(event.key())
        super().keyReleaseEvent(event)

    def _opened(self, fresh: bool) -> None:
        self.view.set_zoom(None)
        if fresh:
            self.show_stage(ARRANGE)
        self._refresh()

    # dropping, leaving

    def dragEnterEvent(self, event: QDragEnterEvent | None) -> None:
        if event is not None and files_in(event.mimeData()):
            event.acceptProposedAction()

    def dropEvent(self, event: QDropEvent | None) -> None:
        if event is not None:
            take(self, files_in(event.mimeData()))

    def _restore(self) -> None:
        self.resize(1280, 800)
        shape = self.settings.get("shape", "")
        if shape:
            self.restoreGeometry(QByteArray.fromHex(shape.encode()))
        sizes = self.settings.get("sides", [])
        if len(sizes) == 3 and all(isinstance(s, int) and s > 0 for s in sizes):
            self.split.setSizes(sizes)

    def closeEvent(self, event: QCloseEvent | None) -> None:
        self.files.keep_work()
        self.settings.put("shape", bytes(self.saveGeometry().toHex().data()).decode())
        if self.left.isVisible():
            self.settings.put("sides", self.split.sizes())
        self.writing.stop()
        self.files.stop()
        self.steps.close()
        self.font_reader.stop()
        self.worker.stop()
        super().closeEvent(event)
