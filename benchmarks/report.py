"""docs/performance.md: how costs grow, measured and drawn, and the table of budgets."""

from __future__ import annotations

import os
import platform
from pathlib import Path

from .charts import drawn
from .growth import Series, bandwidth, growth
from .timing import Result

DOCS = Path(__file__).parents[1] / "docs"


def write(results: list[Result]) -> Path:
    """Measure the growth, and write it with the results; returns the page."""
    series = growth()
    (DOCS / "performance.svg").write_text(drawn(series))
    page = DOCS / "performance.md"
    page.write_text(_page(series, results))
    return page


def _page(series: list[Series], results: list[Result]) -> str:
    sizes = "\n".join(map(_growth_row, series))
    rows = "\n".join(map(_result_row, results))
    return f"""# Performance

Measured by `./run bench --report` with {os.cpu_count()} cores ({platform.machine()}), Python
{platform.python_version()}; copies of large arrays move {bandwidth() / 1e9:.1f} GB/s. Times are of one machine;
the ratios and how costs grow are what counts.

## How costs grow

A frame of a 1280 × 720 title, nothing kept from before. The dashed line is the time that the bytes take which
laying each coat over the whole board once would touch, at the bandwidth of a copy: what a coat works out comes on
top of that, and what it does not reach is not touched. A wall has the library's styles in their order, of which the
first are the lightest.

![How the time of a frame grows](performance.svg)

| what grows | from | to | ms | ms | times the dashed line | grows with the power |
| --- | --- | --- | --- | --- | --- | --- |
{sizes}

## Budgets

Each beside a reference that is timed in turns with it; 95 % is the 95th percentile.

| what | ms | reference, ms | reference | ratio | 95 % | budget |
| --- | --- | --- | --- | --- | --- | --- |
{rows}

`./run bench --compare REVISION` times another revision in turns with this one, and prints what has changed by more
than either varies.
"""


def _growth_row(one: Series) -> str:
    return (
        f"| {one.what} | {one.sizes[0]:g} | {one.sizes[-1]:g} | {one.took[0] * 1e3:.1f} "
        f"| {one.took[-1] * 1e3:.1f} | {one.took[-1] / one.least[-1]:.1f} | {one.exponent:.2f} |"
    )


def _result_row(one: Result) -> str:
    budget = "" if one.budget is None else f"{one.budget:g}"
    return (
        f"| {one.name} | {one.own * 1e3:.2f} | {one.reference * 1e3:.2f} | {one.reference_name} "
        f"| {one.ratio:.2f} | {one.ratio95:.2f} | {budget} |"
    )
