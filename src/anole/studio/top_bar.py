"""The bar on top: the board's name, the stages, undo and redo, zoom, export."""

from __future__ import annotations

from collections.abc import Mapping

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt
from PyQt6.QtGui import QAction, QColor, QPainter, QPainterPath, QPaintEvent
from PyQt6.QtWidgets import QButtonGroup, QHBoxLayout, QMenu, QPushButton, QWidget

from . import icons, recovery, theme
from .board_files import BoardFiles, demo_boards
from .plain import Label, tip
from .session import Session
from .shell import Stage

STAGES = ("Arrange", "Coat", "Proof")


class Mark(QWidget):
    """A lizard's head from above, its throat fan open."""

    def __init__(self) -> None:
        super().__init__()
        self.setFixedSize(32, 32)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        painter.setPen(Qt.PenStyle.NoPen)
        fan = QPainterPath(QPointF(9, 12))
        fan.cubicTo(9, 30, 23, 30, 23, 12)
        painter.fillPath(fan, theme.colour("coral"))
        painter.setBrush(theme.colour("leaf"))
        painter.drawRoundedRect(QRectF(2, 6, 28, 8), 4, 4)
        painter.setBrush(QColor(theme.theme().panel))
        painter.drawEllipse(QPointF(25, 9.5), 1.5, 1.5)


