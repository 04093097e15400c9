"""The window: three stages round one board."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from PyQt6.QtCore import QByteArray, QPoint, Qt
from PyQt6.QtGui import QCloseEvent, QDragEnterEvent, QDropEvent, QImage, QKeyEvent
from PyQt6.QtWidgets import QApplication, QStackedWidget, QVBoxLayout, QWidget

from ...core.files.preview import preview
from ...core.model import Board, Colour
from ...core.series.tables import Table
from ..adding.sheet import AddingSheet
from ..arrange.piece_panel import PiecePanel
from ..arrange.pieces_list import PiecesList
from ..board.board_view import BoardView
from ..coat.build_up.widget import BuildUp
from ..coat.coat_panel import CoatPanel
from ..coat.measures import Measures
from ..coat.walk.sheet import WalkSheet
from ..documents.board_files import BoardFiles, new_board
from ..documents.document import Document
from ..documents.journaling import Journaling
from ..documents.purposes import PURPOSES
from ..documents.reading import Reading
from ..documents.recovery import Recovery
from ..documents.selection import Selection
from ..documents.settings import Settings
from ..documents.style_library import StyleLibrary
from ..exchange.dropping import files_in, take
from ..exchange.fonts import take_font
from ..exchange.writing import Writing
from ..finding.finder import Finder
from ..look import theme
from ..look.focusing import focus_within
from ..look.plain import Label
from ..look.status_bar import StatusBar
from ..proof.export_panel import ExportPanel
from ..proof.large_proof import LargeProof
from ..proof.proof_pictures import ProofPictures
from ..proof.report_view import ReportView
from ..proof.small_proof import SmallProof
from ..rendering.font_reader import FontReader
from ..rendering.worker import Worker
from ..series.series_page import SeriesPage
from ..shared.session import Session
from ..shared.shell import Stage
from ..shared.targets import Targets
from ..start.page import StartPage
from ..styles.from_picture.page import FromPicturePage
from ..styles.pages import StylePages
from ..styles.shelf import Shelf
from ..styles.wall_page import WallPage
from .actions import Actions
from .announcing import Announcing
from .arrivals import Arrivals
from .beside import Beside, Unfolded
from .holding import Holding
from .key_sheet import KeySheet
from .left_panels import BuildUpPanel, pieces_panel, proof_panel
from .panels import Panels
from .steps import Steps
from .took_back import TookBack
from .tools import Tools
from .top_bar import TopBar
from .window_commands import window_commands

HINT = "Hold H: without the coat      Hold B: as when it was chosen      F1: all keys"


OPEN: set[Window] = set()
"""Windows live as long as they are open."""


class Window(QWidget):
    """The whole of Anole on screen: one board, and three stages round it."""

    def __init__(self, board: Board | None = None) -> None:
        super().__init__()
        self.setObjectName("desk")
        self.setWindowTitle("Anole")
        self.setAcceptDrops(True)
        self.setMinimumSize(1100, 700)
        self._may_close = self._stays = False
        self.settings, self.worker = Settings(), Worker()
        first = PURPOSES[0]
        self.document: Document = Document(board or new_board(first.width, first.height), self)
        self.selection = Selection(self.document)
        self.status, self.targets = StatusBar(), Targets()
        self.reading = Reading(self.status)
        self.styles: StyleLibrary = StyleLibrary(self.document)
        self.session = Session(
            self.document,
            self.selection,
            self.worker,
            self.settings,
            self,
            self.reading,
            self.styles,
        )
        self.document.preview = lambda board: self.worker.left_out.tried(board, preview)
        self._make_parts()
        self._build()
        theme.dress(self)
        self._connect()
        self._restore()
        self.show_stage(Stage.ARRANGE)
        self._refresh()
        self.view.setFocus()
        for part in (
            self.worker,
            self.selection,
            self.targets,
            self.reading,
            self.journaling,
            self.font_reader,
            self.measures,
        ):
            part.setParent(self)
        OPEN.add(self)
        self.worker.start()
        self.font_reader.start()
        self.journaling.start()

    # making

    def _make_parts(self) -> None:
        session = self.session
        self.files: BoardFiles = BoardFiles(self.document, self.settings, self.reading, self)
        self.journaling: Journaling = Journaling(self.document)
        self.recovery = Recovery(self.files, self.journaling, self.status, self.another)
        self.arrivals: Arrivals = Arrivals(self.document)
        self.holding = Holding(session)
        self.view: BoardView = BoardView(session)
        self.tools = Tools(self.view)
        self.measures: Measures = Measures(session)
        self.build_up, self.pieces = BuildUp(session, self.view, self.measures), PiecesList(session)
        self.arrange = PiecePanel(session)
        self.coat = CoatPanel(session, self.measures)
        self.shelf, self.steps = Shelf(session), Steps(session, self)
        self.export = ExportPanel(session)
        self.font_reader: FontReader = FontReader()
        self.writing = Writing(session, self.status, self)
        self.announcing = Announcing(session, self.writing)
        self.actions_by_id = Actions(session, self)
        self.top = TopBar(session, self.actions_by_id)
        self.under_build_up = BuildUpPanel(session, self.build_up, self.actions_by_id)
        self.start = StartPage(session)
        self.style_pages = StylePages(session, self, self.show_page)
        self.series = SeriesPage(session)
        self.took_back: TookBack = TookBack(session, self.view, self.build_up)
        self.finder, self.key_sheet = Finder(session, self), KeySheet(session, self)
        self._window_commands = window_commands(self)

    def _build(self) -> None:
        pictures = ProofPictures(self.session)
        self.proof = LargeProof(pictures)
        self.export.measured.connect(self.proof.file.show_file)
        lefts = (
            pieces_panel(self.pieces, self.actions_by_id),
            self.under_build_up,
            proof_panel(SmallProof(pictures), ReportView(pictures)),
        )
        middles = (self.view, self.proof)
        rights = (self.arrange, self.coat, self.export)
        self.panels = Panels(self.settings, (lefts, middles, rights))
        self.beside = Beside(self.panels, AddingSheet(self.session), self.view.setFocus)
        self.unfolded = Unfolded(
            self.panels, WalkSheet(self.session, self.measures), self.view, self.build_up
        )
        self.actions_by_id.listen_on(self.view, self.panels.left)
        self.hint = Label(HINT)
        self.hint.setObjectName("dim")
        self.hint.setAlignment(Qt.AlignmentFlag.AlignCenter)
        work, self.pages = QWidget(), QStackedWidget()
        for part in (work, self.start, *self.style_pages.pages, self.series):
            self.pages.addWidget(part)
        for widget, parts in (
            (work, (self.panels, self.hint, self.shelf)),
            (self, (self.top, self.pages, self.status)),
        ):
            column = QVBoxLayout(widget)
            column.setContentsMargins(0, 0, 0, 0)
            column.setSpacing(1)
            for part in parts:
                column.addWidget(part, 1 if part in (self.panels, self.pages) else 0)

    def _connect(self) -> None:
        self.document.settled.connect(self._refresh)
        self.selection.changed.connect(self._refresh)
        self.targets.changed.connect(self.actions_by_id.refresh)
        self.document.stepped.connect(self._stepped)
        self.document.replaced.connect(self.leave_page)
        self.document.replaced.connect(self.leave_beside)
        self.start.left.connect(self.leave_page)
        self.series.left.connect(self.leave_page)
        for page in self.style_pages.pages:
            page.left.connect(self.leave_page)
        self.journaling.failed.connect(self.status.say)
        self.view.zoomed.connect(self.top.show_zoom)
        self.arrange.board.framing.connect(self.tools.cropping.start)
        self.export.wanted.connect(self.writing.ask)
        self.export.all_wanted.connect(self.writing.ask_all)
        self.files.opened.connect(self._opened)
        self.files.refused.connect(self.show_start)
        self.font_reader.read.connect(self._fonts_read)

    def _fonts_read(self, count: int, troubles: list[str]) -> None:
        if count:
            self._fonts_came()
            self.document.tell()
        self.announcing.fonts_skipped(troubles)

    def _fonts_came(self) -> None:
        for section in self.arrange.every_section():
            section.fonts_came()

    # what others may ask: the shell

    @property
    def stage(self) -> Stage:
        """The stage that is open."""
        return self.panels.stage

    def show_stage(self, stage: Stage | int) -> None:
        """Arrange, Coat or Proof."""
        stage = Stage(stage)
        self.leave_page()
        self.leave_beside()
        self.panels.show_stage(stage)
        self.view.set_tools(self.tools.of(stage))
        self._show_foot_of_coat()
        button = self.top.stages.button(stage)
        if button is not None:
            button.setChecked(True)
        self.view.update()
        self.actions_by_id.refresh()

    def show_start(self) -> None:
        """The page on which a board begins with its words."""
        self.show_page(self.start)
        self.top.show_work(False)

    def show_page(self, page: StartPage | WallPage | FromPicturePage | SeriesPage) -> None:
        """A page in place of the board."""
        self.leave_page()
        self.finder.fold()
        self.pages.setCurrentWidget(page)
        page.begin()

    def _stepped(self) -> None:
        """The table of a series is worked on where it stands; every other step shows the board."""
        if self.pages.currentWidget() is not self.series:
            self.leave_page()

    def leave_page(self) -> None:
        """Back to the board."""
        page = self.pages.currentWidget()
        if isinstance(page, StartPage | WallPage | FromPicturePage | SeriesPage):
            self.pages.setCurrentIndex(0)
            self.top.show_work(True)
            page.rest()
            self.view.setFocus()

    def leave_beside(self) -> None:
        """The stage's own panel again, whatever stands in its place."""
        self.beside.leave()
        self.unfolded.leave()

    def show_menu(self, kind: str, at: QPoint) -> None:
        """What can be done with a thing of a kind, under the pointer."""
        self.actions_by_id.context_menu(kind, self).popup(at)

    @property
    def zoom(self) -> float:
        """px of the screen for one of the board."""
        return self.view.transform_now().zoom

    def set_zoom(self, zoom: float) -> None:
        """See the board so large."""
        self.view.set_zoom(zoom)

    def show_field(self, name: str) -> None:
        """Give the focus to a field of what the stage's panel shows."""
        self.leave_beside()
        self.panels.hide_panels(False)
        panel = (self.arrange, self.coat, self.export)[self.stage]
        control = panel.control(name)
        if control is not None:
            focus_within(panel, control)

    def show_export(self, form: str) -> None:
        """Choose the board's export of a format."""
        self.export.choose_format(form)
        self.show_field("format")

    def do(self, name: str) -> None:
        """One of the window's own commands."""
        self._window_commands[name]()

    def open_file(self, path: Path) -> None:
        self.files.open(path)

    def show_series(self, table: Table, folder: Path) -> None:
        self.show_page(self.series)
        self.series.take_table(table, folder)

    def open_table(self, path: Path) -> None:
        self.show_page(self.series)
        self.series.open_table(path)

    def take_styles(self, path: Path) -> None:
        self.style_pages.files.take(path)

    def read_look(self, path: Path) -> None:
        self.style_pages.from_picture.open_file(path)

    def add_font(self, path: Path) -> None:
        take_font(self.session, path, self._fonts_came)

    def board_image(self) -> QImage | None:
        return self.view.grab_image()

    def pick_colour(self, told: Callable[[Colour], None]) -> None:
        self.tools.dropper.start(told)

    @property
    def idle(self) -> bool:
        """Whether nothing is being rendered or read."""
        parts = (self.worker, self.reading, self.styles, self.style_pages.from_picture)
        return all(part.idle for part in parts) and self.recovery.task is None

    # its own commands

    def fold(self) -> None:
        """Hide all panels: only the board is left; again brings them back."""
        self.panels.hide_panels(not self.panels.hidden)
        self._show_foot_of_coat()

    def _show_foot_of_coat(self) -> None:
        on = self.stage == Stage.COAT and not self.panels.hidden
        self.shelf.setVisible(on)
        self.hint.setVisible(on)

    def quit(self) -> None:
        """Close every window; one that is asked about its changes stays till it is answered."""
        for window in [self, *(other for other in OPEN if other is not self)]:
            window.close()

    def change_theme(self) -> None:
        """Dark or light."""
        app = QApplication.instance()
        if isinstance(app, QApplication):
            wanted = theme.LIGHT if theme.theme().name == "dark" else theme.DARK
            theme.put_on(app, wanted)
            self.settings.put("theme", wanted.name)
            self.top.dress()
            for section in self.arrange.every_section():
                section.dress()
            if self.pages.currentWidget() is self.start:
                self.start.cards.fill()
            for widget in app.allWidgets():
                widget.update()

    def _refresh(self) -> None:
        self.top.refresh()
        self.actions_by_id.refresh()
        state = "" if self.document.is_saved else " *"
        self.setWindowTitle(f"{self.document.title}{state} - Anole")

    # looking without changing

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        if self.stage != Stage.PROOF and not event.isAutoRepeat():
            self.holding.press(event.key(), self.stage)
        if event.key() == Qt.Key.Key_Escape:
            self.status.escape()
        super().keyPressEvent(event)

    def keyReleaseEvent(self, event: QKeyEvent | None) -> None:
        if event is not None and not event.isAutoRepeat():
            self.holding.release(event.key())
        super().keyReleaseEvent(event)

    def _opened(self, fresh: bool) -> None:
        # another board carries other fonts
        self._fonts_came()
        self.view.set_zoom(None)
        if fresh:
            self.show_stage(Stage.ARRANGE)
        self._refresh()

    # dropping, leaving

    def dragEnterEvent(self, event: QDragEnterEvent | None) -> None:
        if event is not None and files_in(event.mimeData()):
            event.acceptProposedAction()

    def dropEvent(self, event: QDropEvent | None) -> None:
        if event is not None:
            paths = files_in(event.mimeData())
            if self.pages.currentWidget() is self.start:
                self.start.take_files(paths)
            else:
                take(self.session, paths)

    def _restore(self) -> None:
        self.resize(1280, 800)
        shape = self.settings.get("shape", "")
        if shape:
            self.restoreGeometry(QByteArray.fromHex(shape.encode("ascii", "ignore")))

    def another(self) -> Window:
        """One more window, beside this one."""
        window = Window()
        window.show()
        return window

    def leave(self, stays: bool = False) -> None:
        """Close without asking; `stays` keeps what was done for the next start."""
        self._may_close, self._stays = True, stays
        self.close()

    def closeEvent(self, event: QCloseEvent | None) -> None:
        assert event is not None
        if not (self._may_close or self.document.is_saved):
            event.ignore()
            self.files.leave(self.leave)
            return
        OPEN.discard(self)
        self.settings.put("shape", bytes(self.saveGeometry().toHex().data()).decode())
        self.writing.stop()
        self.series.stop()
        self.reading.stop()
        self.style_pages.from_picture.rest()
        self.recovery.stop()
        self.start.cards.stop()
        self.arrivals.stop()
        self.styles.stop()
        self.journaling.stop(self._stays)
        self.document.close()
        self.steps.close()
        self.font_reader.stop()
        self.worker.stop()
        super().closeEvent(event)
        # here and now, for what Python collects it may collect in another thread
        self.deleteLater()
