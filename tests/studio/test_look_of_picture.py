"""A style read off a picture of finished lettering, in the window."""

from __future__ import annotations

import numpy as np
import pytest
from PIL import Image
from PyQt6.QtCore import QMimeData, QPointF, Qt, QUrl
from PyQt6.QtGui import QDropEvent
from PyQt6.QtTest import QTest

from anole.core.model import Fill, Lettering, Picture, Stroke
from anole.studio.exchange.pictures import take_picture
from anole.studio.shared.shell import Stage
from anole.studio.styles.from_picture import page as page_file
from anole.studio.styles.from_picture.marks import LEAST_BOX, Mark, Marks

from ..core.drawn_looks import draw
from ..core.shapes import board

LEFT = Qt.MouseButton.LeftButton
FOUND = 60_000


@pytest.fixture
def picture(tmp_path):
    """A picture of lettering with one rim, 640 x 360, and the rim."""
    drawn, path = draw(0), tmp_path / "last year.png"
    image = Image.fromarray(drawn.pixels)
    image.reduce(2).save(path)
    rim = drawn.rims[0]
    return rim._replace(start=rim.start / 2, end=rim.end / 2), path


@pytest.fixture
def opened(open_window, qtbot, picture):
    """A window whose words are chosen, on the page with the whole look."""
    window = open_window(board(Fill(id="f"), text="TIDE"))
    words = next(p for p in window.document.board.pieces if isinstance(p, Lettering))
    window.selection.choose(words.id)
    window.read_look(picture[1])
    page = window.style_pages.from_picture
    qtbot.waitUntil(lambda: page.look is not None and window.idle, timeout=FOUND)
    return window, page, picture[0]


def _at(page, mark) -> QPointF:
    return page.picture._place(mark)


def test_it_is_put_on_the_words_and_kept(opened, settle):
    window, page, _ = opened
    words = window.selection.piece
    assert window.pages.currentWidget() is page
    assert [row.title for row in page.rows.rows] == ["Face", "Rim 1"]
    assert page.words.image is not None
    QTest.mouseClick(page.put_on, LEFT)
    settle(window)
    stroke, face = window.document.board.lettering(words.id).style
    assert isinstance(stroke, Stroke) and isinstance(face, Fill)
    em = page_file.on_words(window.session).board.lettering(words.id).size.value
    assert window.styles.find("last year") is not None and em > 0
    assert window.pages.currentIndex() == 0 and page.task.idle and page.look is None
    window.document.undo()
    assert window.document.board.lettering(words.id).style == words.style


def test_what_is_switched_off_is_not_saved(opened, settle):
    window, page, _ = opened
    rim = next(row for row in page.rows.rows if row.title == "Rim 1")
    QTest.mouseClick(rim.toggle, LEFT)
    page.name.setText("bare")
    QTest.mouseClick(page.save, LEFT)
    settle(window)
    saved = window.styles.find("bare")
    assert saved is not None and [type(c) for c in saved.style.coats] == [Fill]


def test_lengths_follow_how_tall_capitals_are(opened):
    _, page, _ = opened
    wide = page.found_style("a").coats[0].span.from_.value
    page.capitals.edited.emit(0.36, None)
    assert page.found_style("a").coats[0].span.from_.value == pytest.approx(wide / 2, rel=0.01)


def test_a_border_is_pulled_taken_away_and_added(opened, qtbot):
    window, page, drawn = opened
    strip, end = page.strip, page.look.rims[0].end
    assert end == pytest.approx(drawn.end, abs=0.3)
    # where it stands on the strip the picture's colour changes from the rim's to the ground's
    there = strip.place_of(end)
    line = page_file._along(page._pixels, page.look.line, len(page.look.outward)).astype(int)
    outer, inner = line[max(int(there) - 2, 0)], line[int(there) + 2]
    assert np.abs(inner[:3] - drawn.colour).max() < 12 < np.abs(outer[:3] - inner[:3]).max()
    at = QPointF(strip._x(there), 6).toPoint()
    QTest.mousePress(strip, LEFT, pos=at)
    to = QPointF(strip._x(strip.place_of(end - 2)), 6).toPoint()
    QTest.mouseMove(strip, to)
    QTest.mouseRelease(strip, LEFT, pos=to)
    qtbot.waitUntil(
        lambda: window.idle and abs(page.look.rims[0].end - (end - 2)) < 0.6, timeout=FOUND
    )
    strip.setFocus()
    QTest.keyClick(strip, Qt.Key.Key_Delete)
    qtbot.waitUntil(lambda: window.idle and not page.look.rims, timeout=FOUND)
    QTest.mouseDClick(strip, LEFT, pos=at)
    qtbot.waitUntil(lambda: window.idle and len(page.look.rims) == 1, timeout=FOUND)
    QTest.mouseClick(page.anew, LEFT)
    qtbot.waitUntil(lambda: window.idle and page.look is not None, timeout=FOUND)
    assert page.look.rims[0].end == pytest.approx(end, abs=0.01)


