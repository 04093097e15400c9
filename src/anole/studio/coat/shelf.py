"""The shelf: the user's words in other styles. Hover shows one, a click puts it on."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from PyQt6.QtCore import QEvent, QPointF, QRectF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import (
    QContextMenuEvent,
    QEnterEvent,
    QFocusEvent,
    QImage,
    QKeyEvent,
    QMouseEvent,
    QPainter,
    QPaintEvent,
    QPen,
)
from PyQt6.QtWidgets import (
    QAbstractButton,
    QFrame,
    QHBoxLayout,
    QLineEdit,
    QPushButton,
    QScrollArea,
    QVBoxLayout,
    QWidget,
)

from ...core.atomic import FileError
from ...core.edit.wearing import style_of
from ...core.library import styles as library
from ...core.library.styles import StoredStyle
from ...core.model import ModelError
from .. import theme
from ..commands.coats import dressed, lay, mix, mixed_board, wear
from ..foot_bar import nothing
from ..plain import tip
from ..samples import bare, sample, words_of
from ..session import Session, aim, ask_menu
from ..style_folder import StyleFolder

CHIP = QSize(148, 84)
PICTURE = QSize(144, 56)
PULLED, EDGE = 6.0, 8.0
"""px from which on a press is a pull; px at a chip's sides that are nothing and all of it."""


class Chip(QAbstractButton):
    """One style on the user's words. `pointed(True)` while it is looked at; pulled across, so much
    of it as lies left of the pointer is mixed in: `mixing(share)`, and `mixed(share)` at the end."""

    pointed = pyqtSignal(bool)
    mixing = pyqtSignal(float)
    mixed = pyqtSignal(float)
    added = pyqtSignal(bool)
    unwanted = pyqtSignal()

    def __init__(self, stored: StoredStyle) -> None:
        super().__init__()
        self.stored = stored
        self.is_own = stored.own
        self.image: QImage | None = None
        self.worn = False
        self.share: float | None = None
        self._pressed: QPointF | None = None
        self.setFixedSize(CHIP)
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setCursor(Qt.CursorShape.PointingHandCursor)
        origin = "your own style" if stored.own else "built-in style"
        self.setAccessibleName(f"{stored.style.name}, {origin}")
        self.setToolTip(
            tip(
                f"{stored.style.name} ({origin}): hover to look, click to put it on, pull across to mix some of it in"
            )
        )

    def paintEvent(self, event: QPaintEvent | None) -> None:
        painter = QPainter(self)
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        box = QRectF(0.5, 0.5, CHIP.width() - 1, CHIP.height() - 23)
        lit = self.worn or self.hasFocus()
        edge = "leaf" if lit else "dim" if self.underMouse() else "line"
        painter.setPen(QPen(theme.colour(edge), 1.6 if lit else 1))
        painter.setBrush(theme.colour("raised"))
        painter.drawRoundedRect(box, 7, 7)
        if self.image is not None:
            painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
            painter.drawImage(QRectF(2, 3, PICTURE.width(), PICTURE.height()), self.image)
        if self.share is not None:
            _paint_share(painter, box, self.share)
        painter.setFont(theme.font(12))
        painter.setPen(theme.colour("text" if self.worn else "dim"))
        words = self.stored.style.name
        if self.share is not None:
            words = f"{round(self.share * 100)} % {words}"
        name = painter.fontMetrics().elidedText(
            words, Qt.TextElideMode.ElideRight, CHIP.width() - 8
        )
        line = QRectF(0, CHIP.height() - 21, CHIP.width(), 18)
        painter.drawText(line, Qt.AlignmentFlag.AlignCenter, name)

    def enterEvent(self, event: QEnterEvent | None) -> None:
        self.pointed.emit(True)
        self.update()

    def leaveEvent(self, event: QEvent | None) -> None:
        self.pointed.emit(False)
        self.update()

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        if event is not None and event.button() == Qt.MouseButton.LeftButton:
            self._pressed = event.position()
        super().mousePressEvent(event)

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        if event is None or self._pressed is None:
            return
        if self.share is None and abs(event.position().x() - self._pressed.x()) < PULLED:
            return
        share = (event.position().x() - EDGE) / (CHIP.width() - 2 * EDGE)
        self._show_share(round(min(max(share, 0.0), 1.0), 2))

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        share, self._pressed = self.share, None
        if share is None:
            super().mouseReleaseEvent(event)
            return
        self.setDown(False)
        self.share = None
        self.update()
        self.mixed.emit(share)

    def _show_share(self, share: float) -> None:
        self.share = share
        self.update()
        self.mixing.emit(share)

    def put_on(self) -> None:
        """As a click does."""
        self.click()

    def add(self, beneath: bool) -> None:
        """Its coats above those that are worn, or beneath them."""
        self.added.emit(beneath)

    def delete(self) -> None:
        """It leaves the library."""
        self.unwanted.emit()

    def contextMenuEvent(self, event: QContextMenuEvent | None) -> None:
        if event is not None:
            ask_menu(self, "style", event.globalPos())

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        if event is not None and event.key() in (Qt.Key.Key_Return, Qt.Key.Key_Enter):
            self.click()
        elif event is not None and event.key() == Qt.Key.Key_Escape:
            self.share = self._pressed = None
            self.update()
            self.pointed.emit(False)
        else:
            super().keyPressEvent(event)

    def focusInEvent(self, event: QFocusEvent | None) -> None:
        aim(self)
        by_key = (Qt.FocusReason.TabFocusReason, Qt.FocusReason.BacktabFocusReason)
        if event is not None and event.reason() in by_key:
            self.pointed.emit(True)
        super().focusInEvent(event)

    def focusOutEvent(self, event: QFocusEvent | None) -> None:
        self.pointed.emit(False)
        super().focusOutEvent(event)


