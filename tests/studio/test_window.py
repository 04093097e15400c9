"""The window's ways: stages, files, messages, undo, looking without changing."""

import pytest
from PyQt6.QtCore import QPoint, QPointF, Qt
from PyQt6.QtWidgets import QAbstractButton, QComboBox, QLineEdit, QPlainTextEdit, QWidget

from anole.core.edit.pieces import change_piece
from anole.core.files import board_file
from anole.core.model import Fill, Font, Glow, Shadow, Stroke
from anole.studio.commands import COMMANDS
from anole.studio.look import theme
from anole.studio.shared.shell import Stage
from anole.studio.shots import views

from ..core.shapes import board, paint
from .menus import entries

LEFT = Qt.MouseButton.LeftButton
STYLED = board(Shadow(id="h"), Stroke(id="s"), Fill(id="f"))


def test_stages_show_what_belongs_to_them(open_window, qtbot):
    window = open_window(STYLED)
    for number, parts in (
        (Stage.COAT, (window.shelf, window.build_up, window.coat)),
        (Stage.PROOF, (window.panels.middle.widget(1), window.export)),
        (Stage.ARRANGE, (window.pieces, window.arrange)),
    ):
        qtbot.keyClick(window, Qt.Key(Qt.Key.Key_1 + number), Qt.KeyboardModifier.AltModifier)
        assert window.stage == number
        assert all(part.isVisible() for part in parts)
    qtbot.keyClick(window, Qt.Key.Key_F9)
    assert not window.panels.left.isVisible()
    qtbot.keyClick(window, Qt.Key.Key_F9)
    assert window.panels.left.isVisible()


def test_the_board_view_shows_the_rendered_board(open_window):
    window = open_window(board(Fill(id="f", paint=paint("#ff0000")), text="I", size=150))
    spot = window.view.transform_now().to_widget(160, 90).toPoint()
    assert window.view.grab().toImage().pixelColor(spot).name() == "#ff0000"


def test_pieces_are_hidden_locked_and_chosen_in_the_list(open_window, qtbot, settle):
    window = open_window(STYLED)
    view = window.pieces.viewport()
    from anole.studio.arrange.pieces_list import icon_boxes

    rect = window.pieces.visualItemRect(window.pieces.item(0))
    eye, lock = icon_boxes(rect)
    qtbot.mouseClick(view, LEFT, pos=eye.center().toPoint())
    qtbot.mouseClick(view, LEFT, pos=lock.center().toPoint())
    words = window.document.board.lettering("words")
    assert (words.shown, words.locked) == (False, True)
    qtbot.mouseClick(view, LEFT, pos=window.pieces.visualItemRect(window.pieces.item(1)).center())
    assert window.selection.piece_id == "ground"
    assert window.arrange.section("fields").panel.isVisible()
    settle(window)
    assert set(window.pieces.images) == {"words", "ground"}


def test_a_font_is_looked_at_and_taken(open_window, qtbot):
    window = open_window(STYLED)
    fonts = window.arrange.section("words").fonts
    fonts.search.setText("cartoon")
    assert [row.family for row in fonts.model.rows] == ["Lilita One"]
    index = fonts.model.index(0)
    fonts.list.entered.emit(index)
    assert window.document.shown.lettering("words").font.family == "Lilita One"
    assert window.document.board == STYLED
    fonts.look_back()
    assert window.document.shown == STYLED
    qtbot.mouseClick(fonts.list.viewport(), LEFT, pos=fonts.list.visualRect(index).center())
    assert window.selection.lettering.font.family == "Lilita One"
    assert fonts.recent == ["Lilita One"]


def test_words_are_pinned_nudged_scaled_and_undone(open_window, qtbot, drag):
    window = open_window(STYLED)
    document, selection = window.document, window.selection
    qtbot.mouseClick(window.arrange.section("place").pin, LEFT, pos=QPoint(12, 12))
    assert selection.lettering.place.anchor == "top-left"
    window.view.setFocus()
    qtbot.keyClick(window.view, Qt.Key.Key_Right, Qt.KeyboardModifier.ShiftModifier)
    qtbot.keyClick(window.view, Qt.Key.Key_Right)
    assert selection.lettering.place.x == 20
    corner = next(h.at for h in window.tools.pulling.handles() if h.which == "bottom_right")
    size = selection.lettering.size.value
    drag(window.view, corner, corner + QPointF(30, 30))
    assert selection.lettering.size.value > size * 1.1
    names = [s.name for s in document.history.steps]
    assert names == ["Open", "Pin", "Nudge", "Size"]
    for _ in range(3):
        qtbot.keyClick(window, Qt.Key.Key_Z, Qt.KeyboardModifier.ControlModifier)
    assert document.board == STYLED
    assert not window.actions_by_id["undo"].isEnabled()


def test_typing_is_one_step(open_window, qtbot):
    window = open_window(STYLED)
    window.arrange.section("words").words.setFocus()
    qtbot.keyClicks(window.arrange.section("words").words, "SKATE ")
    assert window.selection.lettering.text == "SKATE HO"
    assert [s.name for s in window.document.history.steps] == ["Open", "Type"]


