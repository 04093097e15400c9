"""New words are seen at once: they wear the style last used, at first one that reads on any ground."""

from __future__ import annotations

from ...core.atomic import FileError
from ...core.coats.kinds.fill import plain
from ...core.edit.pieces import add_lettering
from ...core.edit.wearing import put_style
from ...core.library import styles as library
from ...core.model import Board, Colour, Stroke, Style
from ..documents.settings import Settings
from .session import Session
from .shell import Stage

TEXT = "New words"
LAST = "last_style"
LIGHT = Colour(255, 250, 236)
FIRST = Style(name="plain words", coats=(Stroke(id="dark"), plain(LIGHT, "light")))
"""Light letters with a dark rim: one of the two stands out on whatever lies beneath."""


def remember_style(settings: Settings, name: str) -> None:
    """The style that was put on: the next new words wear it."""
    settings.put(LAST, name)


def style_for_new_words(settings: Settings) -> Style:
    """The style last used, as long as the library has it."""
    name = settings.get(LAST, "")
    try:
        return library.find(name) if name else FIRST
    except FileError:
        return FIRST


def with_new_words(board: Board, style: Style) -> tuple[Board, str]:
    """A board with new words in a style; and their id."""
    board, fresh = add_lettering(board, TEXT, lines="ink")
    return put_style(board, fresh, style, library.digest(style.coats)), fresh


def add_words(session: Session) -> None:
    """Put new words on the board, and the caret into them."""
    style = style_for_new_words(session.settings)
    fresh = session.document.make("Add words", lambda board: with_new_words(board, style))
    if fresh is not None:
        session.selection.choose(fresh)
        session.shell.show_stage(Stage.ARRANGE)
        session.shell.do("edit words")
