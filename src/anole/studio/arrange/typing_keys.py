"""The keys of typing in place: moving the caret, erasing, the clipboard, and what is written."""

from __future__ import annotations

from typing import TYPE_CHECKING

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QGuiApplication, QKeyEvent, QKeySequence

from ...core.lettering.caret import next_word

if TYPE_CHECKING:
    from .typing import TypingHand

EDITING = (Qt.Key.Key_Backspace, Qt.Key.Key_Delete, Qt.Key.Key_Left, Qt.Key.Key_Right,
           Qt.Key.Key_Home, Qt.Key.Key_End)  # fmt: skip
ENTER = (Qt.Key.Key_Return, Qt.Key.Key_Enter)
BY_WORD, SELECT = Qt.KeyboardModifier.ControlModifier, Qt.KeyboardModifier.ShiftModifier


def wants(event: QKeyEvent) -> bool:
    """Keys that typing takes even where a shortcut of the window has them."""
    keys = QKeySequence.StandardKey
    ours = (keys.SelectAll, keys.Copy, keys.Cut, keys.Paste)
    plain = not event.modifiers() & ~(SELECT | Qt.KeyboardModifier.KeypadModifier)
    return any(event.matches(key) for key in ours) or plain or event.key() in EDITING


def press_key(hand: TypingHand, event: QKeyEvent) -> bool:
    """Do what a key says; False for one that says nothing here."""
    if event.key() == Qt.Key.Key_Escape:
        hand.leave()
    elif not (_erased(hand, event) or _carried(hand, event) or _gone(hand, event)):
        text = "\n" if event.key() in ENTER else event.text()
        if not text or not (text.isprintable() or text == "\n"):
            return False
        hand.insert(text)
    return True


def _erased(hand: TypingHand, event: QKeyEvent) -> bool:
    if event.key() not in (Qt.Key.Key_Backspace, Qt.Key.Key_Delete):
        return False
    forward = event.key() == Qt.Key.Key_Delete
    if hand.caret == hand.anchor:
        to = _beside(hand, forward, bool(event.modifiers() & BY_WORD))
        hand.anchor = min(max(to, 0), len(hand.text))
    if hand.caret != hand.anchor:
        hand.insert("")
    return True


def _beside(hand: TypingHand, forward: bool, by_word: bool) -> int:
    if by_word:
        return next_word(hand.text, hand.caret, forward)
    return hand.caret + (1 if forward else -1)


def _carried(hand: TypingHand, event: QKeyEvent) -> bool:
    """The clipboard, and all."""
    keys, clipboard = QKeySequence.StandardKey, QGuiApplication.clipboard()
    start, end = hand.selection
    if event.matches(keys.SelectAll):
        hand.select(0, len(hand.text))
    elif event.matches(keys.Copy) or event.matches(keys.Cut):
        if clipboard is not None and start != end:
            clipboard.setText(hand.text[start:end])
        if event.matches(keys.Cut) and start != end:
            hand.insert("")
    elif event.matches(keys.Paste):
        hand.new_step()
        hand.insert(clipboard.text() if clipboard is not None else "")
    else:
        return False
    return True


def _gone(hand: TypingHand, event: QKeyEvent) -> bool:
    """The keys that move the caret; Shift selects, Ctrl goes by words."""
    to = _goal(hand, event.key(), bool(event.modifiers() & BY_WORD))
    if to is None:
        return False
    to = min(max(to, 0), len(hand.text))
    hand.new_step()
    hand.select(hand.anchor if event.modifiers() & SELECT else to, to)
    return True


def _goal(hand: TypingHand, key: int, by_word: bool) -> int | None:
    """Where a key takes the caret; None for other keys."""
    places, _ = hand.lines()
    row = places[min(hand.caret, len(places) - 1)].row
    if key in (Qt.Key.Key_Left, Qt.Key.Key_Right):
        return _beside(hand, key == Qt.Key.Key_Right, by_word)
    if key in (Qt.Key.Key_Up, Qt.Key.Key_Down):
        x = places[hand.caret].x
        other = [c for c in places if c.row == row + (1 if key == Qt.Key.Key_Down else -1)]
        return min(other, key=lambda c: abs(c.x - x)).at if other else hand.caret
    in_row = [c for c in places if c.row == row]
    if key == Qt.Key.Key_Home:
        return 0 if by_word else in_row[0].at
    if key == Qt.Key.Key_End:
        return len(hand.text) if by_word else in_row[-1].at
    return None
