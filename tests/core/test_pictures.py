"""Image files in: formats, colour profiles, orientation, depth, damage; backdrops; sprayed paint."""

import io
from unittest.mock import patch

import cv2
import msgspec
import numpy as np
import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from PIL import Image, ImageCms

from anole.core import assets
from anole.core.cache import Cache
from anole.core.edit.pictures import add_picture
from anole.core.files import board_file
from anole.core.isolation import client
from anole.core.model import (
    Backdrop,
    Board,
    Fill,
    Glow,
    Ground,
    ImagePaint,
    Invert,
    Length,
    Stroke,
)
from anole.core.paint import pictures
from anole.core.paint.decoding import MOST_PIXELS
from anole.core.paint.image_formats import ImageError
from anole.core.paint.picture_files import decoded

from .shapes import board, paint, pixels, sound, span

RGB = np.zeros((20, 30, 3), np.uint8)
RGB[..., 0] = np.linspace(0, 255, 30)
RGB[:10, :, 1] = 200


def file_of(array, kind="PNG", **more):
    room = io.BytesIO()
    Image.fromarray(array).save(room, kind, **more)
    return room.getvalue()


@pytest.mark.parametrize(
    ("kind", "near"),
    [("PNG", 0), ("TIFF", 0), ("GIF", 40), ("WEBP", 60), ("JPEG", 40), ("AVIF", 40)],
)
def test_formats_are_read(kind, near):
    found = decoded(file_of(RGB, kind), f"a.{kind.lower()}").pixels
    assert found.shape == (20, 30, 4)
    assert np.abs(found[..., :3].astype(int) - RGB).max() <= near
    assert (found[..., 3] == 255).all()


def test_sixteen_bits_are_kept():
    deep = np.zeros((4, 300, 3), np.uint16)
    deep[..., 2] = np.arange(300) + 1000
    for suffix in (".png", ".tiff"):
        found = decoded(cv2.imencode(suffix, deep)[1].tobytes(), "deep" + suffix).pixels
        assert found.dtype == np.uint16
        assert (found[0, :, 0] == deep[0, :, 2]).all()


@pytest.mark.parametrize("how", range(1, 9))
def test_orientation_is_honoured(how):
    exif = Image.Exif()
    exif[274] = how
    made = decoded(file_of(RGB, "PNG", exif=exif), "turned.png").pixels
    wanted = {
        1: RGB,
        2: RGB[:, ::-1],
        3: RGB[::-1, ::-1],
        4: RGB[::-1],
        5: RGB.transpose(1, 0, 2),
        6: np.rot90(RGB, -1),
        7: np.rot90(RGB, 2).transpose(1, 0, 2),
        8: np.rot90(RGB),
    }[how]
    assert (made[..., :3] == wanted).all()


def test_a_profile_is_converted_and_a_broken_one_named():
    lab = ImageCms.ImageCmsProfile(ImageCms.createProfile("XYZ")).tobytes()
    plain = decoded(
        file_of(
            RGB, icc_profile=ImageCms.ImageCmsProfile(ImageCms.createProfile("sRGB")).tobytes()
        ),
        "a.png",
    )
    assert np.abs(plain.pixels[..., :3].astype(int) - RGB).max() <= 1
    assert not plain.troubles
    for profile in (b"no profile at all", lab[:40]):
        broken = decoded(file_of(RGB, icc_profile=profile), "b.png")
        assert (broken.pixels[..., :3] == RGB).all()
        assert "b.png" in broken.troubles[0]


def test_an_svg_is_drawn_where_an_image_is_asked_for():
    text = b'<svg xmlns="http://www.w3.org/2000/svg" width="40" height="20"><rect width="20" height="20" fill="red"/></svg>'
    found = decoded(text, "a.svg").pixels
    assert found.shape == (1024, 2048, 4)
    assert found[500, 500].tolist() == [255, 0, 0, 255]
    assert found[500, 1500, 3] == 0