def test_the_line_and_the_box_are_pulled(opened, qtbot):
    window, page, _ = opened
    view = page.picture
    start = _at(page, Mark.OUTER).toPoint()
    QTest.mousePress(view, LEFT, pos=start)
    QTest.mouseMove(view, start + QPointF(-8, 12).toPoint())
    QTest.mouseRelease(view, LEFT, pos=start + QPointF(-8, 12).toPoint())
    qtbot.waitUntil(lambda: window.idle and page.look.line == view.marks.line, timeout=FOUND)
    QTest.mousePress(view, LEFT, pos=_at(page, Mark.TOP_LEFT).toPoint())
    to = view.now.to_widget(40, 30).toPoint()
    QTest.mouseMove(view, to)
    QTest.mouseRelease(view, LEFT, pos=to)
    qtbot.waitUntil(lambda: window.idle and page.look.box == view.marks.box, timeout=FOUND)
    assert (view.marks.box.x0, view.marks.box.y0) == pytest.approx((40, 30), abs=3)
    # into the ground: said, and nothing can be taken
    page.picture.marks.line = (50.0, 40.0, 70.0, 55.0)
    page._own_line = True
    page._want()
    qtbot.waitUntil(lambda: "ground" in page.state.text(), timeout=FOUND)
    assert not page.save.isEnabled() and not page.rows.rows


def test_a_picture_dropped_on_the_shelf_is_read(open_window, qtbot, picture):
    window = open_window(board(Fill(id="f")))
    window.show_stage(Stage.COAT)
    mime = QMimeData()
    mime.setUrls([QUrl.fromLocalFile(str(picture[1]))])
    event = QDropEvent(QPointF(30, 30), Qt.DropAction.CopyAction, mime, LEFT, Qt.KeyboardModifier.NoModifier)  # fmt: skip
    window.shelf.dropEvent(event)
    page = window.style_pages.from_picture
    qtbot.waitUntil(lambda: page.look is not None, timeout=FOUND)
    window.leave_page()
    qtbot.waitUntil(lambda: window.idle, timeout=FOUND)


def test_a_picture_of_the_board_is_read(open_window, qtbot, picture):
    window = open_window(board(Fill(id="f")))
    take_picture(window.session, picture[1], lambda sha: window.document.apply(
        "Picture", lambda b: type(b)(width=b.width, height=b.height, pieces=(*b.pieces, Picture(id="sign", asset=sha)))))  # fmt: skip
    qtbot.waitUntil(
        lambda: any(p.id == "sign" for p in window.document.board.pieces), timeout=20_000
    )
    window.selection.choose("sign")
    window.do("look of piece")
    page = window.style_pages.from_picture
    qtbot.waitUntil(lambda: page.look is not None and window.idle, timeout=FOUND)
    QTest.keyClick(page, Qt.Key.Key_Escape)
    assert window.pages.currentIndex() == 0


@pytest.mark.parametrize("content", [b"no picture", None], ids=["no picture", "no lettering"])
def test_what_cannot_be_read_is_said_and_nothing_changes(open_window, qtbot, tmp_path, content):
    path = tmp_path / "plain.png"
    if content is None:
        Image.fromarray(np.full((90, 160, 3), 90, np.uint8)).save(path)
    else:
        path.write_bytes(content)
    window = open_window(board(Fill(id="f")))
    before, page = window.document.board, window.style_pages.from_picture
    window.read_look(path)
    if content is None:
        qtbot.waitUntil(
            lambda: (
                "enough to be a face" in page.state.text()
                or "lettering was found" in page.state.text()
            ),
            timeout=20_000,
        )
        assert not page.save.isEnabled() and not page.put_on.isEnabled()
        window.leave_page()
    else:
        qtbot.waitUntil(lambda: "plain" in window.status.text.text(), timeout=20_000)
    qtbot.waitUntil(lambda: window.idle, timeout=20_000)
    assert window.document.board is before and window.styles.find("plain") is None


@pytest.mark.parametrize("mark", list(Mark))
def test_marks_stay_in_the_picture_and_the_box_stays_a_box(mark):
    marks = Marks()
    marks.begin(300, 200)
    marks.line = (10.0, 10.0, 50.0, 60.0)
    for x, y in ((-50, -50), (900, 900), (150, 100), (0, 200), (300, 0)):
        marks.move(mark, x, y)
        box, line = marks.box, marks.line
        assert 0 <= box.x0 <= box.x1 - LEAST_BOX <= 300 and 0 <= box.y0 <= box.y1 - LEAST_BOX <= 200
        assert all(0 <= v <= limit for v, limit in zip(line, (300, 200) * 2, strict=True))
