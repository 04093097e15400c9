"""Looks read off pictures that another rasteriser drew, against what it drew."""

from __future__ import annotations

import json
import math

import numpy as np
import pytest
from PIL import Image

from anole.cli import main
from anole.core.box import Box
from anole.core.library import styles
from anole.core.model import Fill, Gradient, Shadow, Stroke
from anole.core.reading.look import Look
from anole.core.reading.reader import Wanted, read
from anole.core.reading.seen import Unreadable, apart, oklab
from anole.core.reading.style import style_of

from .drawn_looks import Drawn, draw

SAMPLE = (3, 8, 17, 18)
"""Every ground, with and without rims, shadows and gradients, as PNG and as JPEG."""
DEEP = 84
WIDE, WIDE_SHARE, COLOUR, THROW, TURN, END = 0.7, 0.05, 0.015, 1.0, 3.0, 0.03
"""px and share of a width, unlikeness in OKLab, px, degrees, unlikeness of a gradient's ends."""


def _unlike(rgb: np.ndarray, colour: tuple[int, int, int]) -> float:
    return float(
        apart(oklab(np.asarray(rgb, np.float32)), oklab(np.array(colour, np.float32) / 255))
    )


def wrong(look: Look, drawn: Drawn) -> list[str]:
    """What of a look was read otherwise than it was drawn."""
    said = [f"there is no {one.coat.id}" for one in look.extras]
    if len(look.rims) != len(drawn.rims):
        return [f"{len(look.rims)} rims of {len(drawn.rims)}"]
    for found, rim in zip(look.rims, drawn.rims, strict=True):
        wide = rim.end - rim.start
        if abs(found.end - found.start - wide) > max(WIDE, WIDE_SHARE * wide):
            said.append(f"a rim of {wide} px is {found.end - found.start:.2f} wide")
        if _unlike(found.rgb, rim.colour) > COLOUR:
            said.append(f"a rim's colour is off by {_unlike(found.rgb, rim.colour):.3f}")
    stops = look.face.stops
    if (len(stops) > 1) != (len(drawn.face) > 1):
        said.append(f"{len(stops)} stops")
    else:
        turned = abs(look.face.angle - drawn.angle) > 90
        ends = (stops[-1], stops[0]) if turned else (stops[0], stops[-1])
        off = max(
            _unlike(stop.rgb, colour)
            for stop, colour in zip(ends, (drawn.face[0], drawn.face[-1]), strict=True)
        )
        if off > (END if len(stops) > 1 else COLOUR):
            said.append(f"the face is off by {off:.3f}")
    return said + _wrong_shadow(look, drawn)


def _wrong_shadow(look: Look, drawn: Drawn) -> list[str]:
    thrown, shadow = look.thrown, drawn.shadow
    if thrown is None or shadow is None:
        return [] if thrown is None and shadow is None else [f"shadow {shadow}, read {thrown}"]
    off = math.hypot(thrown.dx - shadow.dx, thrown.dy - shadow.dy)
    turn = math.degrees(math.atan2(thrown.dy, thrown.dx) - math.atan2(shadow.dy, shadow.dx))
    said = []
    if off > THROW or abs((turn + 180) % 360 - 180) > TURN:
        said.append(f"the shadow is thrown {off:.2f} px and {turn:.1f} degrees beside its place")
    if _unlike(thrown.rgb, shadow.colour) > COLOUR:
        said.append(f"the shadow's colour is off by {_unlike(thrown.rgb, shadow.colour):.3f}")
    return said


@pytest.mark.parametrize("number", SAMPLE)
def test_what_was_drawn_is_read(number):
    drawn = draw(number)
    assert not wrong(read(drawn.pixels, Wanted(line=drawn.line)), drawn), drawn.name


@pytest.mark.deep
def test_nearly_all_that_was_drawn_is_read(deep):
    """Given the line, and along the program's own."""
    numbers = range(DEEP) if deep else (1,)
    for given in (True, False):
        failed = {}
        for number in numbers:
            drawn = draw(number)
            try:
                said = wrong(read(drawn.pixels, Wanted(line=drawn.line if given else None)), drawn)
            except Unreadable as error:
                said = [str(error)]
            if said:
                failed[drawn.name] = said
        print(
            f"line {'given' if given else 'found'}: {len(numbers) - len(failed)} of {len(numbers)} right",
            failed,
        )
        assert len(failed) <= 0.2 * len(numbers), failed