def bomb():
    """A PNG head that promises 100 000 x 100 000 px."""
    data = bytearray(file_of(RGB))
    data[16:24] = (100_000).to_bytes(4, "big") * 2
    import zlib

    data[29:33] = zlib.crc32(data[12:29]).to_bytes(4, "big")
    return bytes(data)


@pytest.mark.parametrize(
    "data", [b"", b"text", file_of(RGB)[:70], bomb(), b"<svg", file_of(RGB, "JPEG")[:200]]
)
def test_what_cannot_be_read_is_refused_by_name(data):
    with pytest.raises(ImageError, match=r"bad\.png"):
        decoded(data, "bad.png")


@settings(max_examples=80, deadline=None, suppress_health_check=list(HealthCheck))
@given(
    st.sampled_from(["PNG", "JPEG", "WEBP", "TIFF", "GIF"]),
    st.lists(st.tuples(st.floats(0, 0.999), st.integers(0, 255)), max_size=8),
)
def test_a_spoilt_picture_is_refused_or_read(kind, spots):
    data = bytearray(file_of(RGB, kind))
    for share, byte in spots:
        data[int(share * len(data))] = byte
    try:
        assert decoded(bytes(data), "x").pixels.ndim == 3
    except ImageError as error:
        assert "x" in str(error)


def test_pictures_of_one_px_and_of_32000_px():
    one = decoded(file_of(RGB[:1, :1]), "one.png").pixels
    assert one.shape == (1, 1, 4)
    made, sha, _ = add_picture(board(), file_of(np.full((2, 32_000, 3), 80, np.uint8)), "wide.png")
    made = msgspec.structs.replace(
        made, pieces=(Ground(id="g", paint=ImagePaint(asset=sha, fit="stretch")),)
    )
    assert pixels(made)[0, 50, 50] == pytest.approx(80 / 255, abs=2e-3)


def grounded(fit, **more):
    made, sha, _ = add_picture(board(), file_of(RGB), "ramp.png")
    ground = Ground(id="g", paint=ImagePaint(asset=sha, fit=fit, frame="board", **more))
    return msgspec.structs.replace(made, pieces=(ground,))


def test_a_picture_meets_its_frame():
    stretched = pixels(grounded("stretch"))
    assert stretched[0, 90, 160] == pytest.approx(0.5, abs=0.03)
    cover, contain = pixels(grounded("cover")), pixels(grounded("contain"))
    assert cover[3].min() == 1
    assert contain[3].mean() == pytest.approx(180 * 1.5 / 320, abs=0.01)
    moved = pixels(grounded("stretch", x=0.25))
    assert moved[3, :, :78].max() == 0
    assert moved[0, 90, 240] == pytest.approx(0.5, abs=0.03)
    tiled = pixels(grounded("tile", scale=0.5))
    assert tiled[3].min() > 0.99


def test_a_board_carries_each_picture_once(tmp_path):
    made, sha, _ = add_picture(board(), file_of(RGB), "ramp.png")
    again, same, _ = add_picture(made, file_of(RGB), "other name.png")
    assert (again, same) == (made, sha)
    styled = msgspec.structs.replace(made, pieces=(Ground(id="g", paint=ImagePaint(asset=sha)),))
    board_file.write(tmp_path / "a.anole", board_file.StoredBoard(styled), b"")
    before = pixels(styled)
    assets.clear()
    found = board_file.read(tmp_path / "a.anole").board
    assert found == styled
    np.testing.assert_array_equal(pixels(found), before)


def test_the_backdrop_is_the_ground_itself_and_can_be_inverted():
    made = board(Fill(id="f", paint=Backdrop(of="ground")), text="I", size=150)
    plain = pixels(board(text="I"))
    np.testing.assert_allclose(pixels(made), plain, atol=2e-3)
    turned = pixels(
        board(Fill(id="f", paint=Backdrop(of="ground", tone=(Invert(),))), text="I", size=150)
    )
    np.testing.assert_allclose(turned[:3, 90, 160], 1 - plain[:3, 90, 160], atol=3e-3)


