"""Small letters stand out on plain grounds, or the style's notes say on which."""

from __future__ import annotations

import pytest
from tools.style_grounds import ENOUGH, FONTS, GROUNDS, share

from .styled import STYLES

ORDER = sorted(STYLES)


def promised(notes: str) -> list[str]:
    """The grounds that notes leave one to expect."""
    if "on no plain ground" in notes:
        return []
    said = notes.partition("Small letters stand out on ")[2]
    return [g for g in GROUNDS if g in said] if said else list(GROUNDS)


@pytest.mark.sample(20)
@pytest.mark.deep
@pytest.mark.parametrize("name", STYLES)
def test_a_style_stands_out_where_its_notes_say(name, deep):
    grounds = promised(STYLES[name].notes)
    fonts, number = FONTS, ORDER.index(name)
    if grounds and not deep:
        fonts, grounds = FONTS[number % 2 :][:1], [grounds[number % len(grounds)]]
    for ground in grounds:
        for family in fonts:
            assert share(STYLES[name], ground, family) >= ENOUGH, (ground, family)


def test_most_styles_stand_out_somewhere():
    assert sum(bool(promised(style.notes)) for style in STYLES.values()) >= 0.75 * len(STYLES)
    assert sum(len(promised(style.notes)) == 3 for style in STYLES.values()) >= 25
