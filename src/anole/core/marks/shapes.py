"""The marks themselves, each drawn here."""

from __future__ import annotations

import functools
import math
from collections.abc import Callable, Iterator
from contextlib import contextmanager

import numpy as np
import skia

from ..arrays import Curves
from ..lettering.skia_paths import union
from ..model.pieces.stamps import MarkName
from ..registry import Registry
from . import drawing as d


def _crystal(branches: tuple[tuple[float, float], ...], wide: float, tip: bool) -> skia.Path:
    """Six arms with pairs of branches: how far out each, and how long."""
    parts = [d.line([(0, 0), (0, -455)], wide)]
    for far, long in branches:
        for side in (-1, 1):
            x, y = d.polar(60 * side, long)
            parts.append(d.line([(0, -far), (x, y - far)], wide * 0.85))
    if tip:
        parts.append(d.disc(0, -455, wide * 0.95))
    return d.around(d.both(*parts), 6)


def _plate() -> skia.Path:
    hexagon = d.polygon([d.polar(60 * n, 250) for n in range(6)])
    inner = d.polygon([d.polar(60 * n, 170) for n in range(6)])
    arms = d.around(
        d.both(d.line([(0, 0), (0, -440)], 46), d.line([(-70, -400), (0, -330), (70, -400)], 40)), 6
    )
    return d.both(d.cut(hexagon, inner), arms)


def _leaf() -> skia.Path:
    blade = skia.Path()
    blade.moveTo(0, -490)
    blade.cubicTo(250, -330, 330, -40, 40, 300)
    blade.lineTo(0, 300)
    blade.lineTo(-40, 300)
    blade.cubicTo(-330, -40, -250, -330, 0, -490)
    blade.close()
    veins = [d.line([(0, 250), (0, -330)], 16)]
    for y in (-180, -30, 120):
        veins += [d.line([(0, y + 60), (side * 130, y - 40)], 13) for side in (-1, 1)]
    stalk = d.line([(0, 280), (30, 480)], 44)
    return d.both(d.cut(blade, *veins), stalk)


def _splash() -> skia.Path:
    """A blot with drops thrown off it."""
    rng = np.random.default_rng(11)
    path, count = skia.Path(), 13
    far = [float(rng.uniform(0.75, 1.0) * (430 if n % 3 else 300)) for n in range(count)]
    for n in range(count):
        angle, step = 360 * n / count, 360 / count
        low = d.polar(angle + step / 2, 190)
        if n == 0:
            path.moveTo(*d.polar(-step / 2, 190))
        before = d.polar(angle - step * 0.16, far[n] * 0.72)
        after = d.polar(angle + step * 0.16, far[n] * 0.72)
        left, right = d.polar(angle - step * 0.13, far[n]), d.polar(angle + step * 0.13, far[n])
        path.cubicTo(*d.polar(angle - step * 0.2, 210), *before, *left)
        path.quadTo(*d.polar(angle, far[n] + 40), *right)
        path.cubicTo(*after, *d.polar(angle + step * 0.2, 210), *low)
    path.close()
    drops = [d.disc(*d.polar(360 * (n + 0.5) / 5 + 20, 415), 26 + 9 * (n % 3)) for n in range(5)]
    return d.both(path, *drops)


def _bubble() -> skia.Path:
    rim = d.cut(d.disc(0, 0, 480), d.disc(0, 0, 436))
    shine = skia.Path()
    shine.addArc(skia.Rect(-340, -340, 340, 340), 195, 62)
    return d.both(rim, d.thick(shine, 62), d.disc(215, 235, 36))


def _scratch() -> skia.Path:
    path = skia.Path()
    path.moveTo(-495, 14)
    path.cubicTo(-250, -22, 120, -26, 495, 8)
    path.cubicTo(140, 2, -220, 12, -495, 14)
    path.close()
    second = d.polygon([(-120, 52), (260, 38), (330, 44), (-60, 62)])
    return d.both(path, second)


def _lace() -> skia.Path:
    """A lace tied to a bow, its ends sealed."""
    loops = []
    for side in (-1, 1):
        loop = skia.Path()
        loop.moveTo(0, 0)
        loop.cubicTo(side * 160, -330, side * 470, -300, side * 430, -70)
        loop.cubicTo(side * 400, 90, side * 160, 60, 0, 0)
        end = skia.Path()
        end.moveTo(0, 0)
        end.cubicTo(side * 90, 160, side * 120, 250, side * 260, 370)
        loops += [d.thick(loop, 74), d.thick(end, 74)]
        loops.append(d.line([(side * 262, 372), (side * 330, 440)], 104))
    return d.both(*loops, d.disc(0, 0, 84, 96))


