"""The build-up by key: walk the coats, re-order them, move the ends of spans, switch, delete."""

from __future__ import annotations

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QKeyEvent

from ....core.coats.registry import kind_of
from ....core.edit.coats import change_coat
from ....core.model import Coat, Position, Span
from ...commands.change import delete
from ...commands.coats import carry, switch
from ...controls.base.slider import key_factor
from ...controls.numbers.length import STEPS
from ...shared.session import Session


def press_key(session: Session, event: QKeyEvent) -> bool:
    """Do what a key says; False for a key that says nothing here."""
    coat = session.selection.coat
    if coat is None:
        return False
    key, held = event.key(), bool(event.modifiers() & Qt.KeyboardModifier.AltModifier)
    if key in (Qt.Key.Key_Up, Qt.Key.Key_Down):
        by = 1 if key == Qt.Key.Key_Up else -1
        carry(session, by) if held else walk(session, by)
    elif key in (Qt.Key.Key_Left, Qt.Key.Key_Right) and kind_of(coat).span(coat):
        sign = 1 if key == Qt.Key.Key_Right else -1
        step_end(session, coat, sign * key_factor(event.modifiers()), held)
    elif key == Qt.Key.Key_Space:
        switch(session)
    elif key in (Qt.Key.Key_Delete, Qt.Key.Key_Backspace):
        delete(session)
    else:
        return False
    return True


def walk(session: Session, by: int) -> None:
    """Choose the coat above or below."""
    piece, coat = session.selection.coated, session.selection.coat
    assert piece is not None and coat is not None
    to = min(max(piece.style.index(coat) + by, 0), len(piece.style) - 1)
    session.selection.choose(piece.id, piece.style[to].id)


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
