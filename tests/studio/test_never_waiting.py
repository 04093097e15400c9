"""The window's thread never waits for the helper: what is not at hand it does without, and it comes."""

from __future__ import annotations

import contextlib
import os
import signal
import threading
import time

import cv2
import msgspec
import numpy as np
import pytest
from PyQt6.QtCore import QMimeData, QPointF, Qt, QUrl

from anole.core import assets, isolation
from anole.core.edit.clusters import make_cluster
from anole.core.edit.pictures import carry_picture
from anole.core.edit.pieces import change_piece
from anole.core.files import board_file, stored_preview
from anole.core.isolation import FETCHER
from anole.core.isolation.client import HELPER
from anole.core.isolation.hurried import Fetcher
from anole.core.model import (
    Asset,
    Board,
    Emblem,
    Fill,
    Flare,
    Gradient,
    Ground,
    Length,
    Picture,
    Place,
    Pose,
    Shadow,
    Sparkle,
    Thickness,
)
from anole.core.paint import picture_files, pictures, svg_files
from anole.core.paint.image_formats import SVG_TYPE
from anole.core.pieces.kinds import cluster
from anole.core.pieces.registry import placed_kind
from anole.studio.exchange import dropping
from anole.studio.shared.shell import Stage

SVG = b"""<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 40 20">
<path d="M0 0H40V20H0Z" fill="#c33"/></svg>"""
WAITED = 5.0
"""Seconds: who waits for a helper that is held waits till it is given up, after twice as long; what
only has to share the machine does not."""


@pytest.fixture
def hurried():
    """This thread is the window's, as the program marks it."""
    isolation.hurry()
    yield
    isolation.hurry(False)


@pytest.fixture
def helper_stopped():
    """Stops the helper's process amid whatever it does, and lets it go on."""
    stopped: list[int] = []

    def stop() -> None:
        HELPER.start()
        assert HELPER.pid is not None
        os.kill(HELPER.pid, signal.SIGSTOP)
        stopped.append(HELPER.pid)

    def go_on() -> None:
        while stopped:
            with contextlib.suppress(ProcessLookupError):
                os.kill(stopped.pop(), signal.SIGCONT)

    stop.go_on = go_on
    yield stop
    go_on()


@pytest.fixture
def unseen():
    """Nothing is remembered of any picture."""

    def forget() -> None:
        caches = (svg_files.OUTLINES, svg_files.DRAWINGS, picture_files.KEPT)
        for cache in (*caches, pictures.ALPHAS, pictures.SIZES, cluster.OUTLINES):
            cache.clear()

    forget()
    return forget


def photo(width: int = 60, height: int = 40) -> bytes:
    pixels = np.random.default_rng(1).integers(0, 255, (height, width, 4), np.uint8)
    return cv2.imencode(".png", pixels)[1].tobytes()


def carrying(data: bytes, name: str, kind: str, coats=()) -> Board:
    sha = assets.put(data)
    board = Board(width=320, height=180, pieces=(Ground(id="g"),))
    board = carry_picture(board, Asset(sha=sha, name=name, media_type=kind))
    place = Place(x=160, y=90)
    if kind == SVG_TYPE:
        piece = Emblem(id="p", name="Badge", asset=sha, height=Length(60), place=place, style=coats)
    else:
        piece = Picture(
            id="p",
            name="Photo",
            asset=sha,
            width=Length(90),
            height=Length(60),
            place=place,
            style=coats,
        )
    return msgspec.structs.replace(board, pieces=(*board.pieces, piece))


def preview_in(path):
    return stored_preview.stored_preview(path)


class Clock:
    """The longest of several acts."""

    def __init__(self) -> None:
        self.longest = 0.0

    def __call__(self, act) -> object:
        start = time.monotonic()
        try:
            return act()
        finally:
            self.longest = max(self.longest, time.monotonic() - start)


KINDS = [(SVG, "badge.svg", SVG_TYPE), (photo(), "photo.png", "image/png")]


STACK = (
    Fill(id="f", paint=Gradient()),
    Shadow(id="shadow"),
    Thickness(id="block"),
    Sparkle(id="sparkle", flares=(Flare(),)),
)