def test_beneath_holds_lower_coats_and_the_ground_does_not():
    glow = Glow(id="g", span=span("0em", "-1em"), paint=paint("#ff0000"), hot=0.9)

    def shown(of):
        return pixels(
            board(
                glow,
                Stroke(id="s", span=span("-0.2em", "0em"), paint=Backdrop(of=of)),
                text="I",
                size=100,
            )
        )

    edge = (90, 160 - 24)
    assert shown("beneath")[0][edge] > 0.9
    assert shown("ground")[0][edge] < 0.3


def test_a_backdrop_moved_and_enlarged_is_drawn_at_its_own_scale():
    from anole.core.model import Colour, Ink, Pattern

    stripes = Pattern(
        generator="stripes",
        size=Length(40),
        count=1,
        rough=0,
        frame="board",
        inks=(Ink(Colour(0, 0, 0)), Ink(Colour(255, 255, 255))),
    )
    words = board(Fill(id="f", paint=Backdrop(of="ground", scale=2)), text="I", size=170).pieces[1]
    made = Board(width=320, height=180, pieces=(Ground(id="ground", paint=stripes), words))
    row = pixels(made)[0, 90, 140:180]
    edge = np.abs(np.diff(row))
    # enlarged pixels would have edges two px wide
    assert edge.max() > 0.7
    assert sound(pixels(made, 2.0))


def test_sprayed_paint_keeps_its_specks_between_scales():
    solid = Fill(id="f", paint=msgspec.structs.replace(paint("#ffffff"), speckle=1.0))
    made = board(solid, text="I", size=170)
    one, two = pixels(made), pixels(made, 2.0)
    inside = one[0, 60:120, 150:170]
    assert 0.25 < inside.mean() < 0.9
    assert inside.std() > 0.15
    reduced = two[0].reshape(180, 2, 320, 2).mean((1, 3))
    assert np.abs(reduced - one[0]).mean() < 0.02
    other = msgspec.structs.replace(solid.paint, speckle_seed=5)
    assert np.abs(pixels(board(Fill(id="f", paint=other), text="I", size=170)) - one).max() > 0.5


@pytest.mark.parametrize(("wide", "high"), [(15_000, 15_000), (16_000, 16_000), (16_001, 16_000)])
@pytest.mark.deep
def test_pictures_are_read_up_to_256_million_px(wide, high, deep, monkeypatch):
    # beside other work it may take longer than one would wait
    monkeypatch.setattr(client, "SECONDS", 120.0)
    if wide * high == MOST_PIXELS and not deep:
        pytest.skip("deep: takes 3 GB")
    room = io.BytesIO()
    Image.new("1", (wide, high), 1).save(room, "PNG")
    if wide * high > MOST_PIXELS:
        with pytest.raises(ImageError, match="the most that can be read are 256 million"):
            decoded(room.getvalue(), "a.png")
        return
    pixels = decoded(room.getvalue(), "a.png").pixels
    assert pixels.shape == (high, wide, 4) and pixels[::5000, ::5000].min() == 255


@given(st.integers(1, 40), st.integers(1, 40), st.integers(0, 5))
def test_a_picture_is_reduced_in_bands_as_it_is_whole(wide, high, seed):
    chance = np.random.default_rng(seed)
    pixels = chance.integers(0, 256, (high * 7 + seed, wide * 5 + seed, 4), np.uint8)
    straight = pixels.astype(np.float32) / 255
    straight[..., :3] *= straight[..., 3:]
    whole = cv2.resize(straight, (wide, high), interpolation=cv2.INTER_AREA)
    with patch.multiple(pictures, BAND=60, _pixels=lambda sha: pixels):
        planes = pictures.reduced("x", wide, high, Cache(1 << 20))
    assert np.abs(np.moveaxis(planes, 0, -1) - whole).max() < 2e-6
