"""The one list of coats: which struct belongs to which file, and the words for it."""

from __future__ import annotations

from types import ModuleType
from typing import NamedTuple

from ..model import Fill, Gloss, Glow, Grain, Relief, Shadow, Sheen, Stroke
from ..model.coats import CoatBase
from . import fill, gloss, glow, grain, relief, shadow, sheen, stroke


class CoatKind(NamedTuple):
    """`paints` has reach(), box() and cover(); and source() where a coat makes its own colours."""

    struct: type[CoatBase]
    title: str
    family: str
    about: str
    paints: ModuleType


KINDS: dict[str, CoatKind] = {}


def register(kind: CoatKind) -> None:
    tag = str(kind.struct.__struct_config__.tag)
    if tag in KINDS:
        raise ValueError(f"the coat {tag!r} is registered twice")
    KINDS[tag] = kind


for _kind in (
    CoatKind(Fill, "Fill", "Face", "paints the face", fill),
    CoatKind(Stroke, "Stroke", "Line", "paints a span along the edge", stroke),
    CoatKind(Glow, "Glow", "Line", "light or colour that fades along a span", glow),
    CoatKind(Relief, "Relief", "Light", "a cross-section along a span, lit", relief),
    CoatKind(Grain, "Grain", "Light", "the face roughened by a pattern, lit", grain),
    CoatKind(Sheen, "Sheen", "Face", "soft bands that follow the form", sheen),
    CoatKind(Gloss, "Gloss", "Face", "a shine cut off by a line or an oval", gloss),
    CoatKind(Shadow, "Shadow", "Light", "the letters lifted off the ground", shadow),
):
    register(_kind)


def tag_of(coat: CoatBase) -> str:
    return str(coat.__struct_config__.tag)


def kind_of(coat: CoatBase) -> CoatKind:
    return KINDS[tag_of(coat)]
