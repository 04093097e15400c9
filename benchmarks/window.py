"""Slider drags on the real window: from the value's change to the picture.

The next move comes as soon as the window has shown the last one and done what waited, as in a real
drag; the copy that times are counted in is made by turns with the moves.
"""

from __future__ import annotations

import os
import tempfile
import time
from typing import NamedTuple

import numpy as np
from PyQt6.QtCore import QEventLoop
from PyQt6.QtWidgets import QApplication

from anole.core.model import Board, Colour, ColourPaint
from anole.studio.app import application
from anole.studio.controls.base.control import Control
from anole.studio.controls.numbers.number import Number
from anole.studio.controls.numbers.span import SpanControl
from anole.studio.controls.paint import PaintControl
from anole.studio.main_window.window import Window
from anole.studio.shared.shell import Stage
from anole.studio.shots import settle

from .scenes import planes, rich, title
from .timing import Result, once

MOVES = 60


class Drag(NamedTuple):
    """Which control is pulled, over which share of its way, and the budgets in copies."""

    name: str
    board: Board
    coat: str
    field: str
    ends: tuple[float, float]
    budget: float | None = None
    budget95: float | None = None


def _pull(control: Control, value: float, token: object) -> None:
    """A rail to a share of its way, the first end of a span; a colour to another red."""
    if isinstance(control, PaintControl):
        red = Colour(round(255 * value), 60, 40)
        control.edited.emit(ColourPaint(colour=red), token)
    elif isinstance(control, Number):
        control.field.pulled.emit(value, token)
    else:
        assert isinstance(control, SpanControl)
        control.fields[0].pulled.emit(value, token)


def _drag(
    window: Window, field: str, values: np.ndarray
) -> tuple[list[float], list[float], list[float]]:
    """Seconds to the first picture, to the sharp one, and of a copy beside each."""
    panel = window.coat.panels[type(window.selection.coat)]  # type: ignore[index]
    control = panel.controls[field]
    start, copy = planes(), planes()
    token, first, sharp, copies, loop = object(), [], [], [], QEventLoop()
    window.view.framed.connect(loop.quit)
    for value in values:
        begin = time.perf_counter()
        _pull(control, float(value), token)
        seen = None
        while True:
            loop.exec()
            QApplication.processEvents()
            seen = seen or time.perf_counter() - begin
            if window.view.frame.scale == window.view._request().scale:  # type: ignore[union-attr]
                break
        first.append(seen)
        sharp.append(time.perf_counter() - begin)
        copies.append(once(lambda: np.copyto(copy, start)))
        QApplication.processEvents()
    window.view.framed.disconnect(loop.quit)
    return first[3:], sharp[3:], copies[3:]


def _results(drag: Drag, window: Window) -> list[Result]:
    window.document.start(drag.board)
    window.view.set_zoom(1.0)
    window.selection.choose("words", drag.coat)
    settle(window)
    first, sharp, copies = _drag(window, drag.field, np.linspace(*drag.ends, MOVES))
    reference = float(np.median(copies))
    found = [
        Result(
            drag.name,
            float(np.median(sharp)),
            float(np.percentile(sharp, 95)),
            reference,
            "copy",
            drag.budget,
            drag.budget95,
        )
    ]
    if np.median(first) < 0.9 * np.median(sharp):
        found.append(
            Result(
                f"{drag.name}: first picture",
                float(np.median(first)),
                float(np.percentile(first, 95)),
                reference,
                "copy",
                5.0,
            )
        )
    return found


def drags() -> list[Result]:
    with tempfile.TemporaryDirectory() as home:
        for name in ("XDG_CONFIG_HOME", "XDG_DATA_HOME", "XDG_STATE_HOME"):
            os.environ[name] = home
        app: QApplication = application()
        window = Window(title())
        window.resize(1960, 1000)
        window.show()
        window.show_stage(Stage.COAT)
        results = []
        for drag in (
            Drag("slider drag, opacity", title(), "inner", "opacity", (0.3, 0.9)),
            Drag("slider drag, end of a span", title(), "inner", "span", (0.35, 0.75)),
            Drag("ten coats, opacity", rich(), "relief", "opacity", (0.3, 0.9), 5, 10),
            Drag("ten coats, colour of a fill", rich(), "face", "paint", (0.2, 0.9), 5, 10),
            Drag(
                "ten coats, height of a relief",
                rich(),
                "relief",
                "height",
                (0.1, 0.95),
                10,
                20,
            ),
            Drag(
                "ten coats, rounding of a relief",
                rich(),
                "relief",
                "rounding",
                (0.1, 0.6),
                10,
                20,
            ),
        ):
            results += _results(drag, window)
        window.document.start(window.document.board)
        window.close()
        app.processEvents()
    return results
