# mypy: disable-error-code="type-abstract"
"""Stops of a gradient, and saved colours: of the bar or the swatches that were last pointed at."""

from __future__ import annotations

from collections.abc import Callable
from typing import TypeVar

from ..shared.session import Session
from ..shared.targets import StopTarget, SwatchTarget
from .command import STOP, SWATCH, Command, Menu

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


def _has_stops(session: Session) -> bool:
    return _stops(session) is not None


def _can_delete_stop(session: Session) -> bool:
    stops = _stops(session)
    return stops is not None and stops.can_delete_stop


def _can_delete_swatch(session: Session) -> bool:
    swatch = _swatch(session)
    return swatch is not None and swatch.can_delete_swatch


MENU = Menu(
    "Colo&ur",
    (
        Command(
            "double stop",
            "Double the stop",
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
            "Halfway place back to the middle",
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
            "Use the saved one",
            (),
            _on(_swatch, lambda t: t.use_swatch()),
            lambda s: _swatch(s) is not None,
            (SWATCH,),
        ),
        Command(
            "delete swatch",
            "Delete the saved one",
            (),
            _on(_swatch, lambda t: t.delete_swatch()),
            _can_delete_swatch,
            (SWATCH,),
        ),
    ),
)
