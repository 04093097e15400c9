"""The chosen coat's thrown picture pulled over the board: how far, which way, along what path."""

from __future__ import annotations

import math
from typing import NamedTuple

from PyQt6.QtCore import QPointF, Qt
from PyQt6.QtGui import QPainter, QPainterPath, QPen

from ...core.coats.context import CoatContext
from ...core.coats.kind import Throw
from ...core.coats.registry import kind_of
from ...core.coats.section import surroundings
from ...core.edit.coats import change_coat
from ...core.model import Coat, Coated
from ..board.board_tool import BoardTool
from ..board.canvas import Canvas
from ..look import theme
from ..look.view_transform import ViewTransform
from .ink_box import ink_box
from .measures import Measures

NEAR, STEP = 12.0, 15.0
"""Widget px within which a grip is taken; degrees of the steps with Shift."""
LARGE, SMALL = 7.5, 5.0
"""Radii of the grip at the end of a path and of the one that bends it."""


class Path(NamedTuple):
    """start, end : board px; bow : of the way between, None for one that cannot bend"""

    start: tuple[float, float]
    end: tuple[float, float]
    bow: float | None

    @property
    def aside(self) -> tuple[float, float]:
        """The way to its right, as long as it is."""
        return -(self.end[1] - self.start[1]), self.end[0] - self.start[0]

    def beside(self, share: float) -> tuple[float, float]:
        """The point beside the middle by a share of its length."""
        x, y = self.aside
        mx, my = (self.start[0] + self.end[0]) / 2, (self.start[1] + self.end[1]) / 2
        return mx + share * x, my + share * y


class ThrowTool(BoardTool):
    """A grip where the middle of the piece falls, tied to the middle itself, or at the point that
    walls run toward; a smaller one bends a path."""

    def __init__(self, view: Canvas) -> None:
        super().__init__(view)
        self._token: object | None = None
        self._taken = ""
        self._away = QPointF()
        self._measures = Measures(view.session)

    def held(self) -> tuple[Coated, Coat, CoatContext] | None:
        """The piece and the coat of it that can be chosen."""
        coat, piece = self.selection.coat, self.selection.coated
        if coat is None or piece is None or piece.locked or not coat.on:
            return None
        section = self._measures.section()
        return None if section is None else (piece, coat, surroundings(section))

    def path(self) -> Path | None:
        """Where the chosen coat is thrown or aims, board px."""
        held = self.held()
        if held is None:
            return None
        piece, coat, context = held
        kind, board = kind_of(coat), self.document.board
        x0, y0, x1, y1 = ink_box(piece, board.dpi)
        start = (x0 + x1) / 2, (y0 + y1) / 2
        aim, throw = kind.aim(coat), kind.throw(coat, context)
        if aim is not None:
            return Path(start, (aim[0] * board.width, aim[1] * board.height), None)
        if throw is None:
            return None
        return Path(start, (start[0] + throw.dx, start[1] + throw.dy), kind.bow(coat))

    def grips(self, now: ViewTransform) -> dict[str, QPointF]:
        """The grips of the path, widget px: its end, and what bends it."""
        path = self.path()
        if path is None:
            return {}
        found = {"end": now.to_widget(*path.end)}
        if path.bow is not None and path.start != path.end:
            found["bow"] = now.to_widget(*path.beside(path.bow / 2))
        return found

    def paint(self, painter: QPainter, now: ViewTransform) -> None:
        path = self.path()
        if path is None:
            return
        painter.setRenderHint(QPainter.RenderHint.Antialiasing)
        drawn = QPainterPath(now.to_widget(*path.start))
        drawn.quadTo(now.to_widget(*path.beside(path.bow or 0.0)), now.to_widget(*path.end))
        painter.setBrush(Qt.BrushStyle.NoBrush)
        for shade, width in (("desk", 4.0), ("text", 1.6)):
            painter.setPen(QPen(theme.colour(shade), width))
            painter.drawPath(drawn)
        painter.setPen(Qt.PenStyle.NoPen)
        for name, spot in self.grips(now).items():
            size = LARGE if name == "end" else SMALL
            for shade, radius in (("desk", size + 1.5), ("text", size), ("desk", size - 2.5)):
                painter.setBrush(theme.colour(shade))
                painter.drawEllipse(spot, radius, radius)

    def _near(self, at: QPointF) -> str:
        """The grip that is there; empty where there is none."""
        far = {}
        for name, spot in self.grips(self.view.transform_now()).items():
            away = at - spot
            far[name] = math.hypot(away.x(), away.y())
        nearest = min(far, key=far.__getitem__, default="")
        return nearest if far.get(nearest, NEAR + 1) <= NEAR else ""

    def hover(self, at: QPointF) -> tuple[Qt.CursorShape, str] | None:
        words = {
            "end": "Drag: how far and which way; Shift in steps",
            "bow": "Drag: bends the path",
        }
        near = self._near(at)
        return (Qt.CursorShape.SizeAllCursor, words[near]) if near else None

    def press(self, at: QPointF, keys: Qt.KeyboardModifier) -> bool:
        self._taken = self._near(at)
        if self._taken:
            spot = self.grips(self.view.transform_now())[self._taken]
            self._token, self._away = object(), spot - at
        return self._token is not None

    def pull(self, at: QPointF, keys: Qt.KeyboardModifier) -> None:
        held, path = self.held(), self.path()
        if held is None or path is None:
            return
        piece, coat, context = held
        kind, board = kind_of(coat), self.document.board
        x, y = self.view.transform_now().to_board(at + self._away)
        name = f"Throw the {kind.title.lower()}"
        fields: dict[str, object]
        if self._taken == "bow":
            fields, name = {"bow": _bow(path, x, y)}, "Bow"
        elif kind.aim(coat) is not None:
            shares = x / max(board.width, 1), y / max(board.height, 1)
            fields = dict(zip(("point_x", "point_y"), (_held(v) for v in shares), strict=True))
            name = f"Aim the {kind.title.lower()}"
        else:
            throw = Throw(x - path.start[0], y - path.start[1])
            if keys & Qt.KeyboardModifier.ShiftModifier:
                throw = _in_steps(throw)
            fields = kind.thrown_to(coat, context, throw)
        self.document.apply(
            name, lambda b: change_coat(b, piece.id, coat.id, **fields), self._token
        )

    def release(self) -> None:
        self._token, self._taken = None, ""
        self.view.update()


def _held(share: float) -> float:
    """A share of the board as a file keeps it."""
    return min(max(round(share, 4), -20.0), 20.0)


def _bow(path: Path, x: float, y: float) -> float:
    """The bow with which a path's middle lies beside a point."""
    ax, ay = path.aside
    mx, my = path.beside(0.0)
    share = ((x - mx) * ax + (y - my) * ay) / max(ax * ax + ay * ay, 1e-9)
    return min(max(round(2 * share, 3), -3.0), 3.0)


def _in_steps(throw: Throw) -> Throw:
    """As far, in the nearest of a few directions."""
    far = math.hypot(*throw)
    turn = round(math.degrees(math.atan2(throw.dy, throw.dx)) / STEP) * STEP
    return Throw(far * math.cos(math.radians(turn)), far * math.sin(math.radians(turn)))
