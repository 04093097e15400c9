"""The words of the trade: each leads to what does it, and whatever is found can be opened."""

from __future__ import annotations

import csv
import re
from pathlib import Path

import pytest
from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QApplication

from anole.core.coats.registry import kind_of as coat_kind
from anole.core.edit.pieces import add_fresh
from anole.core.model import Board, Fill, Glow, Ground, Pattern, Picture, Relief, Stamps, Stroke
from anole.core.model.field_info import field_info
from anole.core.pieces.registry import ways_to_begin
from anole.studio.finding.entry import KINDS, found
from anole.studio.finding.everything import everything
from anole.studio.finding.trade_words import TRADE_WORDS
from anole.studio.shared.shell import Stage

from ..core.shapes import board, paint

with (Path(__file__).parent / "finder_words.tsv").open(newline="") as table:
    WORDS = [tuple(row) for row in csv.reader(table, delimiter="\t")]
STYLED = board(Stroke(id="s", name="rim"), Fill(id="f", paint=paint("#ff0000")), text="HOWL")


@pytest.fixture
def styled(open_window):
    window = open_window(STYLED)
    window.selection.choose("words", "f")
    return window


def test_each_word_of_the_trade_leads_to_what_does_it_at_once(styled):
    entries = everything(styled.session)
    wrong = []
    for word, wanted in WORDS:
        answers = found(entries, word)
        first = answers[0].id if answers else "nothing"
        if not re.fullmatch(wanted, first):
            wrong.append((word, wanted, first))
    assert len(WORDS) > 140 and not wrong


def test_no_other_word_leads_to_what_is_not_there(styled):
    ids = {entry.id for entry in everything(styled.session)}
    families = {one.rpartition(":")[0] for one in ids}
    assert set(TRADE_WORDS) <= ids | families
    assert {entry.kind for entry in everything(styled.session)} <= set(KINDS)


def test_with_nothing_on_the_board_what_does_not_apply_says_why(open_window, qtbot):
    window = open_window(Board(width=320, height=180))
    entries = everything(window.session)
    for word, reason in (("undo", "nothing was done"), ("outline", "choose"), ("mask", "beneath")):
        first = found(entries, word)[0]
        assert reason in first.why, word
    before = window.document.board
    window.finder.unfold()
    qtbot.keyClicks(window.finder.field, "outline")
    qtbot.keyClick(window.finder.field, Qt.Key.Key_Return)
    assert window.finder.isVisible() and window.document.board is before
    assert "choose words" in window.status.text.text()


BOARDS = [board(coat, text="HO") for coat in (Stroke(id="c"), Relief(id="c"), Glow(id="c"))]


@pytest.mark.parametrize("made", BOARDS, ids=["stroke", "relief", "glow"])
def test_every_field_of_a_coat_opens_its_panel_and_takes_the_focus(open_window, made):
    window = open_window(made)
    window.activateWindow()
    coat = made.coated("words").style[0]
    names = {info.name for info in field_info(type(coat))}
    tried = set()
    for entry in everything(window.session):
        if entry.kind == "field" and entry.about.startswith(coat_kind(coat).title + "  "):
            window.show_stage(Stage.PROOF)
            entry.run(window.session)
            name = entry.id.partition(":")[2]
            control = window.coat.control(name)
            assert window.stage == Stage.COAT and control is not None, name
            if control.isVisible():
                assert control.isAncestorOf(QApplication.focusWidget()), name
            tried.add(name)
    assert tried == names


def pieces() -> list[Board]:
    boards = [board(Fill(id="f"), text="HO")]
    for way in ways_to_begin():
        made, _ = add_fresh(Board(width=320, height=180, pieces=(Ground(id="g"),)), way.id)
        boards.append(made)
    return boards


@pytest.mark.parametrize("made", pieces(), ids=lambda made: type(made.pieces[-1]).__name__)
def test_every_field_of_a_piece_and_of_the_board_takes_the_focus(open_window, made):
    window = open_window(made)
    window.activateWindow()
    window.selection.choose(made.pieces[-1].id)
    fields = [e for e in everything(window.session) if e.kind == "field"]
    for entry in fields:
        name = entry.id.partition(":")[2]
        window.selection.choose(made.pieces[-1].id)
        if "." in name and not name.startswith("font."):
            continue
        window.show_stage(Stage.PROOF)
        entry.run(window.session)
        if window.stage == Stage.ARRANGE:
            control = window.arrange.control(name)
            assert control is not None, name
            if control.isVisible():
                focused = QApplication.focusWidget()
                assert focused is control or control.isAncestorOf(focused), name
    for name in ("width", "height", "dpi"):
        next(e for e in fields if e.id == f"field:board.{name}").run(window.session)
        control = window.arrange.board.control(name)
        assert control.isVisible() and control.isAncestorOf(QApplication.focusWidget())


def run(window, words: str) -> None:
    found(everything(window.session), words)[0].run(window.session)


def test_what_can_be_put_on_is_put_on(styled):
    window, document = styled, styled.document
    run(window, "pattern halftone")
    assert document.board.coated("words").style[1].paint == Pattern(generator="halftone")
    run(window, "moulding ogee")
    assert document.board.coated("words").style[-1].moulding.profile == "ogee"
    run(window, "moulding bead")
    assert sum(isinstance(c, Relief) for c in document.board.coated("words").style) == 1
    run(window, "blur")
    assert any(getattr(c, "tone", ()) for c in document.board.coated("words").style)
    run(window, "uppercase")
    run(window, "flip")
    assert document.board.placed("words").place.scale_x == -1
    run(window, "mark heart")
    assert isinstance(window.selection.piece, Stamps) and window.selection.piece.mark == "heart"
    run(window, "mark bolt")
    assert window.selection.piece.mark == "bolt" and len(document.board.pieces) == 3
    run(window, "webp")
    assert [one.format for one in document.board.exports][-1] == "webp"
    assert window.stage == Stage.PROOF and window.export.export.format == "webp"
    while document.history.at:
        document.undo()
    assert document.board == STYLED


def test_a_tone_goes_where_tones_are(open_window):
    window = open_window(Board(width=320, height=180, pieces=(Picture(id="p"),)))
    window.selection.choose("p")
    run(window, "levels")
    assert len(window.document.board.piece("p").tone) == 1
    window.selection.choose(None)
    run(window, "invert")
    assert len(window.document.board.pieces) == 2 and window.selection.piece.tone
