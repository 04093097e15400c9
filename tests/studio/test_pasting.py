"""What comes from elsewhere by the clipboard: pictures, artwork, files, words."""

from __future__ import annotations

import pytest
from PyQt6.QtCore import QMimeData, QUrl
from PyQt6.QtGui import QColor, QGuiApplication, QImage

from anole.core.model import Emblem, Fill, Lettering, Picture, Stroke
from anole.studio.exchange.pasting import NOTHING, paste

from ..core.shapes import board
from ..core.test_emblems import WHEEL


@pytest.fixture
def held(settle):
    """Put something into the clipboard and paste it."""

    def put(window, mime: QMimeData):
        QGuiApplication.clipboard().setMimeData(mime)
        paste(window.session)
        settle(window)
        return window.selection.piece

    return put


def picture(colour: str = "#306090") -> QImage:
    image = QImage(30, 20, QImage.Format.Format_ARGB32)
    image.fill(QColor(colour))
    return image


def test_a_picture_stands_on_the_board(open_window, held):
    window, mime = open_window(board(Fill(id="f"))), QMimeData()
    mime.setImageData(picture())
    piece = held(window, mime)
    assert isinstance(piece, Picture)
    assert (piece.width.value, piece.height.value) == (30, 20)
    assert window.status.answers[0].text() == "Make it the ground"


@pytest.mark.parametrize("as_text", [True, False])
def test_artwork_becomes_an_emblem_that_may_wear_the_words_style(open_window, held, as_text):
    window, mime = open_window(board(Stroke(id="s"), Fill(id="f"))), QMimeData()
    window.selection.choose("words")
    if as_text:
        mime.setText(WHEEL.decode())
    else:
        mime.setData("image/svg+xml", WHEEL)
    piece = held(window, mime)
    assert isinstance(piece, Emblem) and piece.own and not piece.style
    dress = next(b for b in window.status.answers if b.text().startswith("Dress it"))
    dress.pointed.emit(True)
    assert window.document.shown.piece(piece.id).style
    dress.click()
    worn = window.document.board.piece(piece.id)
    assert not worn.own
    assert [type(c) for c in worn.style] == [Stroke, Fill]


def test_a_file_and_words_are_taken_too(open_window, held, tmp_path):
    window, mime = open_window(board(Fill(id="f"))), QMimeData()
    picture().save(str(tmp_path / "blue.png"))
    mime.setUrls([QUrl.fromLocalFile(str(tmp_path / "blue.png"))])
    assert held(window, mime).name == "blue"
    words = QMimeData()
    words.setText("  Lap forty-one\n")
    piece = held(window, words)
    assert isinstance(piece, Lettering) and piece.text == "Lap forty-one" and piece.style


def test_hostile_artwork_costs_a_message(open_window, held):
    window, mime = open_window(board(Fill(id="f"))), QMimeData()
    before = window.document.board
    mime.setText('<svg xmlns="http://www.w3.org/2000/svg"><script>1</script></svg>')
    held(window, mime)
    assert "script" in window.status.text.text()
    assert window.document.board == before


def test_an_empty_clipboard_says_what_can_be_pasted(open_window, held):
    window, said = open_window(board(Fill(id="f"))), []
    window.document.said.connect(said.append)
    held(window, QMimeData())
    assert said == [NOTHING]
