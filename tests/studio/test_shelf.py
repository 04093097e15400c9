"""The shelf: styles found, added, pulled across to mix some of them in; the folder they lie in."""

from __future__ import annotations

import pytest
from PyQt6.QtCore import QPoint, Qt

from anole.core.edit.mixing import mixed
from anole.core.library import styles
from anole.core.model import Colour, ColourPaint, Fill, Style, to_json
from anole.studio.shared.shell import Stage
from anole.studio.styles.chip import CHIP, EDGE

from ..core.shapes import board
from .conftest import send_move

LEFT = Qt.MouseButton.LeftButton
PLAIN = Fill(id="f", paint=ColourPaint(colour=Colour(20, 120, 80)))


def spot(share: float) -> QPoint:
    return QPoint(round(EDGE + share * (CHIP.width() - 2 * EDGE)), 30)


@pytest.fixture
def pulled(open_window, settle, qtbot):
    window = open_window(board(PLAIN, text="AB"))
    window.show_stage(Stage.COAT)
    window.selection.choose("words", "f")
    settle(window)
    chip = window.shelf.row.reveal("candy drop")
    qtbot.mousePress(chip, LEFT, pos=spot(0.1))
    return window, chip


def test_it_is_seen_while_it_is_pulled_and_one_step_when_let_go(pulled, qtbot):
    window, chip = pulled
    before = window.document.board
    for share in (0.3, 0.5):
        send_move(chip, spot(share))
    assert window.document.board == before
    assert window.document.shown != before
    assert chip.share == pytest.approx(0.5, abs=0.02)
    qtbot.mouseRelease(chip, LEFT, pos=spot(0.5))
    style = window.selection.coated.style
    wanted = mixed((PLAIN,), chip.stored.style.coats, 0.5)
    assert [type(c) for c in style] == [type(c) for c in wanted]
    assert style[0].opacity == pytest.approx(wanted[0].opacity, abs=0.02)
    assert window.selection.coated.worn is None
    assert window.document.history.steps[-1].name.endswith("% candy drop")
    window.document.undo()
    assert window.document.board == before


def test_all_of_it_is_the_style_and_nothing_of_it_changes_nothing(pulled, qtbot):
    window, chip = pulled
    before = window.document.board
    send_move(chip, spot(0.5))
    send_move(chip, spot(-0.5))
    qtbot.mouseRelease(chip, LEFT, pos=spot(-0.5))
    assert window.document.board == before and window.document.shown == before
    qtbot.mousePress(chip, LEFT, pos=spot(0.1))
    send_move(chip, spot(1.4))
    qtbot.mouseRelease(chip, LEFT, pos=spot(1.4))
    assert window.selection.coated.worn.name == "candy drop"


def test_styles_that_come_into_the_folder_are_on_the_shelf(open_window, qtbot):
    window = open_window(board(PLAIN, text="AB"))
    window.show_stage(Stage.COAT)

    def names() -> list[str]:
        return [one.style.name for one in window.shelf.shown]

    path = styles.folder() / "from-a-friend.anolestyle"
    path.write_bytes(to_json(Style(name="from a friend", coats=(PLAIN,))))
    qtbot.waitUntil(lambda: "from a friend" in names(), timeout=10_000)
    path.write_bytes(to_json(Style(name="renamed", coats=(PLAIN,))))
    qtbot.waitUntil(lambda: "renamed" in names(), timeout=10_000)
    path.unlink()
    qtbot.waitUntil(lambda: "renamed" not in names(), timeout=10_000)


def test_a_click_still_puts_it_on(pulled, qtbot):
    window, chip = pulled
    qtbot.mouseRelease(chip, LEFT, pos=spot(0.1))
    assert window.selection.coated.worn.name == "candy drop"


def test_a_style_is_added_on_top_and_beneath(pulled, qtbot):
    window, chip = pulled
    qtbot.mouseRelease(chip, LEFT, pos=QPoint(-200, -200))
    before, coats = window.document.board, len(chip.stored.style.coats)
    chip.setFocus()
    window.actions_by_id["style on top"].trigger()
    style = window.selection.coated.style
    assert style[0].id == "f" and len(style) == coats + 1
    window.actions_by_id["style beneath"].trigger()
    style = window.selection.coated.style
    assert style[coats].id == "f" and len(style) == 2 * coats + 1
    assert len({coat.id for coat in style}) == len(style)
    window.document.undo()
    window.document.undo()
    assert window.document.board == before


def test_styles_are_found_as_one_types(open_window, qtbot):
    window = open_window(board(PLAIN, text="AB"))
    window.show_stage(Stage.COAT)

    def shown() -> set[str]:
        return {one.style.name for one in window.shelf.shown}

    everything = shown()
    qtbot.keyClicks(window.shelf.search, "metal trophy")
    assert shown() == {"cup gold"}
    window.shelf.search.clear()
    assert shown() == everything
    qtbot.keyClicks(window.shelf.search, "no such style")
    assert not shown()


def test_a_deleted_style_is_brought_back(open_window, qtbot):
    window = open_window(board(PLAIN, text="AB"))
    window.show_stage(Stage.COAT)
    assert window.shelf.save_as("mine")
    chip = window.shelf.row.reveal("mine")
    chip.setFocus()
    window.actions_by_id["delete style"].trigger()
    assert "mine" not in [one.style.name for one in window.shelf.shown]
    assert "mine" in window.status.question.text()
    qtbot.mouseClick(window.status.answers[0], LEFT)
    assert "mine" in [one.style.name for one in window.shelf.shown]
    found = window.shelf.row.reveal("mine").stored.style
    assert [type(coat) for coat in found.coats] == [Fill]
