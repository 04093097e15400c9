"""A slider drag on the real window: from the value's change to the picture."""

from __future__ import annotations

import os
import tempfile
import time

import numpy as np
from PyQt6.QtCore import QEventLoop
from PyQt6.QtWidgets import QApplication

from anole.studio.app import application
from anole.studio.shots import settle
from anole.studio.window import COAT, Window

from .scenes import planes, title
from .timing import Result, once

MOVES = 80


def _drag(window: Window, field: str, values: np.ndarray) -> list[float]:
    """Pull a number's slider; each move waits for its picture, as an eye would."""
    panel = window.coat.panels[window.document.coat.__struct_config__.tag]  # type: ignore[index, union-attr]
    control = panel.controls[field]
    token, times, loop = object(), [], QEventLoop()
    window.view.framed.connect(loop.quit)
    for value in values:
        start = time.perf_counter()
        control._pulled(0, float(value), token)  # type: ignore[attr-defined]
        loop.exec()
        window.view.repaint()
        times.append(time.perf_counter() - start)
        settle(window, 2.0)
    return times


def drags() -> list[Result]:
    with tempfile.TemporaryDirectory() as home:
        for name in ("XDG_CONFIG_HOME", "XDG_DATA_HOME", "XDG_STATE_HOME"):
            os.environ[name] = home
        app: QApplication = application()
        window = Window(title())
        window.resize(1960, 1000)
        window.show()
        window.show_stage(COAT)
        window.view.set_zoom(1.0)
        window.document.choose("words", "inner")
        settle(window)
        start, copy = planes(), planes()
        results = []
        for name, field, values in (
            ("slider drag, opacity", "opacity", np.linspace(0.3, 0.9, MOVES)),
            ("slider drag, end of a span", "span", np.linspace(0.35, 0.75, MOVES)),
        ):
            times = np.array(_drag(window, field, values)[3:])
            reference = float(np.median([once(lambda: np.copyto(copy, start)) for _ in range(31)]))
            results.append(Result(name, float(np.median(times)), float(np.percentile(times, 95)),
                                  reference, "copy", None))  # fmt: skip
        window.document.start(window.document.board)
        window.close()
        app.processEvents()
    return results
