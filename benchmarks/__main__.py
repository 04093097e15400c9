"""Measure everything and print one table."""

from __future__ import annotations

import os

from rich.console import Console
from rich.table import Table

from .core import compositing, fields, frames
from .timing import Result


def _budget(result: Result) -> str:
    if result.budget is None:
        return ""
    return f"{result.budget:g}" + (f", {result.budget95:g}" if result.budget95 else "")


def row(result: Result) -> tuple[str, ...]:
    held = ""
    if result.budget is not None:
        late = result.budget95 is not None and result.ratio95 > result.budget95
        held = "NO" if late or result.ratio > result.budget else "yes"
    return (
        result.name,
        f"{result.own * 1e3:.2f}",
        f"{result.reference * 1e3:.2f}",
        result.reference_name,
        f"{result.ratio:.2f}",
        f"{result.ratio95:.2f}",
        _budget(result),
        held,
    )


def main() -> None:
    os.environ.setdefault("QT_QPA_PLATFORM", "offscreen")
    from anole.studio.app import application

    from .depth import depth
    from .exports import poster, proof, series, sizes
    from .lettering import picker, shaping, typing
    from .paints import generators, gradients, kept
    from .pieces import many
    from .start import starting, wall
    from .styles import samples, two_hundred
    from .trust import keeping, opening
    from .window import drags

    app = application()  # one for all windows: icons and fonts live as long as it does
    table = Table(
        "what", "ms", "reference ms", "reference", "ratio", "ratio, 95 %", "budget", "held"
    )
    for column in table.columns[1:3] + table.columns[4:7]:
        column.justify = "right"
    for part in (
        compositing,
        fields,
        frames,
        gradients,
        generators,
        kept,
        shaping,
        typing,
        picker,
        drags,
        opening,
        keeping,
        many,
        depth,
        wall,
        samples,
        two_hundred,
        sizes,
        proof,
        poster,
        series,
        starting,
    ):
        for result in part():
            table.add_row(*row(result))
    Console(width=118).print(table)
    app.processEvents()


if __name__ == "__main__":
    main()
