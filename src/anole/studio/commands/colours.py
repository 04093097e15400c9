# mypy: disable-error-code="type-abstract"
"""Stops of a gradient, and saved colours: of the bar or the swatches that were last pointed at."""

from __future__ import annotations

from collections.abc import Callable
from typing import TypeVar

from ...core.edit.coats import change_coat
from ...core.model import Colour, ColourPaint
from ...core.model.paints import PAINTS
from ..shared.session import Session
from ..shared.shell import Stage
from ..shared.targets import StopTarget, SwatchTarget
from .command import COAT, STOP, SWATCH, Command, Menu, otherwise

T = TypeVar("T")


def _stops(session: Session) -> StopTarget | None:
    return session.shell.targets.find(StopTarget)


def _swatch(session: Session) -> SwatchTarget | None:
    return session.shell.targets.find(SwatchTarget)


def _on(
    find: Callable[[Session], T | None], act: Callable[[T], None]
) -> Callable[[Session], object]:
    """Act on a target, where there is one."""

    def run(session: Session) -> None:
        target = find(session)
        if target is not None:
            act(target)

    return run


@otherwise("show a gradient first")
def _has_stops(session: Session) -> bool:
    return _stops(session) is not None


@otherwise("a gradient keeps two stops")
def _can_delete_stop(session: Session) -> bool:
    stops = _stops(session)
    return stops is not None and stops.can_delete_stop


@otherwise("point at a saved colour first")
def _can_delete_swatch(session: Session) -> bool:
    swatch = _swatch(session)
    return swatch is not None and swatch.can_delete_swatch


@otherwise("choose a coat that is painted first")
def _is_painted(session: Session) -> bool:
    return isinstance(getattr(session.selection.coat, "paint", None), PAINTS)


def _show_saved(session: Session) -> None:
    """The colours of the chosen coat's paint, with those that were saved."""
    session.shell.show_stage(Stage.COAT)
    session.shell.show_field("paint")


def _pick(session: Session) -> None:
    """Paint the chosen coat with a colour of the board."""
    piece, coat = session.selection.piece_id, session.selection.coat
    if piece is None or coat is None:
        return

    def told(colour: Colour) -> None:
        paint = ColourPaint(colour=colour)
        session.document.apply(
            "Pick a colour", lambda b: change_coat(b, piece, coat.id, paint=paint)
        )

    session.shell.pick_colour(told)


MENU = Menu(
    "Colo&ur",
    (
        Command("pick colour", "Pick a colour from the board", (), _pick, _is_painted, (COAT,)),
        Command("saved colours", "Saved colours", (), _show_saved, _is_painted),
        None,
        Command(
            "double stop",
            "Duplicate the stop",
            (),
            _on(_stops, lambda t: t.double_stop()),
            _has_stops,
            (STOP,),
        ),
        Command(
            "delete stop",
            "Delete the stop",
            (),
            _on(_stops, lambda t: t.delete_stop()),
            _can_delete_stop,
            (STOP,),
        ),
        Command(
            "centre hint",
            "Centre the halfway notch",
            (),
            _on(_stops, lambda t: t.centre_hint()),
            _has_stops,
            (STOP,),
        ),
        Command(
            "spread stops",
            "Spread the stops evenly",
            (),
            _on(_stops, lambda t: t.spread_stops()),
            _has_stops,
            (STOP,),
        ),
        Command(
            "reverse stops",
            "Reverse the stops",
            (),
            _on(_stops, lambda t: t.reverse_stops()),
            _has_stops,
            (STOP,),
        ),
        None,
        Command(
            "use swatch",
            "Use the saved colour",
            (),
            _on(_swatch, lambda t: t.use_swatch()),
            lambda s: _swatch(s) is not None,
            (SWATCH,),
        ),
        Command(
            "delete swatch",
            "Delete the saved colour",
            (),
            _on(_swatch, lambda t: t.delete_swatch()),
            _can_delete_swatch,
            (SWATCH,),
        ),
    ),
)
