"""The keys of typing in place: moving the caret, erasing, the clipboard, and what is written."""

from __future__ import annotations

from typing import Protocol

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QGuiApplication, QKeyEvent, QKeySequence

from ....core.arrays import Chords
from ....core.lettering.caret import Caret, next_cluster, next_word, whole_clusters


class Typing(Protocol):
    """What of typing in place its keys need."""

    caret: int
    anchor: int

    @property
    def text(self) -> str:
        """The words, as they are set."""

    @property
    def marked(self) -> tuple[int, int]:
        """Where the marked letters start and end."""

    def select(self, anchor: int, caret: int) -> None:
        """Mark letters, and put the caret at their end."""

    def insert(self, text: str) -> None:
        """Put a text in place of the marked letters."""

    def paste(self, text: str) -> None:
        """The same as a step of its own."""

    def leave(self) -> None:
        """Type no longer."""

    def new_step(self) -> None:
        """What is typed from now on is undone by itself."""

    def lines(self) -> tuple[list[Caret], Chords]:
        """Every place of the caret, and the lines that are drawn there, in board px."""


EDITING = (
    Qt.Key.Key_Backspace,
    Qt.Key.Key_Delete,
    Qt.Key.Key_Left,
    Qt.Key.Key_Right,
    Qt.Key.Key_Home,
    Qt.Key.Key_End,
)
ENTER = (Qt.Key.Key_Return, Qt.Key.Key_Enter)
BY_WORD, SELECT = Qt.KeyboardModifier.ControlModifier, Qt.KeyboardModifier.ShiftModifier


def wants(event: QKeyEvent) -> bool:
    """Keys that typing takes even where a shortcut of the window has them."""
    keys = QKeySequence.StandardKey
    ours = (keys.SelectAll, keys.Copy, keys.Cut, keys.Paste)
    plain = not event.modifiers() & ~(SELECT | Qt.KeyboardModifier.KeypadModifier)
    return any(event.matches(key) for key in ours) or plain or event.key() in EDITING


def press_key(typing: Typing, event: QKeyEvent) -> bool:
    """Do what a key says; False for one that says nothing here."""
    if event.key() == Qt.Key.Key_Escape:
        typing.leave()
    elif not (_erased(typing, event) or _carried(typing, event) or _caret_moved(typing, event)):
        text = "\n" if event.key() in ENTER else event.text()
        if not text or not (text.isprintable() or text == "\n"):
            return False
        typing.insert(text)
    return True


def _erased(typing: Typing, event: QKeyEvent) -> bool:
    if event.key() not in (Qt.Key.Key_Backspace, Qt.Key.Key_Delete):
        return False
    forward = event.key() == Qt.Key.Key_Delete
    if typing.caret == typing.anchor:
        to = _beside(typing, forward, bool(event.modifiers() & BY_WORD))
        typing.anchor = min(max(to, 0), len(typing.text))
    if typing.caret != typing.anchor:
        typing.insert("")
    return True


def _beside(typing: Typing, forward: bool, by_word: bool) -> int:
    if by_word:
        return next_word(typing.text, typing.caret, forward)
    return next_cluster(typing.text, typing.caret, forward)


def _carried(typing: Typing, event: QKeyEvent) -> bool:
    """The clipboard, and all."""
    keys, clipboard = QKeySequence.StandardKey, QGuiApplication.clipboard()
    start, end = typing.marked
    if event.matches(keys.SelectAll):
        typing.select(0, len(typing.text))
    elif event.matches(keys.Copy) or event.matches(keys.Cut):
        if clipboard is not None and start != end:
            clipboard.setText(typing.text[start:end])
        if event.matches(keys.Cut) and start != end:
            typing.insert("")
    elif event.matches(keys.Paste):
        typing.paste(clipboard.text() if clipboard is not None else "")
    else:
        return False
    return True


def _caret_moved(typing: Typing, event: QKeyEvent) -> bool:
    """The keys that move the caret; Shift selects, Ctrl goes by words."""
    to = _goal(typing, event.key(), bool(event.modifiers() & BY_WORD))
    if to is None:
        return False
    to = min(max(to, 0), len(typing.text))
    typing.new_step()
    typing.select(typing.anchor if event.modifiers() & SELECT else to, to)
    return True


def _goal(typing: Typing, key: int, by_word: bool) -> int | None:
    """Where a key takes the caret; None for other keys."""
    places, _ = typing.lines()
    row = places[min(typing.caret, len(places) - 1)].row
    if key in (Qt.Key.Key_Left, Qt.Key.Key_Right):
        return _beside(typing, key == Qt.Key.Key_Right, by_word)
    if key in (Qt.Key.Key_Up, Qt.Key.Key_Down):
        x = places[typing.caret].x
        other = [c for c in places if c.row == row + (1 if key == Qt.Key.Key_Down else -1)]
        to = min(other, key=lambda c: abs(c.x - x)).at if other else typing.caret
        return whole_clusters(typing.text, to)
    in_row = [c for c in places if c.row == row]
    if key == Qt.Key.Key_Home:
        return 0 if by_word else in_row[0].at
    if key == Qt.Key.Key_End:
        return len(typing.text) if by_word else in_row[-1].at
    return None