def test_the_style_wears_what_was_read():
    drawn = draw(18)
    look = read(drawn.pixels)
    style = style_of(look, "as last year")
    shadow, outer, inner, face = style.coats
    assert isinstance(shadow, Shadow) and isinstance(outer, Stroke) and isinstance(inner, Stroke)
    assert isinstance(face, Fill) and isinstance(face.paint, Gradient)
    em = look.cap_height / 0.72
    for stroke, rim in ((outer, drawn.rims[1]), (inner, drawn.rims[0])):
        assert abs(-stroke.span.from_.value * em - rim.end) < WIDE
    assert abs(face.paint.angle - (drawn.angle + 90)) < TURN


def test_lengths_are_those_of_the_picture_that_was_given():
    """What is read from a smaller picture is said in px of the large one."""
    drawn = draw(0)
    large = np.asarray(Image.fromarray(drawn.pixels).resize((3840, 2160), Image.Resampling.LANCZOS))
    look = read(large, Wanted(line=tuple(3 * v for v in drawn.line)))
    assert abs(look.rims[0].end - 3 * drawn.rims[0].end) < 1.5


def _noise() -> np.ndarray:
    pixels = np.random.default_rng(4).integers(0, 256, (200, 300, 4)).astype(np.uint8)
    pixels[..., 3] = 255
    return pixels


@pytest.mark.parametrize(
    "pixels",
    [
        np.full((1, 1, 4), 255, np.uint8),
        np.full((120, 200, 4), 255, np.uint8),
        np.zeros((120, 200, 4), np.uint8),
        _noise(),
    ],
    ids=["one px", "one colour", "nothing", "noise"],
)
def test_where_there_is_no_look_it_is_said(pixels):
    with pytest.raises(Unreadable):
        read(pixels)


@pytest.mark.parametrize(
    ("box", "line"),
    [
        (Box(5000, 0, 5100, 50), None),
        (Box(0, 0, 90, 60), None),
        (None, (3.0, 3.0, 30.0, 20.0)),
        (None, (3.0, 3.0, 3.0, 3.0)),
        (None, (0.0, 0.0, math.nan, 5.0)),
        (None, (0.0, 0.0, -50.0, 5.0)),
    ],
)
def test_a_box_or_a_line_beside_all_lettering_is_said(box, line):
    with pytest.raises(Unreadable):
        read(draw(0).pixels, Wanted(box, line))


def test_by_the_command_line(tmp_path, capsys):
    drawn = draw(21)
    Image.fromarray(drawn.pixels).save(tmp_path / "sign.png")
    out, report = tmp_path / "sign.anolestyle", tmp_path / "sign.json"
    line = ",".join(f"{v:.1f}" for v in drawn.line)
    assert main(["styles", "from-picture", str(tmp_path / "sign.png"), "-o", str(out), "--line", line,
                 "--box", "0,0,1280,720", "--report", str(report), "--words", "Marsh", "--font", "Orbitron"]) == 0  # fmt: skip
    assert len(styles.read(out).coats) == len(drawn.rims) + 2
    said = json.loads(report.read_text())
    assert [coat["kind"] for coat in said["coats"]] == [
        "shadow",
        "stroke",
        "stroke",
        "stroke",
        "fill",
    ]
    assert said["difference"] < 0.02 and 100 < said["cap_height"] < 400
    assert all(0.9 < coat["sure"] <= 1 for coat in said["coats"])
    assert "stroke" in capsys.readouterr().out


@pytest.mark.parametrize(
    "options",
    [
        ["--box", "1,2,3"],
        ["--line", "a,b,c,d"],
        ["--box", "0,0,20,20"],
        ["--words", "A", "--font", "nobody"],
    ],
)
def test_what_is_wrong_is_said_in_one_line(tmp_path, capsys, options):
    Image.fromarray(draw(0).pixels).save(tmp_path / "sign.png")
    asked = [
        "styles",
        "from-picture",
        str(tmp_path / "sign.png"),
        "-o",
        str(tmp_path / "a.anolestyle"),
    ]
    assert main([*asked, *options]) == 2
    assert len(capsys.readouterr().err.strip().splitlines()) == 1
    assert not (tmp_path / "a.anolestyle").exists()
