"""Letters' shapes against other libraries: areas, normals, corners of strokes, edges of strokes."""

from __future__ import annotations

import contextlib

import numpy as np
import pyclipper
import pytest

from anole.core.box import Box
from anole.core.coats.band import between
from anole.core.field.closest import nearest
from anole.core.field.coverage import rasterise
from anole.core.field.joins import joined, longest_mitre
from anole.core.field.normals import joints, normals
from anole.core.field.shape_fields import ink_box
from anole.core.lettering import fonts, skia_paths
from anole.core.lettering.flatten import flatten
from anole.core.lettering.glyphs import glyph
from anole.core.lettering.outline import chords, outline
from anole.core.model import (
    Font,
    Lamp,
    Length,
    Lettering,
    Place,
    Pose,
    Rail,
    Relief,
    Stroke,
    Wave,
)

from .every_glyph import FONTS, numbers, own_path, polygons
from .shapes import board, pixels, span
from .stroker import largest_spot, near_the_limit, stroked

NAMED = "aOo0O8ăőƠơǪæRHAMeg"
WORDS = {"Cairo": "كتابة ملوّنة", "Heebo": "שלום עולם", "Noto Sans Devanagari": "क्षत्रिय किताब"}


def area(of: np.ndarray) -> float:
    return float((of[:, 0] * of[:, 3] - of[:, 2] * of[:, 1]).sum() / 2)


def clipped(shapes: list[np.ndarray], scale: int = 64) -> list[np.ndarray]:
    """What polygons cover (non-zero winding), by a library of exact whole-number clipping."""
    clip = pyclipper.Pyclipper()
    for shape in shapes:
        points = np.round(shape * scale).astype(np.int64)
        # contours of no area are refused
        with contextlib.suppress(pyclipper.ClipperException):
            clip.AddPath(points.tolist(), pyclipper.PT_SUBJECT, True)
    found = clip.Execute(pyclipper.CT_UNION, pyclipper.PFT_NONZERO, pyclipper.PFT_NONZERO)
    return [np.array(part) / scale for part in found]


def true_area(shapes: list[np.ndarray]) -> float:
    return sum(pyclipper.Area((part * 64).tolist()) for part in clipped(shapes)) / 64**2


@pytest.mark.sample(12)
@pytest.mark.deep
@pytest.mark.parametrize("font", FONTS)
def test_a_glyph_covers_what_its_contours_cover(font, deep):
    for number in numbers(font, deep, 24, NAMED):
        shapes = polygons(own_path(font, number))
        if not shapes:
            continue
        true = true_area(shapes)
        found = area(flatten(glyph(font, number).curves * fonts.load(font).upem, 0.02))
        # font units: one of area is the eye of no needle
        assert abs(found - true) <= max(1e-3 * true, 1), number


@pytest.mark.deep
@pytest.mark.parametrize("font", FONTS)
def test_glyphs_that_touch_are_united_as_wholes(font, deep):
    for number in numbers(font, deep, 4, "aO8"):
        one = glyph(font, number)
        if one.box is None:
            continue
        unit = fonts.load(font).upem
        by = (one.box[2] - one.box[0]) * unit * 0.6
        found = skia_paths.joined([(one.path, 0.0, 0.0), (one.path, by, 0.0)], unit)
        alone = clipped(polygons(own_path(font, number)))
        true = true_area([*alone, *(part + (by, 0) for part in alone)])
        assert abs(area(flatten(found, 0.02)) - true) <= max(1e-3 * true, 1), number


def lettering(font, text, size=120.0, **more):
    return Lettering(
        id="w",
        text=text,
        font=Font(family=font.family, weight=font.weight),
        size=Length(size),
        **{"place": Place(x=0, y=0), **more},
    )


def wrong_normals(piece: Lettering) -> float:
    """Share of px whose normal is not the slope of the distance, creases left out."""
    outline_px = chords(outline(piece, 96), 1.0)
    box = ink_box(outline_px).grown(30)
    found = nearest(outline_px, rasterise(outline_px, box)[1], box)
    n = normals(outline_px, found, joints(outline_px), box)
    gy, gx = np.gradient(found.distance.astype(float))
    size = np.hypot(gx, gy)
    smooth = np.abs(size - 1) < 0.02
    alike = (gx * n[0] + gy * n[1]) / np.maximum(size, 1e-6)
    return float((alike[smooth] < 0.9).mean())


@pytest.mark.sample(10)
@pytest.mark.parametrize("font", FONTS)
def test_normals_are_the_slope_of_the_distance(font):
    for text in ("HAMburg &o8", WORDS.get(font.family, "Séx0e")):
        for size in (40.0, 150.0):
            assert wrong_normals(lettering(font, text, size)) < 1e-3, (text, size)


BENT = {
    "mirrored": {"place": Place(x=0, y=0, scale_x=-1)},
    "upside down": {"place": Place(x=0, y=0, scale_y=-1, rotation=20)},
    "arched": {"head": Rail(camber=0.4), "foot": Rail(camber=0.4)},
    "waved": {"head": Rail(wave=Wave(height=0.2, count=2))},
    "posed": {"pose": Pose(turn_x=40, turn_y=-30)},
}


