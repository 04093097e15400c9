"""Exports of every format, read back by readers that are not ours; limits that are met; files that are
whole or not there."""

from __future__ import annotations

import io
import os
import random
import signal
import subprocess
import sys
import time
import zipfile
from pathlib import Path
from xml.etree import ElementTree

import cv2
import msgspec
import numpy as np
import pytest
from PIL import Image, ImageCms
from pypdf import PdfReader

from anole.core.atomic import FileError
from anole.core.compose.blend import MODES
from anole.core.edit.coats import change_coat
from anole.core.edit.wearing import put_style
from anole.core.files import exporting, open_raster
from anole.core.files.coat_by_coat import captioned, stages
from anole.core.files.exporting import DoesNotFit, write
from anole.core.files.formats.format import Encoding
from anole.core.files.limits import best_quality
from anole.core.library.styles import built_in
from anole.core.model import (
    Board,
    Colour,
    ColourPaint,
    Export,
    Fill,
    Glow,
    Gradient,
    Ground,
    Length,
    Lettering,
    Place,
    Shadow,
    Stop,
    Stroke,
)
from anole.core.model.formats import FORMATS
from anole.core.render.export import rgba
from anole.core.render.renderer import Cancelled

GROUND = Ground(
    id="g",
    paint=Gradient(angle=90, stops=(Stop(0, Colour(20, 60, 90)), Stop(1, Colour(230, 200, 90)))),
)


def title(width: int = 320, height: int = 180, ground: bool = True, dpi: float = 96.0) -> Board:
    coats = (Stroke(id="s"), Fill(id="f", paint=ColourPaint(colour=Colour(240, 80, 60))))
    words = Lettering(
        id="w",
        text="Lap",
        size=Length(height / 2),
        place=Place(x=width / 2, y=height / 2),
        style=coats,
    )
    return Board(
        width=width, height=height, dpi=dpi, pieces=((GROUND, words) if ground else (words,))
    )


def size_of(path: Path) -> tuple[int, int]:
    with Image.open(path) as image:
        return image.size


# formats


@pytest.mark.parametrize(
    ("form", "ending", "close"),
    [
        ("png", ".png", 0),
        ("tiff", ".tif", 0),
        ("jpeg", ".jpg", 3),
        ("webp", ".webp", 4),
        ("avif", ".avif", 3),
    ],
)
def test_a_picture_is_what_was_rendered(tmp_path, form, ending, close):
    board, path = title(), tmp_path / f"a{ending}"
    told = write(path, board, Export(format=form, quality=95))
    found = np.asarray(Image.open(path).convert("RGB")).astype(int)
    assert told.size == path.stat().st_size
    assert np.abs(found - rgba(board)[..., :3]).mean() <= close
    assert (told.width, told.height) == (320, 180)


@pytest.mark.parametrize("form", ["png", "tiff", "jpeg"])
def test_dots_per_inch_and_the_tag_are_in_the_file(tmp_path, form):
    path = tmp_path / f"a{FORMATS[form].ending}"
    write(path, title(dpi=300), Export(format=form, scale=0.5))
    with Image.open(path) as image:
        assert image.info["dpi"][0] == pytest.approx(150, abs=0.6)
        if form == "png":
            assert image.info["srgb"] == 0
        else:
            profile = ImageCms.ImageCmsProfile(io.BytesIO(image.info["icc_profile"]))
            assert "sRGB" in ImageCms.getProfileDescription(profile)
    write(path, title(), Export(format=form, srgb=False))
    with Image.open(path) as image:
        assert "srgb" not in image.info and "icc_profile" not in image.info


@pytest.mark.parametrize("form", ["png", "png 16", "webp", "avif", "tiff"])
def test_clear_stays_clear(tmp_path, form):
    path = tmp_path / f"a{FORMATS[form].ending}"
    write(path, title(), Export(format=form, transparent=True, quality=100))
    found = cv2.imread(str(path), cv2.IMREAD_UNCHANGED)
    if found is None or found.shape[-1] != 4:
        found = np.asarray(Image.open(path))
    assert found[0, 0, 3] == 0 and found[..., 3].max() in (255, 65535)


