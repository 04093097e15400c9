"""What files cost: the size of an export after the slider rests, a frame of Proof, a poster, a series."""

from __future__ import annotations

import subprocess
import sys
import tempfile
import time
from pathlib import Path

import msgspec
import numpy as np
from PyQt6.QtWidgets import QApplication

from anole.core.edit.titles import add_title
from anole.core.files import board_file
from anole.core.files.export_target import rendered, target_of
from anole.core.files.exporting import data_of
from anole.core.library.styles import built_in
from anole.core.model import Board, Colour, Export, Gradient, Ground, Stop
from anole.core.model.series import Binding
from anole.core.render.export import rgba
from anole.core.render.renderer import Renderer, Request
from anole.core.series.plan import planned, setup_of
from anole.core.series.running import run
from anole.core.series.tables import Table
from anole.studio.main_window.window import Window
from anole.studio.shared.shell import Stage

from .timing import Result, once

REST, FRAME = 0.15, 1 / 60
POSTER, TIME, MEMORY = (7200, 10_800), 40.0, 2048.0
ROWS, ADVANTAGE = 100, 1.8
STYLE = "wheel steel"
"""A style of eight coats."""


def _title(width: int = 1280, height: int = 720, dpi: float = 96.0) -> Board:
    style = next(stored.style for stored in built_in() if stored.style.name == STYLE)
    run = Gradient(angle=170, stops=(Stop(0, Colour(20, 40, 70)), Stop(1, Colour(200, 120, 60))))
    bare = Board(width=width, height=height, dpi=dpi, pieces=(Ground(id="g", paint=run),))
    return add_title(bare, "BOUT NIGHT", style)[0]


def sizes() -> list[Result]:
    """The true bytes of a file, its px known: what the slider waits for."""
    board = _title()
    found = []
    for form in ("jpeg", "webp", "png"):
        export = Export(format=form)  # type: ignore[arg-type]
        target = target_of(board, export)
        pixels = rendered(target)
        times = [once(lambda e=export, t=target, p=pixels: data_of(e, p, t.dpi)) for _ in range(9)]
        took = float(np.median(times))
        found.append(Result(f"bytes of a 1280 × 720 {form}", took, max(times), REST, "150 ms", 1.0))
    return found


def proof() -> list[Result]:
    """An edit in Proof till the large picture stands, beside the frame alone."""
    app = QApplication.instance()
    assert app is not None
    window = Window(_title())
    window.resize(1280, 800)
    window.show()
    window.show_stage(Stage.PROOF)
    drawn: list[float] = []
    window.worker.done.connect(
        lambda key, came: key == ("proof",) and came[0] == 640 and drawn.append(time.perf_counter())
    )
    _until(window, lambda: bool(drawn) and window.idle)
    words = window.selection.lettering or window.document.board.pieces[1]
    took = []
    for n in range(12):
        drawn.clear()
        coat = words.style[-1]  # type: ignore[union-attr]
        fresh = msgspec.structs.replace(coat, opacity=0.5 + n / 40)

        def changed(board: Board, fresh: object = fresh) -> Board:
            piece = msgspec.structs.replace(
                board.pieces[1], style=(*board.pieces[1].style[:-1], fresh)
            )
            return msgspec.structs.replace(board, pieces=(board.pieces[0], piece))

        begun = time.perf_counter()
        window.document.apply("opacity", changed)
        _until(window, lambda: bool(drawn))
        took.append(drawn[0] - begun)
    window.leave()
    renderer, board = Renderer(), _title()
    renderer.frame(Request(board))
    alone = float(np.median([once(lambda: rgba(board, renderer=renderer)) for _ in range(9)]))
    return [
        Result(
            "Proof after an edit, 640 px", float(np.median(took)), max(took), alone, "a frame", None
        )
    ]


def _until(window: Window, holds: object) -> None:
    app, end = QApplication.instance(), time.perf_counter() + 60
    assert app is not None and callable(holds)
    while not holds() and time.perf_counter() < end:
        app.processEvents()
        time.sleep(0.001)


POSTER_CODE = """
import sys, time
from pathlib import Path
from anole.core.files import board_file
from anole.core.files.exporting import write
from anole.core.model import Export
board = board_file.read(Path(sys.argv[1])).board
begun = time.perf_counter()
write(Path(sys.argv[2]), board, Export())
took = time.perf_counter() - begun
# the most that this program had, not what it was forked from
most = next(l for l in open("/proc/self/status") if l.startswith("VmHWM"))
print(took, int(most.split()[1]) / 1024)
"""


def poster() -> list[Result]:
    """24 x 36 in at 300 dpi in a process of its own: seconds, and the most memory it had."""
    with tempfile.TemporaryDirectory() as folder:
        board, out = Path(folder) / "p.anole", Path(folder) / "p.png"
        board_file.write(board, board_file.StoredBoard(_title(*POSTER, 300.0)), None)
        told = subprocess.run(
            [sys.executable, "-c", POSTER_CODE, str(board), str(out)],
            check=True, capture_output=True, text=True,
        ).stdout  # fmt: skip
    took, memory = map(float, told.split())
    return [
        Result("poster, 7200 × 10800, eight coats", took, took, TIME, "40 s", 1.0),
        # megabytes in the place of milliseconds
        Result("its memory, MB", memory / 1e3, memory / 1e3, MEMORY / 1e3, "2048 MB", 1.0),
    ]


def series() -> list[Result]:
    """A hundred thumbnails in one process and in two, one thread each; one beside a cold render."""
    board = _title()
    words = board.pieces[1]
    table = Table(("Title",), tuple((f"LAP {n} OF MANY",) for n in range(ROWS)))
    took = {}
    for jobs in (1, 2):
        with tempfile.TemporaryDirectory() as folder:
            out = Path(folder)
            setup = setup_of(
                board, (Binding(column="Title", piece=words.id),), out, Export(format="jpeg")
            )
            rows = planned(setup, board, table, out, "{row}")
            # the processes' own start is no part of the work
            begun: list[float] = []
            run(setup, rows, out, jobs=jobs, told=lambda *_, b=begun: b.append(time.perf_counter()))
            first = jobs * 4
            took[jobs] = (begun[-1] - begun[first - 1]) / (ROWS - first)
    cold = float(np.median([once(lambda: rgba(board, renderer=Renderer())) for _ in range(5)]))
    return [
        Result(
            f"a series of {ROWS}: one process beside two", took[1], took[1], took[2], "two", None
        ),
        Result(
            "its advantage, at least 1.8", ADVANTAGE, ADVANTAGE, took[1] / took[2], "measured", 1.0
        ),
        Result("a picture of a series, one process", took[1], took[1], cold, "a cold render", None),
    ]
