"""A title with a picture behind it, in another font and with an emoji, begun on the start page and given a coat from the
sheet: by mouse and keys at a real display."""

from __future__ import annotations

import json

import cv2
import numpy as np

from .real_window import run

SCRIPT = """
import json, time
from pathlib import Path
from PyQt6.QtCore import QMimeData, QUrl
from PyQt6.QtGui import QGuiApplication
from tests.studio.real_session import Session
session = Session()
window, middle, told = session.window, session.middle, {}
window.show_start()
session.show()
start = window.start
begun = time.monotonic()
session.click(*middle(start.words))
session.type("quay run")
# a picture, pasted; then another font, clicked; then a look
mime = QMimeData()
mime.setUrls([QUrl.fromLocalFile(PICTURE)])
QGuiApplication.clipboard().setMimeData(mime)
session.key("ctrl+v")
told["picture"] = start.ground.picture.text()
QGuiApplication.clipboard().setText(" \U0001f525")
session.key("ctrl+v")
font = start.fonts.viewport().mapToGlobal(start.fonts.visualItemRect(start.fonts.item(2)).center())
session.click(font.x(), font.y())
told["font"] = start.fonts.family
tile = start.wall.viewport().mapToGlobal(start.wall.tile(1).center())
session.click(tile.x(), tile.y())
told["took"] = time.monotonic() - begun
board = window.document.board
told["ground"] = type(board.pieces[0].paint).__name__
words = window.selection.lettering
told["words"], told["set"] = words.text, words.font.family
# a coat from the sheet: looked at under the pointer, then clicked
session.key("alt+2")
session.click(*middle(window.under_build_up.add))
tiles = window.beside.sheet.tiles
told["beside"] = window.panels.beside is not None
place = tiles.viewport().mapToGlobal(tiles.tile(1).center())
before = window.document.board
session.act(lambda: session.hand.move(place.x(), place.y()))
told["looked"] = len(window.document.shown.coated(words.id).style) - len(words.style)
told["same"] = window.document.board is before
session.click(place.x(), place.y())
told["added"] = len(window.document.board.coated(words.id).style) - len(words.style)
told["gone"] = window.panels.beside is None
session.key("ctrl+z")
told["undone"] = window.document.board == before
# by typing: a tone, and the focus stays where one types
session.key("Insert")
session.type("exposure")
session.key("Return")
told["typed"] = type(window.selection.coat).__name__
print(json.dumps(told))
session.leave()
"""


def test_by_hand_from_the_start_page_to_a_coat(tmp_path):
    path = tmp_path / "harbour.png"
    ramp = np.linspace(0, 255, 64, dtype=np.uint8)
    cv2.imwrite(str(path), np.dstack([np.tile(ramp, (36, 1))] * 3))
    told = json.loads(run(SCRIPT.replace("PICTURE", repr(str(path)))).strip().splitlines()[-1])
    assert told["picture"] == "harbour.png" and told["ground"] == "ImagePaint"
    assert told["words"].split() == ["quay", "run", "\U0001f525"]
    assert told["set"] == told["font"] != "Anton"
    assert told["beside"] and told["looked"] == 1 and told["same"]
    assert told["added"] == 1 and told["gone"] and told["undone"]
    assert told["typed"] == "ToneCoat"
    print(f"{told['took']:.1f} s")