@pytest.mark.sample(6)
@pytest.mark.parametrize("stage", [Stage.ARRANGE, Stage.COAT])
@pytest.mark.parametrize("coat", [coat.id for coat in STACK])
@pytest.mark.parametrize(("data", "name", "kind"), KINDS, ids=["artwork", "photo"])
def test_what_was_forgotten_is_read_again_and_nothing_is_said(
    open_window, settle, qtbot, hurried, helper_stopped, unseen, data, name, kind, coat, stage
):
    """What a picture is like is known still, and its px are not: they take most of the memory."""
    held = carrying(data, name, kind)
    board, made = make_cluster(held, ("p",))
    # a posed cluster has the box of its outlines, which are traced from the picture
    window = open_window(change_piece(board, made, style=STACK, pose=Pose(turn_y=25)))
    qtbot.waitUntil(lambda: not FETCHER._asked, timeout=10_000)
    settle(window)
    helper_stopped()
    for cache in (svg_files.DRAWINGS, picture_files.KEPT, cluster.OUTLINES, svg_files.OUTLINES):
        cache.clear()
    window.document.apply("Turn", lambda b: change_piece(b, made, pose=Pose(turn_y=20)))
    window.selection.choose(made, coat)
    window.show_stage(stage)
    qtbot.wait(20)
    window.grab()
    qtbot.mouseMove(window.view, window.view.rect().center())
    qtbot.wait(20)
    helper_stopped.go_on()
    settle(window)


def test_which_coat_painted_there_is_asked_while_a_picture_is_being_read(
    open_window, settle, qtbot, hurried, helper_stopped, unseen
):
    window = open_window(carrying(*KINDS[0], (Fill(id="f"),)))
    window.selection.choose("p", "f")
    window.show_stage(Stage.COAT)
    settle(window)
    helper_stopped()
    for cache in (svg_files.DRAWINGS, picture_files.KEPT, svg_files.OUTLINES):
        cache.clear()
    middle = window.view.transform_now().to_widget(160, 90).toPoint()

    def ask() -> str:
        keys = Qt.KeyboardModifier.ControlModifier
        qtbot.mouseClick(window.view, Qt.MouseButton.LeftButton, keys, middle)
        return window.status.text.text()

    assert "still being read" in ask()
    assert all(tool.ask_menu(QPointF(middle)) != "coat" for tool in window.view.tools)
    helper_stopped.go_on()
    qtbot.waitUntil(lambda: not FETCHER._asked, timeout=10_000)
    qtbot.waitUntil(lambda: "Painted there on top: Fill" in ask(), timeout=10_000)


@pytest.mark.parametrize(("data", "name", "kind"), KINDS, ids=["artwork", "photo"])
def test_all_that_a_window_does_goes_on_while_the_helper_is_held(
    open_window, settle, qtbot, tmp_path, hurried, helper_stopped, unseen, data, name, kind
):
    window, clock = open_window(), Clock()
    helper_stopped()
    board = carrying(data, name, kind, (Fill(id="f"),))
    clock(lambda: window.document.start(board))
    clock(lambda: window.selection.choose("p"))
    for stage in (Stage.ARRANGE, Stage.COAT, Stage.ARRANGE):
        clock(lambda stage=stage: window.show_stage(stage))
        clock(lambda: qtbot.wait(1))
    clock(lambda: window.grab())
    clock(lambda: window.document.save(tmp_path / "a.anole"))
    assert clock.longest < WAITED
    helper_stopped.go_on()
    settle(window)
    qtbot.waitUntil(lambda: not FETCHER._asked, timeout=10_000)
    settle(window)
    assert window.view.frame.board == board
    assert window.document.save(tmp_path / "a.anole")
    isolation.hurry(False)
    assert board_file.read(tmp_path / "a.anole").board.piece("p").asset == board.piece("p").asset
    assert preview_in(tmp_path / "a.anole") is not None


def test_what_stood_in_is_replaced_when_it_comes(hurried, unseen, helper_stopped):
    sha = assets.put(SVG)
    arrived = threading.Event()
    FETCHER.listen(arrived.set)
    try:
        helper_stopped()
        assert svg_files.svg_file(sha) is None and pictures.size_of(sha) is None
        assert not pictures.has_alpha(sha)
        with pytest.raises(isolation.NotYet):
            svg_files.drawn(sha, 100)
        with isolation.whole(), pytest.raises(isolation.NotYet):
            svg_files.svg_file(sha)
        helper_stopped.go_on()
        end = time.monotonic() + 20
        while time.monotonic() < end and FETCHER._asked:
            arrived.wait(0.1)
    finally:
        FETCHER.forget(arrived.set)
    assert svg_files.svg_file(sha).aspect == 2 and pictures.size_of(sha)[0] == 2048
    assert svg_files.drawn(sha, 100).shape[2] >= 100


