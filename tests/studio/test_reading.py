"""Files are read in the background: hostile ones cost a message, slow ones can be cancelled."""

from __future__ import annotations

import threading
import time

import msgspec
import pytest
from PyQt6.QtCore import Qt

from anole.core import assets
from anole.core.files import board_file
from anole.core.isolation import client
from anole.core.model import Asset
from anole.core.paint import picture_files
from anole.studio.controls.choices.asset_choice import AssetChoice
from anole.studio.documents.reading import Reading
from anole.studio.exchange.pictures import take_picture

from ..core import hostile_files
from ..core.shapes import board

LEFT = Qt.MouseButton.LeftButton


@pytest.fixture(autouse=True)
def nothing_known():
    picture_files.KEPT.clear()


def message(window) -> str:
    return window.status.text.text() if window.status.isVisible() else ""


@pytest.mark.parametrize(
    ("make", "says"),
    [
        (hostile_files.nested_groups, "evil.svg"),
        (hostile_files.slow_svg, "longer than 1.5 seconds"),
    ],
)
def test_a_hostile_picture_costs_a_message(open_window, settle, tmp_path, monkeypatch, make, says):
    monkeypatch.setattr(client, "SECONDS", 1.5)
    window = open_window()
    before = window.document.board
    (tmp_path / "evil.svg").write_bytes(make())
    taken: list[str] = []
    take_picture(window.session, tmp_path / "evil.svg", taken.append)
    settle(window)
    assert says in message(window)
    assert not taken and window.document.board == before


def test_a_slow_opening_is_cancelled_and_the_board_stays(open_window, qtbot, tmp_path):
    data = hostile_files.slow_svg()
    asset = Asset(sha=assets.put(data), name="slow.svg", media_type="image/svg+xml")
    slow = msgspec.structs.replace(board(), name="Slow", assets=(asset,))
    board_file.write(tmp_path / "slow.anole", board_file.StoredBoard(slow), None)
    window = open_window()
    before = window.document.board
    window.files.open(tmp_path / "slow.anole")
    qtbot.waitUntil(lambda: message(window) == "Reading slow.anole")
    start = time.monotonic()
    qtbot.mouseClick(window.status.stop, LEFT)
    assert time.monotonic() - start < 5
    assert window.reading.idle and not window.status.isVisible()
    qtbot.waitUntil(lambda: not any(t.name == "anole-background" for t in threading.enumerate()))
    assert window.document.board == before


def test_the_window_answers_while_a_file_is_read(open_window, settle, qtbot):
    window = open_window()
    done, gate = [], threading.Event()
    window.reading.read("one", lambda stop: gate.wait(10), lambda _: done.append("one"))
    window.reading.read("two", lambda stop: "x", lambda _: done.append("two"))
    assert window.document.apply("Name", lambda b: msgspec.structs.replace(b, name="Meanwhile"))
    assert not done
    gate.set()
    settle(window)
    assert done == ["one", "two"]


@pytest.mark.faults
def test_an_error_nobody_expected_is_said_and_the_next_file_is_read(open_window, settle, qtbot):
    window = open_window()
    done = []
    window.reading.read("odd.png", lambda stop: 1 / 0, done.append)
    window.reading.read("next", lambda stop: 5, done.append)
    settle(window)
    assert done == [5]
    assert isinstance(window.reading, Reading)
    qtbot.waitUntil(lambda: "odd.png could not be read" in message(window))


def test_a_picture_that_cannot_be_read_is_shown_as_none(open_window, settle, monkeypatch):
    monkeypatch.setattr(client, "SECONDS", 3.0)
    window = open_window()
    choice = AssetChoice()
    choice.setParent(window)
    choice.set_value(assets.put(hostile_files.nested_groups()))
    settle(window)
    assert choice.view.pixels is None
    assert window.worker.idle
