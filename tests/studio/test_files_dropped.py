"""Files dropped on the real window, and what it remembers."""

from __future__ import annotations

import json
from importlib.resources import files
from pathlib import Path

import numpy as np
import pytest
from PIL import Image
from PyQt6.QtCore import QMimeData, QPointF, Qt, QUrl
from PyQt6.QtGui import QDropEvent

from anole.core.edit.pieces import change_piece
from anole.core.files import board_file
from anole.core.lettering.fonts import let_go
from anole.core.model import Fill, Grain, ImagePaint, Picture, Stroke
from anole.studio.documents.settings import MOST_RECENT, Settings
from anole.studio.exchange.dropping import MOST, TAKERS, files_in
from anole.studio.look.pixel_images import memory_of
from anole.studio.shared.shell import Stage

from ..core import colour_fonts
from ..core.shapes import board


def mime_of(*paths: Path) -> QMimeData:
    mime = QMimeData()
    mime.setUrls([QUrl.fromLocalFile(str(path)) for path in paths])
    return mime


@pytest.fixture
def drop(settle):
    """Let files fall on a window; gives back what the bar at the foot says then."""

    def fall(window, *paths: Path) -> str:
        mime = mime_of(*paths)
        event = QDropEvent(
            QPointF(400, 300),
            Qt.DropAction.CopyAction,
            mime,
            Qt.MouseButton.LeftButton,
            Qt.KeyboardModifier.NoModifier,
        )
        window.dropEvent(event)
        settle(window)
        return window.status.text.text() if window.status.isVisible() else ""

    return fall


@pytest.fixture
def picture(tmp_path):
    path = tmp_path / "grey.png"
    Image.fromarray(np.full((12, 20, 3), 90, np.uint8)).save(path)
    return path


def answer(window, start: str) -> None:
    next(b for b in window.status.answers if b.text().startswith(start)).click()


def test_a_picture_stands_on_the_board_and_asks_what_else_it_may_be(open_window, drop, picture):
    window = open_window(board(Stroke(id="s"), Fill(id="f")))
    drop(window, picture)
    piece = window.selection.piece
    assert isinstance(piece, Picture)
    assert (piece.width.value, piece.height.value) == (20, 12)
    assert [b.text() for b in window.status.answers] == [
        "Make it the ground", "Paint the words with it", "Keep it so",
    ]  # fmt: skip
    # each answer is seen before it is given
    before = window.document.board
    window.status.answers[0].pointed.emit(True)
    assert isinstance(window.document.shown.pieces[0].paint, ImagePaint)
    window.status.answers[0].pointed.emit(False)
    assert window.document.shown == window.document.board == before
    # as the ground it is in one step, and back by undo
    answer(window, "Make it the ground")
    assert isinstance(window.document.board.pieces[0].paint, ImagePaint)
    assert not any(isinstance(p, Picture) for p in window.document.board.pieces)
    window.document.undo()
    assert isinstance(window.document.board.pieces[-1], Picture)
    assert not window.status.asks


def test_it_may_become_the_paint_of_the_chosen_words(open_window, drop, picture):
    window = open_window(board(Stroke(id="s"), Fill(id="f")))
    drop(window, picture)
    answer(window, "Paint the words")
    stroke, fill = window.document.board.coated("words").style
    assert isinstance(fill.paint, ImagePaint)
    assert not isinstance(stroke.paint, ImagePaint)
    assert len(window.document.board.pieces) == 2
    assert window.selection.piece_id == "words"


def test_kept_or_left_it_stays_a_picture(open_window, drop, picture):
    window = open_window(board(Fill(id="f")))
    drop(window, picture)
    window.status.escape()
    assert isinstance(window.document.board.pieces[-1], Picture)
    assert len(window.document.board.assets) == 1


def test_in_coat_it_is_the_paint_at_once(open_window, drop, picture):
    window = open_window(board(Stroke(id="s"), Fill(id="f")))
    window.show_stage(Stage.COAT)
    window.selection.choose("words", "f")
    drop(window, picture)
    assert isinstance(window.document.board.coated("words").style[1].paint, ImagePaint)
    assert not window.status.asks
    window.document.undo()
    assert not isinstance(window.document.board.coated("words").style[1].paint, ImagePaint)


def test_where_nothing_can_take_it_only_a_picture_is_offered(open_window, drop, picture):
    window = open_window(change_piece(board(Grain(id="g")), "ground", locked=True))
    window.show_stage(Stage.COAT)
    window.selection.choose("words", "g")
    drop(window, picture)
    assert window.document.board.coated("words").style == (Grain(id="g"),)
    assert [b.text() for b in window.status.answers] == ["Keep it so"]


