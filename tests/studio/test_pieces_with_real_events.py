"""Stamps, clusters, clipping and chance by a real pointer and real keys."""

import json

import pytest

from .real_window import run

SCRIPT = """
import json
from anole.core.edit.pieces import add_lettering
from anole.core.model import Board, Fill, Ground, Length, Place
from tests.studio.real_hand import UP
from tests.studio.real_session import Session
session = Session()
window, key, click = session.window, session.key, session.click
window.leave_page()
board = Board(width=800, height=450, pieces=(Ground(id="g"),))
for text, y in (("RINK", 130), ("NIGHT", 300)):
    board, _ = add_lettering(board, text, size=Length(120), place=Place(x=300, y=y), style=(Fill(id=text),))
window.document.start(board)
session.show()
told = {}

def at(x, y):
    return session.on_board(x, y)

def pieces():
    return window.document.board.pieces

window.show_stage(0)
session.rest()
# two lines as one, by keys
click(*at(300, 130))
click(*at(300, 300), "shift")
told["chosen"] = len(window.selection.ids)
key("ctrl+g")
told["cluster"] = [type(p).__name__ for p in pieces()]
x0 = window.document.board.lettering("lettering-1").place.x
window.view.setFocus()
key("shift+Right")
told["moved"] = window.document.board.lettering("lettering-1").place.x - x0
# into it by a double click, out by a key, and apart
click(*at(300, 300), times=2)
told["inside"] = window.selection.piece_id
key("Escape", "alt+Up")
told["outside"] = window.selection.piece_id
key("ctrl+shift+g")
told["apart"] = [type(p).__name__ for p in pieces()]
# clipped by the line beneath
window.selection.choose("lettering-2")
key("alt+i")
told["within"] = window.document.board.piece("lettering-2").within
# marks: a click, a drag, a wheel
window.actions_by_id["stamps"].trigger()
session.rest()
click(*at(600, 100))
session.drag(at(650, 300), at(710, 300))
stamps = pieces()[-1]
told["marks"] = [(round(m.x), round(m.y), round(m.size), round(m.turn)) for m in stamps.marks]
session.wheel(*at(600, 100), UP)
told["wheeled"] = pieces()[-1].marks[0].size / stamps.marks[0].size
# chance, and the next one
window.actions_by_id["scatter"].trigger()
session.rest()
key("alt+r")
told["seed"] = pieces()[-1].scatter.seed
print(json.dumps(told))
session.leave()
"""


def test_pieces_are_placed_joined_clipped_and_scattered_by_hand():
    told = json.loads(run(SCRIPT).strip().splitlines()[-1])
    assert told["chosen"] == 2
    assert told["cluster"] == ["Ground", "Cluster"]
    assert told["moved"] == 10
    assert told["inside"] == "lettering-2"
    assert told["outside"] == "cluster-1"
    assert told["apart"] == ["Ground", "Lettering", "Lettering"]
    assert told["within"] == "lettering-1"
    first, last = told["marks"]
    assert first[:2] == pytest.approx([600, 100], abs=2)
    assert last[:2] == pytest.approx([650, 300], abs=2)
    assert last[2] == pytest.approx(120, abs=6) and last[3] == pytest.approx(90, abs=3)
    assert told["wheeled"] > 1.1
    assert told["seed"] == 1
