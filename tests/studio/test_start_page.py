"""The start page: words typed, styles live on them, boards by purpose, recent ones, brought back."""

from __future__ import annotations

import zipfile

import numpy as np
import pytest
from PyQt6.QtCore import Qt

from anole.core.edit.fitting import ink
from anole.core.edit.pieces import change_piece
from anole.core.library import styles
from anole.core.model import Fill
from anole.core.render.export import rgba
from anole.studio.documents.purposes import PURPOSES
from anole.studio.documents.recovery import found
from anole.studio.start.beginning import Beginning, dressed_board
from anole.studio.start.page import EXAMPLE

from ..core.shapes import board
from .test_keeping import crash

LEFT = Qt.MouseButton.LeftButton
WORDS = "ROLLER BOUT"


@pytest.fixture
def started(open_window, settle):
    def start():
        window = open_window()
        window.document.start(window.document.board)
        window.show_start()
        settle(window)
        return window

    return start


def type_words(window, qtbot, text=WORDS):
    qtbot.keyClicks(window.start.words, text)


def pixels(image):
    """(h, w, 3) of a QImage."""
    image = image.convertToFormat(image.Format.Format_RGB888)
    data = np.frombuffer(image.constBits().asarray(image.sizeInBytes()), np.uint8)
    rows = data.reshape(image.height(), image.bytesPerLine())
    return rows[:, : image.width() * 3].reshape(image.height(), image.width(), 3).copy()


