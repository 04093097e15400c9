"""The club's emblem, a wheel with wings, as an SVG."""

from __future__ import annotations

import math

RULES = """
    .wing { fill: #f3e6c8; stroke: #16222e; stroke-width: 5; stroke-linejoin: round }
    .under { fill: #d9b777 }
    .tyre { fill: #e4573d; stroke: #16222e; stroke-width: 6 }
    .hub { fill: #16222e }
    .metal { fill: #f7d774 }
    #shine { fill: none; stroke: #ffd2bf; stroke-width: 9; stroke-linecap: round }
"""


def _feather(length: float, wide: float, angle: float, dx: float, dy: float) -> str:
    """One feather to the right from (dx, dy), bent upwards."""
    data = (
        f"M0 0 C {length * 0.35:.1f} {-wide * 1.5:.1f} {length * 0.8:.1f} {-wide * 1.6:.1f} "
        f"{length:.1f} {-wide * 1.1:.1f} C {length * 0.93:.1f} {wide * 0.1:.1f} "
        f"{length * 0.6:.1f} {wide * 0.75:.1f} 0 {wide:.1f} Z"
    )
    return f'<path transform="translate({dx} {dy}) rotate({angle})" d="{data}"/>'


def _wing() -> str:
    rows = []
    for n, length in enumerate((262, 240, 212, 178)):
        rows.append(_feather(length, 36, -22 + 15 * n, 78, -26 + 22 * n))
    under = "".join(rows[::-1])
    cover = "".join(_feather(118 - 16 * n, 28, -30 + 24 * n, 74, -20 + 26 * n) for n in range(3))
    return f'<g class="wing"><g class="under">{under}</g>{cover}</g>'


def wheel(radius: float = 128.0) -> str:
    balls = "".join(
        f'<circle class="metal" r="9.5" cx="{44 * math.sin(a):.2f}" cy="{-44 * math.cos(a):.2f}"/>'
        for a in (2 * math.pi * n / 7 for n in range(7))
    )
    return (
        f'<circle class="tyre" r="{radius}"/><circle class="hub" r="{radius * 0.62:.1f}"/>'
        f'<circle class="metal" r="{radius * 0.52:.1f}"/><circle class="hub" r="{radius * 0.46:.1f}"/>'
        f'{balls}<circle class="metal" r="25"/><circle class="hub" r="12"/>'
        f'<path id="shine" d="M{-radius * 0.6:.1f} {-radius * 0.52:.1f} '
        f'A {radius * 0.8:.1f} {radius * 0.8:.1f} 0 0 1 {radius * 0.1:.1f} {-radius * 0.79:.1f}"/>'
    )


def winged_wheel() -> bytes:
    """700 x 330: the wings behind the wheel."""
    body = (
        f'<g transform="translate(350 178)"><g id="right">{_wing()}</g>'
        f'<use href="#right" transform="scale(-1 1)"/>{wheel()}</g>'
    )
    return (
        '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 700 330" width="700" height="330">'
        f"<title>Brinnelmarsh Wheelers</title><style>{RULES}</style>{body}</svg>"
    ).encode()
