"""Lift the sheet: the board's picture as a sheet whose corner is pulled back, and beneath it an earlier
step, another board or a picture."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from PyQt6.QtCore import QPointF, QRectF, Qt
from PyQt6.QtGui import (
    QImage,
    QKeyEvent,
    QLinearGradient,
    QMouseEvent,
    QPainter,
    QPainterPath,
    QPaintEvent,
    QPen,
)
from PyQt6.QtWidgets import QFileDialog, QHBoxLayout, QPushButton, QVBoxLayout, QWidget

from ...core.files import board_file
from ...core.model import Board
from ..controls.choices.picker import Picker
from ..look import theme
from ..look.painting import painting
from ..look.plain import Label
from .proof_jobs import reduced_job
from .proof_pictures import LARGE, ProofPictures

REACH = 0.34
"""Share of the diagonal that the sheet is lifted at first."""
FOLD = 60.0
"""px of shade along the fold."""
MOST_STEPS = 40


class LiftedSheet(QWidget):
    """The corner is pulled by hand, or moved with the arrows."""

    def __init__(self, pictures: ProofPictures) -> None:
        super().__init__()
        self.pictures = pictures
        self.share = REACH
        self.beneath: QImage | None = None
        self._file: Board | None = None
        self._names: list[str] = []
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName("The board, its sheet lifted at a corner: arrows lift it farther")
        self.choice = Picker("Beneath", ["the board as opened"], "What lies beneath", headed=False)
        self.file = QPushButton("Board or picture…")
        self.file.setToolTip("Lay another board, or a picture, beneath")
        hint = Label("Pull the corner")
        hint.setObjectName("dim")
        bar = QHBoxLayout()
        bar.setContentsMargins(14, 8, 14, 0)
        label = Label("Beneath")
        label.setObjectName("dim")
        self.choice.setFixedWidth(260)
        for part in (label, self.choice, self.file, hint):
            bar.addWidget(part)
        bar.addStretch(1)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.addLayout(bar)
        column.addStretch(1)
        pictures.changed.connect(self.update)
        pictures.worker.done.connect(self._take)
        self.choice.picked.connect(self._ask)
        self.file.clicked.connect(self._ask_file)

    def begin(self) -> None:
        """The view comes up: the steps that there are now."""
        steps = self.pictures.document.history.steps[-MOST_STEPS:]
        self._boards = [step.board for step in steps]
        names = [f"{number}. {step.name}" for number, step in enumerate(steps, 1)]
        self.choice.offer(names)
        self._ask()

    def _ask(self) -> None:
        at = self.choice.options.index(self.choice.value())
        self._show(self._boards[at])

    def _show(self, board: Board) -> None:
        job = reduced_job(board, (LARGE[0],), self.pictures.sight)
        self.pictures.worker.ask(("beneath",), job)

    def _ask_file(self) -> None:
        name, _ = QFileDialog.getOpenFileName(
            self, "Lay beneath", "", "Boards and pictures (*.anole *.png *.jpg *.jpeg *.webp)"
        )
        if name:
            self.lay_file(Path(name))

    def lay_file(self, path: Path) -> None:
        """A board's file, or a picture, lies beneath."""
        reading = self.pictures.session.reading
        if path.suffix.lower() == ".anole":
            reading.read(path.name, lambda stop: board_file.read(path).board, self._show)
        else:
            reading.read(path.name, lambda stop: picture_of(path, stop), self._lay)

    def _lay(self, image: QImage) -> None:
        self.beneath = image
        self.update()

    def _take(self, key: tuple[object, ...], result: Any) -> None:
        if key == ("beneath",):
            self._lay(result[1])

    # where it lies

    @property
    def box(self) -> QRectF:
        """The sheet, as large as there is room for."""
        board, top = self.pictures.document.board, 52.0
        room = QRectF(16, top, self.width() - 32, self.height() - top - 16)
        ratio = board.height / board.width
        wide = min(room.width(), room.height() / ratio)
        found = QRectF(0, 0, wide, wide * ratio)
        found.moveCenter(room.center())
        return found

    def fold(self) -> tuple[QPointF, QPointF]:
        """The ends of the fold: on the lower border, and on the right one."""
        box = self.box
        reach = self.share * (box.width() + box.height())
        return QPointF(box.right() - reach, box.bottom()), QPointF(
            box.right(), box.bottom() - reach
        )

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            painter.setRenderHint(QPainter.RenderHint.SmoothPixmapTransform)
            painter.fillRect(self.rect(), theme.colour("desk"))
            box, top = self.box, self.pictures.images.get(LARGE[0])
            if self.beneath is not None:
                painter.drawImage(box, self.beneath)
            low, right = self.fold()
            lifted = QPainterPath(low)
            for point in (right, box.bottomRight()):
                lifted.lineTo(point)
            lifted.closeSubpath()
            whole = QPainterPath()
            whole.addRect(box)
            if top is not None:
                painter.save()
                painter.setClipPath(whole.subtracted(lifted))
                painter.drawImage(box, top)
                painter.restore()
            self._paint_fold(painter, whole, lifted, low, right)

    def _paint_fold(
        self,
        painter: QPainter,
        whole: QPainterPath,
        lifted: QPainterPath,
        low: QPointF,
        right: QPointF,
    ) -> None:
        """The turned corner of the sheet, and its shade on what lies beneath."""
        middle = (low + right) / 2
        shade = QLinearGradient(middle, middle + QPointF(FOLD, FOLD) / 1.41)
        shade.setColorAt(0, theme.colour("desk", 0.75))
        shade.setColorAt(1, theme.colour("desk", 0.0))
        painter.save()
        painter.setClipPath(lifted.intersected(whole))
        painter.fillRect(whole.boundingRect(), shade)
        painter.setClipPath(whole)
        paper = QLinearGradient(middle, QPointF(low.x(), right.y()))
        paper.setColorAt(0, theme.colour("text"))
        paper.setColorAt(0.35, theme.colour("dim"))
        paper.setColorAt(1, theme.colour("raised"))
        small = QPainterPath(low)
        for point in (right, middle + (QPointF(low.x(), right.y()) - middle) * 0.35):
            small.lineTo(point)
        small.closeSubpath()
        painter.setPen(QPen(theme.colour("line"), 1))
        painter.setBrush(paper)
        painter.drawPath(small)
        painter.restore()

    # by hand and by key

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        self.mouseMoveEvent(event)

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        if event is None or not event.buttons() & Qt.MouseButton.LeftButton:
            return
        away = self.box.bottomRight() - event.position()
        self.lift((away.x() + away.y()) / (self.box.width() + self.box.height()))

    def lift(self, share: float) -> None:
        """So much of the diagonal, 0 to 1."""
        self.share = min(max(share, 0.0), 1.0)
        self.update()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        step = {Qt.Key.Key_Left: 0.05, Qt.Key.Key_Right: -0.05}.get(Qt.Key(event.key()))
        if step is None:
            super().keyPressEvent(event)
        else:
            self.lift(self.share + step)


def picture_of(path: Path, stop: object) -> QImage:
    """A stranger's picture, read in the helper."""
    from ...core.atomic import read_bytes
    from ...core.paint.picture_files import decoded
    from ..look.pixel_images import image_of

    return image_of(decoded(read_bytes(path, 1 << 29), path.name).pixels)
