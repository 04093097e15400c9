"""SVG: drawn by a library that knows the standard; our outlines must be those of its drawing."""

from __future__ import annotations

import time

import numpy as np
import pytest
from hypothesis import Phase, example, given, settings
from hypothesis import strategies as st

from anole.core.box import Box
from anole.core.field.coverage import rasterise
from anole.core.lettering.bent import positive
from anole.core.lettering.flatten import flatten
from anole.core.paint.decoding import decode
from anole.core.paint.image_formats import ImageError, is_svg
from anole.core.svg.content import read
from anole.core.svg.errors import SvgError

from . import hostile_files

HEAD = '<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" {} >{}</svg>'
SIDE, FINER = 200, 6


def svg(inside: str, attributes: str = 'viewBox="0 0 100 100"') -> bytes:
    return HEAD.format(attributes, inside).encode()


def alphas(data: bytes) -> tuple[np.ndarray, np.ndarray]:
    """Coverage of our outline, and the alpha of the library's drawing, (H, W) 0..1."""
    content = read(data)
    fine = content.drawn(SIDE * FINER)[..., 3] / 255
    high, wide = (side // FINER for side in fine.shape)
    drawing = fine[: high * FINER, : wide * FINER].reshape(high, FINER, wide, FINER).mean((1, 3))
    high = fine.shape[0] / FINER
    chords = positive(flatten(content.silhouette().curves * high, 0.01))
    return rasterise(chords, Box(0, 0, *drawing.shape[::-1]))[0], drawing


def agrees(data: bytes) -> None:
    """The library's areas come from a drawing six times as large."""
    ours, theirs = alphas(data)
    off = np.abs(ours - theirs)
    edge = (theirs > 0.001) & (theirs < 0.999)
    assert theirs.any()
    assert off.max() < 0.12 and off.sum() < 0.026 * edge.sum() + 1


SHAPES = {
    "rect": '<rect x="10" y="20" width="60" height="40"/>',
    "round": '<rect x="10" y="20" width="60" height="40" rx="14" ry="8"/>',
    "circle": '<circle cx="50" cy="50" r="33"/>',
    "ellipse": '<ellipse cx="50" cy="50" rx="40" ry="12" transform="rotate(30 50 50)"/>',
    "polygon": '<polygon points="10,10 90,30 40,80"/>',
    "even odd": '<path fill-rule="evenodd" d="M10 10H90V90H10Z M30 30H70V70H30Z"/>',
    "nonzero": '<path d="M10 10H90V90H10Z M30 30H70V70H30Z"/>',
    "arcs": '<path d="M20 50 A 30 20 25 1 1 70 60 a 10 10 0 0 0 -20 -5 z"/>',
    "curves": '<path d="M10 80 C 20 10 60 10 70 50 S 90 90 95 20 Q 60 60 50 90 T 10 80"/>',
    "stroke": '<path d="M20 20 L80 30 L30 80" fill="none" stroke="red" stroke-width="9"/>',
    "round join": '<path d="M20 20 L80 30 L30 80" fill="none" stroke="red" stroke-width="9" '
    'stroke-linejoin="round" stroke-linecap="round"/>',
    "dashes": '<circle cx="50" cy="50" r="30" fill="none" stroke="red" stroke-width="8" '
    'stroke-dasharray="12 5"/>',
    "uneven stroke": '<g transform="scale(1 .4) skewX(20)"><circle cx="40" cy="120" r="30" '
    'fill="none" stroke="blue" stroke-width="12"/></g>',
    "use": '<defs><g id="a"><rect width="20" height="20"/></g></defs><use href="#a" x="10" y="15"/>'
    '<use xlink:href="#a" transform="translate(60 60) rotate(45)"/>',
    "symbol": '<symbol id="s" viewBox="0 0 10 10"><circle cx="5" cy="5" r="5"/></symbol>'
    '<use href="#s" x="20" y="10" width="40" height="70"/>',
    "nested": '<svg x="20" y="20" width="50" height="50" viewBox="0 0 10 20"><rect width="10" '
    'height="30"/></svg>',
    "clip": '<clipPath id="c"><circle cx="50" cy="50" r="30"/></clipPath><g clip-path="url(#c)">'
    '<rect width="60" height="60"/><rect x="55" y="30" width="9" height="60"/></g>',
    "classes": "<style>.a,#b{fill:none}.a{stroke:#0f0;stroke-width:7}g>rect:nth-child(2){fill:red}"
    '</style><g><rect class="a" x="10" y="10" width="30" height="30"/>'
    '<rect id="b" x="50" y="50" width="30" height="30"/><rect id="b" x="3" y="60" width="9" '
    'height="9"/></g>',
    "hidden": '<rect width="30" height="30"/><g visibility="hidden"><rect x="60" width="30" '
    'height="30"/><rect y="60" width="9" height="9" visibility="visible"/></g>'
    '<circle r="50" display="none"/>',
    "words": '<text x="50" y="60" font-family="Anton" font-size="22" text-anchor="middle">Oval '
    '<tspan dy="9" stroke="red" stroke-width="2">gear</tspan></text>',
}


@pytest.mark.parametrize("name", SHAPES)
def test_outlines_are_those_of_the_drawing(name):
    agrees(svg(SHAPES[name]))


@pytest.mark.parametrize(
    "attributes",
    [
        'viewBox="0 0 100 50"',
        'viewBox="-20 -10 160 140" width="300" height="120"',
        'viewBox="0 0 100 50" width="2in" height="2in" preserveAspectRatio="xMaxYMin slice"',
        'viewBox="0 0 100 50" width="80" height="90" preserveAspectRatio="none"',
        'width="90" height="70"',
    ],
)
def test_the_frame_is_the_standard_s(attributes):
    agrees(svg(SHAPES["ellipse"] + SHAPES["polygon"], attributes))


numbers = st.integers(0, 100)
points = st.tuples(numbers, numbers).map(lambda p: f"{p[0]} {p[1]}")


@settings(max_examples=12, deadline=None, phases=[Phase.explicit, Phase.generate])
@example([["0 0", "0 7", "7 13"], ["0 51", "5 0", "3 0"]], "evenodd", "", (1, 1.0, 0.5))
@given(
    st.lists(st.lists(points, min_size=3, max_size=6, unique=True), min_size=1, max_size=4),
    st.sampled_from(["evenodd", "nonzero"]),
    st.sampled_from(["", 'stroke="red" stroke-width="3" stroke-linejoin="round"']),
    st.tuples(st.integers(-40, 40), st.floats(0.5, 1.5), st.floats(0.5, 1.5)),
)
def test_any_polygons_agree(parts, rule, stroke, turn):
    data = "".join("M" + "L".join(part) + "Z" for part in parts)
    move = f'transform="translate(50 50) rotate({turn[0]}) scale({turn[1]} {turn[2]}) translate(-50 -50)"'
    ours, theirs = alphas(svg(f'<path d="{data}" fill-rule="{rule}" {stroke} {move}/>'))
    off = np.abs(ours - theirs)
    assert off.max() < 0.2 and off.mean() < 0.001


def test_rules_of_style_are_carried_out_by_weight():
    """More specific rules win over later ones, style attributes over both, !important over all."""
    rules = "#b{fill:#00ff00} rect.a{fill:#ff0000} rect{fill:#0000ff}"
    rect = '<rect width="100" height="100" {}/>'
    cases = {
        'class="a"': (255, 0, 0),
        'class="a" id="b"': (0, 255, 0),
        'fill="gold"': (0, 0, 255),
        'id="b" style="fill:#102030"': (16, 32, 48),
    }
    for attributes, colour in cases.items():
        data = svg(f"<style>{rules}</style>{rect.format(attributes)}")
        assert tuple(decode(data, "a.svg").pixels[50, 50, :3]) == colour
    forced = svg("<style>rect{fill:#010203 !important}</style>" + rect.format('style="fill:red"'))
    assert tuple(decode(forced, "a.svg").pixels[50, 50, :3]) == (1, 2, 3)


PREFIXED = (
    '<?xml version="1.0"?><x:svg xmlns:x="http://www.w3.org/2000/svg" viewBox="0 0 9 9">'
    '<x:style>.r{fill:#c01020}</x:style><x:rect class="r" width="9" height="9"/></x:svg>'
)


@pytest.mark.parametrize("encoding", ["utf-8", "utf-8-sig", "utf-16", "utf-16-le", "utf-16-be"])
def test_prefixes_and_encodings_are_read(encoding):
    data = PREFIXED.replace("<?xml ", f'<?xml encoding="{encoding[:6]}" ').replace(
        '<?xml encoding="utf-16" version="1.0"', '<?xml version="1.0" encoding="utf-16"'
    )
    if not encoding.startswith("utf-16"):
        data = PREFIXED
    encoded = data.encode(encoding)
    if encoding == "utf-16-le":
        encoded = b"\xff\xfe" + encoded
    elif encoding == "utf-16-be":
        encoded = b"\xfe\xff" + encoded
    assert is_svg(encoded)
    assert tuple(decode(encoded, "a.svg").pixels[9, 9]) == (0xC0, 0x10, 0x20, 255)


PROLOGS = {
    "a long comment": b"<!--" + b" a licence" * 10_000 + b"-->",
    "two, an instruction and a type": b"""<?xml version="1.0"?>
<!-- one --><!-- two > -->
<?xml-stylesheet href="a.css"?><!DOCTYPE svg PUBLIC "-//W3C//DTD SVG 1.1//EN" "x.dtd">
""",
    "an inner subset": b"<!DOCTYPE svg [ <!ELEMENT a ANY> <!-- ] --> ]>",
}


@pytest.mark.parametrize("name", PROLOGS)
def test_what_stands_before_the_first_element_is_passed_over(name):
    assert is_svg(PROLOGS[name] + svg('<path d="M0 0h9v9h-9z"/>'))
    for other in (b"<html><svg></svg></html>", b"<svgs></svgs>", b"", b"svg", b"<!-- <svg> -->"):
        assert not is_svg(PROLOGS[name] + other)


@pytest.mark.parametrize(
    "data", [b"<!--" * 200_000, b"<?" * 400_000, b"<!DOCTYPE " + b'"' * 800_000, b"<" * 900_000]
)
def test_a_prolog_without_end_is_no_artwork_and_takes_no_time(data):
    start = time.thread_time()
    assert not is_svg(data)
    assert time.thread_time() - start < 5


@pytest.mark.parametrize("box", ["NaN NaN NaN NaN", "none", "0 0 10", "", "a b c d"])
def test_a_frame_in_error_is_none_and_is_told(box):
    data = svg('<rect width="100" height="100" fill="#c01020"/>').replace(
        b'viewBox="0 0 100 100"', f'viewBox="{box}" width="100" height="100"'.encode()
    )
    assert box.encode() in data
    found = decode(data, "a.svg")
    assert tuple(found.pixels[1000, 1000]) == (0xC0, 0x10, 0x20, 255)
    assert "viewBox" in " ".join(found.troubles)


def test_a_picture_within_is_drawn():
    import base64

    png = base64.b64encode(
        hostile_files.png(
            2, 2, rows=b"\0" + b"\x20\x40\x60\xff" * 2 + b"\0" + b"\x20\x40\x60\xff" * 2
        )
    ).decode()
    data = svg(f'<image width="100" height="100" href="data:image/png;base64,{png}"/>')
    assert tuple(decode(data, "a.svg").pixels[1000, 1000]) == (0x20, 0x40, 0x60, 255)
    assert not read(data).silhouette().solid


def test_what_is_left_out_is_named():
    data = svg(
        "<style>@media print{rect{fill:red}} rect{clip:auto;fill:var(--ink)}</style>"
        '<rect width="9" height="9"><animate attributeName="x"/></rect>'
        '<foreignObject width="9" height="9"/><text writing-mode="tb">a</text>'
    )
    (told,) = decode(data, "a.svg").troubles
    for part in ("@media", "clip", "var(--ink)", "movement", "foreignObject", "writing-mode"):
        assert part in told
    assert not decode(svg(SHAPES["classes"]), "a.svg").troubles


BOMB = (
    b'<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;">]>'
    b'<svg xmlns="http://www.w3.org/2000/svg"><text>&b;</text></svg>'
)
HOSTILE = {
    "entities": (BOMB, "entities"),
    "script": (svg("<script>1</script>"), "script"),
    "handler": (svg('<rect onclick="x()" width="9" height="9"/>'), "script"),
    "file": (svg('<image href="file:///etc/passwd" width="9" height="9"/>'), "another file"),
    "net": (svg('<use href="http://a.b/c.svg#d"/>'), "another file"),
    "css net": (svg("<style>rect{fill:url(http://a.b/c#d)}</style>"), "another file"),
    "import": (svg('<style>@import "a.css";</style>'), "another file"),
    "picture in a picture": (svg('<image href="data:image/svg+xml,x"/>'), "another file"),
    "use bomb": (hostile_files.nested_uses(), "draws more"),
    "use itself": (svg('<g id="a"><use href="#a"/></g>'), "uses itself"),
    "use in a ring": (
        svg('<g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g>'),
        "itself",
    ),
    "points": (svg(f'<path d="M0 0{"L1 2" * 1_000_000}"/>'), "points"),
    "polygon": (svg(f'<polygon points="{"1 2 " * 1_000_000}"/>'), "points"),
    "box": (svg("", 'viewBox="0 0 1e30 1"'), "bounds"),
    "no box": (svg("", 'width="0" height="-9"'), "bounds"),
    "deep": (hostile_files.nested_groups(), "deep"),
    "many": (svg("<g/>" * 60_000), "elements"),
    "far": (svg('<rect width="1e30" height="9"/>'), "bounds"),
    "moved": (svg('<rect transform="scale(1e30)" width="9" height="9"/>'), "bounds"),
    "cut": (svg(SHAPES["rect"])[:-9], "well-formed"),
}


@pytest.mark.parametrize("name", HOSTILE)
def test_hostile_files_are_refused_with_a_reason(name):
    data, says = HOSTILE[name]
    with pytest.raises((SvgError, ImageError), match=says) as caught:
        read(data).silhouette()
    assert len(str(caught.value)) < 200
