"""What pieces can: every piece, those with a place, those with a style, those made from a file."""

from __future__ import annotations

from typing import Annotated, Literal

from msgspec import Meta, Struct

from ..fields import BLENDING, BlendField, Id, Name, Opacity, Switched, angle, meta
from ..shaping import Corners, Pose, Shaping
from ..style import Coats, Worn

Anchor = Literal[
    "top-left",
    "top",
    "top-right",
    "left",
    "centre",
    "right",
    "bottom-left",
    "bottom",
    "bottom-right",
]
Coordinate = Annotated[float, Meta(ge=-1e6, le=1e6)]
Across = Annotated[
    Coordinate, meta("Across", "Board px from the left", unit="px", step=1, soft=(0, 2000))
]
Down = Annotated[
    Coordinate, meta("Down", "Board px from the top", unit="px", step=1, soft=(0, 2000))
]
Stretch = Annotated[float, Meta(ge=-100, le=100)]


class Place(Struct, frozen=True, cache_hash=True, kw_only=True):
    """Where a piece stands: the point `anchor` of its box lies at (x, y) board px."""

    x: Across = 0.0
    y: Down = 0.0
    anchor: Annotated[Anchor, Meta(extra={"hidden": True})] = "centre"
    scale_x: Annotated[Stretch, Meta(extra={"hidden": True})] = 1.0
    scale_y: Annotated[Stretch, Meta(extra={"hidden": True})] = 1.0
    rotation: Annotated[float, angle("Turn", "Clockwise", soft=(-180, 180))] = 0.0
    skew: Annotated[float, angle("Slant", "Leans the piece", -80, 80, soft=(-40, 40))] = 0.0


class Piece(Struct, frozen=True, cache_hash=True, kw_only=True, tag_field="kind"):
    """What every piece has."""

    id: Id
    name: Name = ""
    shown: Switched = True
    locked: Switched = False
    opacity: Opacity = 1.0
    blend: BlendField = "normal"
    within: Annotated[
        Id | None,
        meta(
            "Clipped by",
            "Only what lies within that piece's silhouette is seen",
            group=BLENDING,
            order=1,
            control="clipped by",
        ),
    ] = None
    together: Annotated[
        bool,
        meta(
            "Moves with it",
            "Moved whenever the piece that clips it is",
            group=BLENDING,
            order=2,
            when={"within": None},
        ),
    ] = True


class Placed(Piece, frozen=True, cache_hash=True, kw_only=True):
    """A piece that stands somewhere on the board, pulled by its corners and posed in space."""

    corners: Annotated[
        Corners | None, meta("Corners", "Pull each corner freely", group="Shape", order=1)
    ] = None
    pose: Annotated[
        Pose | None, meta("Pose", "Turn the piece in space", group="Shape", order=1)
    ] = None
    off: Annotated[tuple[Shaping, ...], Meta(max_length=16, extra={"hidden": True})] = ()
    """Kinds of shaping that are kept and switched off."""
    place: Annotated[Place, Meta(extra={"hidden": True})] = Place()


class Coated(Placed, frozen=True, cache_hash=True, kw_only=True):
    """A placed piece that wears a style."""

    style: Annotated[Coats, Meta(extra={"hidden": True})] = ()
    worn: Annotated[Worn | None, Meta(extra={"hidden": True})] = None


class Sourced:
    """A piece made from a file that the board carries: its struct has the field `asset`."""

    __slots__ = ()
    asset: str
    """SHA-256 of the file's bytes; '' for none."""
