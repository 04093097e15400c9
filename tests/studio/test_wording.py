"""What people read is plain words: no name of the code on a label, in a tooltip or a field."""

from __future__ import annotations

import re

import msgspec
import pytest
from PyQt6.QtWidgets import QAbstractButton, QComboBox, QLabel, QLineEdit, QWidget

from anole.core.coats.registry import KINDS
from anole.core.model import Board, Fill, Gradient, Pose, Rail
from anole.core.model.field_info import field_info
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