def test_jpeg_lies_on_white_paper(tmp_path):
    path = tmp_path / "a.jpg"
    write(path, title(ground=False), Export(format="jpeg", transparent=True))
    assert np.asarray(Image.open(path))[2, 2].min() > 250


def test_sixteen_bit_has_more_levels_than_eight(tmp_path):
    """A soft gradient, read by another library: no level is missing between."""
    run = Gradient(angle=90, stops=(Stop(0, Colour(100, 100, 100)), Stop(1, Colour(104, 104, 104))))
    board = Board(width=400, height=4, pieces=(Ground(id="g", paint=run),))
    path = tmp_path / "a.png"
    write(path, board, Export(format="png 16"))
    found = cv2.imread(str(path), cv2.IMREAD_UNCHANGED)
    assert found.dtype == np.uint16
    row = found[1, :, 0].astype(float)
    assert len(np.unique(row)) > 300
    assert row[0] / 257 == pytest.approx(100, abs=0.05)
    assert row[-1] / 257 == pytest.approx(104, abs=0.05)
    assert np.all(np.diff(row) >= 0)


def test_a_scale_is_rendered_anew_and_not_enlarged(tmp_path):
    """Four times the board is the board four times the size, px for px."""
    board = put_style(
        title(160, 90), "w", next(s.style for s in built_in() if s.style.name == "cup gold")
    )
    words = board.lettering("w")
    large = msgspec.structs.replace(
        board,
        width=640,
        height=360,
        dpi=board.dpi * 4,
        pieces=(
            board.pieces[0],
            msgspec.structs.replace(words, size=words.size.times(4), place=Place(x=320, y=180)),
        ),
    )
    path = tmp_path / "a.png"
    write(path, board, Export(scale=4))
    found = np.asarray(Image.open(path).convert("RGB")).astype(int)
    off = np.abs(found - rgba(large)[..., :3])
    assert off.mean() < 0.35 and np.percentile(off, 99.9) <= 12
    small = rgba(board)[..., :3]
    enlarged = cv2.resize(small, (640, 360), interpolation=cv2.INTER_CUBIC)

    def edges(pixels: np.ndarray) -> float:
        return float(cv2.Laplacian(pixels.astype(np.float32), cv2.CV_32F).std())

    assert edges(found) > 2 * edges(enlarged)


@pytest.mark.parametrize("form", ["png", "png 16", "jpeg", "tiff"])
def test_an_export_may_say_its_own_dots_per_inch(tmp_path, form):
    path = tmp_path / f"a{FORMATS[form].ending}"
    write(path, title(), Export(format=form, dpi=144))
    with Image.open(path) as image:
        assert image.info["dpi"][0] == pytest.approx(144, abs=0.6)
    assert size_of(path) == (320, 180)


# size and trim


@pytest.mark.parametrize(
    ("fields", "size"),
    [
        ({"scale": 0.5}, (160, 90)),
        ({"width": 500}, (500, 281)),
        ({"height": 100}, (178, 100)),
        ({"width": 64, "height": 900, "scale": 3}, (64, 36)),
    ],
)
def test_sizes(tmp_path, fields, size):
    path = tmp_path / "a.png"
    told = write(path, title(), Export(**fields))
    assert size_of(path) == size == (told.width, told.height)


def test_trimmed_to_what_is_painted_with_padding(tmp_path):
    board, path = title(), tmp_path / "a.png"
    write(path, board, Export(trim=True, padding=7, transparent=True))
    alpha = np.asarray(Image.open(path))[..., 3]
    whole = rgba(board, transparent=True)[..., 3]
    rows, columns = np.flatnonzero(whole.any(1)), np.flatnonzero(whole.any(0))
    assert alpha.shape == (
        rows[-1] - rows[0] + 15,
        columns[-1] - columns[0] + 15,
    )
    inside = alpha[7:-7, 7:-7]
    assert np.array_equal(inside, whole[rows[0] : rows[-1] + 1, columns[0] : columns[-1] + 1])
    assert not alpha[:7].any() and not alpha[:, -7:].any()


