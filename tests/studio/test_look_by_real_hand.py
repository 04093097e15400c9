"""A style taken from a picture by a real hand: line and border pulled, a coat switched off, named, put on."""

from __future__ import annotations

import json

from .real_window import run

SCRIPT = """
import json, tempfile
from pathlib import Path
from PIL import Image
from PyQt6.QtCore import QPointF
from anole.core.model import Board, Ground, Length, Lettering, Place
from anole.studio.styles.from_picture.marks import Mark
from tests.core.drawn_looks import draw
from tests.studio.real_session import Session
session = Session()
window = session.window
window.leave_page()
words = Lettering(id="w", name="w", text="ROLL", size=Length(100), place=Place(x=300, y=200))
window.document.start(Board(width=800, height=450, pieces=(Ground(id="g"), words)))
session.show()
window.selection.choose("w")
path = Path(tempfile.mkdtemp()) / "last year.png"
Image.fromarray(draw(0).pixels).reduce(2).save(path)
page, told = window.style_pages.from_picture, {}
window.read_look(path)
session.until(lambda: page.look is not None)
session.rest()
told["rims"] = len(page.look.rims)

def on(widget, point):
    at = widget.mapToGlobal(point.toPoint() if isinstance(point, QPointF) else point)
    return at.x(), at.y()

view, strip = page.picture, page.strip
start = on(view, view._place(Mark.OUTER))
before = page.look.line
inner = on(view, view._place(Mark.INNER))
session.drag(start, tuple(o + (o - i) // 3 for o, i in zip(start, inner)))
told["line"] = page.look.line != before and page.look.line == view.marks.line
end = page.look.rims[0].end
handle = lambda e: on(strip, QPointF(strip._x(strip.place_of(e)), 6))
session.drag(handle(end), handle(end - 2))
told["pulled"] = end - page.look.rims[0].end
session.key("shift+Left")
told["stepped"] = page.look.rims[0].end - (end - 2)
rim = next(row for row in page.rows.rows if row.title == "Rim 1")
session.click(*session.middle(rim.toggle))
told["off"] = sorted(page.rows.off)
session.click(*session.middle(rim.toggle))
session.click(*session.middle(page.name))
session.key("ctrl+a")
session.type("bout")
session.click(*session.middle(page.put_on))
told["worn"] = [type(c).__name__ for c in window.document.board.piece("w").style]
told["kept"] = window.styles.find("bout") is not None
told["page"] = window.pages.currentIndex()
print(json.dumps(told))
session.leave()
"""


def test_a_look_is_taken_by_hand():
    told = json.loads(run(SCRIPT).strip().splitlines()[-1])
    assert told["rims"] == 1 and told["line"]
    assert 1.4 < told["pulled"] < 2.6 and 0.5 < told["stepped"] < 1.6
    # what the pulled border left of the rim may be taken for a shadow
    assert told["off"] == ["rim-1"] and told["worn"][-2:] == ["Stroke", "Fill"]
    assert told["kept"] and told["page"] == 0