def test_a_style_is_looked_at_and_put_on_as_one_step(open_window, settle):
    window = open_window(STYLED)
    window.show_stage(Stage.COAT)
    settle(window)
    chip = window.shelf.chips[0]
    # those that are seen have their pictures, the others when they are scrolled to
    assert all(c.image is not None for c in window.shelf.chips[:6])
    last, bar = window.shelf.shown[-1], window.shelf.row.bar
    assert all(c.stored is not last for c in window.shelf.chips)
    bar.setValue(bar.maximum())
    settle(window)
    assert window.shelf.chips[-1].stored is last and window.shelf.chips[-1].image is not None
    chip = window.shelf.row.reveal(window.shelf.shown[0].style.name)
    chip.pointed.emit(True)
    assert window.document.shown != STYLED
    chip.pointed.emit(False)
    assert window.document.shown == STYLED
    chip.click()
    assert [s.name for s in window.document.history.steps] == [
        "Open",
        f"Style: {chip.stored.style.name}",
    ]


def test_holding_h_shows_the_board_without_the_coat(open_window, qtbot):
    window = open_window(STYLED)
    window.show_stage(Stage.COAT)
    window.selection.choose("words", "s")
    qtbot.keyPress(window, Qt.Key.Key_H)
    assert not window.document.shown.lettering("words").style[1].on
    qtbot.keyRelease(window, Qt.Key.Key_H)
    assert window.document.shown == window.document.board == STYLED


@pytest.mark.parametrize("content", [b"", b"PK\x03\x04 junk", b"GIF89a"])
def test_a_bad_file_is_said_and_the_board_stays(open_window, settle, tmp_path, content):
    window = open_window(STYLED)
    path = tmp_path / "bad.anole"
    path.write_bytes(content)
    window.files.open(path)
    settle(window)
    assert window.document.board == STYLED
    assert "bad.anole" in window.status.text.text()
    assert window.status.isVisible()


def test_a_missing_font_is_said_and_the_words_kept(open_window, settle, tmp_path):
    path = tmp_path / "a.anole"
    made = change_piece(STYLED, "words", font=Font(family="Gone Sans"))
    board_file.write(path, board_file.StoredBoard(made), b"")
    window = open_window()
    window.files.open(path)
    settle(window)
    assert "Gone Sans" in window.status.text.text()
    assert window.document.board == made


def test_an_unwritable_folder_is_said(open_window, qtbot, tmp_path):
    window = open_window(STYLED)
    assert not window.files.save_to(tmp_path / "no" / "a.anole")
    assert "cannot write" in window.status.text.text()
    window.writing.to(tmp_path / "no" / "a.png")
    qtbot.waitUntil(lambda: window.writing.job is None, timeout=30_000)
    assert "cannot write" in window.status.text.text()


def test_a_picture_can_be_stopped(open_window, qtbot, tmp_path):
    window = open_window(STYLED)
    job = window.writing.to(tmp_path / "a.png", 40.0)
    qtbot.mouseClick(window.status.stop, LEFT)
    qtbot.waitUntil(lambda: window.writing.job is None, timeout=60_000)
    job.wait()
    assert "nothing was exported" in window.status.text.text()
    assert not list(tmp_path.iterdir())


def test_proof_counts_the_bytes_of_the_picture(open_window, settle, qtbot):
    window = open_window(STYLED)
    window.show_stage(Stage.PROOF)
    settle(window)
    qtbot.waitUntil(lambda: "PNG, " in window.export.bytes.text(), timeout=20_000)
    qtbot.waitUntil(lambda: "kB" in window.export.bytes.text(), timeout=20_000)
    window.export.fields.edited.emit("scale", 2.0, None)
    assert "640 × 360" in window.export.pixels.text()
    assert window.document.board.exports[0].scale == 2.0


def test_a_huge_board_and_ten_thousand_letters_stay_usable(open_window, qtbot, settle):
    from anole.studio.documents.board_files import new_board

    window = open_window(new_board(32_000, 32_000))
    qtbot.keyClick(window, Qt.Key.Key_T, Qt.KeyboardModifier.ControlModifier)
    settle(window)
    assert window.view.frame.box.width < 1200
    window.document.apply(
        "Type", lambda b: change_piece(b, window.selection.piece_id, text="wheels " * 1428)
    )
    qtbot.waitUntil(lambda: window.worker.idle, timeout=90_000)
    assert len(window.selection.lettering.text) == 9996


def test_commands_are_one_list_without_doubles(open_window):
    keys = [key for command in COMMANDS for key in command.keys]
    assert len(keys) == len(set(keys))
    window = open_window(STYLED)
    assert set(window.actions_by_id) == {command.id for command in COMMANDS}
    titles = {a.text() for a in entries(window, "Board")}
    assert {"Demo boards", "New board", "Recent boards"} <= titles