# PDF


@pytest.mark.parametrize(("bleed", "marks"), [(0, False), (3, False), (3, True), (0, True)])
def test_a_pdf_has_the_size_of_the_board_in_mm(tmp_path, bleed, marks):
    board, path = title(600, 400, dpi=150), tmp_path / "a.pdf"
    write(path, board, Export(format="pdf", bleed=bleed, marks=marks))
    page = PdfReader(path).pages[0]

    def mm(box) -> tuple[float, float]:
        return float(box.width) / 72 * 25.4, float(box.height) / 72 * 25.4

    wanted = 600 / 150 * 25.4, 400 / 150 * 25.4
    assert mm(page.trimbox) == pytest.approx(wanted, abs=0.01)
    # whole px reach at most one px farther than asked
    reach = tuple(side + 2 * bleed for side in wanted)
    assert mm(page.bleedbox) == pytest.approx(reach, abs=2 * 25.4 / 150 + 0.01)
    room = 16 if marks else 0
    assert mm(page.mediabox) == pytest.approx(
        tuple(side + room for side in mm(page.bleedbox)), abs=0.01
    )
    image = page.images[0].image
    assert image.size[0] == pytest.approx(600 + 2 * bleed / 25.4 * 150, abs=2)
    lines = page.get_contents().get_data().count(b" l ")
    assert (lines == 8) == marks


def test_the_bleed_is_painted(tmp_path):
    path = tmp_path / "a.pdf"
    write(path, title(dpi=96), Export(format="pdf", bleed=5))
    pixels = np.asarray(PdfReader(path).pages[0].images[0].image.convert("RGB")).astype(int)
    more = (pixels.shape[1] - 320) // 2
    assert more >= 18
    assert np.abs(pixels[:, 0] - pixels[:, more]).max() < 30
    assert pixels[2, 2].sum() < 3 * 200
    cut = pixels[more:-more, more:-more]
    assert np.abs(cut - rgba(title())[..., :3]).max() <= 2


# OpenRaster


@pytest.mark.parametrize("style", ["cup gold", "jelly", "pushed-up ground", "hue run"])
def test_an_open_raster_has_a_layer_a_piece_that_make_the_picture(tmp_path, style):
    chosen = next(s.style for s in built_in() if s.style.name == style)
    board, path = put_style(title(), "w", chosen), tmp_path / "a.ora"
    write(path, board, Export(format="openraster"))
    with zipfile.ZipFile(path) as box:
        first = box.infolist()[0]
        assert first.filename == "mimetype" and first.compress_type == zipfile.ZIP_STORED
        assert box.read("mimetype") == b"image/openraster"
        image = ElementTree.fromstring(box.read("stack.xml"))
        layers = image.findall("stack/layer")
        assert (image.get("w"), image.get("h")) == ("320", "180")
        assert [layer.get("name") for layer in layers] == ["words", "ground"]

        def pixels(name: str) -> np.ndarray:
            return np.asarray(Image.open(io.BytesIO(box.read(name))).convert("RGBA"))

        merged = pixels("mergedimage.png")
        laid = Image.fromarray(np.zeros_like(merged))
        for layer in reversed(layers):
            laid = Image.alpha_composite(laid, Image.fromarray(pixels(layer.get("src"))))
        thumbnail = pixels("Thumbnails/thumbnail.png")
    off = np.abs(np.asarray(laid)[..., :3].astype(int) - merged[..., :3])
    assert np.percentile(off, 99.8) <= open_raster.CLOSE + 1
    assert max(thumbnail.shape[:2]) == 256
    assert np.array_equal(merged[..., :3], rgba(board)[..., :3])


