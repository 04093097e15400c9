"""What a font offers beside its letters: variable axes and OpenType features, by name."""

from __future__ import annotations

import io
from typing import NamedTuple

from fontTools.ttLib import TTFont

NAMES = {
    "liga": "Ligatures",
    "dlig": "Rare ligatures",
    "hlig": "Historical ligatures",
    "clig": "Contextual ligatures",
    "calt": "Contextual forms",
    "salt": "Alternate forms",
    "swsh": "Swashes",
    "cswh": "Contextual swashes",
    "titl": "Titling forms",
    "hist": "Historical forms",
    "ornm": "Ornaments",
    "aalt": "All alternates",
    "kern": "Kerning",
    "case": "Capitals' punctuation",
    "smcp": "Small capitals",
    "c2sc": "Small capitals from capitals",
    "unic": "Unicase",
    "lnum": "Lining figures",
    "onum": "Old-style figures",
    "tnum": "Tabular figures",
    "pnum": "Proportional figures",
    "zero": "Slashed zero",
    "frac": "Fractions",
    "afrc": "Stacked fractions",
    "ordn": "Ordinals",
    "sups": "Superiors",
    "subs": "Inferiors",
    "sinf": "Scientific inferiors",
    "numr": "Numerators",
    "dnom": "Denominators",
    "jp78": "JIS 78 forms",
    "palt": "Proportional widths",
    "hwid": "Half widths",
    "fwid": "Full widths",
    "vert": "Upright forms",
    "rand": "By chance",
}
"""Of features a user switches; those a script needs are always on."""
ON = ("liga", "clig", "calt", "kern")
AXES = {
    "wght": "Weight",
    "wdth": "Width",
    "slnt": "Slant",
    "ital": "Italic",
    "opsz": "Optical size",
    "GRAD": "Grade",
}


class FontAxis(NamedTuple):
    """An axis of a variable font: its four-letter tag, its name, bounds and default."""

    tag: str
    name: str
    low: float
    default: float
    high: float


class Feature(NamedTuple):
    """`on` : whether shaping uses it unasked."""

    tag: str
    name: str
    on: bool


def details_of(data: bytes, index: int = 0) -> tuple[tuple[FontAxis, ...], tuple[Feature, ...]]:
    """The axes and features of a font's bytes; none where its tables cannot be read."""
    try:
        with TTFont(io.BytesIO(data), lazy=True, fontNumber=index) as font:
            return _axes(font), _features(font)
    except Exception:  # a damaged table means that there is nothing to offer
        return (), ()


def _axes(font: TTFont) -> tuple[FontAxis, ...]:
    if "fvar" not in font:
        return ()
    names = font["name"]
    return tuple(
        FontAxis(
            str(a.axisTag),
            names.getDebugName(a.axisNameID) or AXES.get(a.axisTag, str(a.axisTag)),
            a.minValue,
            a.defaultValue,
            a.maxValue,
        )
        for a in font["fvar"].axes
        if a.minValue < a.maxValue
    )


def _features(font: TTFont) -> tuple[Feature, ...]:
    titles: dict[str, str] = {}
    for table in ("GSUB", "GPOS"):
        layout = font[table].table if table in font else None
        for record in layout.FeatureList.FeatureRecord if layout and layout.FeatureList else ():
            tag = str(record.FeatureTag)
            name = NAMES.get(tag) or _own_name(font, record, tag)
            if name:
                titles.setdefault(tag, name)
    if "kern" in font:
        titles.setdefault("kern", NAMES["kern"])
    titles.pop("aalt", None)
    return tuple(Feature(tag, titles[tag], tag in ON) for tag in sorted(titles))


def _own_name(font: TTFont, record: object, tag: str) -> str:
    """A stylistic set's or character variant's name as the font tells it."""
    if tag[:2] not in ("ss", "cv") or not tag[2:].isdigit():
        return ""
    params = getattr(getattr(record, "Feature", None), "FeatureParams", None)
    number = getattr(params, "UINameID", None) or getattr(params, "FeatUILabelNameID", None)
    told = font["name"].getDebugName(number) if number else None
    kind = "Set" if tag[:2] == "ss" else "Variant"
    return told or f"{kind} {int(tag[2:])}"