def test_what_can_be_used_has_a_name(open_window):
    window = open_window(board(Shadow(id="h"), Glow(id="g"), Fill(id="f")))
    for stage in (Stage.ARRANGE, Stage.COAT, Stage.PROOF):
        window.show_stage(stage)
        for kind in (QAbstractButton, QLineEdit, QComboBox, QPlainTextEdit):
            for widget in window.findChildren(kind):
                if widget.isVisible() and widget.focusPolicy() != Qt.FocusPolicy.NoFocus:
                    named = widget.accessibleName() or getattr(widget, "text", lambda: "")()
                    assert named, f"{widget} in {widget.parent()} has no name"


def test_text_stands_out_from_what_it_lies_on():
    def light(colour):
        parts = [int(colour[i : i + 2], 16) / 255 for i in (1, 3, 5)]
        linear = [p / 12.92 if p <= 0.04045 else ((p + 0.055) / 1.055) ** 2.4 for p in parts]
        return 0.2126 * linear[0] + 0.7152 * linear[1] + 0.0722 * linear[2]

    for dress in (theme.DARK, theme.LIGHT):
        pairs = [
            (dress.text, dress.panel),
            (dress.dim, dress.panel),
            (dress.dim, dress.raised),
            (dress.dim, dress.desk),
            (dress.text, dress.raised),
            (dress.on_leaf, dress.leaf),
            (dress.on_coral, dress.coral),
        ]
        for ink, paper in pairs:
            high, low = sorted((light(ink), light(paper)), reverse=True)
            assert (high + 0.05) / (low + 0.05) >= 4.5, (dress.name, ink, paper)


def test_it_works_small_and_light(open_window, settle):
    from PyQt6.QtWidgets import QApplication

    window = open_window(STYLED)
    window.resize(1100, 700)
    window.do("change theme")
    assert theme.theme().name == "light"
    for stage in (Stage.ARRANGE, Stage.COAT, Stage.PROOF):
        window.show_stage(stage)
        settle(window)
        for child in window.findChildren(QWidget):
            if child.isVisible() and child.parent() is window:
                assert window.rect().contains(child.geometry()), child
    theme.put_on(QApplication.instance(), theme.DARK)


@pytest.mark.deep
def test_the_shots_are_taken(open_window, tmp_path, qtbot, deep):
    window = open_window(STYLED)
    views(window, tmp_path, every=deep)
    assert {p.name for p in tmp_path.iterdir()} >= {"arrange.png", "coat.png", "proof.png"}


def test_icons_follow_the_dress(open_window, monkeypatch):
    from PyQt6.QtWidgets import QApplication

    window = open_window(STYLED)

    def ink():
        image = window.top.undo.icon().pixmap(16, 16).toImage()
        return {
            image.pixelColor(x, y).lightness()
            for x in range(image.width())
            for y in range(image.height())
            if image.pixelColor(x, y).alpha() > 200
        }

    dark, styled = max(ink()), []
    # looked for anew by every widget there is, the style takes seconds in a window in use
    monkeypatch.setattr(QApplication, "setStyle", styled.append)
    window.do("change theme")
    assert not styled
    assert max(ink()) < dark - 60
    theme.put_on(QApplication.instance(), theme.DARK)


@pytest.mark.parametrize(("late", "share"), [(9.0, 2), (-1.0, 4)])
def test_a_slow_frame_is_first_shown_smaller(open_window, settle, monkeypatch, late, share):
    from anole.studio.rendering import frame_maker

    window = open_window(STYLED)
    monkeypatch.setattr(frame_maker, "SLOW_SECONDS", -1.0)
    monkeypatch.setattr(frame_maker, "LATE_SECONDS", late)
    frames = []
    window.worker.framed.connect(lambda frame: frames.append((frame.scale, frame.image.width())))
    window.document.apply("Opacity", lambda b: change_piece(b, "words", opacity=0.5))
    settle(window)
    scale = window.view._request().scale
    assert [found for found, _ in frames] == pytest.approx([scale / share, scale])
    assert frames[0][1] == pytest.approx(frames[1][1] / share, abs=1)
    assert window.view.frame.scale == scale


def test_a_board_that_nobody_sees_is_painted_after_what_is_seen(open_window, settle, qtbot):
    window = open_window(STYLED)
    window.show_stage(Stage.PROOF)
    settle(window)
    order = []
    window.worker.framed.connect(lambda frame: order.append("frame"))
    window.worker.done.connect(lambda key, _: order.append(key[0]))
    window.document.apply("Opacity", lambda b: change_piece(b, "words", opacity=0.5))
    qtbot.waitUntil(lambda: "frame" in order and window.idle, timeout=30_000)
    assert order.index("proof") < order.index("frame")
    window.document.apply("Opacity", lambda b: change_piece(b, "words", opacity=0.4))
    window.show_stage(Stage.ARRANGE)
    settle(window)
    assert window.view.frame.board == window.document.shown
