"""What crashes, hangs or swells the reader of a stranger's file costs one message."""

from __future__ import annotations

import io
import os
import signal
import subprocess
import sys
import threading
import time
from pathlib import Path

import msgspec
import numpy as np
import pytest
from PIL import Image

from anole.core import assets, isolation
from anole.core.edit.pictures import add_picture
from anole.core.files import board_file
from anole.core.helper.tasks import TASKS
from anole.core.isolation import client, wire
from anole.core.lettering import fonts
from anole.core.lettering.font_file import FontError
from anole.core.model import Asset, Ground, ImagePaint
from anole.core.paint.decoding import decode
from anole.core.paint.image_formats import ImageError
from anole.core.paint.picture_files import decoded
from anole.core.render.export import rgba

from . import hostile_files, made_fonts
from .shapes import board


@pytest.fixture(autouse=True)
def impatient(monkeypatch):
    monkeypatch.setattr(client, "SECONDS", 6.0)


def png(side: int = 4) -> bytes:
    room = io.BytesIO()
    Image.fromarray(np.arange(side * side * 3, dtype=np.uint8).reshape(side, side, 3)).save(
        room, "PNG"
    )
    return room.getvalue()


@pytest.mark.parametrize(
    ("data", "says"),
    [
        (hostile_files.nested_groups(), "crash|deep|read"),
        (hostile_files.slow_svg(), "longer than 2 seconds"),
        (hostile_files.png(60_000, 60_000), "px|larger"),
        (hostile_files.png(16_000, 15_000, 16), "read|memory|longer|crash"),
    ],
    ids=["crash", "hang", "huge", "memory"],
)
def test_a_hostile_picture_costs_one_message_and_the_next_is_read(data, says, monkeypatch):
    monkeypatch.setattr(client, "SECONDS", 2.0)
    with pytest.raises(ImageError, match=says) as caught:
        decoded(data, "evil.svg")
    assert len(str(caught.value)) < 300
    np.testing.assert_array_equal(decoded(png(), "a.png").pixels, decode(png(), "a.png").pixels)


def test_a_helper_that_is_killed_is_started_anew():
    decoded(png(), "a.png")
    pid, starts = client.HELPER.pid, client.HELPER.starts
    os.kill(pid, signal.SIGKILL)
    for _ in range(100):
        if client.HELPER._process.poll() is not None:
            break
        time.sleep(0.02)
    assert decoded(png(), "a.png").pixels.shape == (4, 4, 4)
    assert client.HELPER.starts == starts + 1
    assert decoded(png(5), "b.png").pixels.shape == (5, 5, 4)
    assert client.HELPER.starts == starts + 1


def test_it_outlives_the_thread_that_started_it():
    client.HELPER.end()
    thread = threading.Thread(target=isolation.start)
    thread.start()
    thread.join()
    time.sleep(0.3)
    pid = client.HELPER.pid
    assert decoded(png(), "a.png").pixels.shape == (4, 4, 4)
    assert client.HELPER.pid == pid


def test_it_ends_when_the_program_is_killed():
    script = (
        "import os, signal, sys; from anole.core.isolation import client\n"
        "client.start(); print(client.HELPER.pid, flush=True)\n"
        "os.kill(os.getpid(), signal.SIGKILL)"
    )
    ended = subprocess.run([sys.executable, "-c", script], capture_output=True, check=False)
    helper = Path(f"/proc/{int(ended.stdout)}/stat")
    for _ in range(200):
        if not helper.exists() or helper.read_text().split()[2] == "Z":
            break
        time.sleep(0.05)
    else:
        pytest.fail("the helper runs on")


def test_work_that_nobody_wants_any_more_is_given_up():
    monkey = threading.Event()
    timer = threading.Timer(0.2, monkey.set)
    timer.start()
    start = time.monotonic()
    with pytest.raises(ImageError, match="given up"):
        decoded(hostile_files.slow_svg(), "slow.svg", monkey.is_set)
    assert time.monotonic() - start < 5
    timer.join()


@pytest.mark.parametrize("make", [made_fonts.without_glyphs, made_fonts.huge_table])
def test_a_broken_font_costs_one_message(make):
    with pytest.raises(FontError):
        fonts.add(make(), "bad.ttf")
    assert decoded(png(), "a.png")


