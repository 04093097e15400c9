"""Measure everything and print one table."""

from __future__ import annotations

import os

from rich.console import Console
from rich.table import Table

from .core import compositing, fields, frames
from .timing import Result


def row(result: Result) -> tuple[str, ...]:
    held = "" if result.budget is None else "yes" if result.ratio <= result.budget else "NO"
    return (
        result.name, f"{result.own * 1e3:.2f}", f"{result.reference * 1e3:.2f}",
        result.reference_name, f"{result.ratio:.2f}", f"{result.ratio95:.2f}",
        "" if result.budget is None else f"{result.budget:g}", held,
    )  # fmt: skip


def main() -> None:
    os.environ.setdefault("QT_QPA_PLATFORM", "offscreen")
    from .lettering import picker, shaping, typing
    from .paints import generators, gradients, kept
    from .window import drags

    table = Table(
        "what", "ms", "reference ms", "reference", "ratio", "ratio, 95 %", "budget", "held"
    )
    for column in table.columns[1:3] + table.columns[4:7]:
        column.justify = "right"
    for part in (compositing, fields, frames, gradients, generators, kept, shaping, typing,
                 picker, drags):  # fmt: skip
        for result in part():
            table.add_row(*row(result))
    Console(width=118).print(table)


if __name__ == "__main__":
    main()
