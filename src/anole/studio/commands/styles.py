# mypy: disable-error-code="type-abstract"
"""Styles: the one that is pointed at, the one that is worn, all of them, and packs."""

from __future__ import annotations

import functools
from collections.abc import Callable

from ...core.coats.registry import kind_of
from ...core.library.styles import StoredStyle
from ...core.model import Picture
from ..look.status_bar import nothing
from ..shared.session import Session
from ..shared.targets import StyleTarget
from . import worn
from .command import (
    PIECE,
    STYLE,
    Answer,
    Choices,
    Command,
    Menu,
    has_coat,
    has_coated,
    otherwise,
    window,
)
from .dressing import lay, lay_coat, wear


def pointed(session: Session) -> StoredStyle | None:
    """The style that was last pointed at."""
    target = session.shell.targets.find(StyleTarget)
    return target.stored_style if target is not None else None


def _on_pointed(run: Callable[[Session, StoredStyle], object]) -> Callable[[Session], object]:
    def act(session: Session) -> None:
        stored = pointed(session)
        if stored is not None:
            run(session, stored)

    return act


@otherwise("point at a style first")
def _is_pointed(session: Session) -> bool:
    return pointed(session) is not None


@otherwise("point at a style of your own first")
def _is_own(session: Session) -> bool:
    stored = pointed(session)
    return stored is not None and stored.own


@otherwise("choose a piece and point at a style first")
def _can_wear(session: Session) -> bool:
    return _is_pointed(session) and has_coated(session)


@otherwise("choose a picture first")
def _is_picture(session: Session) -> bool:
    piece = session.selection.piece
    return isinstance(piece, Picture) and bool(piece.asset)


def _delete(session: Session, stored: StoredStyle) -> None:
    """A style of one's own leaves the library; the bar at the foot brings it back."""
    style = stored.style
    if session.styles.delete(style):
        session.reading.status.ask(
            f"The style “{style.name}” is deleted.",
            [("Bring it back", lambda: session.styles.keep(style)), ("OK", nothing)],
        )


def _show_how_built(session: Session, stored: StoredStyle) -> None:
    """It is put on to be looked at; left as it is, it is taken off again."""
    wear(session, stored.style)
    session.shell.do("how style is built")


def _coats(session: Session) -> list[Answer]:
    stored = pointed(session)
    if stored is None or not has_coated(session):
        return []
    return [
        Answer(
            coat.name or kind_of(coat).title,
            functools.partial(lay_coat, style=stored.style, coat=coat),
        )
        for coat in reversed(stored.style.coats)
    ]


def _sets(session: Session) -> list[Answer]:
    """The sets that the pointed style may be in; and a new one, called after what is found by."""
    stored = pointed(session)
    if stored is None:
        return []
    name = stored.style.name

    def put(session: Session, one: str, inside: bool) -> None:
        session.styles.put(one, name, inside)

    found = []
    for one in session.styles.sets:
        inside = name in one.styles
        found.append(
            Answer(one.name, functools.partial(put, one=one.name, inside=not inside), inside)
        )
    return found


MENU = Menu(
    "St&yle",
    (
        Command(
            "all styles", "All styles", ("Ctrl+L",), window("all styles"), has_coated, (PIECE,)
        ),
        Command(
            "test strip", "Test strip", ("Ctrl+Shift+L",), window("test strip"), has_coat, (PIECE,)
        ),
        Command(
            "save style",
            "Save style",
            ("Ctrl+Shift+K",),
            window("save style"),
            has_coat,
            (STYLE, PIECE),
        ),
        Command(
            "how built",
            "Show how it is built",
            ("Ctrl+Shift+U",),
            window("how built"),
            has_coat,
            (PIECE,),
        ),
        None,
        Command(
            "put on",
            "Put the style on",
            (),
            _on_pointed(lambda s, one: wear(s, one.style)),
            _can_wear,
            (STYLE,),
        ),
        Command(
            "style on top",
            "Add the style on top",
            (),
            _on_pointed(lambda s, one: lay(s, one.style, False)),
            _can_wear,
            (STYLE,),
        ),
        Command(
            "style beneath",
            "Add the style beneath",
            (),
            _on_pointed(lambda s, one: lay(s, one.style, True)),
            _can_wear,
            (STYLE,),
        ),
        Choices("Add one coat of the style", _coats, (STYLE,)),
        Command(
            "how style is built",
            "Show how the style is built",
            (),
            _on_pointed(_show_how_built),
            _can_wear,
            (STYLE,),
        ),
        None,
        Command(
            "favourite",
            "Mark the style as a favourite",
            (),
            _on_pointed(lambda s, one: s.styles.mark(one.style.name)),
            _is_pointed,
            (STYLE,),
        ),
        Choices("The style belongs to", _sets, (STYLE,)),
        Command(
            "duplicate style",
            "Duplicate the style",
            (),
            _on_pointed(lambda s, one: s.styles.duplicate(one.style)),
            _is_pointed,
            (STYLE,),
        ),
        Command("delete style", "Delete the style", (), _on_pointed(_delete), _is_own, (STYLE,)),
        None,
        Command("carry", "Update the style", (), worn.carry, worn.changed, (PIECE,)),
        Command("strip back", "Reset to the style", (), worn.strip_back, worn.changed, (PIECE,)),
        Command(
            "cut loose",
            "Detach from the style",
            (),
            worn.cut,
            lambda s: bool(worn.worn_name(s)),
            (PIECE,),
        ),
        Command("reach", "Update the boards of a folder…", (), worn.ask_folder, worn.wears),
        None,
        Command("look of picture", "Read a style off a picture…", (), window("look of picture")),
        Command(
            "look of piece",
            "Read a style off this picture",
            (),
            window("look of piece"),
            _is_picture,
            (PIECE,),
        ),
        Command("import pack", "Import styles…", (), window("import pack")),
        Command("export pack", "Export styles as a pack…", (), window("export pack")),
        Command("contact sheet", "Contact sheet of styles…", (), window("contact sheet")),
    ),
)
