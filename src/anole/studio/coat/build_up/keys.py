"""The build-up by key: walk the coats, re-order them, move the ends of spans, switch, copy, remove."""

from __future__ import annotations

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QKeyEvent

from ....core.coats.registry import kind_of
from ....core.edit.coats import change_coat, duplicate_coat, move_coat, remove_coat
from ....core.model import Coat, Position, Span
from ...controls.length import STEPS
from ...controls.slider import key_factor
from ...session import Session
from .band_tool import toggle


def press_key(session: Session, event: QKeyEvent) -> bool:
    """Do what a key says; False for a key that says nothing here."""
    piece, coat = session.selection.coated, session.selection.coat
    if piece is None or coat is None:
        return False
    key, held = event.key(), bool(event.modifiers() & Qt.KeyboardModifier.AltModifier)
    if key in (Qt.Key.Key_Up, Qt.Key.Key_Down):
        walk(session, 1 if key == Qt.Key.Key_Up else -1, held)
    elif key in (Qt.Key.Key_Left, Qt.Key.Key_Right) and kind_of(coat).span(coat):
        sign = 1 if key == Qt.Key.Key_Right else -1
        step_end(session, coat, sign * key_factor(event.modifiers()), held)
    elif key == Qt.Key.Key_Space:
        toggle(session, coat)
    elif key in (Qt.Key.Key_Delete, Qt.Key.Key_Backspace):
        remove(session, piece.id, coat.id)
    elif key == Qt.Key.Key_D and event.modifiers() & Qt.KeyboardModifier.ControlModifier:
        duplicate(session, piece.id, coat.id)
    else:
        return False
    return True


def walk(session: Session, by: int, carry: bool) -> None:
    """Choose the coat above or below, or carry the chosen one there."""
    piece, coat = session.selection.coated, session.selection.coat
    assert piece is not None and coat is not None
    to = min(max(piece.style.index(coat) + by, 0), len(piece.style) - 1)
    if carry:
        session.document.apply("Order coats", lambda b: move_coat(b, piece.id, coat.id, to))
    else:
        session.selection.choose(piece.id, piece.style[to].id)


def duplicate(session: Session, piece_id: str, coat_id: str) -> None:
    """A copy of a coat above it, chosen."""
    copy = session.document.make("Duplicate coat", lambda b: duplicate_coat(b, piece_id, coat_id))
    if copy is not None:
        session.selection.choose(piece_id, copy)


def remove(session: Session, piece_id: str, coat_id: str) -> None:
    """Take a coat off; its neighbour is chosen next."""
    coats = [c.id for c in session.selection.coated.style] if session.selection.coated else []
    at = coats.index(coat_id)
    rest = coats[:at] + coats[at + 1 :]
    session.document.apply("Remove coat", lambda b: remove_coat(b, piece_id, coat_id))
    if rest:
        session.selection.choose(piece_id, rest[min(at, len(rest) - 1)])


def step_end(session: Session, coat: Coat, by: float, first: bool) -> None:
    """Arrow keys move the far end of the span, with Alt the near one."""
    span = kind_of(coat).span(coat)
    assert span is not None
    old = span.from_ if first else span.to
    if old.is_core:
        return
    new = Position(round(old.value + by * STEPS[old.unit], 5), old.unit)
    span = Span(new, span.to) if first else Span(span.from_, new)
    piece = session.selection.piece_id
    assert piece is not None
    session.document.apply("Span", lambda b: change_coat(b, piece, coat.id, span=span))