def test_dropped_artwork_stands_as_it_is_when_it_was_read(
    open_window, settle, qtbot, tmp_path, hurried, unseen
):
    window = open_window()
    window.show_stage(Stage.ARRANGE)
    path = tmp_path / "badge.svg"
    path.write_bytes(SVG)
    mime = QMimeData()
    mime.setUrls([QUrl.fromLocalFile(str(path))])
    dropping.take(window.session, dropping.files_in(mime))
    qtbot.waitUntil(lambda: isinstance(window.selection.piece, Emblem), timeout=20_000)
    settle(window)
    x0, y0, x1, y1 = _extent(window)
    assert (x1 - x0) / (y1 - y0) == pytest.approx(2)


def _extent(window) -> tuple[float, ...]:
    piece = window.selection.placed
    return placed_kind(piece).extent(piece, window.document.board)


def test_a_board_that_was_read_knows_the_sizes_of_its_pictures(tmp_path, hurried, unseen):
    boards = {}
    for data, name, kind in KINDS:
        path = tmp_path / f"{name}.anole"
        board_file.write(path, board_file.StoredBoard(carrying(data, name, kind)), None)
        boards[path] = assets.digest(data)
    unseen()
    thread = threading.Thread(target=lambda: [board_file.read(path) for path in boards])
    thread.start()
    thread.join()
    isolation.FETCHER._asked.clear()
    svg, png = boards.values()
    assert svg_files.svg_file(svg).aspect == 2
    assert pictures.size_of(png) == (60, 40)
    assert not FETCHER._asked


def test_ending_does_not_wait_for_what_the_helper_is_doing(helper_stopped):
    helper_stopped()
    asking = threading.Thread(target=_ask_and_fail)
    asking.start()
    time.sleep(0.2)
    start = time.monotonic()
    isolation.end()
    assert time.monotonic() - start < WAITED
    asking.join(5)
    assert not asking.is_alive()


def _ask_and_fail() -> None:
    try:
        isolation.ask("picture", {"name": "x"}, [np.frombuffer(photo(), np.uint8)])
    except isolation.HelperError:
        return


@pytest.mark.parametrize(
    ("meta", "arrays"),
    [
        ({}, [np.zeros((1, 4, 2))]),
        ({"width": 0.0, "height": 1.0, "solid": True, "troubles": ()}, [np.zeros((1, 4, 2))]),
        ({"width": 1.0, "height": -1.0, "solid": True, "troubles": ()}, [np.zeros((1, 4, 2))]),
        ({"width": 1.0, "height": 1.0, "solid": True, "troubles": ()}, []),
        ({"width": 1.0, "height": 1.0, "solid": True, "troubles": ()}, [np.zeros((1, 3, 2))]),
        (
            {"width": 1.0, "height": 1.0, "solid": True, "troubles": ()},
            [np.full((1, 4, 2), np.nan)],
        ),
        ({"width": 1.0, "height": 1.0, "solid": True, "troubles": ()}, [np.zeros((1, 4, 2), "i4")]),
    ],
)
def test_what_the_helper_says_of_an_outline_is_checked(monkeypatch, unseen, meta, arrays):
    monkeypatch.setattr(isolation, "ask", lambda *_, **__: (meta, arrays))
    assert svg_files.svg_file(assets.put(SVG)) is None


@pytest.mark.parametrize(
    "arrays",
    [
        [],
        [np.zeros((4, 4), np.uint8)],
        [np.zeros((4, 4, 3), np.uint8)],
        [np.zeros((2, 2, 4), "f4")],
    ],
)
def test_what_the_helper_says_of_a_drawing_is_checked(monkeypatch, unseen, arrays):
    monkeypatch.setattr(isolation, "ask", lambda *_, **__: (None, arrays))
    assert svg_files.drawn(assets.put(SVG), 50) is None


def test_what_cannot_be_fetched_is_not_tried_for_ever_and_others_are():
    class Panic(BaseException):
        """As a library in another language throws it."""

    fetcher, tried, done = Fetcher(), [], threading.Event()

    def fails() -> None:
        tried.append(1)
        raise Panic

    for _ in range(3):
        fetcher.fetch("broken", fails)
        arrivals = fetcher.arrivals
        fetcher.fetch(("sound", arrivals), done.set)
        assert done.wait(10)
        done.clear()
    assert tried == [1] and not fetcher._asked - {("sound", arrivals)}


def test_of_what_waits_in_one_slot_only_the_newest_is_measured():
    fetcher, done, may, began = Fetcher(), [], threading.Event(), threading.Event()
    told = threading.Event()
    fetcher.fetch("first", lambda: (began.set(), may.wait(10)))
    assert began.wait(10)
    for n in range(5):
        fetcher.fetch(("core", n), lambda n=n: done.append(n), slot="core")
    fetcher.fetch("last", told.set)
    may.set()
    assert told.wait(10) and done == [4]
    assert not {("core", n) for n in range(5)} & fetcher._asked
