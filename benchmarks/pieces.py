"""What many pieces cost: one of fifty moved, thousands of stamps, a cluster, a large picture."""

from __future__ import annotations

import io
import tempfile
import time
from collections.abc import Callable
from pathlib import Path

import msgspec
import numpy as np
from PIL import Image
from PyQt6.QtCore import QTimer
from PyQt6.QtWidgets import QApplication

from anole.core.cache import Cache
from anole.core.edit.arranging import moved
from anole.core.edit.clusters import make_cluster
from anole.core.edit.pictures import add_picture, add_picture_piece
from anole.core.model import (
    Board,
    Fill,
    Font,
    Ground,
    Lamp,
    Length,
    Lettering,
    Place,
    Position,
    Scatter,
    Span,
    Stamps,
    Stroke,
)
from anole.core.render.renderer import Renderer, Request
from anole.studio.exchange.pictures import take_picture
from anole.studio.main_window.window import Window

from .scenes import COATS, _paint, planes
from .timing import Result, race

BEAT = 0.005
"""Seconds between two beats of the window's loop."""


def _words(name: str, text: str, x: float, y: float, size: float = 60.0, style=None) -> Lettering:
    span = Span(Position(0, "em"), Position(-0.06, "em"))
    plain = (
        Stroke(id=f"{name}-k", span=span, paint=_paint("#1a0b20")),
        Fill(id=f"{name}-f", paint=_paint("#ffcf4a")),
    )
    return Lettering(
        id=name, text=text, size=Length(size), font=Font(family="Anton"),
        place=Place(x=x, y=y), style=plain if style is None else style,
    )  # fmt: skip


def _copies() -> Callable[[], object]:
    made = planes()
    return lambda: np.copyto(np.empty_like(made), made)


def _turns(boards: list[Board], renderer: Renderer) -> Callable[[], object]:
    count = iter(range(1 << 30))
    renderer.frame(Request(boards[0]))
    return lambda: renderer.frame(Request(boards[next(count) % len(boards)]))


def fifty() -> Result:
    """One of fifty pieces, each words in two coats, a px further each time."""
    pieces = [_words(f"w{n}", "LAP", 80 + 120 * (n % 10), 80 + 140 * (n // 10)) for n in range(50)]
    board = Board(pieces=(Ground(id="g", paint=_paint("#10506a")), *pieces))
    boards = [moved(board, {"w24": (float(n), 0.5 * n)}) for n in range(60)]
    return race(
        "move one of 50 pieces", _turns(boards, Renderer()), _copies(), "copy of the planes", 8
    )


def stamps() -> list[Result]:
    """Two thousand marks by chance: another chance each time, and the same again."""
    ground = Ground(id="g", paint=_paint("#10506a"))

    def snow(seed: int) -> Board:
        scatter = Scatter(count=2000, size_from=8, size_to=26, seed=seed)
        return Board(pieces=(ground, Stamps(id="s", mark="fern crystal", scatter=scatter)))

    boards = [snow(n) for n in range(40)]
    same, still = Renderer(), boards[0]
    same.frame(Request(still))
    return [
        race("2000 stamps, cold", _turns(boards, Renderer()), _copies(), "copy of the planes", 15),
        race("2000 stamps, unchanged", lambda: same.frame(Request(still)), _copies(),
             "copy of the planes", 0.5),
    ]  # fmt: skip


def clusters() -> Result:
    """Two styled lines as one in two strokes and a hard shadow, beside the two lines and one more."""
    lines = [
        _words(f"l{n}", text, 640, 200 + 250 * n, 240, coats_of(n))
        for n, text in enumerate(("BOUT", "NIGHT"))
    ]
    more = _words("l2", "SKATE", 640, 330, 240, coats_of(2))
    ground = Ground(id="g", paint=_paint("#10506a"))
    board, name = make_cluster(Board(pieces=(ground, *lines)), ["l0", "l1"])
    styled = msgspec.structs.replace(board.piece(name), style=_block())
    board = msgspec.structs.replace(board, pieces=(ground, styled))
    three = Board(pieces=(ground, *lines, more))
    return race(
        "cluster of two lines, cold",
        lambda: Renderer(Cache()).frame(Request(board)),
        lambda: Renderer(Cache()).frame(Request(three)),
        "the lines and one more",
        1.0,
        rounds=9,
    )


def _block() -> tuple:
    """Two strokes and a hard shadow, beyond those of the lines."""
    shadow, _, outer, inner, *_ = coats_of(3)
    hard = msgspec.structs.replace(shadow, lamp=Lamp(bearing=0, elevation=45, size=0))
    return hard, outer, inner


def coats_of(number: int) -> tuple:
    """The title's coats under ids of their own."""
    return tuple(msgspec.structs.replace(coat, id=f"{coat.id}-{number}") for coat in COATS)


def _large() -> bytes:
    """24 megapixels."""
    y, x = np.mgrid[:4000, :6000]
    pixels = np.stack([x // 24, y // 16, (x ^ y) & 255], -1).astype(np.uint8)
    room = io.BytesIO()
    Image.fromarray(pixels).save(room, "JPEG", quality=90)
    return room.getvalue()


def _beats(window: Window, until: Callable[[], bool]) -> float:
    """Seconds by which the latest beat of the loop was late until something holds."""
    app = QApplication.instance()
    assert app is not None
    beats: list[float] = []
    timer = QTimer()
    timer.setInterval(round(BEAT * 1e3))
    timer.timeout.connect(lambda: beats.append(time.perf_counter()))
    timer.start()
    end = time.perf_counter() + 60
    while not until() and time.perf_counter() < end:
        app.processEvents()
        time.sleep(0.0005)
    timer.stop()
    return float(np.diff(beats).max()) - BEAT


def picture() -> list[Result]:
    """A picture of 24 megapixels: taken in beside a living window, and moved."""
    data = _large()
    board, sha, _ = add_picture(
        Board(pieces=(Ground(id="g", paint=_paint("#10506a")),)), data, "l.jpg"
    )
    board, fresh = add_picture_piece(board, sha)
    boards = [moved(board, {fresh: (float(n), 0.5 * n)}) for n in range(60)]
    held = [race("move a picture of 24 MP", _turns(boards, Renderer()), _copies(),
                 "copy of the planes", 8)]  # fmt: skip
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder, "large.jpg")
        path.write_bytes(data + b"other")
        window = Window()
        window.show()
        window.leave_page()
        taken: list[str] = []
        QApplication.processEvents()
        take_picture(window.session, path, taken.append)
        late = _beats(window, lambda: bool(taken))
        window.leave()
    assert taken
    held.append(Result("24 MP: latest beat of the window", late, late, 0.05, "50 ms", 1.0))
    return held


def many() -> list[Result]:
    return [fifty(), *stamps(), clusters(), *picture()]
