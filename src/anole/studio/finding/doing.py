"""What can be done: commands, answers of menus within menus, and what hands do."""

from __future__ import annotations

from collections.abc import Iterator

from ..commands import MENUS, Choices, Command
from ..commands.command import why_not
from ..commands.gestures import GESTURES
from ..shared.session import Session
from .entry import FinderEntry

SETTINGS = ("When saving, the version before",)
ELSEWHERE = ("Add a coat of a kind",)
"""Answers that are found as what they are about."""


def commands(session: Session) -> Iterator[FinderEntry]:
    """Of all menus; one that does not apply now says why."""
    for menu in MENUS:
        where = menu.title.replace("&", "")
        for item in menu.items:
            if isinstance(item, Command):
                about = "   ".join(t for t in (where, item.shown_keys) if t)
                why = why_not(item.when, session)
                yield FinderEntry("command", item.title, about, item.run, id=item.id, why=why)
            elif isinstance(item, Choices) and item.title not in ELSEWHERE:
                yield from _answers(item, session)


def _answers(choices: Choices, session: Session) -> Iterator[FinderEntry]:
    kind = "setting" if choices.title in SETTINGS else "command"
    entries = choices.entries(session)
    for answer in entries:
        yield FinderEntry(
            kind,
            f"{choices.title}: {answer.title}",
            "",
            answer.run,
            id=f"choice:{choices.title}:{answer.title}",
        )
    if not entries:
        yield FinderEntry(
            kind, choices.title, "", _nothing, id=f"choice:{choices.title}", why=choices.why
        )


def _nothing(session: Session) -> None:
    """There is nothing to do."""


def hands(session: Session) -> Iterator[FinderEntry]:
    """What hands and held keys do; choosing one opens the sheet of them."""
    gestures = {one.what: one for several in GESTURES.values() for one in several}
    for gesture in gestures.values():
        yield FinderEntry(
            "hand",
            gesture.what,
            gesture.how,
            lambda session: session.shell.do("keys"),
            id=f"hand:{gesture.what}",
        )


def missing(session: Session) -> Iterator[FinderEntry]:
    """What people look for and Anole does not do, with what comes nearest."""
    yield FinderEntry(
        "tone",
        "Sharpen",
        "",
        _nothing,
        id="none:sharpen",
        why="there is none; give a larger picture",
    )
