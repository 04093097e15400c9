"""Measure speed beside references in the same run, and print one table."""

from __future__ import annotations

import argparse
import json
import os
from collections.abc import Callable

from rich.console import Console
from rich.table import Table

from . import report
from .compare import ROUNDS, Change, compare
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


def parts() -> dict[str, Callable[[], list[Result]]]:
    """What can be measured, by its name."""
    from .depth import depth
    from .exports import poster, proof, series, sizes
    from .lettering import picker, shaping, typing
    from .paints import generators, gradients, kept
    from .pieces import many
    from .start import starting, wall
    from .styles import samples, two_hundred
    from .trust import keeping, opening
    from .window import drags

    every = (compositing, fields, frames, gradients, generators, kept, shaping, typing, picker,
             drags, opening, keeping, many, depth, wall, samples, two_hundred, sizes, proof, poster,
             series, starting)  # fmt: skip
    return {part.__name__: part for part in every}


def measured(names: list[str]) -> list[Result]:
    """The results of some parts, of all where none is named."""
    os.environ.setdefault("QT_QPA_PLATFORM", "offscreen")
    from anole.studio.app import application

    app = application()  # one for all windows: icons and fonts live as long as it does
    every = parts()
    found = [result for name in names or every for result in every[name]()]
    app.processEvents()
    return found


def show(results: list[Result]) -> None:
    """One table."""
    table = Table(
        "what", "ms", "reference ms", "reference", "ratio", "ratio, 95 %", "budget", "held"
    )
    for column in table.columns[1:3] + table.columns[4:7]:
        column.justify = "right"
    for result in results:
        table.add_row(*row(result))
    Console(width=118).print(table)


def show_changes(found: list[Change]) -> None:
    """One table, or that there are none."""
    table = Table("what", "ratio there", "ratio here", "change")
    for one in found:
        table.add_row(one.name, f"{one.there:.2f}", f"{one.here:.2f}", f"{one.share:+.0%}")
    Console(width=118).print(table if found else "nothing changed beyond noise")


def main() -> None:
    parser = argparse.ArgumentParser(prog="./run bench", description=__doc__)
    parser.add_argument("parts", nargs="*", choices=[*parts(), []], help="all where none is named")
    parser.add_argument(
        "--compare", metavar="REVISION", help="another revision, in turns with this"
    )
    parser.add_argument("--rounds", type=int, default=ROUNDS, help="turns of each revision")
    parser.add_argument("--report", action="store_true", help="write docs/performance.md")
    parser.add_argument("--json", action="store_true", help="ratios alone, for other programs")
    asked = parser.parse_args()
    if asked.compare:
        show_changes(compare(asked.compare, asked.parts, asked.rounds))
        return
    results = measured(asked.parts)
    if asked.json:
        print(json.dumps({one.name: one.ratio for one in results}))
        return
    show(results)
    if asked.report:
        print(report.write(results))


if __name__ == "__main__":
    main()