def test_the_program_itself_decodes_nothing(monkeypatch):
    """With the readers broken here, all is still read there."""

    def here(*_, **__):
        raise AssertionError("decoded in the program's own process")

    for name in list(TASKS):
        monkeypatch.setitem(TASKS._entries, name, here)
    monkeypatch.setattr(Image, "open", here)
    made, sha, _ = add_picture(board(), png(6), "six.png")
    fonts.add(made_fonts.wide(), "wide.ttf")
    back = board_file.decode(board_file.encode(board_file.StoredBoard(made), None), "a")
    assert back.board.assets[0].sha == sha and not back.troubles


def test_a_board_with_a_hostile_picture_opens_and_says_so():
    data = hostile_files.nested_groups(60_000)
    sha = assets.put(data)
    made = msgspec.structs.replace(
        board(), assets=(Asset(sha=sha, name="evil.svg", media_type="image/svg+xml"),)
    )
    ground = Ground(id="ground", paint=ImagePaint(asset=sha))
    made = msgspec.structs.replace(made, pieces=(ground, *made.pieces[1:]))
    found = board_file.decode(board_file.encode(board_file.StoredBoard(made), None), "a.anole")
    assert len(found.troubles) == 1 and "evil.svg" in found.troubles[0]
    starts = client.HELPER.starts
    assert rgba(found.board).shape[2] == 4
    assert rgba(found.board).shape[2] == 4
    # while painting it is tried once more, under no name, and then no more
    assert client.HELPER.starts <= starts + 2


def test_the_helper_ends_with_the_program():
    decoded(png(), "a.png")
    pid = client.HELPER.pid
    client.HELPER.end()
    assert not Path(f"/proc/{pid}").exists()


def test_what_the_helper_says_is_not_believed():
    """Headers and arrays from a helper that was taken over are refused."""
    own, other = wire.socket.socketpair(wire.socket.AF_UNIX, wire.socket.SOCK_SEQPACKET)
    with own, other:
        for block in (
            wire.WireBlock(0, (4,), "object"),
            wire.WireBlock(-8, (4,), "uint8"),
            wire.WireBlock(0, (10**9, 10**9), "uint8"),
            wire.WireBlock(0, (-1,), "uint8"),
            wire.WireBlock(64, (4,), "float32"),
        ):
            handle = os.memfd_create("x", os.MFD_ALLOW_SEALING)
            os.write(handle, bytes(16))
            text = msgspec.msgpack.encode(wire.Header(blocks=(block,)))
            wire.socket.send_fds(other, [text], [handle])
            os.close(handle)
            with pytest.raises(wire.WireError):
                wire.receive(own)
        other.send(b"\xc1 nothing")
        with pytest.raises(wire.WireError):
            wire.receive(own)


def test_arrays_go_there_and_back():
    own, other = wire.socket.socketpair(wire.socket.AF_UNIX, wire.socket.SOCK_SEQPACKET)
    arrays = [
        np.arange(12, dtype=np.float32).reshape(3, 4),
        np.zeros((0, 4), np.uint8),
        np.arange(6, dtype=np.uint16).reshape(1, 2, 3)[:, ::-1],
    ]
    with own, other:
        wire.send(other, wire.Header(meta={"a": [1, "b"]}), arrays)
        header, found = wire.receive(own)
    assert header.meta == {"a": [1, "b"]}
    for one, two in zip(arrays, found, strict=True):
        np.testing.assert_array_equal(one, two)
        assert one.dtype == two.dtype


def test_an_unknown_task_is_refused():
    with pytest.raises(isolation.Refused):
        isolation.ask("no such task")


def test_the_reader_starts_without_what_it_is_not_asked_for():
    """A process that reads one picture waits for no compiler, and for no reader of fonts."""
    heavy = ("numba", "skia", "fontTools", "cv2", "PIL", "anole.core.model")
    code = (
        f"import sys, anole.core.helper.__main__; print([m for m in {heavy} if m in sys.modules])"
    )
    found = subprocess.run([sys.executable, "-c", code], capture_output=True, text=True, check=True)
    assert found.stdout.strip() == "[]"
    code = f"import sys; from anole.core.helper.tasks import TASKS; {READ}"
    found = subprocess.run([sys.executable, "-c", code], capture_output=True, text=True, check=True)
    assert found.stdout.strip() == "[]"


READ = """
import io
from PIL import Image
room = io.BytesIO()
Image.new("RGB", (4, 4)).save(room, "PNG")
TASKS["picture"]({"name": "a"}, room.getvalue())
print([m for m in ("numba", "skia", "fontTools", "resvg_py") if m in sys.modules])
"""
