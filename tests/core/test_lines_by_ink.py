"""Lines by their ink: never nearer than the gap, as near as that allows, whatever is drawn; each line as
wide as the longest; and lines broken where the rules of their script allow."""

from __future__ import annotations

import math

import cv2
import msgspec
import numpy as np
import pytest
from scipy.ndimage import distance_transform_edt

from anole.core.edit.titles import add_title
from anole.core.lettering.block import block, setting_of
from anole.core.lettering.breaking import filled, unbroken
from anole.core.lettering.fonts import families
from anole.core.lettering.letter_parts import letter_parts
from anole.core.lettering.outline import outline
from anole.core.model import Board, Font, Length, Lettering, Place, Style
from anole.core.pieces.registry import coated_kind

PAIRS = ["Große Äpfel", "gypsy Übung", "JÅG ÖL", "fjord Ñandú", "Quay Éclair", "pqyj ÅÄÖ", "Żółw gęś",
         "Čáp šíp", "lily goes", "Ç Ğ", "Şah İyi", "Ťuk Ďas", "gg fl", "(Jy) [Éß]", "; Ü", "y Ẫ",
         "Wagen rollen", "TOP UND", "ąę ŻŚ", "Brink Äbte"]  # fmt: skip
PX = 100.0


def words(text: str, family: str, **fields) -> Lettering:
    fields = {"lines": "ink", "gap": Length(0.18, "em"), **fields}
    return Lettering(
        id="w",
        text=text,
        font=Font(family=family),
        size=Length(PX),
        place=Place(x=400, y=300),
        **fields,
    )


def masks(piece: Lettering) -> list[np.ndarray]:
    """Each line's ink, filled by another library, px of the board."""
    found: dict[int, list[np.ndarray]] = {}
    for part in letter_parts(outline(piece, 96.0), piece.text, 1.0):
        found.setdefault(part.line, []).append(part.chords)
    drawn = []
    for chords in found.values():
        plane = np.zeros((600, 1400), np.uint8)
        for letter in chords:
            fill_chords(plane, letter)
        drawn.append(plane > 0)
    return drawn


def fill_chords(plane: np.ndarray, chords: np.ndarray) -> None:
    """Closed outlines of one letter, nonzero, by OpenCV: each contour by itself, holes left out."""
    ends = np.flatnonzero((np.abs(chords[1:, :2] - chords[:-1, 2:]) > 1e-6).any(1)) + 1
    contours = np.split(chords[:, :2], ends)
    shifted = [np.round((contour + (300, 0)) * 16).astype(np.int32) for contour in contours]
    cv2.fillPoly(plane, [c for c in shifted if len(c) > 2], 255, lineType=cv2.LINE_8, shift=4)


def apart(one: np.ndarray, other: np.ndarray) -> float:
    """px from the ink of one to that of the other, from edge to edge."""
    return float(distance_transform_edt(~one)[other].min()) - 1


@pytest.mark.sample(8)
@pytest.mark.parametrize("family", families())
def test_no_ink_of_two_lines_is_within_the_gap_and_none_is_farther_than_it_must(family):
    for pair in PAIRS:
        piece = words(pair.replace(" ", "\n"), family)
        drawn = masks(piece)
        if len(drawn) < 2:
            continue
        found = outline(piece, 96.0).block
        free = found.lines[1].baseline > 0.51 * found.file.cap_height
        distance = apart(*drawn)
        assert distance > 18 - 2, (pair, distance)
        assert distance < 18 + 3 or not free, (pair, distance)


@pytest.mark.parametrize("gap", [0.0, 0.05, 0.6, 2.0])
def test_any_gap_is_held(gap):
    piece = words("gypsy\nÄpfel", "Anton", gap=Length(gap, "em"))
    assert apart(*masks(piece)) == pytest.approx(gap * PX, abs=3)


def test_a_line_keeps_clear_of_all_lines_above_it():
    """The hook of the first line hangs lower than the whole of a small second one."""
    piece = words("jj      jj\n.\nMMMM", "Anton", align="centre")
    drawn = masks(piece)
    assert apart(drawn[0], drawn[2]) > 16 and apart(drawn[1], drawn[2]) > 16


