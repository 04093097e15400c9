"""`anole series`: one board rendered many times from a table."""

from __future__ import annotations

from pathlib import Path

import click

from ..core.atomic import FileError
from ..core.edit.checked import replaced
from ..core.files import board_file, formats
from ..core.model import Board, Export
from ..core.model.series import Binding
from ..core.series.plan import planned, setup_of
from ..core.series.rows import bindable
from ..core.series.running import run
from ..core.series.tables import Table, read
from ..core.series.worker import Done
from ..core.text import short
from .parts import PATH, complain, progress_shown

MOST_TOLD = 20


@click.command()
@click.argument("table", type=PATH, metavar="TABLE")
@click.option("--board", type=PATH, required=True, metavar="FILE", help="An .anole board.")
@click.option("-o", "--out", type=PATH, required=True, metavar="DIR", help="The folder to fill.")
@click.option(
    "--bind",
    multiple=True,
    metavar="COLUMN=PIECE[:WHAT]",
    help="What a column sets: words (as it is), picture, colour, style, shown.",
)
@click.option("--format", "form", default="png", help="The ending of the files.")
@click.option("--quality", type=click.IntRange(1, 100), default=90)
@click.option("--max-bytes", type=click.IntRange(0), default=0)
@click.option(
    "--width", type=click.IntRange(0, 32_000), default=0, help="px; 0 for the board's own."
)
@click.option("--name", default="", help="Of the files, columns in braces.")
@click.option("--jobs", type=click.IntRange(0), default=0, help="Processes; 0 for one a core.")
@click.option(
    "--workers-at", "--cluster", "cluster", default="", metavar="ADDRESS", help="A dask scheduler."
)
def series(
    table: Path,
    board: Path,
    out: Path,
    bind: tuple[str, ...],
    form: str,
    quality: int,
    max_bytes: int,
    width: int,
    name: str,
    jobs: int,
    cluster: str,
) -> None:
    """Render a board once for each row of a table (CSV, ODS or XLSX). What is finished is not done again."""
    document = board_file.read(board)
    found = read(table)
    bindings = _bindings(document.board, found, bind)
    kind = formats.by_ending(f".{form.lower().lstrip('.')}")
    if kind is None:
        known = ", ".join(formats.endings())
        raise FileError(f"--format is one of {known}, not {short(form, 30)!r}")
    export = replaced(Export(format=kind.name, quality=quality, most=max_bytes, width=width))
    setup = setup_of(document.board, bindings, table.parent, export)
    saved = document.board.series
    pattern = name or (saved.file if saved is not None else "{row} {board}")
    rows = planned(setup, document.board, found, out, pattern)
    with progress_shown("rendering") as shown:
        ends = run(
            setup, rows, out, jobs=jobs, cluster=cluster,
            told=lambda done, count, total: shown(count / max(total, 1)),
        )  # fmt: skip
    _tell(ends, len(rows))


def _bindings(board: Board, table: Table, texts: tuple[str, ...]) -> tuple[Binding, ...]:
    """Those asked for; else those that the board has saved; else columns by the names of pieces."""
    if texts:
        return tuple(_binding(board, table, text) for text in texts)
    if board.series is not None and board.series.bindings:
        return board.series.bindings
    found = []
    for column in table.columns:
        for piece, name, sets in bindable(board):
            if column.casefold() == name.casefold() and sets in ("words", "picture"):
                found.append(Binding(column=column, piece=piece, sets=sets))  # type: ignore[arg-type]
                break
    if not found:
        names = ", ".join(sorted({name for _, name, _ in bindable(board)}))
        raise FileError(
            f"no column is called like a piece ({short(names, 160)}); say --bind COLUMN=PIECE"
        )
    return tuple(found)


def _binding(board: Board, table: Table, text: str) -> Binding:
    column, equals, target = text.partition("=")
    piece, _, sets = target.partition(":")
    sets = sets or "words"
    if not equals or column not in table.columns:
        known = ", ".join(table.columns)
        raise FileError(f"--bind {short(text, 60)!r}: the columns are {short(known, 160)}")
    for piece_id, name, what in bindable(board):
        if piece in (piece_id, name) and what == sets:
            return Binding(column=column, piece=piece_id, sets=what)  # type: ignore[arg-type]
    known = ", ".join(f"{name}:{what}" for _, name, what in bindable(board))
    raise FileError(f"--bind {short(text, 60)!r}: a column may set {short(known, 240)}")


def _tell(ends: list[Done], total: int) -> None:
    wrong = [done for done in ends if done.written is None]
    told = _told_rows(ends)
    for line in told[:MOST_TOLD]:
        complain(line)
    if len(told) > MOST_TOLD:
        complain(f"and {len(told) - MOST_TOLD:,} lines more")
    there = total - len(ends)
    before = f", {there} were there already" if there else ""
    print(f"{len(ends) - len(wrong)} of {total} files written{before}")
    if wrong:
        raise FileError(f"{len(wrong)} rows could not be rendered")


def _told_rows(ends: list[Done]) -> list[str]:
    """What there is to say of the rows: what holds for several, once."""
    rows: dict[str, list[int]] = {}
    for done in ends:
        for line in (*done.warnings, *([done.trouble] if done.trouble else [])):
            rows.setdefault(line, []).append(done.row.number)
    return [
        f"row {numbers[0]}: {line}" if len(numbers) == 1 else f"{len(numbers):,} rows: {line}"
        for line, numbers in rows.items()
    ]
