"""Budgets of the words: a letter typed into a styled title, shaping, the font picker."""

from __future__ import annotations

import itertools
import os
import tempfile
import time

import msgspec
import numpy as np
from PyQt6.QtWidgets import QApplication

from anole.core.box import Box
from anole.core.edit.pieces import change_piece
from anole.core.edit.words import replace_text
from anole.core.field.closest import nearest
from anole.core.field.coverage import rasterise
from anole.core.lettering import fonts
from anole.core.lettering.flatten import flatten
from anole.core.lettering.matrix import apply
from anole.core.lettering.outline import chords, outline
from anole.core.model import Font, Length
from anole.core.render.renderer import Renderer, Request
from anole.studio.app import application
from anole.studio.main_window.window import Window

from .scenes import HEIGHT, WIDTH, planes, title, with_coat
from .timing import Result, race

LONG = "BRINNELMAR\nSH WHEELS"
FIRST_SCREEN = 1.0


def typing() -> list[Result]:
    """A letter more, beside a coat edit and the distance field of the same title."""
    board = change_piece(title(), "words", text=LONG, size=Length(190))
    renderer, out = Renderer(), np.empty((HEIGHT, WIDTH), np.uint32)
    letters = itertools.cycle("ABCDEFGHJKLNOPRSTUVWXYZ")
    count = itertools.count()
    line = outline(board.lettering("words"), 96)
    ink = flatten(apply(line.matrix, line.block.curves))
    box = Box(0, 0, WIDTH, HEIGHT)
    _, inside = rasterise(ink, box)

    def show(made: object) -> None:
        planes = renderer.frame(Request(made))  # type: ignore[arg-type]
        renderer.picture(planes, planes.window, False, out)

    def typed() -> None:
        number = next(count)
        text = next(letters) + str(number)
        show(replace_text(board, "words", number % 19, number % 19, text[: 1 + (number % 7 == 0)]))

    def edited() -> None:
        show(with_coat(board, "inner", opacity=0.5 + next(count) / 10_000))
        nearest(ink, inside, box)

    show(board)
    return [race("a letter typed", typed, edited, "coat edit + field", 2.0)]


def shaping() -> list[Result]:
    words = title().lettering("words")
    start, copy = planes(), planes()
    count = itertools.count()
    base = ("Brinnelmarsh Wheelers roll out on Saturday at half past seven " * 4)[:197]

    def shape() -> None:
        piece = msgspec.structs.replace(
            words, text=f"{base}{next(count):03}", font=Font(family="Lilita One")
        )
        chords(outline(piece, 96), 1.0)

    return [race("200 letters shaped", shape, lambda: np.copyto(copy, start), "copy", 1.0)]


def picker() -> list[Result]:
    """From asking for the list of 500 further fonts to the last of its first screen."""
    with tempfile.TemporaryDirectory() as home:
        for name in ("XDG_CONFIG_HOME", "XDG_DATA_HOME", "XDG_STATE_HOME"):
            os.environ[name] = home
        app: QApplication = application()
        window = Window(title())
        window.resize(1280, 800)
        window.show()
        while not window.worker.idle:
            app.processEvents()
        own = fonts.built_in()
        start = time.perf_counter()
        fonts.take_system([own[n % len(own)]._replace(family=f"Plank {n:03}") for n in range(500)])
        picker = window.arrange.section("words").fonts
        picker.fonts_came()
        picker.list.scrollToBottom()
        picker.list.grab()
        while not window.worker.idle:
            app.processEvents()
        app.processEvents()
        picker.list.grab()
        took = time.perf_counter() - start
        assert "Plank 499" in picker.images
        fonts.take_system([])
        window.document.start(window.document.board)
        window.close()
        app.processEvents()
    return [Result("picker, 500 fonts", took, took, FIRST_SCREEN, "one second", 1.0)]
