"""One state of the build-up's drawing, and where its parts lie."""

from __future__ import annotations

from typing import NamedTuple

import numpy as np
from PyQt6.QtCore import QPointF, QRectF

from ....core.coats.registry import kind_of
from ....core.model import Board, Coat
from .axis import Axis, Cut, ends
from .profile import in_unit

LABELS, RULER, STRIP, FOOT = 106.0, 40.0, 22.0, 30.0
EYE = 16.0


class Scene(NamedTuple):
    """One state of the drawing; rows are bottom first like the coats."""

    coats: tuple[Coat, ...]
    rows: tuple[QRectF, ...]
    axis: Axis
    cut: Cut
    board: Board
    chosen: str | None
    unit: str
    strip: np.ndarray | None
    focus: bool


def eye_box(row: QRectF) -> QRectF:
    return QRectF(4, row.center().y() - EYE / 2, EYE, EYE)


def drawing_area(scene: Scene) -> QRectF:
    top = min((row.top() for row in scene.rows), default=RULER)
    low = max((row.bottom() for row in scene.rows), default=RULER + 40)
    return QRectF(QPointF(scene.axis.left, top), QPointF(scene.axis.right, low))


def handle_xs(scene: Scene, coat: Coat) -> tuple[float, float] | None:
    """Where a span's two ends are drawn, `from` first."""
    pair = ends(coat, scene.cut)
    return None if pair is None else (scene.axis.x(pair[0]), scene.axis.x(pair[1]))


def tip(scene: Scene, coat: Coat) -> str:
    """What a screen reader or a tooltip says of a coat."""
    pair = ends(coat, scene.cut)
    where = (
        ""
        if pair is None
        else f", from {in_unit(pair[0], scene.cut, scene.unit)} "
        f"to {in_unit(pair[1], scene.cut, scene.unit)} {scene.unit}"
    )
    return f"{kind_of(coat).title} {coat.name}{where}{'' if coat.on else ', switched off'}"
