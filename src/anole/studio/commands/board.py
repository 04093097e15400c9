"""The board as a file: new, open, save, export, leave."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

from ...core.edit.boards import crop_board
from ...core.files.backup import Where
from ...core.render.painted_box import painted_box
from ..documents.board_files import BACKUPS, demo_boards
from ..documents.purposes import PURPOSES, Purpose
from ..documents.recovery import found, told
from ..shared.session import Session
from .command import Answer, Choices, Command, Menu, window

Run = Callable[[Session], object]


def _new(p: Purpose) -> Run:
    return lambda session: session.shell.files.new(p.width, p.height, p.dpi)


def _open(path: Path) -> Run:
    return lambda session: session.shell.files.open(path)


def _open_copy(path: Path) -> Run:
    return lambda session: session.shell.files.open_copy(path)


def _bring_back(path: Path) -> Run:
    return lambda session: session.shell.recovery.bring_back([path])


def _throw_away(path: Path) -> Run:
    return lambda session: session.shell.recovery.throw_away(path)


def _keep_before(where: Where) -> Run:
    return lambda session: session.settings.put("backup", where)


def _purposes(session: Session) -> list[Answer]:
    return [Answer(f"{p.title}, {p.size}", _new(p)) for p in PURPOSES]


def _recent(session: Session) -> list[Answer]:
    return [Answer(path.name, _open(path)) for path in session.settings.recent]


def _demo(session: Session) -> list[Answer]:
    names = [(path.stem.replace("-", " ").capitalize(), path) for path in demo_boards()]
    return [Answer(name, _open_copy(path)) for name, path in names]


def _not_closed(session: Session) -> list[Answer]:
    """What was open when the program ended without closing."""
    there = found()
    back = [Answer(f"Bring back {told(one)}", _bring_back(path)) for path, one in there]
    return back + [Answer(f"Throw away {told(one)}", _throw_away(path)) for path, one in there]


def _backups(session: Session) -> list[Answer]:
    """Where the version before is kept when a board is saved."""
    now = session.shell.files.backup
    return [Answer(title, _keep_before(where), now == where) for where, title in BACKUPS.items()]


def crop(session: Session) -> None:
    """Cut the board down to all that is painted besides its grounds."""
    box = painted_box(session.document.board)
    if box is None:
        session.document.said.emit(
            "Nothing is painted besides the ground: there is nothing to crop to."
        )
        return
    session.document.apply("Crop", lambda b: crop_board(b, *box))


def several_exports(session: Session) -> bool:
    """Whether the board is written to more than one file."""
    return len(session.document.board.exports) > 1


MENU = Menu(
    "&Board",
    (
        Command("start", "Start page", ("Ctrl+Shift+N",), window("start page")),
        Command("new", "New board", ("Ctrl+N",), window("new")),
        Choices("New board for", _purposes),
        Command("open", "Open…", ("Ctrl+O",), window("open")),
        Choices("Recent boards", _recent, why="no board was opened yet"),
        Choices("Demo boards", _demo),
        Choices("Left open last time", _not_closed, why="nothing was left open"),
        None,
        Command("save", "Save", ("Ctrl+S",), window("save")),
        Command("save-as", "Save as…", ("Ctrl+Shift+S",), window("save as")),
        Command("rename board", "Rename the board", (), window("rename board")),
        Choices("When saving, the version before", _backups),
        None,
        Command("export", "Export…", ("Ctrl+Return",), window("export")),
        Command(
            "export all",
            "Export all…",
            ("Ctrl+Shift+Return",),
            window("export all"),
            several_exports,
        ),
        Command("crop", "Crop to what is painted", (), crop),
        Command("series", "Series from a table", ("Ctrl+Shift+T",), window("series")),
        None,
        Command("close", "Close the window", ("Ctrl+W",), window("close")),
        Command("quit", "Quit", ("Ctrl+Q",), window("quit")),
    ),
)
