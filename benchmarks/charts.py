"""Curves over sizes as one SVG, a panel each; both axes logarithmic."""

from __future__ import annotations

import math

from .growth import Series

WIDE, HIGH, ROOM = 360, 240, 48
INK, OURS, LEAST = "#333", "#b3402a", "#8a8a8a"


def drawn(series: list[Series]) -> str:
    """The SVG's text."""
    high = HIGH * math.ceil(len(series) / 2)
    panels = "\n".join(
        f'<g transform="translate({n % 2 * WIDE} {n // 2 * HIGH})">{_panel(one)}</g>'
        for n, one in enumerate(series)
    )
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {2 * WIDE} {high}" '
        f'font-family="sans-serif" font-size="11" fill="{INK}">\n'
        f'<rect width="{2 * WIDE}" height="{high}" fill="#fff"/>\n{panels}\n</svg>\n'
    )


def _panel(one: Series) -> str:
    milliseconds = [took * 1e3 for took in one.took]
    least = [max(value * 1e3, 1e-3) for value in one.least]
    low, high = min(milliseconds + least), max(milliseconds + least)
    y_low, y_high = 10 ** math.floor(math.log10(low)), 10 ** math.ceil(math.log10(high))

    def x(value: float) -> float:
        span = math.log(one.sizes[-1] / one.sizes[0])
        return ROOM + (WIDE - ROOM - 24) * math.log(value / one.sizes[0]) / span

    def y(value: float) -> float:
        return HIGH - 38 - (HIGH - 76) * math.log(value / y_low) / math.log(y_high / y_low)

    parts = [f'<text x="{ROOM}" y="20" font-weight="bold">{one.what}</text>']
    for power in range(round(math.log10(y_low)), round(math.log10(y_high)) + 1):
        at = y(10.0**power)
        parts.append(f'<path d="M{ROOM} {at:.1f}H{WIDE - 24}" stroke="#ddd"/>')
        parts.append(
            f'<text x="{ROOM - 6}" y="{at + 4:.1f}" text-anchor="end">{10.0**power:g} ms</text>'
        )
    for size in one.sizes:
        parts.append(
            f'<text x="{x(size):.1f}" y="{HIGH - 22}" text-anchor="middle">{size:g}</text>'
        )
    parts.append(f'<text x="{WIDE - 24}" y="{HIGH - 8}" text-anchor="end">{one.unit}</text>')
    for values, colour, dash in (
        (least, LEAST, ' stroke-dasharray="4 3"'),
        (milliseconds, OURS, ""),
    ):
        line = " ".join(
            f"{x(size):.1f},{y(value):.1f}" for size, value in zip(one.sizes, values, strict=True)
        )
        parts.append(
            f'<polyline points="{line}" fill="none" stroke="{colour}" stroke-width="2"{dash}/>'
        )
    return "".join(parts)
