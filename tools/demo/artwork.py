"""The club's emblem as an SVG: a teal wheel over the waves of the marsh, and the referee's whistle."""

from __future__ import annotations

import math

WIDE, HIGH = 700, 330
RULES = """
    .line { stroke: #12303a; stroke-width: 5; stroke-linejoin: round; stroke-linecap: round }
    .deep { fill: #1c5f6b }
    .reed { fill: #2f9c95 }
    .foam { fill: #e4efd9 }
    .tyre { fill: #1aa79c }
    .dark { fill: #12303a }
    .metal { fill: #f2e3bd }
    .brass { fill: #f2b632 }
    .shade { fill: #c98214 }
    .ring { fill: none; stroke: #f2b632; stroke-width: 6 }
    .cord { fill: none; stroke: #e9572f; stroke-width: 10; stroke-linecap: round }
    #shine { fill: none; stroke: #b5f0e0; stroke-width: 9; stroke-linecap: round }
"""


def _waves(y: float, high: float, left: float, count: int, deep: float) -> str:
    """Path data of so many waves about the middle, each with a crest that leans, on a keel."""
    long = (WIDE - 2 * left) / count
    data = f"M{left:.1f} {y:.1f} "
    for n in range(count):
        x = left + n * long
        data += (
            f"C {x + long * 0.3:.1f} {y - high * 0.2:.1f} {x + long * 0.5:.1f} {y - high:.1f} "
            f"{x + long * 0.78:.1f} {y - high * 0.92:.1f} "
            f"C {x + long * 0.66:.1f} {y - high * 0.55:.1f} {x + long * 0.76:.1f} "
            f"{y - high * 0.1:.1f} {x + long:.1f} {y:.1f} "
        )
    right = WIDE - left
    return (
        f"{data}C {right - long:.1f} {y + deep:.1f} {WIDE * 0.62:.1f} {y + deep * 1.12:.1f} "
        f"{WIDE / 2:.1f} {y + deep * 1.12:.1f} S {left + long:.1f} {y + deep:.1f} {left:.1f} {y:.1f} Z"
    )


def _band(name: str, *shape: float) -> str:
    return f'<path class="line {name}" d="{_waves(*shape)}"/>'  # type: ignore[arg-type]


def wheel(radius: float = 126.0) -> str:
    """About (0, 0): a tyre, and a bearing of seven balls."""
    balls = "".join(
        f'<circle class="metal" r="10" cx="{46 * math.sin(a):.2f}" cy="{-46 * math.cos(a):.2f}"/>'
        for a in (2 * math.pi * n / 7 for n in range(7))
    )
    return (
        f'<circle class="line tyre" r="{radius}"/>'
        f'<circle class="dark" r="{radius * 0.6:.1f}"/>'
        f'<circle class="metal" r="{radius * 0.54:.1f}"/>'
        f'<circle class="dark" r="{radius * 0.475:.1f}"/>'
        f'{balls}<circle class="metal" r="26"/><circle class="dark" r="12"/>'
        f'<path id="shine" d="M{-radius * 0.62:.1f} {-radius * 0.5:.1f} '
        f'A {radius * 0.8:.1f} {radius * 0.8:.1f} 0 0 1 {radius * 0.08:.1f} {-radius * 0.79:.1f}"/>'
    )


def _whistle() -> str:
    """Its mouth to the right, about the middle of its round."""
    return (
        '<path class="line brass" d="M-46 0 A46 46 0 1 0 46 0 L46 -8 L132 -8 L132 -46 L0 -46 '
        'A46 46 0 0 0 -46 0 Z"/>'
        '<path class="shade" d="M-32 8 A34 34 0 0 0 34 10 A40 30 0 0 1 -32 8 Z"/>'
        '<path class="line dark" d="M14 -46 L48 -46 L40 -16 L20 -16 Z"/>'
        '<circle class="dark" r="13"/><circle class="ring" cx="-58" cy="-22" r="13"/>'
    )


def club_emblem() -> bytes:
    """700 x 330: waves behind the wheel and before it, the whistle on its cord at the right."""
    behind = _band("deep", 206, 60, 8, 7, 108) + _band("reed", 244, 52, 46, 6, 76)
    before = _band("foam", 290, 42, 104, 5, 34)
    body = (
        f"{behind}"
        '<path class="cord" d="M300 66 C 350 -6 440 8 462 70 C 470 96 474 104 486 112"/>'
        f'<g transform="translate(330 164)">{wheel()}</g>'
        f'<g transform="translate(540 148) rotate(16)">{_whistle()}</g>'
        f"{before}"
    )
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {WIDE} {HIGH}" width="{WIDE}" '
        f'height="{HIGH}"><title>Brinnelmarsh Wheelers</title><style>{RULES}</style>{body}</svg>'
    ).encode()
