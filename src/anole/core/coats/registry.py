"""The one list of coats, in the order of the add menu."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from typing import Any

from ..failures import answerable
from ..model import COATS, Coat
from ..registry import Registry
from .copies import CopiesKind
from .fill import FillKind
from .glass import GlassKind
from .gloss import GlossKind
from .glow import GlowKind
from .grain import GrainKind
from .kind import CoatKind
from .mirror import MirrorKind
from .press import PressKind
from .relief import ReliefKind
from .ripple import RippleKind
from .shadow import ShadowKind
from .sheen import SheenKind
from .sparkle import SparkleKind
from .streak import StreakKind
from .stroke import StrokeKind
from .thickness import ThicknessKind
from .tone import ToneKind
from .wear import WearKind

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
