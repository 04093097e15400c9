"""The real window, driven by mouse and keyboard."""

from __future__ import annotations

import functools

import pytest
from PyQt6 import sip
from PyQt6.QtCore import QPoint, QPointF, Qt

from anole.core.library import styles
from anole.core.model import Board
from anole.studio.app import application
from anole.studio.look.status_bar import StatusBar
from anole.studio.main_window.window import Window
from anole.studio.runtime import troubles

from ..core.shapes import board


@pytest.fixture(autouse=True)
def no_trouble(request, monkeypatch):
    """What the window says went wrong fails the test, unless it is marked `faults`: those inject
    some. Messages with details are errors that nobody expected."""
    told: list[str] = []
    monkeypatch.setattr(troubles.TROUBLES, "_last", {})
    say = StatusBar.say

    @functools.wraps(say)
    def listening(self, message: str, details: str = "") -> None:
        told.extend([details] if details else [])
        say(self, message, details)

    def heard(event: troubles.Event) -> None:
        told.append(event.trouble.details)

    monkeypatch.setattr(StatusBar, "say", listening)
    troubles.TROUBLES.happened.connect(heard)
    yield told
    troubles.TROUBLES.happened.disconnect(heard)
    if request.node.get_closest_marker("faults") is None:
        assert not told, "the window said that something went wrong:\n" + told[0]


QUICK = ("low sun", "off register", "cut layers", "hue run", "tea towel", "satin silver", "sunset parlour",
         "plain ink", "house white", "sea glass", "denim patch", "evening chrome", "carbon lap", "scoreboard",
         "foundry bronze", "cup gold", "candy drop", "deep pool", "pond ice", "rink tube", "title shout")  # fmt: skip
"""Styles that walls of samples show quickly, and those that tests name."""


@pytest.fixture(autouse=True)
def few_styles(request, monkeypatch):
    """The library has some styles alone; tests marked `every_style` have all of them."""
    if request.node.get_closest_marker("every_style") is None:
        some = tuple(one for one in styles.built_in() if one.style.name in QUICK)
        assert len(some) == len(QUICK)
        some = tuple(sorted(some, key=lambda one: QUICK.index(one.style.name)))
        monkeypatch.setattr(styles, "built_in", lambda: some)


@pytest.fixture
def settle(qtbot):
    """Wait until nothing is being rendered or read."""

    def wait(window: Window) -> None:
        qtbot.waitUntil(lambda: window.idle, timeout=60_000)
        qtbot.wait(30)
        qtbot.waitUntil(lambda: window.idle, timeout=60_000)

    return wait


@pytest.fixture
def open_window(qtbot, settle):
    """Opens windows on boards, and closes them at the end."""
    made: list[Window] = []
    application()

    def start(on: Board | None = None) -> Window:
        window = Window(on or board())
        made.append(window)
        window.resize(1280, 800)
        window.show()
        qtbot.waitExposed(window)
        settle(window)
        return window

    yield start
    for window in made:
        if not sip.isdeleted(window):
            window.leave()
            window.deleteLater()
    qtbot.wait(1)


@pytest.fixture
def drag(qtbot):
    """Pull from one point of a widget to another in a few moves."""

    def pull(widget, start: QPointF, end: QPointF, steps: int = 6) -> None:
        first, last = start.toPoint(), end.toPoint()
        left = Qt.MouseButton.LeftButton
        qtbot.mouseMove(widget, first)
        qtbot.mousePress(widget, left, pos=first)
        for n in range(1, steps + 1):
            at = QPoint(
                first.x() + (last.x() - first.x()) * n // steps,
                first.y() + (last.y() - first.y()) * n // steps,
            )
            send_move(widget, at)
        qtbot.mouseRelease(widget, left, pos=last)

    return pull


def send_move(widget, at: QPoint) -> None:
    """A move with the left button held."""
    from PyQt6.QtCore import QEvent
    from PyQt6.QtGui import QMouseEvent
    from PyQt6.QtWidgets import QApplication

    event = QMouseEvent(
        QEvent.Type.MouseMove,
        QPointF(at),
        widget.mapToGlobal(QPointF(at)),
        Qt.MouseButton.NoButton,
        Qt.MouseButton.LeftButton,
        Qt.KeyboardModifier.NoModifier,
    )
    QApplication.sendEvent(widget, event)
