"""Names in the build-up are whole for every shipped style, and nothing overlaps."""

from __future__ import annotations

import itertools

import pytest
from PyQt6.QtGui import QFontMetricsF, QImage, QPainter

from anole.core.coats.registry import KINDS
from anole.core.edit.pieces import change_piece
from anole.core.edit.wearing import put_style
from anole.core.library import styles
from anole.core.model import Fill, Length, Shadow, Stroke
from anole.studio.coat.build_up import marks
from anole.studio.coat.build_up.labels import GAP, NAME_X, label_of
from anole.studio.coat.build_up.state import LABELS
from anole.studio.shared.shell import Stage

from ..core.shapes import board

NAMES = [one.style.name for one in styles.built_in()]


def labels(window, monkeypatch):
    """The label of each coat as it is painted, and where its band begins."""
    from anole.studio.coat.build_up import paint as painting

    found = {}

    def note(painter, state, coat, row, left):
        found[coat.id] = (state, coat, row, left, label_of(state, coat, row, left))

    monkeypatch.setattr(painting, "paint_label", note)
    state = window.build_up.state()
    image = QImage(window.build_up.size(), QImage.Format.Format_ARGB32_Premultiplied)
    painter = QPainter(image)
    painting.paint(painter, state)
    painter.end()
    return found


@pytest.mark.every_style
def test_every_name_of_a_shipped_style_is_whole(open_window, settle, monkeypatch):
    window = open_window(board(Fill(id="f"), text="BOUT", size=80))
    window.show_stage(Stage.COAT)
    for name in NAMES:
        style = styles.find(name)
        window.document.apply("Style", lambda b, style=style: put_style(b, "words", style))
        for _, coat, row, left, label in labels(window, monkeypatch).values():
            written = " ".join(label.lines)
            wanted = coat.name or next(k.title for k in KINDS.values() if k.struct is type(coat))
            assert written == wanted, name
            # beside its band, and within its row
            assert NAME_X + label.width <= max(left, LABELS - GAP), name
            high = 15 * len(label.lines) + (14 if label.summary else 0)
            assert high <= row.height() + 1, name
            assert label.font.pixelSize() >= 11


def test_a_name_too_long_for_any_room_is_shortened_not_written_over_the_band(
    open_window, settle, monkeypatch
):
    long = Stroke(id="s", name="a rim that somebody described at very great length indeed")
    window = open_window(board(Shadow(id="h"), long, Fill(id="f")))
    window.show_stage(Stage.COAT)
    settle(window)
    _, _, _, left, label = labels(window, monkeypatch)["s"]
    assert label.lines[-1].endswith("…")
    assert NAME_X + label.width <= max(left, LABELS - GAP)


class NotingPainter(QPainter):
    """Notes where words are drawn: y, from x to x, and what."""

    def __init__(self, image: QImage) -> None:
        super().__init__(image)
        self.drawn: list[tuple[float, float, float, str]] = []

    def drawText(self, at, text):
        wide = QFontMetricsF(self.font()).horizontalAdvance(text)
        self.drawn.append((at.y(), at.x(), at.x() + wide, text))
        super().drawText(at, text)


@pytest.mark.parametrize("coats", [(), (Fill(id="f"),), (Shadow(id="h"), Stroke(id="s"))])
def test_the_words_over_the_ruler_do_not_meet(coats, open_window, settle):
    window = open_window(board(*coats, text="BOUT"))
    window.show_stage(Stage.COAT)
    for size, unit in itertools.product((14, 60, 150), ("px", "em")):
        window.document.apply(
            "Size", lambda b, size=size: change_piece(b, "words", size=Length(size))
        )
        window.build_up.set_unit(unit)
        settle(window)
        image = QImage(window.build_up.size(), QImage.Format.Format_ARGB32_Premultiplied)
        painter = NotingPainter(image)
        marks.ruler(painter, window.build_up.state())
        painter.end()
        assert {"edge", "core"} <= {text for *_, text in painter.drawn}
        for line in {y for y, *_ in painter.drawn}:
            row = sorted(entry[1:] for entry in painter.drawn if entry[0] == line)
            for (_, end, one), (start, _, other) in zip(row, row[1:], strict=False):
                assert start >= end + 2, (one, other, size, unit)
            assert row[-1][1] <= window.build_up.width()