def laid_over_each_other(path: Path) -> tuple[np.ndarray, np.ndarray]:
    """(H, W, 4) float, premultiplied levels: an OpenRaster's layers together, and its merged picture."""
    with zipfile.ZipFile(path) as box:
        image = ElementTree.fromstring(box.read("stack.xml"))

        def pixels(name: str) -> np.ndarray:
            return np.asarray(Image.open(io.BytesIO(box.read(name))).convert("RGBA"))

        total = np.zeros((*pixels("mergedimage.png").shape[:2], 4))
        for layer in reversed(image.findall("stack/layer")):
            above = pixels(layer.get("src")) / 255.0
            share = above[..., 3:]
            total = np.concatenate([above[..., :3] * share, share], -1) + total * (1 - share)
        merged = pixels("mergedimage.png") / 255.0
    merged[..., :3] *= merged[..., 3:]
    return total * 255, merged * 255


@pytest.mark.parametrize("rows", [1000, 31])
@pytest.mark.parametrize("blend", MODES)
def test_the_layers_are_the_picture_without_a_ground_and_in_any_blend(
    tmp_path, monkeypatch, blend, rows
):
    monkeypatch.setattr(open_raster, "LEAST_ROWS", 1)
    monkeypatch.setattr(open_raster, "STRIP_PIXELS", rows * 200)
    lower, upper = (
        Lettering(
            id=name,
            text=text,
            size=Length(60),
            place=Place(x=100, y=y),
            opacity=share,
            blend=mode,
            style=(Shadow(id="h"), Fill(id="f", paint=ColourPaint(colour=colour))),
        )
        for name, text, y, share, mode, colour in (
            ("a", "DUSK", 50, 0.6, "normal", Colour(210, 90, 40)),
            ("b", "LANE", 70, 0.8, blend, Colour(60, 140, 220)),
        )
    )
    path = tmp_path / "a.ora"
    write(path, Board(width=200, height=120, pieces=(lower, upper)), Export(format="openraster"))
    laid, merged = laid_over_each_other(path)
    assert merged[..., 3].max() > 200
    assert np.abs(laid - merged).max() <= open_raster.CLOSE + 1


# coat by coat


def test_coats_come_one_by_one(tmp_path):
    board = title()
    found = stages(board)
    assert [len(one.board.pieces) for one in found] == [1, 2, 2]
    assert [len(one.board.lettering("w").style) for one in found[1:]] == [1, 2]
    assert found[-1].board == board
    for ending, close in ((".gif", 12), (".webp", 6)):
        path = tmp_path / f"a{ending}"
        write(path, board, Export(format="coat by coat"))
        image = Image.open(path)
        assert image.n_frames == 3
        image.seek(2)
        last = np.asarray(image.convert("RGB")).astype(int)
        assert np.abs(last - rgba(board)[..., :3]).mean() < close
        assert image.info["duration"] > 2000


def test_what_comes_is_named_at_its_foot_if_wanted(tmp_path):
    board = title()
    board = change_coat(board, "w", board.lettering("w").style[0].id, name="dark rim")
    assert [one.name for one in stages(board)][1] == "dark rim"
    for names in (False, True):
        write(tmp_path / f"{names}.gif", board, Export(format="coat by coat", names=names))
    plain, named = (Image.open(tmp_path / f"{names}.gif") for names in (False, True))
    for number in (1, 2):
        for image in (plain, named):
            image.seek(number)
        off = np.abs(np.subtract(*(np.asarray(i.convert("L")).astype(int) for i in (plain, named))))
        rows, columns = np.nonzero(off > 90)
        # a line of words low at the left, and nothing else of the picture
        assert (
            len(rows) > 20
            and rows.min() > 0.75 * off.shape[0]
            and columns.min() < 0.1 * off.shape[1]
        )
    assert all(one.board.pieces == captioned(one).pieces[:-1] for one in stages(board) if one.name)


# limits


def random_board(chance: random.Random) -> Board:
    style = chance.choice(built_in()).style
    board = title(chance.choice([160, 240, 320]), chance.choice([90, 120, 180]))
    return put_style(board, "w", style)


