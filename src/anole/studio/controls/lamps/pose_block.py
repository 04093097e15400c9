"""A small block to turn by hand: the pose of a piece in space."""

from __future__ import annotations

import msgspec
import numpy as np
from PyQt6.QtCore import QPointF, QSize, Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent, QMouseEvent, QPainter, QPaintEvent, QPen, QPolygonF
from PyQt6.QtWidgets import QSizePolicy, QWidget

from ....core.arrays import Points
from ....core.lettering.warp import pose_matrix, projected
from ....core.model import Pose
from ...look import theme
from ...look.painting import painting
from ..base.slider import key_factor

BOX = (-1.4, -0.7, 1.4, 0.7)
DEPTH = 0.5
MOST = 85.0


def _held(value: float) -> float:
    return float(min(max(round(value), -MOST), MOST))


class PoseBlock(QWidget):
    """`turned(pose, token)`. Drag: turn and tilt; Shift-drag: roll; arrow keys as well."""

    turned = pyqtSignal(object, object)

    def __init__(self) -> None:
        super().__init__()
        self.pose = Pose()
        self._from: QPointF | None = None
        self._start = Pose()
        self._token: object | None = None
        self.setFocusPolicy(Qt.FocusPolicy.StrongFocus)
        self.setAccessibleName("Pose: arrow keys turn and tilt, Page Up and Page Down roll")
        self.setToolTip("Drag to turn and tilt, Shift-drag to roll, double-click to face front")
        self.setSizePolicy(QSizePolicy.Policy.Expanding, QSizePolicy.Policy.Fixed)
        self.setCursor(Qt.CursorShape.SizeAllCursor)

    def sizeHint(self) -> QSize:
        return QSize(200, 112)

    def show_pose(self, pose: Pose) -> None:
        """Stand as a pose says."""
        self.pose = pose
        self.update()

    def _faces(self) -> list[tuple[Points, str]]:
        """The block's sides, far ones first: corners in block units and a theme colour."""
        x0, y0, x1, y1 = BOX
        flat = np.array([[x0, y0], [x1, y0], [x1, y1], [x0, y1]])
        near = msgspec.structs.replace(self.pose, distance=max(self.pose.distance, 4.0))
        front = projected(flat, pose_matrix(BOX, near))
        # the back is the front seen through the same turn, moved along the block's own depth
        a, b = np.radians(near.turn_x), np.radians(near.turn_y)
        c = np.radians(near.turn_z)
        depth = np.array([-np.sin(b), np.sin(a) * np.cos(b)]) * DEPTH
        turned = np.array(
            [
                depth[0] * np.cos(c) - depth[1] * np.sin(c),
                depth[0] * np.sin(c) + depth[1] * np.cos(c),
            ]
        )
        back = front * 0.92 + turned
        sides = [
            (np.array([front[i], front[(i + 1) % 4], back[(i + 1) % 4], back[i]]), "letter")
            for i in range(4)
        ]
        return [(back, "line"), *sides, (front, "raised")]

    def paintEvent(self, event: QPaintEvent | None) -> None:
        with painting(self) as painter:
            painter.setRenderHint(QPainter.RenderHint.Antialiasing)
            area = self.rect().adjusted(0, 0, -1, -1)
            painter.setPen(QPen(theme.colour("leaf" if self.hasFocus() else "line"), 1))
            painter.setBrush(theme.colour("sunk"))
            painter.drawRoundedRect(area, 5, 5)
            middle, unit = QPointF(self.width() / 2, self.height() / 2), self.height() / 2.6
            for corners, shade in self._faces():
                painter.setPen(QPen(theme.colour("text"), 1.2))
                painter.setBrush(theme.colour(shade))
                polygon = QPolygonF([middle + QPointF(x, y) * unit for x, y in corners])
                painter.drawPolygon(polygon)
            painter.setPen(theme.colour("dim"))
            painter.setFont(theme.font(11))
            text = f"turn {self.pose.turn_y:.0f}°  tilt {self.pose.turn_x:.0f}°  roll {self.pose.turn_z:.0f}°"
            painter.drawText(QPointF(8, self.height() - 7), text)

    def mousePressEvent(self, event: QMouseEvent | None) -> None:
        assert event is not None
        self._from, self._start, self._token = event.position(), self.pose, object()

    def mouseMoveEvent(self, event: QMouseEvent | None) -> None:
        if event is None or self._from is None:
            return
        by, start = event.position() - self._from, self._start
        if event.modifiers() & Qt.KeyboardModifier.ShiftModifier:
            roll = (round(start.turn_z + by.x()) + 180) % 360 - 180
            self._send(self._token, turn_z=float(roll))
        else:
            self._send(
                self._token,
                turn_y=_held(start.turn_y + by.x() * 0.6),
                turn_x=_held(start.turn_x - by.y() * 0.6),
            )

    def mouseReleaseEvent(self, event: QMouseEvent | None) -> None:
        self._from = self._token = None

    def mouseDoubleClickEvent(self, event: QMouseEvent | None) -> None:
        self._send(None, turn_x=0.0, turn_y=0.0, turn_z=0.0)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        ways = {
            Qt.Key.Key_Left: ("turn_y", -1),
            Qt.Key.Key_Right: ("turn_y", 1),
            Qt.Key.Key_Up: ("turn_x", 1),
            Qt.Key.Key_Down: ("turn_x", -1),
            Qt.Key.Key_PageUp: ("turn_z", 1),
            Qt.Key.Key_PageDown: ("turn_z", -1),
        }
        way = ways.get(Qt.Key(event.key()))
        if way is None:
            super().keyPressEvent(event)
            return
        name, sign = way
        value = getattr(self.pose, name) + sign * key_factor(event.modifiers())
        limit = 180.0 if name == "turn_z" else MOST
        self._send(None, **{name: min(max(value, -limit), limit)})

    def _send(self, token: object | None, **fields: float) -> None:
        self.pose = msgspec.structs.replace(self.pose, **fields)
        self.update()
        self.turned.emit(self.pose, token)
