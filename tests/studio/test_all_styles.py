"""All styles on the chosen words: found, sorted, walked by keys, taken or left."""

from __future__ import annotations

import msgspec
import pytest
from PyQt6.QtCore import Qt

from anole.core.edit.wearing import put_style
from anole.core.library import sets, styles
from anole.core.model import Fill, Ground, Length, Stroke, Style
from anole.studio.shared.shell import Stage
from anole.studio.styles.all_styles import MINE
from anole.studio.styles.on_words import area_round

from ..core.shapes import board

Key, LEFT = Qt.Key, Qt.MouseButton.LeftButton


def start_board():
    made = board(Fill(id="f"), text="LAP")
    return msgspec.structs.replace(made, pieces=(Ground(id="under"), *made.pieces))


@pytest.fixture
def opened(open_window, settle):
    window = open_window(start_board())
    window.show_stage(Stage.COAT)
    window.selection.choose("words")
    window.do("all styles")
    settle(window)
    return window, window.style_pages.all


def names(page) -> list[str]:
    return [stored.style.name for stored in page.wall.styles]


@pytest.mark.every_style
def test_every_style_is_there_over_the_real_ground(opened, settle):
    window, page = opened
    assert set(names(page)) == {stored.style.name for stored in styles.built_in()}
    seen = [page.wall.styles[n].style for n in page.wall.seen()]
    assert len(seen) >= 12
    for style in seen:
        image = page.wall.picture(style.name)
        assert image is not None and image.width() >= page.wall.size_of_picture.width()
    assert window.document.shown == window.document.board


def test_arrows_walk_and_enter_takes_as_one_step(opened, qtbot):
    window, page = opened
    before = len(window.document.history.steps)
    for key in (Key.Key_Right, Key.Key_Right, Key.Key_Down):
        qtbot.keyClick(page.wall, key)
    chosen = page.wall.stored_style.style
    assert page.wall.index == 2 + page.wall.columns
    qtbot.keyClick(page.wall, Key.Key_Return)
    assert window.pages.currentIndex() == 0
    assert window.selection.coated.worn.name == chosen.name
    assert len(window.document.history.steps) == before + 1
    window.document.undo()
    assert window.selection.coated.style == (Fill(id="f"),)


def test_escape_leaves_all_as_it_was(opened, qtbot):
    window, page = opened
    board_before, steps = window.document.board, window.document.history.steps
    qtbot.keyClick(page.wall, Key.Key_Down)
    qtbot.keyClick(page.wall, Key.Key_Escape)
    assert window.pages.currentIndex() == 0
    assert window.document.board is board_before and window.document.history.steps == steps


def test_letters_typed_anywhere_search(opened, qtbot):
    _, page = opened
    qtbot.keyClicks(page.wall, "gold")
    assert page.search.text() == "gold"
    shown = names(page)
    assert "cup gold" in shown and "rink tube" not in shown
    assert all(styles.is_found(styles.find(name), "gold") for name in shown)
    page.search.clear()
    assert len(names(page)) == len(styles.built_in())


def test_orders(opened, settle):
    window, page = opened

    def order(kind: str) -> list[str]:
        page.order.set_value(kind)
        page.order.picked.emit()
        settle(window)
        return names(page)

    assert order("name") == sorted(names(page), key=str.casefold)
    page.wall.mark("cup gold")
    like = order("like")
    assert like[0] == "cup gold"
    assert like.index("foundry bronze") < like.index("rink tube")
    by_colour = order("colour")
    assert by_colour.index("pond ice") > by_colour.index("cup gold")
    assert set(by_colour) == set(like)


