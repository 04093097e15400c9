"""Pictures written some rows at a time are those written at once."""

from __future__ import annotations

import io

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from PIL import Image

from anole.core.atomic import FileError
from anole.core.files import picture
from anole.core.files.png_stream import PngStream
from anole.core.model import Fill, Shadow, Stroke
from anole.core.render.renderer import Cancelled

from .shapes import board


@given(st.integers(1, 40), st.integers(1, 30), st.booleans(), st.integers(0, 2**32 - 1), st.data())
@settings(max_examples=60, deadline=None)
def test_what_is_written_is_what_a_library_reads(width, height, alpha, seed, data):
    rng = np.random.default_rng(seed)
    pixels = rng.integers(0, 256, (height, width, 4), np.uint8)
    pixels[: height // 2] = pixels[:1]
    file = io.BytesIO()
    stream = PngStream(file, width, height, alpha, 300.0)
    at = 0
    while at < height:
        end = at + data.draw(st.integers(1, height - at))
        stream.rows(pixels[at:end])
        at = end
    assert stream.end() == len(file.getvalue())
    found = Image.open(io.BytesIO(file.getvalue()))
    assert found.mode == ("RGBA" if alpha else "RGB")
    assert found.info["dpi"][0] == pytest.approx(300, abs=0.02)
    assert found.info["srgb"] == 0
    np.testing.assert_array_equal(np.asarray(found), pixels if alpha else pixels[..., :3])


@pytest.mark.parametrize("transparent", [False, True])
def test_a_board_in_strips_is_the_board_at_once(tmp_path, monkeypatch, transparent):
    made = board(Shadow(id="h"), Stroke(id="s"), Fill(id="f"))
    whole, streamed = tmp_path / "whole.png", tmp_path / "streamed.png"
    picture.write(whole, made, 2.0, transparent=transparent)
    monkeypatch.setattr(picture, "WHOLE", 1000)
    shares: list[float] = []
    size = picture.write(streamed, made, 2.0, transparent=transparent, progress=shares.append)
    assert size == streamed.stat().st_size
    assert shares[-1] == 1
    np.testing.assert_array_equal(np.asarray(Image.open(streamed)), np.asarray(Image.open(whole)))


def test_a_cancelled_picture_leaves_nothing(tmp_path, monkeypatch):
    monkeypatch.setattr(picture, "WHOLE", 1000)
    old = tmp_path / "a.png"
    old.write_bytes(b"old")
    with pytest.raises(Cancelled):
        picture.write(old, board(Fill(id="f")), stop=lambda: True)
    assert old.read_bytes() == b"old" and list(tmp_path.iterdir()) == [old]
    with pytest.raises(FileError):
        picture.write(tmp_path / "no" / "a.png", board(Fill(id="f")))


@pytest.mark.parametrize("whole", [picture.WHOLE, 1000])
def test_who_cancels_after_the_last_pixel_gets_no_file(tmp_path, monkeypatch, whole):
    monkeypatch.setattr(picture, "WHOLE", whole)
    shares: list[float] = []
    path = tmp_path / "a.png"
    with pytest.raises(Cancelled):
        picture.write(
            path, board(Fill(id="f")), progress=shares.append, stop=lambda: shares[-1:] == [1.0]
        )
    assert not list(tmp_path.iterdir())
