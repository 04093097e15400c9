"""What people read is plain words: no name of the code on a label, in a tooltip or a field."""

from __future__ import annotations

import re

import msgspec
import pytest
from PyQt6.QtWidgets import (
    QAbstractButton,
    QComboBox,
    QLabel,
    QLineEdit,
    QPushButton,
    QWidget,
)

from anole.core.coats.registry import KINDS
from anole.core.library import styles
from anole.core.library.gradients import ready_made
from anole.core.model import Board, Export, Fill, Gradient, Pose, Rail
from anole.core.model.field_info import field_info
from anole.core.paint.source import KINDS as PAINTS
from anole.core.pieces.registry import KINDS as PIECES
from anole.core.tone import OPERATIONS
from anole.studio.commands import COMMANDS
from anole.studio.shared.shell import Stage

from ..core.shapes import board

OF_CODE = re.compile(r"[a-z0-9]_[a-z]|\b(?!OpenType\b|OpenRaster\b|WebP\b)[A-Z][a-z]+[A-Z]\w*")
"""Joined by an underscore, or by capitals; names of formats are spelled so."""


def shown(widget: QWidget) -> list[str]:
    """All that a widget shows or says of itself."""
    texts = [widget.toolTip(), widget.accessibleName()]
    if isinstance(widget, QLabel | QAbstractButton):
        texts.append(widget.text())
    if isinstance(widget, QLineEdit):
        texts.append(widget.placeholderText())
    if isinstance(widget, QComboBox):
        texts += [widget.itemText(n) for n in range(widget.count())]
    return texts


def structs_of(struct: type[msgspec.Struct], seen: set[type]) -> set[type]:
    """A struct and those of its fields."""
    if struct not in seen:
        seen.add(struct)
        for info in field_info(struct):
            for kind in (info.kind, *getattr(info.kind, "__args__", ())):
                if isinstance(kind, type) and issubclass(kind, msgspec.Struct):
                    structs_of(kind, seen)
    return seen


def test_fields_are_worded_plainly():
    structs: set[type] = set()
    for struct in (*KINDS, Board, Gradient, Rail, Pose):
        structs_of(struct, structs)
    infos = [info for struct in structs for info in field_info(struct)]
    assert len(infos) > 80
    for info in infos:
        for text in (info.title, info.about):
            assert not OF_CODE.search(text), text


@pytest.mark.parametrize("stage", Stage)
def test_the_window_is_worded_plainly(stage, open_window):
    window = open_window(board(*(struct(id=struct.__name__) for struct in KINDS)))
    window.show_stage(stage)
    texts = set()
    for coat in window.document.board.coated("words").style:
        window.selection.choose("words", coat.id)
        texts |= {text for part in window.findChildren(QWidget) for text in shown(part)}
    assert len(texts) > 60
    assert [text for text in texts if OF_CODE.search(text)] == []


def test_a_gradient_s_page_is_worded_plainly(open_window):
    window = open_window(board(Fill(id="f", paint=Gradient())))
    window.show_stage(Stage.COAT)
    window.selection.choose("words", "f")
    texts = {text for part in window.findChildren(QWidget) for text in shown(part)}
    assert "Look again" in texts
    assert [text for text in texts if OF_CODE.search(text)] == []


NOT_SO = re.compile(
    r"\b(swing|nod|feet|cut loose|strip back|carry the changes|reach boards|take it in|take in all|"
    r"leave out of|bring one|clip it no longer|double the stop|the saved one|reshuffle the chance|"
    r"full size|dark or light window|kept aside|backdrop|apart|onset|camber|"
    r"whether it is shown|middles|return)\b",
    re.IGNORECASE,
)
"""Words that were ours and that nobody guesses; the ordinary ones stand in their place."""


def test_ordinary_things_have_their_ordinary_names(open_window):
    titles = [command.title for command in COMMANDS]
    structs: set[type] = set()
    for struct in (*KINDS, *PIECES, *PAINTS, *OPERATIONS, Board, Export, Rail, Pose):
        structs_of(struct, structs)
    titles += [info.title for struct in structs for info in field_info(struct)]
    titles += [kind.title for kind in (*KINDS.values(), *PAINTS.values(), *OPERATIONS.values())]
    window = open_window(board(Fill(id="f")))
    for stage in Stage:
        window.show_stage(stage)
        for widget in window.findChildren(QWidget):
            titles += shown(widget)
    assert len(titles) > 400
    assert not [title for title in titles if NOT_SO.search(title)]


def test_titles_begin_with_a_capital():
    structs: set[type] = set()
    for struct in (*KINDS, *PIECES, *PAINTS, *OPERATIONS, Board, Export, Rail, Pose):
        structs_of(struct, structs)
    titles = [info.title for struct in structs for info in field_info(struct)]
    titles += [command.title for command in COMMANDS]
    # k1 to k4 are the standard's own
    assert not [title for title in titles if title[:1].islower() and title != "k1 to k4"]


def test_buttons_begin_with_a_capital(open_window):
    window = open_window(board(Fill(id="f")))
    window.selection.choose("words", "f")
    texts = set()
    for stage in Stage:
        window.show_stage(stage)
        # what shows a value that was chosen is of another class, and switches have names of things
        plain = [b for b in window.findChildren(QPushButton) if type(b) is QPushButton]
        texts |= {b.text().lstrip("+ ") for b in plain if not b.isCheckable()}
    # units are as they are written
    assert len(texts) > 25 and not {t for t in texts if t[:1].islower()} - {"px", "em"}


def test_gradients_and_styles_have_names_of_their_own():
    gradients = {entry.name.casefold() for entry in ready_made()}
    names = {stored.style.name.casefold() for stored in styles.built_in()}
    assert len(gradients) > 20 and len(names) > 20 and not gradients & names
