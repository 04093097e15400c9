"""How the board is looked at, and the window round it."""

from __future__ import annotations

from collections.abc import Callable
from functools import partial

from ..documents import picture_memory
from ..shared.session import Session
from ..shared.shell import Stage
from .command import BOARD, Answer, Choices, Command, Menu, window

ZOOMS = (0.25, 0.5, 1.0, 2.0, 4.0, 8.0)


def _stage(stage: Stage) -> Callable[[Session], object]:
    return lambda session: session.shell.show_stage(stage)


def _zoomed(zoom: float) -> Callable[[Session], object]:
    return lambda session: session.shell.set_zoom(zoom)


def _zooms(session: Session) -> list[Answer]:
    now = session.shell.zoom
    return [Answer(f"{z:.0%}", _zoomed(z), abs(now - z) < 1e-3) for z in ZOOMS]


def _memories(session: Session) -> list[Answer]:
    now = picture_memory.kept()
    return [
        Answer(picture_memory.said(size), partial(_keep, size), size == now)
        for size in picture_memory.SIZES
    ]


def _keep(size: int, session: Session) -> None:
    picture_memory.choose(session.settings, size)


MENU = Menu(
    "&View",
    (
        Command("arrange", "Arrange", ("Alt+1",), _stage(Stage.ARRANGE)),
        Command("coats", "Coat", ("Alt+2",), _stage(Stage.COAT)),
        Command("proof", "Proof", ("Alt+3",), _stage(Stage.PROOF)),
        Command("pieces list", "List of pieces", (), window("pieces list")),
        None,
        Command("zoom in", "Zoom in", ("Ctrl++", "Ctrl+="), window("zoom in")),
        Command("zoom out", "Zoom out", ("Ctrl+-",), window("zoom out")),
        Command("fit", "The whole board", ("Ctrl+0",), window("fit board"), on=(BOARD,)),
        Command(
            "fill", "Fill the window with the board", ("Ctrl+9",), window("fill board"), on=(BOARD,)
        ),
        Command("full", "Actual size", ("Ctrl+1",), window("full size"), on=(BOARD,)),
        Choices("Zoom", _zooms),
        None,
        Command("fold", "Hide or show the panels", ("F9",), window("fold panels"), on=(BOARD,)),
        Command("screen", "Full screen", ("F11",), window("full screen")),
        Choices("Memory for pictures", _memories),
        Command("dress", "Dark or light theme", (), window("change theme")),
    ),
)