def _paint_share(painter: QPainter, box: QRectF, share: float) -> None:
    """How much of the style is mixed in: what is not is veiled."""
    left = box.left() + box.width() * share
    painter.setPen(Qt.PenStyle.NoPen)
    painter.setBrush(theme.colour("desk", 0.72))
    painter.drawRect(QRectF(left, box.top() + 1, box.right() - left - 1, box.height() - 2))
    painter.setPen(QPen(theme.colour("leaf"), 2))
    painter.drawLine(QPointF(left, box.top() + 1), QPointF(left, box.bottom() - 1))


class Shelf(QWidget):
    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.document, self.selection = session.document, session.selection
        self.worker = session.worker
        self.setObjectName("bar")
        self.setAttribute(Qt.WidgetAttribute.WA_StyledBackground)
        self.setFixedHeight(104)
        self.chips: list[Chip] = []
        self._asked: Any = None
        self._row_widget = QWidget()
        self._row_widget.setObjectName("panel")
        self._row = QHBoxLayout(self._row_widget)
        self._row.setContentsMargins(0, 0, 0, 0)
        self._row.setSpacing(8)
        scroll = QScrollArea()
        scroll.setObjectName("panel")
        scroll.setFrameShape(QFrame.Shape.NoFrame)
        scroll.setWidgetResizable(True)
        scroll.setVerticalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        scroll.setWidget(self._row_widget)
        self.save = QPushButton("Save style")
        self.save.setToolTip(
            "Save this stack of coats in your library, under a name (Ctrl+Shift+K)"
        )
        self.name = QLineEdit()
        self.name.setPlaceholderText("name, then Enter")
        self.name.setAccessibleName("Name of the style")
        self.name.setFixedWidth(150)
        self.name.hide()
        self.search = QLineEdit()
        self.search.setPlaceholderText("find a style")
        self.search.setAccessibleName("Find styles by name or by words such as gold, wood, worn")
        self.search.setToolTip("By name or by a word: gold, metal, glass, wood, worn, sweet…")
        self.search.setClearButtonEnabled(True)
        self.search.setFixedWidth(130)
        self.search.textChanged.connect(lambda _: self._filter())
        side = QVBoxLayout()
        side.addStretch(1)
        side.addWidget(self.search)
        side.addWidget(self.save)
        side.addWidget(self.name)
        side.addStretch(1)
        line = QHBoxLayout(self)
        line.setContentsMargins(14, 8, 14, 6)
        line.setSpacing(12)
        line.addWidget(scroll, 1)
        line.addLayout(side)
        self.save.clicked.connect(self.ask_name)
        self.name.returnPressed.connect(self._save)
        self.document.settled.connect(self.refresh)
        self.selection.changed.connect(self.refresh)
        self.worker.drawn.connect(self._take)
        self._folder = StyleFolder(self)
        self._folder.changed.connect(self.reload)
        self.reload()

    def reload(self) -> None:
        """Read the library again."""
        kept, troubles = library.library()
        for chip in self.chips:
            self._row.removeWidget(chip)
            chip.deleteLater()
        while self._row.count():
            self._row.takeAt(0)
        self.chips = [Chip(entry) for entry in kept]
        for chip in self.chips:
            self._row.addWidget(chip)
            chip.pointed.connect(lambda on, c=chip: self._look(c if on else None))
            chip.clicked.connect(lambda _, c=chip: wear(self.session, c.stored.style))
            chip.mixing.connect(lambda share, c=chip: self._look_mixed(c, share))
            chip.mixed.connect(lambda share, c=chip: self._mix(c, share))
            chip.added.connect(lambda beneath, c=chip: lay(self.session, c.stored.style, beneath))
            chip.unwanted.connect(lambda c=chip: self._delete(c))
        self._row.addStretch(1)
        self._asked = None
        self._filter()
        self.refresh()
        for trouble in troubles[:1]:
            self.document.said.emit(trouble)

    def _filter(self) -> None:
        """Only the styles that every typed word is found in."""
        wanted = self.search.text().lower().split()
        for chip in self.chips:
            about = " ".join((chip.stored.style.name, *chip.stored.style.words)).lower()
            chip.setVisible(all(word in about for word in wanted))

    def refresh(self) -> None:
        piece = self.selection.coated
        worn = piece.worn.name if piece and piece.worn else None
        for chip in self.chips:
            if chip.worn != (chip.stored.style.name == worn):
                chip.worn = not chip.worn
                chip.update()
        wanted = (bare(piece, words_of(piece)), self.document.board.lamp)
        if self.isVisible() and wanted != self._asked:
            self._asked = wanted
            self._ask_pictures()

    def showEvent(self, event: Any) -> None:
        super().showEvent(event)
        self.refresh()

    def _ask_pictures(self) -> None:
        piece = self.selection.coated
        for index, chip in enumerate(self.chips):
            board = sample(
                piece,
                chip.stored.style.coats,
                words_of(piece),
                PICTURE.width(),
                PICTURE.height(),
                self.document.board,
            )
            self.worker.ask_small(("chip", index, chip.stored.style.name), board, 2.0)

    def _take(self, key: Any, image: QImage) -> None:
        if key[0] == "chip" and key[1] < len(self.chips):
            chip = self.chips[key[1]]
            if chip.stored.style.name == key[2]:
                chip.image = image
                chip.update()

    def _look(self, chip: Chip | None) -> None:
        self.document.look_at(None if chip is None else dressed(self.session, chip.stored.style))

    def _look_mixed(self, chip: Chip, share: float) -> None:
        self.document.look_at(mixed_board(self.session, chip.stored.style, share))

    def _mix(self, chip: Chip, share: float) -> None:
        self.document.look_at(None)
        mix(self.session, chip.stored.style, share)

    def _delete(self, chip: Chip) -> None:
        """A style of one's own leaves the library; the bar at the foot brings it back."""
        style = chip.stored.style
        if self._did(lambda: library.remove(style.name)):
            self.session.reading.foot.ask(
                f"The style “{style.name}” is deleted.",
                [
                    ("Bring it back", lambda: self._did(lambda: library.keep(style))),
                    ("Good", nothing),
                ],
            )

    def _did(self, act: Callable[[], object]) -> bool:
        """Change the library; says what goes wrong."""
        try:
            act()
        except (FileError, ModelError) as error:
            self.document.said.emit(str(error))
            return False
        self.reload()
        return True

    def ask_name(self) -> None:
        if self.selection.coated is None or not self.selection.coated.style:
            self.document.said.emit("There is no coat to save: choose a piece that has some.")
            return
        self.name.show()
        self.name.setFocus()

    def _save(self) -> None:
        piece, name = self.selection.coated, self.name.text().strip()
        if piece is None or not name:
            return
        if self.save_as(name):
            self.name.clear()
            self.name.hide()

    def save_as(self, name: str) -> bool:
        """Save the chosen piece's coats under a name; says what goes wrong."""
        piece_id = self.selection.piece_id
        assert piece_id is not None
        if not self._did(lambda: library.keep(style_of(self.document.board, piece_id, name))):
            return False
        self.document.said.emit(f"The style {name!r} is in your library.")
        return True