def test_an_underline_is_ink_and_an_empty_line_leaves_room():
    plain, ruled = (
        outline(words("AAA\nAAA", "Anton", underline=on), 96.0).block for on in (False, True)
    )
    assert ruled.lines[1].baseline > plain.lines[1].baseline + 0.05
    empty = outline(words("AAA\n\nAAA", "Anton"), 96.0).block
    assert empty.lines[2].baseline > 1.8 * plain.lines[1].baseline


@pytest.mark.parametrize("family", families()[::4])
@pytest.mark.parametrize("align", ["start", "centre", "end"])
def test_lines_fitted_to_the_longest_end_where_it_ends(family, align):
    piece = words("A NIGHT\nON EIGHT\nSMALL WHEELS", family, widths="longest", align=align)
    edges = []
    for plane in masks(piece):
        columns = np.flatnonzero(plane.any(0))
        edges.append((columns[0], columns[-1]))
    assert np.ptp([left for left, _ in edges]) <= 2 and np.ptp([right for _, right in edges]) <= 2
    longest = max(outline(piece, 96.0).block.lines, key=lambda line: line.x1 - line.x0)
    assert (
        min(line.size for line in outline(piece, 96.0).block.lines) == 1.0 and longest.size >= 1.0
    )


@pytest.mark.parametrize("least", [0.1, 0.5, 1.0])
def test_the_smallest_line_is_bounded(least):
    piece = words("A\nMUCH LONGER THAN THAT", "Anton", widths="longest", least=least)
    sizes = [line.size for line in outline(piece, 96.0).block.lines]
    assert min(sizes) / max(sizes) >= least - 1e-9
    assert least < 0.2 or min(sizes) / max(sizes) == pytest.approx(least)


def test_a_box_counts_ink_so_that_descenders_stay_inside():
    for family in families():
        board, piece = add_title(
            Board(width=640, height=360), "gypsy\nJjÄ", Style(name="", coats=())
        )
        placed = msgspec.structs.replace(board.lettering(piece), font=Font(family=family))
        made = outline(placed, 96.0)
        x0, y0, x1, y1 = made.block.box
        box = placed.box
        assert (y1 - y0) * made.em <= box.height * 1.001 and (
            x1 - x0
        ) * made.em <= box.width * 1.001
        ink = coated_kind(placed).ink(placed, 96.0)
        assert ink[3] - ink[1] <= box.height * 1.001
        assert ink[3] - ink[1] == pytest.approx((y1 - y0) * made.em, abs=1.0)


def test_lines_by_baselines_stand_as_ever():
    for sizes in ({}, {"lines": "baselines"}):
        piece = words(
            "AB\nCD\nEF", "Anton", leading=Length(1.1, "em"), **{"lines": "baselines", **sizes}
        )
        lines = block(setting_of(piece, 96.0)).lines
        assert [line.baseline for line in lines] == pytest.approx([0, 1.1, 2.2])


def test_scripts_without_spaces_are_broken_where_their_rules_allow():
    """By UAX #14: no line begins with a closing mark or a small kana; Thai by its words."""
    assert unbroken("始まる。「夜」") == ["始", "ま", "る。", "「夜」"]
    assert "วันเสาร์" in "".join(unbroken("วันเสาร์นี้ไปแข่งกัน")) and len(unbroken("วันเสาร์นี้ไปแข่งกัน")) == 6
    assert unbroken("Große Äpfel, rot-gelb") == ["Große ", "Äpfel, ", "rot-", "gelb"]
    assert unbroken("12\u00a0%") == ["12\u00a0%"] and unbroken("") == []
    title, piece = add_title(
        Board(width=1280, height=720), "夜のホイール大会は土曜日です。", Style(name="", coats=())
    )
    lines = title.lettering(piece).text.split("\n")
    assert len(lines) > 1 and not any(line[0] in "。ー、" for line in lines)
    assert "".join(lines) == "夜のホイール大会は土曜日です。"


def test_long_texts_fill_lines_of_about_a_width():
    parts = unbroken("a long text of many short words that goes on and on " * 8)
    lines = filled(parts, 40).split("\n")
    assert all(len(line) <= 40 for line in lines) and math.ceil(len("".join(parts)) / 40) <= len(
        lines
    )
    wide = filled(unbroken("夜のホイール大会は土曜日です" * 4), 20).split("\n")
    assert all(len(line) <= 10 for line in wide[:-1])
