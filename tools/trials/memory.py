"""What a window and a process hold after long work: random edits in a window, board after board rendered.

`python -m tools.trials.memory edits|boards N` prints the MB held at rest after a hundred and at the end.
"""

from __future__ import annotations

import os
import subprocess
import sys
import tempfile
import time
from collections.abc import Callable
from random import Random
from typing import NamedTuple

FIRST = 100
"""From so many on the memory stands still."""
MOST_PIECES, SIDES = 20, (2000, 1400)
REST = 10.0
"""Seconds after which a window has given back what it does not need."""


class Held(NamedTuple):
    """MB at rest when it had begun, after FIRST, and at the end; and the most on the way."""

    count: int
    start: float
    first: float
    end: float
    peak: float


def resident() -> float:
    """MB of this process that are in memory (statm, proc(5))."""
    with open("/proc/self/statm", encoding="ascii") as file:
        return int(file.read().split()[1]) * os.sysconf("SC_PAGE_SIZE") / 2**20


def _life(
    count: int, boards: list, show: Callable[[object], None], rest: Callable[[], float]
) -> Held:  # type: ignore[type-arg]
    """Random edits on demo boards as large as SIDES; `show` has one followed."""
    from tests.core.random_life import lived

    from anole.core.edit.boards import resize_board

    chance, done, peak = Random(1), 0, 0.0
    board, start, first = boards[0], rest(), 0.0
    while done < count:
        if done % 10 == 0 or len(board.pieces) > MOST_PIECES:
            board = resize_board(chance.choice(boards), *SIDES)
        try:
            _, after = lived(chance, board)
        except Exception:  # an operation refuses what chance asked of it
            continue
        if (after.width, after.height) != SIDES:
            continue
        board, done = after, done + 1
        show(board)
        peak = max(peak, resident())
        if done == min(FIRST, count):
            first = rest()
    return Held(count, start, first, rest(), peak)


def in_a_window(count: int) -> Held:
    """Edits in a window, in all its stages."""
    from anole.studio.app import application
    from anole.studio.main_window.window import Window

    app, window, chance = application(), Window(), Random(2)
    window.show()

    def turn(seconds: float, until: Callable[[], bool] = lambda: False) -> None:
        end = time.monotonic() + seconds
        while time.monotonic() < end and not until():
            app.processEvents()
            time.sleep(0.002)

    def show(board: object) -> None:
        if chance.random() < 0.15:
            window.show_stage(chance.choice((0, 1, 2)))
        window.document.apply("Life", lambda _: board)  # type: ignore[arg-type, return-value]
        turn(0.03)
        turn(60, lambda: window.idle)

    def rest() -> float:
        turn(60, lambda: window.idle)
        turn(REST)
        return resident()

    held = _life(count, _demos(), show, rest)
    window.leave()
    return held


def board_after_board(count: int) -> Held:
    """Boards rendered by one process, each of them whole."""
    from anole.core.memory import give_back
    from anole.core.render.export import rgba

    def rest() -> float:
        give_back()
        return resident()

    return _life(count, _demos(), lambda board: rgba(board, 0.5), rest)  # type: ignore[arg-type]


def _demos() -> list:  # type: ignore[type-arg]
    from anole.core.files import board_file
    from anole.studio.documents.board_files import demo_boards

    return [board_file.read(path).board for path in demo_boards()]


WAYS = {"edits": in_a_window, "boards": board_after_board}


def run(way: str, count: int) -> Held:
    """One of WAYS in a process of its own."""
    with tempfile.TemporaryDirectory() as home:
        names = ("XDG_STATE_HOME", "XDG_CONFIG_HOME", "XDG_DATA_HOME")
        environment = {**os.environ, **dict.fromkeys(names, home), "QT_QPA_PLATFORM": "offscreen"}
        command = [sys.executable, "-m", "tools.trials.memory", way, str(count)]
        said = subprocess.run(
            command, env=environment, stdout=subprocess.PIPE, text=True, check=True
        ).stdout
    numbers = said.split()[-5:]
    return Held(int(numbers[0]), *map(float, numbers[1:]))


if __name__ == "__main__":
    print(*WAYS[sys.argv[1]](int(sys.argv[2])))
