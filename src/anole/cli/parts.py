"""What several commands share: arguments, pieces by name, and how things are said."""

from __future__ import annotations

import contextlib
import sys
from collections.abc import Callable, Iterator
from pathlib import Path

import click
from rich.console import Console
from rich.progress import Progress

from ..core.atomic import FileError
from ..core.edit.wearing import named
from ..core.model import Board, Coated
from ..core.text import short

MOST_SAID = 400
PATH = click.Path(path_type=Path)
file_argument = click.argument("file", type=PATH, metavar="FILE")
out_option = click.option(
    "-o",
    "--out",
    type=PATH,
    multiple=True,
    required=True,
    metavar="FILE",
    help="The file to write.",
)


def complain(message: str) -> None:
    """One line on stderr, whatever names stand in it."""
    print(f"anole: {short(message, MOST_SAID)}", file=sys.stderr)


def only(out: tuple[Path, ...], *endings: str) -> Path:
    """The one file to write. Raises FileError for two, and for another ending."""
    if len(out) > 1:
        raise FileError(f"-o is given {len(out)} times; one file is written")
    if out[0].suffix.lower() not in endings:
        raise FileError(
            f"{out[0].name}: the name of what is written must end in {' or '.join(endings)}"
        )
    return out[0]


def piece_named(board: Board, name: str) -> Coated:
    """The piece of that name or id that can wear a style. Raises FileError."""
    try:
        return named(board, name)
    except KeyError as error:
        raise FileError(error.args[0]) from None


@contextlib.contextmanager
def progress_shown(what: str) -> Iterator[Callable[[float], None]]:
    """A bar on a terminal; the block calls what it is given with 0..1."""
    quiet = not sys.stderr.isatty()
    with Progress(console=Console(stderr=True), transient=True, disable=quiet) as progress:
        task = progress.add_task(what, total=1.0)
        yield lambda share: progress.update(task, completed=share)
