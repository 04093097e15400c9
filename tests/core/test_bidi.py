"""The order of letters against the Unicode consortium's own file of cases."""

from __future__ import annotations

from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from anole.core.lettering.bidi import levels, visual_order
from anole.core.lettering.bidi.brackets import PAIRS

CASES = Path("/usr/share/unicode/BidiCharacterTest.txt")
BRACKETS = Path("/usr/share/unicode/BidiBrackets.txt")


def cases():
    for number, row in enumerate(CASES.read_text().splitlines(), 1):
        if row and not row.startswith("#"):
            chars, way, base, wanted, order = row.split(";")
            text = "".join(chr(int(code, 16)) for code in chars.split())
            yield number, text, int(way), int(base), wanted.split(), [int(n) for n in order.split()]


@pytest.mark.deep
@pytest.mark.skipif(not CASES.exists(), reason="the package unicode-data is not installed")
def test_every_case_of_the_consortium(deep):
    count = 0
    for number, text, way, base, wanted, order in cases():
        if not deep and number % 8:
            continue
        own, found = levels(text, None if way == 2 else way)
        assert own == base, number
        kept = [n for n, level in enumerate(wanted) if level != "x"]
        assert [found[n] for n in kept] == [int(wanted[n]) for n in kept], number
        assert [kept[n] for n in visual_order([found[n] for n in kept])] == order, number
        count += 1
    assert count > (90_000 if deep else 11_000)


@pytest.mark.skipif(not BRACKETS.exists(), reason="the package unicode-data is not installed")
def test_every_bracket_has_its_partner():
    rows = [row.split("#")[0].split(";") for row in BRACKETS.read_text().splitlines()]
    true = {
        (chr(int(a, 16)), chr(int(b, 16)))
        for a, b, *kind in (r for r in rows if len(r) > 2)
        if kind[0].strip() == "o"
    }
    assert {(PAIRS[n], PAIRS[n + 1]) for n in range(0, len(PAIRS), 2)} == true


@given(st.text(max_size=40))
def test_any_text_has_a_level_for_each_character(text):
    base, found = levels(text)
    assert len(found) == len(text)
    assert all(base <= level <= 127 for level in found)
    assert sorted(visual_order(found)) == list(range(len(text)))


def test_joiners_part_nothing():
    text = "אב\u200dג של \u200cabc"
    assert levels(text)[1][2] == levels(text)[1][1]