@pytest.mark.every_style
def test_every_style_is_seen_on_the_words_that_are_typed(started, qtbot, settle):
    window = started()
    assert window.focusWidget() is window.start.words
    wall = window.start.wall
    names = [one.style.name for one in styles.library()[0]]
    before = {name: pixels(wall.picture(name)) for name in names if wall.picture(name)}
    type_words(window, qtbot)
    settle(window)
    seen = [wall.styles[n].style.name for n in wall.seen()]
    assert len(seen) >= 12
    for name in seen:
        assert not np.array_equal(pixels(wall.picture(name)), before[name]), name
    # a picture is the very board that a click opens
    purpose, style = PURPOSES[0], styles.find("cup gold")
    ratio = wall.size_of_picture.width() / purpose.width
    wanted = rgba(dressed_board(WORDS, Beginning(purpose), style), ratio)[..., :3]
    assert np.array_equal(pixels(wall.picture("cup gold")), wanted)
    # the rest comes as it is scrolled to
    bar = wall.verticalScrollBar()
    while bar.value() < bar.maximum():
        bar.setValue(bar.value() + wall.viewport().height() // 2)
        settle(window)
    assert all(wall.picture(name) is not None for name in names)


def test_a_click_opens_a_board_with_the_words_dressed(started, qtbot, settle):
    window = started()
    type_words(window, qtbot)
    wall = window.start.wall
    number = next(n for n, one in enumerate(wall.styles) if one.style.name == "hue run")
    qtbot.mouseClick(wall.viewport(), LEFT, pos=wall.tile(number).center())
    settle(window)
    words, made = window.selection.lettering, window.document.board
    assert (made.width, made.height) == (PURPOSES[0].width, PURPOSES[0].height)
    assert words.text.split() == WORDS.split()
    assert words.worn.name == "hue run"
    assert words.worn.digest == styles.digest(words.style)
    assert window.panels.isVisible()
    # it is work that closing asks about, and undo leaves the empty board
    assert not window.document.is_saved
    window.document.undo()
    assert len(window.document.board.pieces) == 1


@pytest.fixture
def four_styles(monkeypatch):
    few = styles.built_in()[:4]
    monkeypatch.setattr(styles, "built_in", lambda: few)


@pytest.mark.usefixtures("four_styles")
@pytest.mark.parametrize("number", range(len(PURPOSES)))
def test_enter_takes_the_marked_style_on_any_board(number, started, qtbot, settle):
    window = started()
    window.start.purposes.group.buttons()[number].click()
    type_words(window, qtbot, "SIX WHEELS AND A WHISTLE")
    for _ in range(3):
        qtbot.keyClick(window.start.wall, Qt.Key.Key_Right)
    name = window.start.wall.styles[3].style.name
    qtbot.keyClick(window.start.words, Qt.Key.Key_Return)
    settle(window)
    purpose, made = PURPOSES[number], window.document.board
    assert (made.width, made.height, made.dpi) == (purpose.width, purpose.height, purpose.dpi)
    assert window.selection.lettering.worn.name == name


def test_a_size_of_ones_own_is_remembered(started, open_window, qtbot):
    window = started()
    purposes = window.start.purposes
    purposes.group.buttons()[-1].click()
    for field, text in ((purposes.width_field, "900"), (purposes.height_field, "300")):
        field.setFocus()
        field.selectAll()
        qtbot.keyClicks(field, text)
        qtbot.keyClick(field, Qt.Key.Key_Return)
    assert (purposes.purpose.width, purposes.purpose.height) == (900, 300)
    field = purposes.width_field
    field.selectAll()
    qtbot.keyClicks(field, "9" * 30)
    qtbot.keyClick(field, Qt.Key.Key_Return)
    assert purposes.purpose.width == 32_000
    again = open_window()
    again.show_start()
    assert (again.start.purposes.purpose.width, again.start.purposes.purpose.height) == (
        32_000,
        300,
    )


def test_escape_gives_an_empty_board_of_the_purpose(started, qtbot, settle):
    window = started()
    window.start.purposes.group.buttons()[2].click()
    qtbot.keyClick(window.start.words, Qt.Key.Key_Escape)
    settle(window)
    assert window.pages.currentIndex() == 0
    assert (window.document.board.width, window.document.board.height) == (1000, 1000)
    assert len(window.document.board.pieces) == 1


def test_escape_leaves_a_board_that_is_open_as_it_is(open_window, qtbot):
    window = open_window(board(text="KEPT"))
    window.document.apply("Type", lambda b: change_piece(b, "words", text="KEPT STILL"))
    window.show_start()
    qtbot.keyClick(window.start.words, Qt.Key.Key_Escape)
    assert window.document.board.lettering("words").text == "KEPT STILL"
    assert window.pages.currentIndex() == 0


@pytest.mark.usefixtures("four_styles")
@pytest.mark.parametrize("text", ["wheel " * 300, "🛼🔥", "   \t ", "ليلة السباق", "\x00\x07"])
def test_any_words_can_be_typed(text, started, qtbot, settle):
    window = started()
    window.start.words.setPlainText(text)
    settle(window)
    wall = window.start.wall
    assert wall.picture(wall.styles[0].style.name) is not None
    qtbot.keyClick(window.start.words, Qt.Key.Key_Return)
    qtbot.waitUntil(lambda: window.worker.idle, timeout=90_000)
    words = window.selection.lettering
    assert words.text.split() == (text.split() or EXAMPLE.split())
    # fitted, whatever there is to fit
    made = window.document.board
    x0, y0, x1, y1 = ink(words, made) or (0, 0, 0, 0)
    assert x0 >= 0 and y0 >= 0
    assert x1 <= made.width and y1 <= made.height


def test_recent_boards_have_their_pictures_and_a_gone_one_is_said(started, qtbot, settle, tmp_path):
    window = started()
    path, gone = tmp_path / "spring.anole", tmp_path / "gone.anole"
    assert window.files.save_to(path)
    window.settings.add_recent(gone)
    window.show_start()
    cards = window.start.cards.cards
    qtbot.waitUntil(lambda: cards[str(path)].image is not None, timeout=20_000)
    assert cards[str(gone)].gone
    assert "not there" in cards[str(gone)].about
    assert all(cards[str(p)].image is not None for p in window.start.cards.demos)
    # kept, and said when it is asked for; nothing is lost
    qtbot.mouseClick(cards[str(gone)], LEFT)
    settle(window)
    assert "gone.anole" in window.status.text.text()
    assert gone in window.settings.recent
    window.start.cards.cards[str(gone)].unwanted.emit()
    assert gone not in window.settings.recent
    qtbot.mouseClick(window.start.cards.cards[str(path)], LEFT)
    settle(window)
    assert window.document.path == path
    assert window.pages.currentIndex() == 0


@pytest.mark.parametrize("data", [b"", b"PK\x03\x04", b"\x89PNG\r\n\x1a\n" + b"\0" * 64])
def test_a_board_whose_picture_is_broken_is_said(data, started, qtbot, tmp_path):
    window = started()
    whole, bare = tmp_path / "broken.anole", tmp_path / "bare.anole"
    whole.write_bytes(data)
    with zipfile.ZipFile(bare, "w") as box:
        box.writestr("preview.png", data)
    for path in (whole, bare):
        window.settings.add_recent(path)
    window.show_start()
    cards = window.start.cards.cards
    qtbot.waitUntil(lambda: cards[str(whole)].gone, timeout=20_000)
    assert cards[str(bare)].image is None


def test_what_was_not_closed_stands_there_as_a_card(started, open_window, qtbot, settle):
    window = open_window(board(Fill(id="f"), text="LATE NIGHT"))
    window.document.apply("Type", lambda b: change_piece(b, "words", text="LATER NIGHT"))
    crash(window, qtbot)
    (path, _), *rest = found()
    assert not rest
    again = started()
    card = again.start.cards.cards[str(path)]
    qtbot.waitUntil(lambda: card.image is not None, timeout=20_000)
    assert len({*map(tuple, pixels(card.image).reshape(-1, 3).tolist())}) > 3
    qtbot.mouseClick(card, LEFT)
    settle(again)
    assert again.document.board.lettering("words").text == "LATER NIGHT"
    assert again.pages.currentIndex() == 0


def test_throwing_away_what_was_not_closed_is_asked(started, open_window, qtbot):
    window = open_window(board(text="LATE"))
    window.document.apply("Type", lambda b: change_piece(b, "words", text="LATER"))
    crash(window, qtbot)
    again = started()
    again.start.cards.cards[str(found()[0][0])].remove.click()
    assert again.status.asks
    assert len(found()) == 1
    again.status.answers[0].click()
    assert found() == []


def test_keys_go_from_the_field_to_the_wall_and_back(started, qtbot):
    window = started()
    words, wall = window.start.words, window.start.wall
    qtbot.keyClick(words, Qt.Key.Key_Down)
    assert window.focusWidget() is wall
    qtbot.keyClick(wall, Qt.Key.Key_Down)
    assert wall.index == wall.columns
    qtbot.keyClick(wall, Qt.Key.Key_Up)
    qtbot.keyClick(wall, Qt.Key.Key_Up)
    assert window.focusWidget() is words
    # a line that is broken by hand stays so
    qtbot.keyClicks(words, "ONE")
    qtbot.keyClick(words, Qt.Key.Key_Return, Qt.KeyboardModifier.ShiftModifier)
    qtbot.keyClicks(words, "TWO THREE")
    qtbot.keyClick(words, Qt.Key.Key_Return)
    assert window.selection.lettering.text == "ONE\nTWO THREE"


def test_tiles_share_the_width_at_any_size_and_shape(started):
    window = started()
    wall = window.start.wall
    for width in (1100, 1280, 1700):
        window.resize(width, 800)
        for button in window.start.purposes.group.buttons():
            button.click()
            room = wall.viewport().width()
            last = wall.tile(wall.columns - 1).right()
            assert last < room, (width, button.purpose.title)
            if wall.columns > 1:
                assert room - last < wall.size_of_picture.width() * 0.6 + 14


def test_a_board_that_cannot_be_read_keeps_the_page(started, qtbot, settle, tmp_path):
    window = started()
    path = tmp_path / "bad.anole"
    path.write_bytes(b"no board")
    window.files.open(path)
    settle(window)
    assert "bad.anole" in window.status.text.text()
    assert window.pages.currentWidget() is window.start
