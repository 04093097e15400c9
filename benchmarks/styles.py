"""Styles on the user's words: one small sample of each, and a wall of two hundred."""

from __future__ import annotations

import os
import tempfile
import time

import msgspec
import numpy as np
from PyQt6.QtWidgets import QApplication

from anole.core.edit.varying import shaken
from anole.core.edit.wearing import put_style
from anole.core.library.styles import built_in, keep
from anole.core.model import (
    Board,
    Colour,
    ColourPaint,
    Fill,
    Gradient,
    Ground,
    Length,
    Lettering,
    Place,
)
from anole.core.render.renderer import Renderer, Request
from anole.studio.main_window.window import Window
from anole.studio.shared.shell import Stage
from anole.studio.styles.wall import ROUGH_FIRST

from .scenes import planes
from .timing import Result, once

SAMPLE = (320, 120)
MANY = 200
KNOWN, COLD, BEAT = 0.3, 1.0, 0.05
"""Seconds: the first screen with the words' fields known, and cold; the longest stall."""


def samples() -> list[Result]:
    """Each built-in style once on words whose fields are known, and which was seen before on other
    words; the median of all."""
    made = planes()
    renderer = Renderer()
    for board in _dressed("RINK"):
        renderer.frame(Request(board))
    boards = _dressed("BOUT")
    # fields are shared by all styles; what the coats make of them each makes for itself
    for board in boards:
        renderer.frame(Request(_shaken(board)))
    own = [once(lambda b=b: renderer.frame(Request(b))) for b in boards]
    copy = float(np.median([once(lambda: np.copyto(np.empty_like(made), made)) for _ in range(31)]))
    return [
        Result(
            f"sample of a style, 320 × 120, of {len(boards)}",
            float(np.median(own)),
            float(np.percentile(own, 95)),
            copy,
            "copy of the planes",
            2.0,
        )
    ]


def _dressed(text: str) -> list[Board]:
    """The words in every built-in style."""
    wide, high = SAMPLE
    words = Lettering(id="w", text=text, size=Length(84.0), place=Place(x=wide / 2, y=high / 2))
    board = Board(width=wide, height=high, pieces=(Ground(id="g", paint=Gradient(angle=90)), words))
    return [put_style(board, "w", stored.style) for stored in built_in()]


def _shaken(board: Board) -> Board:
    """The style with every number and colour of it moved a little."""
    words = board.coated("w")
    made = msgspec.structs.replace(words, style=shaken(words.style, 1))
    return msgspec.structs.replace(board, pieces=(board.pieces[0], made))


def two_hundred() -> list[Result]:
    """All styles over the real ground: what is seen first, and how long the window ever stalls."""
    old = os.environ.get("XDG_DATA_HOME")
    with tempfile.TemporaryDirectory() as home:
        os.environ["XDG_DATA_HOME"] = home
        try:
            _fill()
            return _walls()
        finally:
            os.environ.pop("XDG_DATA_HOME")
            if old is not None:
                os.environ["XDG_DATA_HOME"] = old


def _fill() -> None:
    """As many styles of one's own as make two hundred, each with one coat more than another."""
    styles = [stored.style for stored in built_in()]
    for number in range(MANY - len(styles)):
        style = styles[number % len(styles)]
        tint = Fill(
            id="tint", opacity=0.1, paint=ColourPaint(colour=Colour(number, 90, 200 - number))
        )
        keep(msgspec.structs.replace(style, name=f"own {number}", coats=(*style.coats, tint)))


def _walls() -> list[Result]:
    app = QApplication.instance()
    assert app is not None
    ground = Ground(id="g", paint=Gradient(angle=120))
    words = Lettering(id="w", text="BOUT\nNIGHT", size=Length(260.0), place=Place(x=640, y=360))
    window = Window(Board(pieces=(ground, words)))
    window.resize(1280, 800)
    window.show()
    window.show_stage(Stage.COAT)
    window.selection.choose("w")
    _until_idle(window)
    wall = window.style_pages.all.wall
    drawn: list[float] = []
    window.worker.drawn.connect(
        lambda key, _: key[0] == "all" and drawn.append(time.perf_counter())
    )
    beats: list[float] = []
    cold, worst = _opened(window, drawn, beats), 0.0
    worst = max(beats)
    window.leave_page()
    # other words at other places have fields of their own; these are known, their pictures are not
    wall._kept.clear()
    beats.clear()
    known = _opened(window, drawn, beats)
    worst = max(worst, *beats)
    bar = wall.verticalScrollBar()
    beats.clear()
    while bar.value() < bar.maximum():
        bar.setValue(bar.value() + 300)
        _beat(beats, 0.1)
    worst = max(worst, *beats)
    window.leave()
    return [
        Result(name, took, took, allowed, "allowed", 1.0)
        for name, took, allowed in (
            ("200 styles, first screen, fields known", known, KNOWN),
            ("200 styles, first screen, cold", cold, COLD),
            ("200 styles, longest stall of the window", worst, BEAT),
        )
    ]


def _opened(window: Window, drawn: list[float], beats: list[float]) -> float:
    """Seconds till every tile that is seen has a picture."""
    drawn.clear()
    begun = time.perf_counter()
    window.do("all styles")
    beats.append(time.perf_counter() - begun)
    many = len(window.style_pages.all.wall.seen())
    while len(drawn) < many * len(ROUGH_FIRST):
        _beat(beats, 0.005)
    return drawn[many - 1] - begun


def _beat(beats: list[float], wait: float) -> None:
    """How long the window takes no event, beside the wait that is asked for."""
    app, end = QApplication.instance(), time.perf_counter() + wait
    assert app is not None
    while True:
        start = time.perf_counter()
        app.processEvents()
        beats.append(time.perf_counter() - start)
        if time.perf_counter() >= end:
            return
        time.sleep(0.002)


def _until_idle(window: Window) -> None:
    beats: list[float] = []
    _beat(beats, 0.3)
    while not window.idle:
        _beat(beats, 0.05)
