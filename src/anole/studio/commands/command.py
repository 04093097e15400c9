"""What a command is: data, from which menus, keys, the finder and the sheet of keys are made."""

from __future__ import annotations

from collections.abc import Callable
from typing import NamedTuple

from PyQt6.QtGui import QKeySequence

from ..shared.session import Session
from ..shared.shell import Stage

BOARD, PIECE, COAT, STOP, SWATCH, STYLE = "board", "piece", "coat", "stop", "swatch", "style"
"""Things with a context menu."""


NOT_NOW = "does not apply now"
When = Callable[[Session], bool]
_REASONS: dict[When, str] = {}


def otherwise(why: str) -> Callable[[When], When]:
    """Of what says when a command applies: what people are told where it does not."""

    def told(when: When) -> When:
        _REASONS[when] = why
        return when

    return told


def why_not(when: When, session: Session) -> str:
    """What keeps it from applying now; empty where it applies."""
    return "" if when(session) else _REASONS.get(when, NOT_NOW)


class Command(NamedTuple):
    """`when` says whether it applies now; `run` does it; `on`: whose context menus have it."""

    id: str
    title: str
    keys: tuple[str, ...]
    run: Callable[[Session], object]
    when: Callable[[Session], bool] = lambda session: True
    on: tuple[str, ...] = ()

    @property
    def shown_keys(self) -> str:
        """Its keys as people read them."""
        native = QKeySequence.SequenceFormat.NativeText
        return ", ".join(QKeySequence(key).toString(native) for key in self.keys)


class Answer(NamedTuple):
    """One of several answers; `chosen` is None where none of them holds on."""

    title: str
    run: Callable[[Session], object]
    chosen: bool | None = None


class Choices(NamedTuple):
    """Answers that depend on what there is: a menu of their own; `why` there may be none."""

    title: str
    entries: Callable[[Session], list[Answer]]
    on: tuple[str, ...] = ()
    why: str = NOT_NOW


class Menu(NamedTuple):
    """None is a line between groups."""

    title: str
    items: tuple[Command | Choices | None, ...]

    @property
    def commands(self) -> tuple[Command, ...]:
        """Its commands, without those of the menus within."""
        return tuple(item for item in self.items if isinstance(item, Command))


def window(name: str) -> Callable[[Session], object]:
    """What only the window can do."""
    return lambda session: session.shell.do(name)


@otherwise("choose a piece first")
def has_piece(session: Session) -> bool:
    """Whether a piece is chosen."""
    return session.selection.piece is not None


@otherwise("choose words, a picture or an emblem first")
def has_coated(session: Session) -> bool:
    """Whether a piece is chosen that wears coats."""
    return session.selection.coated is not None


@otherwise("choose a coat first")
def has_coat(session: Session) -> bool:
    """Whether a coat is chosen."""
    return session.selection.coat is not None


def on_coat(session: Session) -> bool:
    """Whether what is worked on is a coat rather than a piece."""
    return session.shell.stage == Stage.COAT and has_coat(session)
