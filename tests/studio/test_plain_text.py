"""Names from files are shown as they are written: never as markup, in labels and in tooltips."""

from __future__ import annotations

import msgspec
import pytest
from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QLabel, QWidget

from anole.core.coats.kinds.fill import plain
from anole.core.edit.coats import change_coat
from anole.core.library import styles
from anole.core.model import (
    Board,
    Colour,
    Gradient,
    Ground,
    Length,
    Lettering,
    Place,
    Stroke,
    Style,
)
from anole.core.model.board import NamedGradient, Swatch
from anole.studio.look.plain import tip

EVIL = '<img src="/etc/passwd"><b>&amp;</b>'


@pytest.fixture
def window(open_window):
    styles.keep(Style(name=EVIL, coats=(Stroke(id="s"),)))
    coat = msgspec.structs.replace(plain(Colour(200, 30, 30), "f"), name=EVIL)
    words = Lettering(
        id="w", name=EVIL, text=EVIL, size=Length(20), place=Place(x=160, y=90), style=(coat,)
    )
    return open_window(
        Board(
            name=EVIL,
            width=320,
            height=180,
            pieces=(Ground(id="g", name=EVIL), words),
            swatches=(Swatch(EVIL, Colour(1, 2, 3)),),
            gradients=(NamedGradient(EVIL, Gradient()),),
        )
    )


def test_nothing_of_it_is_taken_for_markup(window, settle):
    window.selection.choose("w", "f")
    window.document.apply(f"Do {EVIL}", lambda b: change_coat(b, "w", "f", opacity=0.5))
    window.status.say(EVIL)
    window.status.ask(EVIL, [("Cancel", lambda: None)])
    looked_at, found = 0, 0
    for stage in (0, 1, 2):
        window.show_stage(stage)
        settle(window)
        for widget in window.findChildren(QWidget):
            if isinstance(widget, QLabel):
                looked_at += 1
                assert widget.textFormat() == Qt.TextFormat.PlainText, widget.text()
                found += EVIL in widget.text()
            told = widget.toolTip()
            assert not Qt.mightBeRichText(told) or told.startswith("<qt>"), told
            assert "<img" not in told
    assert looked_at > 40 and found >= 2


def test_a_tip_says_what_it_is_given():
    assert tip("plain, 3 px") == "plain, 3 px"
    assert tip("<b>&") == "<qt>&lt;b&gt;&amp;</qt>"
