"""Jobs of the worker that tell several things: what is newer goes before."""

from __future__ import annotations

import threading

import pytest

from anole.core.render.renderer import Request
from anole.studio.rendering import worker as module
from anole.studio.rendering.worker import Worker

from ..core.shapes import board


@pytest.fixture
def worker(qtbot, monkeypatch):
    monkeypatch.setattr(module, "prepare", lambda *_: None)
    made = Worker()
    made.start()
    yield made
    made.stop()


class Gate:
    """A job of three things that waits before the second."""

    def __init__(self) -> None:
        self.begun, self.go_on = threading.Event(), threading.Event()

    def __call__(self, worker):
        yield 1
        self.begun.set()
        assert self.go_on.wait(10)
        yield 2
        yield 3


def test_a_frame_goes_before_the_rest_of_a_job(worker, qtbot):
    order: list = []
    worker.done.connect(lambda _, one: order.append(one))
    worker.framed.connect(lambda _: order.append("frame"))
    gate = Gate()
    worker.ask(("sizes",), gate)
    assert gate.begun.wait(10)
    worker.show(Request(board()))
    gate.go_on.set()
    qtbot.waitUntil(lambda: len(order) == 4, timeout=30_000)
    assert order == [1, 2, "frame", 3]


def test_a_newer_job_takes_the_place_of_what_an_older_would_tell(worker, qtbot):
    order: list = []
    worker.done.connect(lambda _, one: order.append(one))
    gate = Gate()
    worker.ask(("sizes",), gate)
    assert gate.begun.wait(10)
    worker.ask(("sizes",), lambda _: iter(("a", "b")))
    gate.go_on.set()
    qtbot.waitUntil(lambda: order[-1:] == ["b"], timeout=30_000)
    assert order == [1, 2, "a", "b"]
