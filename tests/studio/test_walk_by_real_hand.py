"""How a look is built, walked at a real display by keys and clicks, and taken from a step."""

from __future__ import annotations

import json

from .real_window import run

SCRIPT = """
import json
from PyQt6.QtCore import QPoint
from anole.core.edit.wearing import put_style
from anole.core.library import styles
from anole.core.model import Board, Ground, Length, Lettering, Place
from tests.studio.real_session import Session
session = Session()
window = session.window
window.leave_page()
words = Lettering(id="w", name="w", text="ROLL", size=Length(120), place=Place(x=300, y=170))
bare = Board(width=600, height=340, pieces=(Ground(id="g"), words))
window.document.start(put_style(bare, "w", styles.find("cup gold")))
session.show()
window.selection.choose("w")
window.show_stage(1)
session.rest()
told, sheet = {"coats": len(window.document.board.coated("w").style)}, window.unfolded.sheet
seen = lambda: len(window.document.shown.coated("w").style)
session.key("ctrl+shift+u")
told["begins"] = seen()
session.key("Right")
session.key("Down")
told["third"] = [seen(), sheet.count.text()]
session.key("Left")
told["second"] = seen()
item = sheet.steps.visualItemRect(sheet.steps.item(4)).center()
at = sheet.steps.viewport().mapToGlobal(item)
session.click(at.x(), at.y())
told["clicked"] = seen()
session.click(*session.middle(sheet.note))
session.type("held")
session.key("Return")
told["note"] = window.document.board.coated("w").style[4].note
session.click(*session.middle(sheet.on))
told["next"] = seen()
session.key("Escape")
told["left"] = [window.unfolded.is_open, seen()]
session.key("ctrl+shift+u")
session.key("Right")
session.click(*session.middle(sheet.take))
told["taken"] = [len(window.document.board.coated("w").style), window.unfolded.is_open]
session.key("ctrl+z")
told["undone"] = len(window.document.board.coated("w").style)
print(json.dumps(told))
session.leave()
"""


def test_a_look_is_walked_by_hand():
    told = json.loads(run(SCRIPT).strip().splitlines()[-1])
    coats = told["coats"]
    assert told["begins"] == 1 and told["third"] == [3, f"3 of {coats}"] and told["second"] == 2
    assert told["clicked"] == 5 and told["note"] == "held" and told["next"] == 6
    assert told["left"] == [False, coats]
    assert told["taken"] == [2, False] and told["undone"] == coats
