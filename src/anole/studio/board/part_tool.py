"""Parts of a piece on the board: chosen, moved and pulled by their marks, deleted by key."""

from __future__ import annotations

import math
from abc import abstractmethod
from collections.abc import Mapping
from typing import Any, ClassVar

from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QKeyEvent, QPainter, QPen

from ...core.edit.parts import change_part, remove_part
from ...core.model import Piece
from ..look import theme
from ..look.view_transform import ViewTransform
from .board_tool import BoardTool
from .canvas import Canvas

REACH, DOT = 9.0, 5.5
Grip = tuple[int, str]


class PartTool(BoardTool):
    """Works while a piece of its kind is chosen; the part that is worked on is the selection's.

    struct : the kind of piece; field : the field with its parts; part_name : what one is called
    least : how many parts the Delete key leaves; hints, names : of each grip
    """

    struct: ClassVar[type[Piece]]
    field: ClassVar[str]
    part_name: ClassVar[str]
    least: ClassVar[int] = 1
    hints: ClassVar[Mapping[str, str]]
    names: ClassVar[Mapping[str, str]]

    def __init__(self, view: Canvas) -> None:
        super().__init__(view)
        self._held: Grip | None = None
        self.origin = QPointF()
        self._start: Any = None
        self._token: object | None = None
        self.selection.part_changed.connect(view.update)

    @abstractmethod
    def grips(self, part: Any, now: ViewTransform) -> dict[str, QPointF]:
        """Where a part is held, widget px: by its "move", or several of them, and by others."""

    @abstractmethod
    def pulled(self, kind: str, start: Any, at: QPointF) -> dict[str, Any]:
        """The fields of a part whose grip was pulled to a point of the widget."""

    @abstractmethod
    def paint_part(self, painter: QPainter, part: Any, now: ViewTransform) -> None:
        """Draw what the part that is worked on reaches."""

    @property
    def piece(self) -> Any:
        """The chosen piece, where it is of the tool's kind and may be changed."""
        piece = self.selection.piece
        usable = isinstance(piece, self.struct) and not piece.locked and piece.shown
        return piece if usable else None

    @property
    def parts(self) -> tuple[Any, ...]:
        """The parts of the chosen piece, or what holds them."""
        piece = self.piece
        return () if piece is None else getattr(piece, self.field)

    @property
    def number(self) -> int:
        """The part that is worked on."""
        return min(self.selection.part, len(self.parts) - 1)

    def hit(self, at: QPointF) -> Grip | None:
        """What of which part lies under a point; of the one that is worked on all its grips."""
        now = self.view.transform_now()
        best: tuple[float, Grip] | None = None
        for number, part in enumerate(self.parts):
            for kind, place in self.grips(part, now).items():
                if not kind.startswith("move") and number != self.number:
                    continue
                far = math.hypot(place.x() - at.x(), place.y() - at.y())
                if far <= REACH and (best is None or far < best[0]):
                    best = (far, (number, kind))
        return best[1] if best is not None else None

    # looking

    def paint(self, painter: QPainter, now: ViewTransform) -> None:
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        for number, part in enumerate(self.parts):
            chosen = number == self.number
            painter.setBrush(Qt.BrushStyle.NoBrush)
            if chosen:
                self.paint_part(painter, part, now)
            for kind, place in self.grips(part, now).items():
                if chosen or kind.startswith("move"):
                    painter.setPen(QPen(theme.colour("desk"), 1.5))
                    painter.setBrush(theme.colour("leaf" if chosen else "text"))
                    size = DOT if chosen else DOT * 0.7
                    painter.drawEllipse(place, size, size)

    def hover(self, at: QPointF) -> tuple[Qt.CursorShape, str] | None:
        grip = self.hit(at)
        return (
            (Qt.CursorShape.SizeAllCursor, self.hints[_plain(grip[1])])
            if grip is not None
            else None
        )

    # pulling

    def press(self, at: QPointF, keys: Qt.KeyboardModifier) -> bool:
        self._held = self.hit(at)
        if self._held is None:
            return False
        self.hold(at, self._held)
        return True

    def hold(self, at: QPointF, grip: Grip) -> None:
        """Begin to pull a part by a grip."""
        self._held, self.origin, self._token = grip, at, object()
        self._start = self.parts[grip[0]]
        self.selection.choose_part(grip[0])

    def pull(self, at: QPointF, keys: Qt.KeyboardModifier) -> None:
        piece = self.piece
        if self._held is None or self._start is None or piece is None:
            return
        number, kind = self._held
        pulled = self.moved if kind.startswith("move") else self.pulled
        fields = pulled(kind, self._start, at)
        self.change(self.names[_plain(kind)], number, fields, self._token)

    def moved(self, kind: str, start: Any, at: QPointF) -> dict[str, Any]:
        """The fields of a part that was moved by its middle."""
        by = (at - self.origin) / self.view.transform_now().zoom
        return {"x": round(start.x + by.x()), "y": round(start.y + by.y())}

    def change(self, name: str, number: int, fields: dict[str, Any], token: object | None) -> None:
        """Set fields of a part."""
        piece = self.piece
        self.document.apply(
            name, lambda b: change_part(b, piece.id, self.field, number, **fields), token
        )

    def release(self) -> None:
        self._held = self._start = self._token = None

    # by key

    def wants(self, event: QKeyEvent) -> bool:
        return event.key() == Qt.Key.Key_Delete and len(self.parts) > self.least

    def key(self, event: QKeyEvent) -> bool:
        if not self.wants(event):
            return False
        number = self.number
        self.remove(number)
        self.selection.choose_part(max(number - 1, 0))
        return True

    def remove(self, number: int) -> None:
        """Take a part off."""
        piece = self.piece
        self.document.apply(
            f"Delete {self.part_name}", lambda b: remove_part(b, piece.id, self.field, number)
        )


def _plain(kind: str) -> str:
    """A grip's kind without its number."""
    return kind.rstrip("0123456789")


def ring(painter: QPainter, middle: QPointF, radius: float, dotted: bool = False) -> None:
    """A ring that is seen on any ground."""
    style = Qt.PenStyle.DotLine if dotted else Qt.PenStyle.SolidLine
    for shade, wide in ((theme.colour("desk", 0.6), 3.0), (theme.colour("leaf"), 1.4)):
        painter.setPen(QPen(shade, wide, style if wide < 2 else Qt.PenStyle.SolidLine))
        if wide < 2 or not dotted:
            painter.drawEllipse(middle, radius, radius)
