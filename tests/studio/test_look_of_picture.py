"""A style read off a picture of finished lettering, in the window."""

from __future__ import annotations

import numpy as np
import pytest
from PIL import Image

from anole.core.model import Fill, Lettering, Stroke
from anole.studio.styles import style_files

from ..core.drawn_looks import draw
from ..core.shapes import board


def test_it_is_kept_and_put_on_the_words(open_window, settle, qtbot, tmp_path, monkeypatch):
    drawn = draw(0)
    path = tmp_path / "last year.png"
    Image.fromarray(drawn.pixels).save(path)
    window = open_window(board(Fill(id="f"), text="TIDE"))
    words = next(p for p in window.document.board.pieces if isinstance(p, Lettering))
    window.selection.choose(words.id)
    monkeypatch.setattr(style_files.QFileDialog, "getOpenFileName", lambda *_: (str(path), ""))
    window.do("look of picture")
    qtbot.waitUntil(lambda: window.styles.find("last year") is not None, timeout=30_000)
    settle(window)
    stroke, face = window.document.board.lettering(words.id).style
    assert isinstance(stroke, Stroke) and isinstance(face, Fill)
    assert "one rim, no shadow" in window.status.text.text()
    window.document.undo()
    assert window.document.board.lettering(words.id).style == words.style


@pytest.mark.parametrize("content", [b"no picture", None], ids=["no picture", "no lettering"])
def test_what_cannot_be_read_is_said_and_nothing_changes(open_window, qtbot, tmp_path, content):
    path = tmp_path / "plain.png"
    if content is None:
        Image.fromarray(np.full((90, 160, 3), 90, np.uint8)).save(path)
    else:
        path.write_bytes(content)
    window = open_window(board(Fill(id="f")))
    before = window.document.board
    window.style_pages.files.take_look(path)
    qtbot.waitUntil(lambda: "plain" in window.status.text.text(), timeout=20_000)
    qtbot.waitUntil(lambda: window.reading.idle, timeout=20_000)
    assert window.document.board is before and window.styles.find("plain") is None
