"""The bar on top: menus, the board's name, the stages, undo and redo, zoom, export."""

from __future__ import annotations

from PyQt6.QtCore import QPointF, QRectF, QSize, Qt
from PyQt6.QtGui import QColor, QPainter, QPainterPath, QPaintEvent
from PyQt6.QtWidgets import QButtonGroup, QHBoxLayout, QMenuBar, QPushButton, QSizePolicy, QWidget

from ..look import icons, theme
from ..look.painting import painting
from ..look.plain import tip
from ..shared.session import Session
from ..shared.shell import Stage
from .actions import Actions
from .board_name import BoardName
from .zoom_menu import ZoomMenu

STAGES = ("Arrange", "Coat", "Proof")


class ProgramMark(QWidget):
    """A lizard's head from above, its throat fan open."""

    def __init__(self) -> None:
        super().__init__()
        self.setFixedSize(32, 32)

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
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
    """What stands above the panels."""

    def __init__(self, session: Session, actions: Actions) -> None:
        super().__init__()
        self.setObjectName("bar")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.setFixedHeight(44)
        self.session, self._actions = session, actions
        self.menus, self.name = QMenuBar(), BoardName()
        actions.menu_bar(self.menus)
        self.menus.setSizePolicy(QSizePolicy.Policy.Fixed, QSizePolicy.Policy.Maximum)
        self.stages = QButtonGroup(self)
        self.undo, self.redo, self.zoom = QPushButton(), QPushButton(), QPushButton()
        self.export, self.steps = QPushButton("Export"), QPushButton("History")
        self.zooms = ZoomMenu(session, self)
        self._build_left()
        self._build_stages()
        self._build_right()
        self.name.renamed.connect(session.shell.files.rename)
        self.stages.idClicked.connect(lambda number: session.shell.show_stage(Stage(number)))
        self.zoom.clicked.connect(lambda: self.zooms.unfold(self.zoom))
        for button, command in (
            (self.undo, "undo"),
            (self.redo, "redo"),
            (self.export, "export"),
            (self.steps, "steps"),
        ):
            button.clicked.connect(actions[command].trigger)

    def _build_left(self) -> None:
        row = QHBoxLayout(self)
        row.setContentsMargins(10, 0, 14, 0)
        left, self._work, right = QWidget(), QWidget(), QWidget()
        self._left, self._middle, self._right = (QHBoxLayout(w) for w in (left, self._work, right))
        for layout in (self._left, self._middle, self._right):
            layout.setContentsMargins(0, 0, 0, 0)
            layout.setSpacing(6)
        row.addWidget(left)
        row.addWidget(self._work)
        row.addWidget(right, 1)
        self._tools = right
        self._left.addWidget(ProgramMark())
        self._left.addWidget(self.menus, 0, Qt.AlignmentFlag.AlignVCenter)
        # on the start page there is nothing beside them
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
        self.zoom.setToolTip("Zoom: its sizes, a slider, the whole board (Ctrl+0), fill (Ctrl+9)")
        self.export.setObjectName("main")
        self.export.setToolTip("Export the board to a file (Ctrl+Enter)")
        self.steps.setObjectName("quiet")
        self.steps.setToolTip("Every step by name (Ctrl+H)")
        # beside the stages: after the menus it would look like one of them
        self._right.addSpacing(8)
        self._right.addWidget(self.name, 1)
        for part in (self.undo, self.redo, self.steps, self.zoom, self.export):
            self._right.addWidget(part)

    def show_work(self, on: bool) -> None:
        """What belongs to a board that is open; the start page has none of it."""
        for part in (self._work, self._tools):
            part.setVisible(on)

    def show_zoom(self, zoom: float) -> None:
        """Show how large the board is seen."""
        self.zoom.setText(f"{zoom:.0%}")
        self.zooms.follow(zoom)

    def refresh(self) -> None:
        """Show the board's name, and what can be undone."""
        document = self.session.document
        saved = document.is_saved
        state = "not saved yet" if document.path is None else "saved" if saved else "changed"
        self.name.show_name(document.title, state, str(document.path or "Not saved yet"))
        for button, what, keys, name in (
            (self.undo, "Undo", "Ctrl+Z", document.history.undo_name),
            (self.redo, "Redo", "Ctrl+Shift+Z", document.history.redo_name),
        ):
            button.setEnabled(name is not None)
            button.setToolTip(tip(f"{what}: {name} ({keys})") if name else f"{what} ({keys})")