def test_favourites_and_sets_are_marked_and_shown(opened, qtbot, settle):
    window, page = opened
    page.wall.mark("deep pool")
    qtbot.mouseClick(page.marked.favourite, LEFT)
    assert sets.styles_in("favourites") == ("deep pool",)
    assert "deep pool" in page.wall.favourites
    page.marked.sets.setText("this season, loud")
    page.marked.sets.editingFinished.emit()
    assert sets.styles_in("loud") == sets.styles_in("this season") == ("deep pool",)
    page.among.set_value("loud")
    page.among.picked.emit()
    assert names(page) == ["deep pool"]
    page.marked.sets.setText("this season")
    page.marked.sets.editingFinished.emit()
    assert sets.styles_in("loud") == ()
    assert window.shelf.chips[0].stored.style.name == "deep pool"


def test_a_style_of_ones_own_is_described_and_renamed(opened, qtbot):
    window, page = opened
    assert page.marked.name.isReadOnly()
    assert window.styles.duplicate(styles.find("deep pool"))
    page.among.set_value(MINE)
    page.among.picked.emit()
    assert names(page) == ["deep pool 2"]
    marked = page.marked
    assert not marked.name.isReadOnly()
    marked.words.setText("pool,  summer , pool")
    marked.words.editingFinished.emit()
    marked.notes.setPlainText("For the gala.")
    marked.notes.setFocus()
    marked.author.setFocus()
    marked.name.setText("gala")
    marked.name.editingFinished.emit()
    found = styles.find("gala")
    assert (found.words, found.notes) == (("pool", "summer"), "For the gala.")
    assert found.coats == styles.find("deep pool").coats
    marked.name.setText("cup gold")
    marked.name.editingFinished.emit()
    assert "already" in window.status.text.text()
    assert names(page) == ["gala"] and marked.name.text() == "gala"


def test_pictures_seen_before_are_there_at_once(opened, settle):
    window, page = opened
    first = page.wall.styles[0].style.name
    window.leave_page()
    drawn: list = []
    window.worker.drawn.connect(lambda key, _: drawn.append(key[0]))
    window.do("all styles")
    settle(window)
    assert page.wall.picture(first) is not None
    assert "all" not in drawn


def test_small_words_are_shown_near_and_large_ones_with_the_whole_board():
    small = board(Fill(id="f"), text="I")
    words = msgspec.structs.replace(small.lettering("words"), size=Length(20.0, "px"))
    near = area_round(msgspec.structs.replace(small, pieces=(words,)), "words")
    wide, high = near[2] - near[0], near[3] - near[1]
    assert wide < small.width / 2 and wide / high == pytest.approx(16 / 9)
    assert near[0] >= 0 and near[3] <= small.height
    large = msgspec.structs.replace(words, size=Length(400.0, "px"), text="WIDE WORDS")
    whole = area_round(msgspec.structs.replace(small, pieces=(large,)), "words")
    assert whole == (0, 0, small.width, small.height)


# colours


@pytest.mark.parametrize("whose", ["words", "ground", "145"])
def test_styles_are_put_on_in_other_colours(open_window, settle, whose):
    window = open_window(put_style(start_board(), "words", styles.find("candy drop")))
    window.show_stage(Stage.COAT)
    window.selection.choose("words")
    window.shelf.side.colours.choose(whose)
    chip = window.shelf.row.reveal("cup gold")
    chip.click()
    worn, own = window.selection.coated.style, styles.find("cup gold").coats
    assert [type(c) for c in worn] == [type(c) for c in own]
    assert worn[3].paint != own[3].paint
    assert window.selection.coated.worn.name == "cup gold"
    assert "changed" not in window.shelf.side.worn.text()


# what is worn


@pytest.fixture
def dressed(open_window, settle):
    """Two pieces that wear a style of one's own, one of them chosen."""
    club = Style(name="club", notes="ours", coats=(Fill(id="f"), Stroke(id="s")))
    styles.keep(club)
    made = start_board()
    other = msgspec.structs.replace(made.lettering("words"), id="other", name="Other", style=())
    made = msgspec.structs.replace(made, pieces=(*made.pieces, other))
    mark = styles.digest(club.coats)
    for piece in ("words", "other"):
        made = put_style(made, piece, club, mark)
    window = open_window(made)
    window.show_stage(Stage.COAT)
    window.selection.choose("words")
    coat = window.selection.coated.style[0].id
    from anole.core.edit.coats import change_coat

    window.document.apply("fade", lambda b: change_coat(b, "words", coat, opacity=0.5))
    settle(window)
    return window


