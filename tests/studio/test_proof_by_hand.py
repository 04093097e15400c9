"""Proof by hand: views, sights, what is said of the words; exports chosen, weighed, limited, written."""

from __future__ import annotations

import msgspec
import numpy as np
import pytest
from PIL import Image
from PyQt6.QtCore import QPointF, Qt

from anole.core.model import Export, Fill, Ground, Stroke
from anole.core.model.formats import FORMATS
from anole.core.proof.sight import SIGHTS
from anole.studio.exchange.export_job import Order
from anole.studio.look.pixel_images import memory_of
from anole.studio.proof.large_proof import VIEWS
from anole.studio.proof.proof_pictures import AMONG, LARGE
from anole.studio.shared.shell import Stage

from ..core.shapes import board

Key, LEFT = Qt.Key, Qt.MouseButton.LeftButton


@pytest.fixture
def proofed(open_window, settle):
    made = board(Stroke(id="s"), Fill(id="f"), text="LAP")
    window = open_window(msgspec.structs.replace(made, pieces=(Ground(id="g"), *made.pieces)))
    window.show_stage(Stage.PROOF)
    settle(window)
    return window


def pixels(image) -> np.ndarray:
    return memory_of(image).copy()


def test_every_view_paints_and_every_sight_differs(proofed, settle):
    window, pictures = proofed, proofed.proof.pictures
    for name in VIEWS:
        window.proof.show_view(name)
        settle(window)
        assert window.proof.stack.currentIndex() == list(VIEWS).index(name)
        assert not window.proof.grab().isNull()
    found = {}
    for sight in SIGHTS:
        window.proof.sight.set_value(sight)
        window.proof.sight.picked.emit()
        settle(window)
        found[sight] = pixels(pictures.images[LARGE[0]])
    assert len({image.tobytes() for image in found.values()}) == len(SIGHTS)


def test_it_follows_the_board_and_stands_among_others(proofed, settle):
    window, pictures = proofed, proofed.proof.pictures
    window.proof.show_view("among")
    settle(window)
    assert len(pictures.others) == 11
    before = pixels(pictures.images[AMONG])
    window.document.apply("Name", lambda b: msgspec.structs.replace(b, pieces=b.pieces[:1]))
    settle(window)
    assert not np.array_equal(pixels(pictures.images[AMONG]), before)


def test_the_report_says_what_to_change(proofed, qtbot):
    window = proofed
    report = next(w for w in window.proof.pictures.views if type(w).__name__ == "ReportView")
    qtbot.waitUntil(lambda: bool(report.lines), timeout=20_000)
    assert "LAP" in report.lines[0].text() or "Words" in report.lines[0].text()
    assert "contrast" in report.lines[0].text() and "168 px" in report.lines[0].text()


def test_the_sheet_is_lifted_by_hand_and_by_key(proofed, qtbot, settle, tmp_path):
    window = proofed
    window.proof.show_view("sheet")
    settle(window)
    sheet = window.proof.sheet
    box = sheet.box
    assert sheet.beneath is not None
    before = sheet.share
    spot = QPointF(box.left() + box.width() * 0.3, box.top() + box.height() * 0.4)
    qtbot.mousePress(sheet, LEFT, pos=spot.toPoint())
    from .conftest import send_move

    send_move(sheet, spot.toPoint())
    assert sheet.share > before
    after = sheet.share
    qtbot.keyClick(sheet, Key.Key_Right)
    assert sheet.share == pytest.approx(after - 0.05)
    path = tmp_path / "other.png"
    Image.new("RGB", (64, 36), (200, 10, 10)).save(path)
    sheet.lay_file(path)
    settle(window)
    assert sheet.beneath.width() == 64


# exports


@pytest.mark.parametrize("kind", [n for n, form in FORMATS.items() if form.encode])
def test_every_format_is_measured_as_it_is_written(proofed, qtbot, tmp_path, kind):
    panel, found = proofed.export, []
    panel.measured.connect(found.append)
    # another format first: what was rendered for it may serve, or may not
    for form in ("png 16" if kind != "png 16" else "jpeg", kind):
        found.clear()
        panel.fields.edited.emit("format", form, None)
        qtbot.waitUntil(lambda: bool(found), timeout=20_000)
    path = tmp_path / "a"
    proofed.writing.write([Order(path, panel.export)]).wait()
    qtbot.waitUntil(lambda: proofed.writing.job is None)
    assert path.stat().st_size == pytest.approx(found[-1].size, rel=0.06)
    assert found[-1].rendered.width() == proofed.document.board.width


def test_the_true_bytes_and_picture_follow_the_quality(proofed, qtbot):
    window = proofed
    panel = window.export
    found: list = []
    panel.measured.connect(found.append)

    def edit(**fields):
        found.clear()
        for name, value in fields.items():
            panel.fields.edited.emit(name, value, None)
        qtbot.waitUntil(lambda: bool(found) and panel._asked[1] == panel.export, timeout=20_000)
        qtbot.waitUntil(lambda: "working" not in panel.bytes.text(), timeout=20_000)
        return found[-1]

    good = edit(format="jpeg", quality=90)
    told = panel.bytes.text()
    assert "JPEG" in told and good.read is not None
    assert edit(quality=5).size < good.size
    assert panel.bytes.text() != told
    edit(quality=95)
    limited = edit(most=3500.0)
    assert limited.size <= 3500 and f"quality {limited.quality}" in panel.bytes.text()
    assert window.proof.file.found == limited
    edit(most=400.0)
    assert "no quality of JPEG" in panel.bytes.text()


def test_several_exports_are_saved_with_the_board_and_written_at_once(
    proofed, qtbot, settle, tmp_path
):
    window = proofed
    qtbot.mouseClick(window.export.rows.add, LEFT)
    assert len(window.document.board.exports) == 2
    window.export.fields.edited.emit("format", "webp", None)
    window.export.file.setText("{board} {width}/../x")
    window.export.file.editingFinished.emit()
    window.writing.all_to(tmp_path, window.export.exports)
    qtbot.waitUntil(lambda: window.writing.job is None, timeout=60_000)
    names = sorted(p.name for p in tmp_path.iterdir())
    assert names == [f"{window.document.title} 320-..-x.webp", f"{window.document.title}.png"]
    window.writing.all_to(tmp_path, window.export.exports)
    assert "already" in window.status.question.text()
    qtbot.mouseClick(window.status.answers[0], LEFT)
    qtbot.waitUntil(lambda: window.writing.job is None, timeout=60_000)
    assert len(list(tmp_path.iterdir())) == 4
    path = tmp_path / "kept.anole"
    assert window.files.save_to(path)
    from anole.core.files import board_file

    assert [e.format for e in board_file.read(path).board.exports] == ["png", "webp"]
    window.document.undo()
    window.document.undo()
    window.document.undo()
    assert window.document.board.exports == ()


def test_a_picture_that_does_not_fit_is_asked_about(proofed, qtbot, settle, tmp_path):
    from anole.studio.exchange.export_job import Order

    window, path = proofed, tmp_path / "a.jpg"
    window.writing.write([Order(path, Export(format="jpeg", most=1500))])
    qtbot.waitUntil(lambda: window.writing.job is None, timeout=60_000)
    assert not path.exists() and "smaller" in window.status.question.text()
    qtbot.mouseClick(window.status.answers[0], LEFT)
    qtbot.waitUntil(lambda: window.writing.job is None, timeout=60_000)
    assert path.stat().st_size <= 1500
    assert Image.open(path).size[0] < 320