@pytest.mark.parametrize("how", BENT)
@pytest.mark.parametrize("family", ["Anton", "Cinzel", "Pacifico"])
def test_normals_of_bent_words_are_too(how, family):
    font = next(f for f in fonts.built_in() if f.family == family)
    assert wrong_normals(lettering(font, "HAMburg", **BENT[how])) < 1e-3


@pytest.mark.parametrize("join", ["round", "mitre", "cut"])
def test_mirrored_words_wear_mirrored_coats(join):
    coats = (
        Stroke(id="s", span=span("-7px", "3px"), join=join),
        Relief(id="r", span=span("-7px", "core"), lamp=Lamp(bearing=0, elevation=40)),
    )
    plain = pixels(board(*coats, text="Rg", size=100))
    place = Place(x=160, y=90, scale_x=-1)
    mirrored = pixels(board(*coats, text="Rg", size=100, place=place))
    assert np.abs(mirrored[:, :, ::-1] - plain).max() < 0.04


STROKES = [("cut", -20.0), ("cut", 14.0), ("mitre", -20.0), ("mitre", 14.0)]


def beside(font, number, join, at, limit=4.0):
    """A glyph's stroke at 150 px, ours and the other's, on the side of the edge it lies on."""
    curves = glyph(font, number).curves * 150
    outline_px = flatten(curves)
    mitre_overhang = longest_mitre(outline_px, limit, 1.0) if join == "mitre" else 1.0
    box = ink_box(outline_px).grown(-at * mitre_overhang + 4 if at < 0 else 3)
    cover, inside = rasterise(outline_px, box)
    found = nearest(outline_px, inside, box)
    turned = joined(outline_px, found, box, join, limit, at)
    ours = between(turned.distance, at, np.inf, found)
    ours[turned.where] = turned.deeper
    true = stroked(curves, box, abs(at), join, limit, at < 0)
    free = cover < 1e-4 if at < 0 else cover > 1 - 1e-4
    return (ours if at < 0 else 1 - ours) * free, true * free


@pytest.mark.sample(10)
@pytest.mark.deep
@pytest.mark.parametrize("font", FONTS)
def test_corners_of_strokes_are_a_librarys(font, deep):
    for number in numbers(font, deep, 2, "R8a"):
        curves = glyph(font, number).curves
        for n, (join, at) in enumerate(STROKES):
            # every glyph in one way of four
            if not len(curves) or (n - number) % len(STROKES):
                continue
            if join == "mitre" and near_the_limit(curves, 4.0):
                continue
            assert largest_spot(*beside(font, number, join, at)) <= 8, (number, join, at)


@pytest.mark.parametrize("join", ["cut", "mitre"])
@pytest.mark.parametrize(
    ("family", "number"),
    # an edge that turns the other way within a tenth of a px; a union's line out and back
    [
        ("Permanent Marker", 166),
        ("Permanent Marker", 181),
        ("Dela Gothic One", 5928),
        ("Great Vibes", 1818),
        ("Dela Gothic One", 4364),
    ],
)
def test_strokes_of_wavering_edges_and_spikes_are_a_librarys(family, number, join):
    font = next(f for f in fonts.built_in() if f.family == family)
    assert largest_spot(*beside(font, number, join, -20.0)) <= 8


@pytest.mark.parametrize("limit", [2.0, 7.0, 12.0, 60.0])
def test_any_limit_of_a_mitre_is_kept(limit):
    font = next(f for f in fonts.built_in() if f.family == "Monoton")
    number = fonts.load(font).hb_font.get_nominal_glyph(ord("N"))
    ours, true = beside(font, number, "mitre", -6.0, limit)
    assert largest_spot(ours, true) <= 8


def true_share(outline_px: np.ndarray, box: Box, at: float, fine: int = 8) -> np.ndarray:
    """Coverage deeper than a distance, from distances at eight by eight places a pixel."""
    large = (outline_px - (box.x0, box.y0, box.x0, box.y0)) * fine
    over = Box(0, 0, box.width * fine, box.height * fine)
    d = nearest(large, rasterise(large, over)[1], over).distance / fine
    share = np.clip((d - at) * fine + 0.5, 0, 1)
    return share.reshape(box.height, fine, box.width, fine).mean((1, 3))


@pytest.mark.sample(32)
@pytest.mark.parametrize("at", [-9.0, -3.3, 2.0, 4.0])
@pytest.mark.parametrize("font", FONTS)
def test_edges_of_strokes_are_areas(font, at):
    piece = lettering(font, "R&8e", 90.0, place=Place(x=0, y=0, rotation=7))
    outline_px = chords(outline(piece, 96), 1.0)
    box = ink_box(outline_px).grown(int(abs(at)) + 4)
    found = nearest(outline_px, rasterise(outline_px, box)[1], box)
    true = true_share(outline_px, box, at)
    ours = between(found.distance, at, np.inf, found)
    edge = ((true > 0) & (true < 1)) | ((ours > 0) & (ours < 1))
    if edge.any():
        off = np.abs(ours - true)[edge] * 255
        assert off.mean() <= 2
        assert np.percentile(off, 99) <= 16