def test_changes_are_carried_into_the_style_and_reach_the_others(dressed, qtbot):
    window = dressed
    assert window.shelf.side.worn.text() == "club, changed"
    window.actions_by_id["carry"].trigger()
    found = styles.find("club")
    assert found.coats[0].opacity == 0.5 and found.notes == "ours"
    assert window.shelf.side.worn.text() == "club"
    reach = next(a for a in window.status.answers if "other one" in a.text())
    assert window.document.board.coated("other").style[0].opacity == 1.0
    qtbot.mouseClick(reach, LEFT)
    assert window.document.board.coated("other").style[0].opacity == 0.5


def test_the_change_of_the_style_is_undone_from_the_foot(dressed, qtbot):
    window = dressed
    window.actions_by_id["carry"].trigger()
    undo = next(a for a in window.status.answers if "Undo" in a.text())
    qtbot.mouseClick(undo, LEFT)
    assert styles.find("club").coats[0].opacity == 1.0


def test_strip_back_and_cut_loose(dressed):
    window = dressed
    window.actions_by_id["strip back"].trigger()
    assert window.selection.coated.style[0].opacity == 1.0
    assert not window.actions_by_id["strip back"].isEnabled()
    window.actions_by_id["cut loose"].trigger()
    assert window.selection.coated.worn is None
    assert window.shelf.side.worn.text() == "No saved style"


def test_boards_in_a_folder_are_reached_and_keep_a_backup(dressed, tmp_path, settle):
    from anole.core.files import board_file
    from anole.core.files.backup import backup_path
    from anole.studio.commands.worn import reach_boards

    window = dressed
    file = tmp_path / "season.anole"
    board_file.write(file, board_file.StoredBoard(window.document.history.steps[0].board), b"")
    (tmp_path / "broken.anole").write_bytes(b"nothing")
    window.actions_by_id["carry"].trigger()
    reach_boards(window.session, tmp_path, styles.find("club"))
    settle(window)
    found = board_file.read(file).board
    assert [found.coated(i).style[0].opacity for i in ("words", "other")] == [0.5, 0.5]
    assert "2 pieces on 1 board" in window.status.text.text()
    assert "broken.anole" in window.status.text.text()
    assert backup_path(file, "state").exists()


def test_saving_under_a_name_that_is_there_asks_first(dressed, qtbot):
    window = dressed
    window.do("save style")
    window.shelf.name.setText("club")
    qtbot.keyClick(window.shelf.name, Key.Key_Return)
    assert styles.find("club").coats[0].opacity == 1.0
    answer = next(a for a in window.status.answers if "club 2" in a.text())
    qtbot.mouseClick(answer, LEFT)
    assert styles.find("club 2").coats[0].opacity == 0.5
    assert styles.find("club").coats[0].opacity == 1.0
    assert window.selection.coated.worn.name == "club 2"


def test_lengths_in_px_are_offered_as_em_once(open_window, qtbot, settle):
    from anole.core.model import Position, Span

    wide = Span(from_=Position(-9.0, "px"), to=Position(0.0, "em"))
    styles.keep(Style(name="fixed", coats=(Stroke(id="s", span=wide), Fill(id="f"))))
    window = open_window(start_board())
    window.show_stage(Stage.COAT)
    window.selection.choose("words")
    chip = window.shelf.row.reveal("fixed")
    chip.click()
    assert "One length" in window.status.question.text()
    qtbot.mouseClick(window.status.answers[0], LEFT)
    assert window.selection.coated.style[0].span.from_.unit == "em"
    chip.click()
    assert not window.status.asks
    assert window.selection.coated.style[0].span.from_ == Position(-9.0, "px")