def _toe_stop() -> skia.Path:
    """The rubber of a skate's toe with its bolt."""
    rubber = skia.Path()
    rubber.moveTo(-300, -130)
    rubber.cubicTo(-300, -190, 300, -190, 300, -130)
    rubber.lineTo(400, 210)
    rubber.cubicTo(430, 400, 260, 470, 0, 470)
    rubber.cubicTo(-260, 470, -430, 400, -400, 210)
    rubber.close()
    bolt = d.polygon([(-90, -480), (90, -480), (90, -150), (-90, -150)])
    threads = [d.line([(-110, y), (110, y - 40)], 22) for y in (-400, -320, -240)]
    grooves = [
        d.line([(-330 + 26 * n, 60 + 110 * n), (330 - 26 * n, 60 + 110 * n)], 30) for n in range(3)
    ]
    return d.cut(d.both(rubber, d.both(bolt, *threads)), *grooves)


def _whistle() -> skia.Path:
    body = d.both(
        d.disc(-110, 90, 300),
        d.polygon([(-160, -205), (470, -205), (470, -20), (150, 30), (60, 280)]),
    )
    slot = d.polygon([(120, -215), (230, -215), (190, -60), (90, -60)])
    ring = d.cut(d.disc(-370, -270, 110), d.disc(-370, -270, 64))
    return d.both(d.cut(body, slot, d.disc(-110, 90, 120)), d.disc(-85, 120, 62), ring)


def _wheel() -> skia.Path:
    """A skate's wheel with its bearing."""
    tyre = d.cut(d.disc(0, 0, 490), d.disc(0, 0, 330))
    spokes = d.around(d.polygon([(-36, -340), (36, -340), (30, -170), (-30, -170)]), 5)
    race = d.cut(d.disc(0, 0, 205), d.disc(0, 0, 160))
    balls = d.both(*(d.disc(*d.polar(51.43 * n, 113), 34) for n in range(7)))
    hub = d.cut(d.disc(0, 0, 66), d.disc(0, 0, 34))
    return d.both(tyre, spokes, race, balls, hub)


def _confetti() -> skia.Path:
    """A strip of paper with a bend."""
    path = skia.Path()
    path.moveTo(-430, -150)
    path.cubicTo(-200, -330, 80, -60, 400, -230)
    path.lineTo(430, 60)
    path.cubicTo(120, 230, -170, -40, -400, 150)
    path.close()
    return path


def _streamer() -> skia.Path:
    path = skia.Path()
    path.moveTo(-440, 60)
    for n in range(4):
        x = -440 + 220 * n
        path.cubicTo(x + 60, -270, x + 160, -270, x + 110 * 2, 60 if n % 2 else -40)
    return d.thick(path, 66)


def _heart() -> skia.Path:
    path = skia.Path()
    path.moveTo(0, 460)
    path.cubicTo(-620, 60, -430, -470, -130, -420)
    path.cubicTo(-60, -405, -20, -350, 0, -280)
    path.cubicTo(20, -350, 60, -405, 130, -420)
    path.cubicTo(430, -470, 620, 60, 0, 460)
    path.close()
    return path


def _bolt() -> skia.Path:
    return d.polygon(
        [(60, -490), (-250, 60), (-30, 60), (-110, 490), (260, -90), (40, -90), (190, -490)]
    )


def _arrowhead() -> skia.Path:
    return d.polygon([(0, -460), (430, 380), (0, 180), (-430, 380)])


DRAWN: Registry[str, Callable[[], skia.Path]] = Registry(
    "mark",
    {
        "glint": lambda: d.star([495] * 4, 62, 0.82),
        "tall glint": lambda: d.star([498, 250] * 2, 44, 0.85),
        "six-ray glint": lambda: d.star([490, 330, 330] * 2, 66, 0.8),
        "sunburst": lambda: d.star([490, 320] * 6, 190, 0.3),
        "spur star": lambda: d.star([490] * 5, 200, 0.0),
        "dot": lambda: d.disc(0, 0, 490),
        "ring": lambda: d.cut(d.disc(0, 0, 490), d.disc(0, 0, 400)),
        "crystal": lambda: _crystal(((210, 150),), 44, False),
        "fern crystal": lambda: _crystal(((150, 110), (260, 150), (360, 90)), 30, True),
        "plate crystal": _plate,
        "leaf": _leaf,
        "splash": _splash,
        "bubble": _bubble,
        "scratch": _scratch,
        "lace": _lace,
        "toe-stop": _toe_stop,
        "whistle": _whistle,
        "wheel": _wheel,
        "confetti": _confetti,
        "streamer": _streamer,
        "heart": _heart,
        "bolt": _bolt,
        "arrowhead": _arrowhead,
    },
)
"""Each mark's path by its name."""


@contextmanager
def lent(name: str, drawn: Callable[[], skia.Path]) -> Iterator[None]:
    """One more mark for as long as a block runs, in files too."""
    with MarkName.lent(name), DRAWN.lent(name, drawn):  # type: ignore[attr-defined]
        yield


@functools.cache
def curves(name: str) -> Curves:
    """(n, 4, 2) cubics of a mark, its size 1, about its middle, y down. Raises KeyError."""
    return union(DRAWN[name](), d.SIZE).curves / d.SIZE


def largest(name: str) -> float:
    """How far its farthest point lies from its middle, its size 1."""
    return math.sqrt(float((curves(name)[:, 0] ** 2).sum(1).max()))
