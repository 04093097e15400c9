"""Pictures written some rows at a time are those written at once, in every format."""

from __future__ import annotations

import io

import cv2
import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from PIL import Image
from pypdf import PdfReader

from anole.core.atomic import FileError
from anole.core.box import Box
from anole.core.files import exporting
from anole.core.files.formats import FORMATS, format_of
from anole.core.files.png_stream import PngStream
from anole.core.model import Export, Fill, Shadow, Stroke
from anole.core.render import export
from anole.core.render.export import rgba
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


STREAMED = [name for name in FORMATS if format_of(name).streamed is not None]


@pytest.fixture
def small_strips(monkeypatch):
    """Every picture is a large one, and made of many strips."""
    monkeypatch.setattr(exporting, "LARGE", 1000)
    monkeypatch.setattr(export, "bands_of", lambda box: [
        Box(0, y, box.width, min(y + 37, box.height)) for y in range(0, box.height, 37)
    ])  # fmt: skip


def read(path) -> np.ndarray:
    if path.suffix == ".pdf":
        return np.asarray(PdfReader(path).pages[0].images[0].image)
    if path.suffix == ".png":
        return cv2.imread(str(path), cv2.IMREAD_UNCHANGED)
    return np.asarray(Image.open(path))


@pytest.mark.sample(8)
@pytest.mark.parametrize("trim", [False, True])
@pytest.mark.parametrize("alpha", [False, True])
@pytest.mark.parametrize("name", STREAMED)
def test_a_board_in_strips_is_the_board_at_once(tmp_path, request, name, alpha, trim):
    made = board(Shadow(id="h"), Stroke(id="s"), Fill(id="f"))
    how = Export(format=name, scale=2.0, transparent=alpha, trim=trim, padding=9)
    ending = format_of(name).ending
    whole, streamed = tmp_path / f"whole{ending}", tmp_path / f"streamed{ending}"
    exporting.write(whole, made, how)
    request.getfixturevalue("small_strips")
    shares: list[float] = []
    written = exporting.write(streamed, made, how, progress=shares.append)
    assert written.size == streamed.stat().st_size
    assert shares[-1] == 1 and len(shares) > 3
    found, wanted = read(streamed), read(whole)
    assert found.shape == wanted.shape and found.size > 3000
    # sums in other boxes are rounded otherwise, by less than a 16th bit
    off = np.abs(found.astype(int) - wanted).max()
    assert off <= (1 if format_of(name).deep else 0)


def test_a_pdf_holds_the_px_of_the_board(tmp_path, small_strips):
    made = board(Shadow(id="h"), Stroke(id="s"), Fill(id="f"))
    exporting.write(tmp_path / "a.pdf", made, Export(format="pdf"))
    np.testing.assert_array_equal(read(tmp_path / "a.pdf"), rgba(made)[..., :3])


def test_a_cancelled_picture_leaves_nothing(tmp_path, monkeypatch):
    monkeypatch.setattr(exporting, "LARGE", 1000)
    old = tmp_path / "a.png"
    old.write_bytes(b"old")
    with pytest.raises(Cancelled):
        exporting.write(old, board(Fill(id="f")), Export(), stop=lambda: True)
    assert old.read_bytes() == b"old" and list(tmp_path.iterdir()) == [old]
    with pytest.raises(FileError):
        exporting.write(tmp_path / "no" / "a.png", board(Fill(id="f")), Export())


@pytest.mark.parametrize("whole", [exporting.LARGE, 1000])
def test_who_cancels_after_the_last_pixel_gets_no_file(tmp_path, monkeypatch, whole):
    monkeypatch.setattr(exporting, "LARGE", whole)
    shares: list[float] = []
    path = tmp_path / "a.png"
    with pytest.raises(Cancelled):
        exporting.write(
            path,
            board(Fill(id="f")),
            Export(),
            progress=shares.append,
            stop=lambda: shares[-1:] == [1.0],
        )
    assert not list(tmp_path.iterdir())


@pytest.mark.parametrize("name", FORMATS)
def test_who_cancels_at_the_end_gets_no_file_of_any_format(tmp_path, name):
    made, shares = board(Shadow(id="h"), Fill(id="f")), []
    path = tmp_path / f"a{format_of(name).ending}"
    exporting.write(path, made, Export(format=name), progress=shares.append)
    path.unlink()
    last = len(shares)
    assert last
    shares.clear()
    with pytest.raises(Cancelled):
        exporting.write(
            path,
            made,
            Export(format=name),
            progress=shares.append,
            stop=lambda: len(shares) >= last,
        )
    assert not list(tmp_path.iterdir())