def test_one_coat_of_a_style_goes_on_the_words(open_window, settle):
    from .menus import choices

    window = open_window(start_board())
    window.show_stage(Stage.COAT)
    window.selection.choose("words")
    chip = window.shelf.row.reveal("cup gold")
    chip.setFocus()
    one = next(
        a for a in choices(window, "Style", "Add one coat of the style") if a.text() == "rim"
    )
    one.trigger()
    assert sorted(c.name for c in window.selection.coated.style) == ["", "rim"]


# the test strip


def test_the_strip_goes_along_one_number_and_a_tile_is_taken(open_window, qtbot, settle):
    window = open_window(put_style(start_board(), "words", styles.find("title shout")))
    window.selection.choose("words")
    worn = window.selection.coated.worn
    window.do("test strip")
    settle(window)
    strip = window.style_pages.strip
    assert len(strip.wall.styles) == 12
    before = [one.style.coats for one in strip.wall.styles]
    qtbot.keyClick(strip.wall, Key.Key_R)
    assert [one.style.coats for one in strip.wall.styles][1:] != before[1:]
    strip.first.set_value(next(o for o in strip.first.options if "span" in o))
    strip.first.picked.emit()
    assert len(strip.wall.styles) == 9 and strip.wall.columns == 3
    assert strip.wall.styles[strip.wall.index].style.coats == window.selection.coated.style
    strip.second.set_value(strip.second.options[3])
    strip.second.picked.emit()
    assert len(strip.wall.styles) == 25
    taken = strip.wall.styles[0].style.coats
    strip.wall.mark(strip.wall.styles[0].style.name)
    qtbot.keyClick(strip.wall, Key.Key_Return)
    assert styles.digest(window.selection.coated.style) == styles.digest(taken)
    assert window.selection.coated.worn == worn
    window.document.undo()
    assert styles.digest(window.selection.coated.style) == worn.digest or worn.digest == ""


# packs


def test_a_dropped_pack_is_shown_before_anything_comes_in(open_window, qtbot, settle, tmp_path):
    from anole.core.files import pack_file
    from anole.core.model.pack import Pack
    from anole.studio.exchange.dropping import take

    mine = Style(name="cup gold", coats=(Fill(id="f"),))
    new = Style(name="brand new", notes="made at night", coats=(Stroke(id="s"), Fill(id="f")))
    path = tmp_path / "gift.anolepack"
    pack_file.write(path, Pack(name="Gift", author="A. Wheeler", styles=(mine, new)))
    window = open_window(start_board())
    window.selection.choose("words")
    take(window.session, [path])
    settle(window)
    page = window.style_pages.pack
    assert window.pages.currentWidget() is page
    assert names(page) == ["cup gold", "brand new"]
    assert not styles.folder().exists() or not list(styles.folder().glob("*.anolestyle"))
    assert "A. Wheeler" in page.about.text() and page.taken.isVisible()
    qtbot.mouseClick(page.all, LEFT)
    assert window.pages.currentIndex() == 0
    kept = {e.style.name for e in styles.library()[0] if e.own}
    assert kept == {"cup gold 2", "brand new"}
    assert styles.find("cup gold") in [e.style for e in styles.built_in()]


def test_a_broken_pack_is_told_and_shows_nothing(open_window, settle, tmp_path):
    path = tmp_path / "bad.anolepack"
    path.write_bytes(b"PK nothing")
    window = open_window(start_board())
    window.take_styles(path)
    settle(window)
    assert "bad.anolepack" in window.status.text.text()
    assert window.pages.currentIndex() == 0


def test_styles_are_exported_and_put_on_a_sheet(opened, qtbot, settle, tmp_path):
    from anole.core.files import pack_file

    window, page = opened
    qtbot.keyClicks(page.wall, "winter")
    shown = [stored.style for stored in page.shown]
    window.style_pages.files.export(tmp_path / "w.anolepack", shown)
    window.style_pages.files.sheet(tmp_path / "w.pdf", shown)
    settle(window)
    assert pack_file.read(tmp_path / "w.anolepack").pack.styles == tuple(shown)
    assert (tmp_path / "w.pdf").read_bytes().startswith(b"%PDF")