class TopBar(QWidget):
    def __init__(
        self,
        session: Session,
        files: BoardFiles,
        brought: recovery.Recovery,
        actions: Mapping[str, QAction],
    ) -> None:
        super().__init__()
        self.setObjectName("bar")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.setFixedHeight(44)
        self.session, self._files, self._actions = session, files, actions
        self._recovery = brought
        self.name = QPushButton()
        self.name.setObjectName("quiet")
        self.name.setToolTip("Boards: new, open, recent, save")
        self.name.setStyleSheet("font-weight: 600;")
        self.state = Label()
        self.state.setObjectName("dim")
        self.stages = QButtonGroup(self)
        self.undo, self.redo, self.zoom = QPushButton(), QPushButton(), QPushButton()
        self.export, self.steps = QPushButton("Export"), QPushButton("steps")
        self._build_left()
        self._build_stages()
        self._build_right()
        self.name.clicked.connect(self._menu)
        self.stages.idClicked.connect(lambda number: session.shell.show_stage(Stage(number)))
        for button, command in (
            (self.undo, "undo"),
            (self.redo, "redo"),
            (self.zoom, "fit"),
            (self.export, "export"),
            (self.steps, "steps"),
        ):
            button.clicked.connect(actions[command].trigger)

    def _build_left(self) -> None:
        row = QHBoxLayout(self)
        row.setContentsMargins(10, 0, 14, 0)
        left, middle, right = QWidget(), QWidget(), QWidget()
        self._left, self._middle, self._right = (QHBoxLayout(w) for w in (left, middle, right))
        for layout in (self._left, self._middle, self._right):
            layout.setContentsMargins(0, 0, 0, 0)
            layout.setSpacing(6)
        # equal sides keep the stages in the middle, however long the board's name is
        row.addWidget(left, 1)
        row.addWidget(middle)
        row.addWidget(right, 1)
        for part in (Mark(), self.name, self.state):
            self._left.addWidget(part)
        self._left.addStretch(1)

    def _build_stages(self) -> None:
        for number, title in enumerate(STAGES):
            button = QPushButton(title)
            button.setObjectName("stage")
            button.setCheckable(True)
            button.setToolTip(f"{title} (Alt+{number + 1})")
            self.stages.addButton(button, number)
            self._middle.addWidget(button)

    def dress(self) -> None:
        """Icons in the theme's colour."""
        self.undo.setIcon(icons.icon("undo-2"))
        self.redo.setIcon(icons.icon("redo-2"))

    def _build_right(self) -> None:
        for button in (self.undo, self.redo):
            button.setObjectName("quiet")
            button.setIconSize(QSize(16, 16))
        self.dress()
        self.undo.setAccessibleName("Undo")
        self.redo.setAccessibleName("Redo")
        self.zoom.setObjectName("quiet")
        self.zoom.setFixedWidth(64)
        self.zoom.setToolTip("Zoom: click to fit (Ctrl+0), Ctrl+1 full size, Ctrl+wheel")
        self.export.setObjectName("main")
        self.export.setToolTip("Write the board as a picture (Ctrl+Return)")
        self.steps.setObjectName("quiet")
        self.steps.setToolTip("Every step by name (Ctrl+H)")
        self._right.addStretch(1)
        for part in (self.undo, self.redo, self.steps, self.zoom, self.export):
            self._right.addWidget(part)

    def _menu(self) -> None:
        menu = self.board_menu()
        menu.popup(self.name.mapToGlobal(self.name.rect().bottomLeft()))

    def board_menu(self) -> QMenu:
        """New boards by purpose, recent ones, the demo, and saving."""
        files, menu = self._files, QMenu(self)
        menu.setAttribute(Qt.WidgetAttribute.WA_DeleteOnClose)
        new = menu.addMenu("New board")
        recent = menu.addMenu("Recent boards")
        demo = menu.addMenu("Demo boards")
        assert new is not None and recent is not None and demo is not None
        for title, width, height, dpi in PURPOSES:
            new.addAction(
                f"{title}, {width} × {height}",
                lambda w=width, h=height, d=dpi: files.new(w, h, d),
            )
        for path in self.session.settings.recent:
            recent.addAction(path.name, lambda p=path: files.open(p))
        recent.setEnabled(bool(self.session.settings.recent))
        for path in demo_boards():
            demo.addAction(
                path.stem.replace("-", " ").capitalize(), lambda p=path: files.open_copy(p)
            )
        self._add_not_closed(menu)
        menu.addSeparator()
        for command in ("open", "save", "save-as", "dress", "quit"):
            menu.addAction(self._actions[command])
        self._add_backups(menu)
        return menu

    def _add_not_closed(self, menu: QMenu) -> None:
        """What was open when the program ended without closing."""
        for path, one in recovery.found():
            each = menu.addMenu(f"Not closed: {recovery.told(one)}".replace("&", "&&"))
            assert each is not None
            each.addAction("Bring back", lambda p=path: self._recovery.bring_back([p]))
            each.addAction("Throw away", lambda p=path: self._recovery.throw_away(p))

    def _add_backups(self, menu: QMenu) -> None:
        """Where the version before is kept when a board is saved."""
        choices = menu.addMenu("When saving, the version before")
        assert choices is not None
        for where, title in BACKUPS.items():
            action = choices.addAction(
                title, lambda w=where: self.session.settings.put("backup", w)
            )
            assert action is not None
            action.setCheckable(True)
            action.setChecked(self._files.backup == where)

    def refresh(self) -> None:
        document = self.session.document
        self.name.setText(document.title.replace("&", "&&") + "  ▾")
        self.state.setText(
            "saved"
            if document.is_saved and document.path
            else "not saved yet"
            if document.path is None
            else "changed"
        )
        for button, what, keys, name in (
            (self.undo, "Undo", "Ctrl+Z", document.history.undo_name),
            (self.redo, "Redo", "Ctrl+Shift+Z", document.history.redo_name),
        ):
            button.setEnabled(name is not None)
            button.setToolTip(tip(f"{what}: {name} ({keys})") if name else f"{what} ({keys})")


BACKUPS = {
    "state": "is kept in Anole's own folder",
    "beside": "is kept beside the file",
    "none": "is not kept",
}
PURPOSES = (
    ("Video thumbnail", 1280, 720, 96.0),
    ("Wide thumbnail", 1920, 1080, 96.0),
    ("Square badge", 1000, 1000, 96.0),
    ("Postcard at 300 dpi", 1800, 1200, 300.0),
    ("A3 poster at 150 dpi", 1754, 2480, 150.0),
    ("24 × 36 in poster at 100 dpi", 2400, 3600, 100.0),
)
