"""The one list of coats, in the order of the sheet of additions."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from typing import Any

from ..failures import answerable
from ..model import COATS, Coat
from ..registry import Registry
from .kind import CoatKind
from .kinds.copies import CopiesKind
from .kinds.fill import FillKind
from .kinds.glass import GlassKind
from .kinds.gloss import GlossKind
from .kinds.glow import GlowKind
from .kinds.grain import GrainKind
from .kinds.mirror import MirrorKind
from .kinds.press import PressKind
from .kinds.relief import ReliefKind
from .kinds.ripple import RippleKind
from .kinds.shadow import ShadowKind
from .kinds.sheen import SheenKind
from .kinds.sparkle import SparkleKind
from .kinds.streak import StreakKind
from .kinds.stroke import StrokeKind
from .kinds.thickness import ThicknessKind
from .kinds.tone import ToneKind
from .kinds.wear import WearKind

KINDS: Registry[type[Coat], CoatKind[Any]] = Registry("coat")

for _kind in (
    FillKind(),
    StrokeKind(),
    GlowKind(),
    ReliefKind(),
    GrainKind(),
    SheenKind(),
    GlossKind(),
    ShadowKind(),
    SparkleKind(),
    PressKind(),
    GlassKind(),
    ToneKind(),
    CopiesKind(),
    MirrorKind(),
    ThicknessKind(),
    WearKind(),
    RippleKind(),
    StreakKind(),
):
    KINDS.add(_kind.struct, answerable(_kind, CoatKind, "coat"))


@contextmanager
def lent(kind: CoatKind[Any]) -> Iterator[CoatKind[Any]]:
    """One more kind of coat for as long as a block runs, in files too. Raises ValueError when
    its struct or its tag is taken."""
    answerable(kind, CoatKind, "coat")
    with KINDS.lent(kind.struct, kind), COATS.members.lent(kind.tag, kind.struct):
        yield kind


def kind_of(coat: Coat) -> CoatKind[Any]:
    """What a coat's kind declares."""
    return KINDS[type(coat)]


def kind_named(tag: str) -> CoatKind[Any]:
    """The kind with a tag. Raises KeyError."""
    return KINDS[COATS.members[tag]]  # type: ignore[index]