def test_limits_are_met_by_the_best_quality():
    """Twenty boards and limits: what is found fits, and a quality more would not, or is all there is."""
    chance = random.Random(5)
    met = 0
    for _ in range(20):
        board = random_board(chance)
        form = FORMATS[chance.choice(["jpeg", "webp", "avif"])]
        pixels, most = rgba(board), chance.randint(1500, 20_000)
        found = best_quality(form, pixels, Encoding(quality=100), most)
        if found is None:
            assert len(form.encode(pixels, Encoding(quality=1))) > most
            continue
        met += 1
        assert len(found.data) <= most
        if found.quality < 100:
            # sizes rise with the quality but for some bytes
            more = form.encode(pixels, Encoding(quality=found.quality + 1))
            assert len(more) > most * 0.97
    assert met >= 12


def test_a_limit_that_no_quality_meets_is_told_or_the_picture_is_smaller(tmp_path):
    board, path = title(640, 360), tmp_path / "a.jpg"
    export = Export(format="jpeg", most=2500)
    with pytest.raises(DoesNotFit, match="no quality of JPEG") as caught:
        write(path, board, export)
    assert 0 < caught.value.share < 1 and not path.exists()
    told = write(path, board, export, shrink=True)
    assert path.stat().st_size <= 2500 and told.width < 640
    assert size_of(path) == (told.width, told.height)
    assert told.width / told.height == pytest.approx(16 / 9, abs=0.05)


# whole or not at all


def test_who_cancels_has_the_old_file(tmp_path):
    for form in ("png", "jpeg", "pdf", "openraster", "coat by coat", "png 16"):
        path = tmp_path / f"a{exporting.ending_of(Export(format=form))}"
        path.write_bytes(b"old")
        with pytest.raises(Cancelled):
            write(path, title(), Export(format=form), stop=lambda: True)
        assert path.read_bytes() == b"old" and len(list(tmp_path.iterdir())) == 1
        path.unlink()


def test_a_full_disk_leaves_the_old_file(tmp_path, monkeypatch):
    path = tmp_path / "poster.png"
    path.write_bytes(b"old")
    real = os.fsync

    def full(handle: int) -> None:
        raise OSError(28, "No space left on device")

    monkeypatch.setattr(os, "fsync", full)
    with pytest.raises(FileError, match="no space left"):
        write(path, title(), Export())
    monkeypatch.setattr(os, "fsync", real)
    assert path.read_bytes() == b"old" and len(list(tmp_path.iterdir())) == 1


def test_killed_in_the_middle_there_is_no_half_written_file(tmp_path):
    path = tmp_path / "poster.png"
    script = f"""
import sys, time
sys.path.insert(0, {str(Path(__file__).parents[2])!r})
from pathlib import Path
from anole.core.files import picture
from anole.core.files.exporting import write
from anole.core.model import Export
from tests.core.test_exports import title
picture.WHOLE = 1000
def told(share):
    print(share, flush=True)
    if share > 0.3:
        time.sleep(30)
write(Path({str(path)!r}), title(2000, 6000), Export(), progress=told)
"""
    child = subprocess.Popen([sys.executable, "-c", script], stdout=subprocess.PIPE, text=True)
    assert child.stdout is not None
    for line in child.stdout:
        if float(line) > 0.3:
            break
    time.sleep(0.2)
    child.send_signal(signal.SIGKILL)
    child.wait()
    child.stdout.close()
    assert not path.exists()


def test_a_glow_beyond_the_letters_is_not_cut_when_trimmed(tmp_path):
    board = title(ground=False)
    words = board.lettering("w")
    glowing = msgspec.structs.replace(words, style=(Glow(id="l"), *words.style))
    path = tmp_path / "a.png"
    write(path, msgspec.structs.replace(board, pieces=(glowing,)), Export(trim=True))
    wide = size_of(path)[0]
    write(path, board, Export(trim=True))
    assert wide > size_of(path)[0] + 10