def test_a_board_opens_and_a_font_dresses_the_words(open_window, drop, tmp_path):
    other = board(Fill(id="f"), text="OTHER")
    board_file.write(tmp_path / "other.anole", board_file.StoredBoard(other), b"")
    window = open_window()
    drop(window, tmp_path / "other.anole")
    assert window.document.board.lettering("words").text == "OTHER"
    font = Path(str(files("anole") / "data" / "fonts" / "AbrilFatface_400Regular.ttf"))
    window.selection.choose("words")
    drop(window, font)
    named = window.document.board.lettering("words").font.family
    assert named in window.document.history.undo_name


@pytest.mark.parametrize("kind", ["sbix", "cbdt", "drawn"])
def test_a_colour_font_brings_its_colours(open_window, drop, settle, tmp_path, kind):
    """Read by the helper, while the window has the words without."""
    (tmp_path / "quay.ttf").write_bytes(getattr(colour_fonts, kind)(shade=90))
    window = open_window(board(Fill(id="f"), text="A A"))
    window.selection.choose("words")
    drop(window, tmp_path / "quay.ttf")
    assert window.document.board.lettering("words").font.family.startswith("Quay")
    blue = 0
    for _ in range(100):
        pixels = memory_of(window.view.grab().toImage()).reshape(-1, 4).astype(int)
        blue = ((pixels[:, 0] > 180) & (pixels[:, 2] < 90)).sum()
        if blue > 300:
            break
        settle(window)
    assert blue > 300
    let_go(())


@pytest.mark.parametrize(
    "name", ["bad.png", "bad.jpg", "bad.svg", "bad.ttf", "bad.anole", "no.png"]
)
def test_what_cannot_be_read_is_said_and_changes_nothing(open_window, drop, tmp_path, name):
    path = tmp_path / name
    if not name.startswith("no"):
        path.write_bytes(b"\x00 nothing of the kind")
    window = open_window()
    before = window.document.board
    said = drop(window, path)
    assert said
    assert len(said) < 300
    assert name in said
    assert window.document.board == before


def test_one_bad_file_does_not_keep_the_next_out(open_window, drop, tmp_path, picture):
    (tmp_path / "bad.png").write_bytes(b"no")
    window = open_window(board(Fill(id="f")))
    drop(window, tmp_path / "bad.png", picture)
    assert isinstance(window.document.board.pieces[-1], Picture)


def test_only_known_kinds_are_taken_and_not_too_many(tmp_path):
    names = [*(f"a{suffix}" for suffix in TAKERS), "a.PNG", "a.exe", "a", "a.png.exe"]
    found = files_in(mime_of(*(tmp_path / name for name in names)))
    assert [path.name for path in found] == names[:-3]
    many = [tmp_path / f"{n}.png" for n in range(MOST + 20)]
    assert len(files_in(mime_of(*many))) == MOST
    assert files_in(None) == []
    web = QMimeData()
    web.setUrls([QUrl("http://example.org/a.png")])
    assert files_in(web) == []


# what is remembered


def test_settings_come_back_and_wrong_ones_are_left(own_home):
    first = Settings()
    first.put("stage", 2)
    first.put("name", "Ida")
    again = Settings()
    assert again.get("stage", 0) == 2
    assert again.get("name", 0) == 0
    assert again.get("gone", 5) == 5


@pytest.mark.parametrize("content", ["", "{", "[1]", "null", "\x00", '{"recent": 7}'])
def test_a_broken_settings_file_is_as_none(content):
    path = Settings().path
    path.parent.mkdir(parents=True, exist_ok=True)
    path.write_text(content)
    settings = Settings()
    assert settings.recent == []
    settings.put("stage", 1)
    assert json.loads(path.read_text())["stage"] == 1


def test_recent_boards_are_each_once_newest_first_and_few(tmp_path):
    settings = Settings()
    paths = [tmp_path / f"{n}.anole" for n in range(MOST_RECENT + 3)]
    for path in [*paths, paths[4]]:
        path.write_bytes(b"")
        settings.add_recent(path)
    assert settings.recent[0] == paths[4]
    assert len(settings.recent) == len(set(settings.recent)) == MOST_RECENT
    # one that is gone stays: its disk may come back; it goes when somebody says so
    paths[4].unlink()
    assert Settings().recent[0] == paths[4]
    settings.forget_recent(paths[4])
    assert paths[4] not in Settings().recent
