"""Numbers held by a real hand: pulled, pulled finely, typed, stepped by keys, put to the word for 0."""

from __future__ import annotations

import json

import pytest

from .real_window import run

SCRIPT = """
import json
from anole.core.model import Board, Export, Ground, Length, Lettering, Place
from tests.studio.real_session import Session
session = Session()
window = session.window
window.leave_page()
words = Lettering(id="w", name="w", text="ROLL", size=Length(100), place=Place(x=300, y=200))
window.document.start(Board(width=800, height=450, pieces=(Ground(id="g"), words), exports=(Export(),)))
session.show()
window.selection.choose("w")
window.show_stage(0)
session.rest()
told = {}
place = window.arrange.section("place").panel.controls
rail = place["rotation"].field
window.arrange.ensureWidgetVisible(rail)
session.rest()
x, y = session.middle(rail)

def turn():
    return window.document.board.piece("w").place.rotation

steps = len(window.document.history.steps)
session.drag((x, y), (x + rail.width() // 4, y))
told["pulled"], told["steps"] = turn(), len(window.document.history.steps) - steps
window.document.undo()
told["back"] = turn()
session.act(
    lambda: session.hand.hold("shift", True),
    lambda: session.hand.drag((x, y), (x + rail.width() // 4, y)),
    lambda: session.hand.hold("shift", False),
)
told["fine"] = turn()
session.click(x, y)
session.type("12")
session.key("Return")
told["typed"] = turn()
session.key("Right", "Right", "Left", "shift+Up")
told["stepped"] = turn()
session.key("Tab")
told["next"] = place["skew"].field.hasFocus()
told["narrowest"] = min(
    control.field.width() for control in place.values() if control.isVisible()
)
window.show_stage(2)
session.rest()
wide = window.export.fields.controls["width"].field
window.export.ensureWidgetVisible(wide)
session.rest()
told["empty"] = wide.text()
session.click(*session.middle(wide))
session.type("640")
session.key("Return")
told["wide"] = (wide.text(), window.export.export.width)
edge = wide.mapToGlobal(wide.rect().topRight())
session.click(edge.x() - 14, session.middle(wide)[1])
told["off"] = (wide.text(), window.export.export.width)
print(json.dumps(told))
session.leave()
"""


def test_numbers_are_held_by_hand():
    told = json.loads(run(SCRIPT).strip().splitlines()[-1])
    # a quarter of the rail is a quarter of what lies between its ends, -180 and 180
    assert told["pulled"] == pytest.approx(90, abs=3) and told["steps"] == 1
    assert told["back"] == 0
    assert told["fine"] == pytest.approx(9, abs=1)
    assert told["typed"] == 12 and told["stepped"] == 23
    assert told["next"] and told["narrowest"] >= 140
    assert told["empty"] == "as it comes"
    assert told["wide"] == ["640 px", 640] and told["off"] == ["as it comes", 0]
