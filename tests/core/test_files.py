"""Boards, pictures and styles on disk: whole, or not at all."""

import io
import json
import os
import zipfile

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from PIL import Image

from anole.core.atomic import FileError, write_bytes
from anole.core.edit.wearing import put_style, style_of
from anole.core.files import board_file, png
from anole.core.files.preview import preview
from anole.core.library import styles
from anole.core.model import Fill, Shadow, Stroke, Style
from anole.core.render.export import rgba

from .shapes import board

MADE = board(Shadow(id="h"), Stroke(id="s"), Fill(id="f"))
DATA = board_file.encode(board_file.StoredBoard(MADE), preview(MADE))


def with_json(change):
    """A container whose board.json went through `change`."""
    room = io.BytesIO()
    with zipfile.ZipFile(io.BytesIO(DATA)) as old, zipfile.ZipFile(room, "w") as new:
        for name in old.namelist():
            content = old.read(name)
            new.writestr(name, change(content) if name == "board.json" else content)
    return room.getvalue()


def edited(**fields):
    return with_json(lambda text: json.dumps(json.loads(text) | fields).encode())


def test_a_board_comes_back_identical(tmp_path):
    path = tmp_path / "a.anole"
    board_file.write(path, board_file.StoredBoard(MADE), b"")
    assert board_file.read(path).board == MADE
    assert [p.name for p in tmp_path.iterdir()] == ["a.anole"]


def test_the_container_is_as_described():
    with zipfile.ZipFile(io.BytesIO(DATA)) as box:
        first = box.infolist()[0]
        assert (first.filename, first.compress_type) == ("mimetype", zipfile.ZIP_STORED)
        assert Image.open(io.BytesIO(box.read("preview.png"))).size == (320, 180)
    assert board_file.encode(board_file.StoredBoard(MADE), preview(MADE)) == DATA


def test_unknown_fields_are_kept_and_written_back():
    def newer(text):
        data = json.loads(text) | {"format": "anole-board/1.7", "weather": {"wind": 3}}
        data["pieces"][1]["style"][0]["varnish"] = [1, 2]
        return json.dumps(data).encode()

    found = board_file.decode(with_json(newer), "a")
    again = board_file.encode(found, b"")
    with zipfile.ZipFile(io.BytesIO(again)) as box:
        data = json.loads(box.read("board.json"))
    assert data["weather"] == {"wind": 3}
    assert data["pieces"][1]["style"][0]["varnish"] == [1, 2]


@pytest.mark.parametrize(
    ("data", "said"),
    [
        (b"", "not an Anole board"),
        (b"PK\x03\x04 hello", "not an Anole board"),
        (DATA[: len(DATA) // 2], "cut short"),
        (edited(format="anole-board/2"), "newer Anole"),
        (edited(width=99_999), "$.width"),
        (edited(pieces=[{"kind": "hologram", "id": "x"}]), "hologram"),
        (with_json(lambda _: b'{"format": NaN}'), "not JSON"),
        (with_json(lambda _: b"\xff\xfe"), "JSON"),
        (with_json(lambda _: b"[" * 100_000), "JSON"),
        (with_json(lambda _: b"[]"), "Expected `object`"),
    ],
)
def test_a_wrong_file_says_what_is_wrong(data, said):
    with pytest.raises(FileError, match="board.anole") as caught:
        board_file.decode(data, "board.anole")
    assert said in str(caught.value)


def test_another_kind_of_archive_is_refused():
    room = io.BytesIO()
    with zipfile.ZipFile(room, "w") as box:
        box.writestr("mimetype", "application/epub+zip")
    with pytest.raises(FileError, match="epub"):
        board_file.decode(room.getvalue(), "b")


@settings(max_examples=150, deadline=None)
@given(st.integers(0, len(DATA) - 1), st.binary(min_size=1, max_size=8), st.integers(0, 40))
def test_damaged_files_are_read_or_refused_never_worse(at, junk, cut):
    data = DATA[:at] + junk + DATA[at + cut :]
    try:
        board_file.decode(data, "x")
    except FileError as error:
        assert str(error)


@pytest.mark.skipif(os.geteuid() == 0 and not os.path.isdir("/proc"), reason="needs /proc")
def test_an_unwritable_folder_leaves_the_old_file(tmp_path):
    with pytest.raises(FileError, match="cannot write"):
        write_bytes(tmp_path / "no" / "such" / "a.anole", b"x")
    with pytest.raises(FileError, match="cannot write"):
        write_bytes(type(tmp_path)("/proc/a.anole"), b"x")


def test_a_write_that_fails_leaves_the_old_file(tmp_path, monkeypatch):
    path = tmp_path / "a.anole"
    path.write_bytes(b"old")

    def fail(*_):
        raise OSError(28, "No space left on device")

    monkeypatch.setattr(os, "fsync", fail)
    with pytest.raises(FileError, match="no space left"):
        write_bytes(path, b"new")
    assert path.read_bytes() == b"old"
    assert len(list(tmp_path.iterdir())) == 1


def test_png_has_srgb_and_resolution(tmp_path):
    pixels = rgba(MADE)
    path = tmp_path / "a.png"
    path.write_bytes(png.encode(pixels, 300))
    image = Image.open(path)
    assert image.info["dpi"] == pytest.approx((300, 300), abs=0.1)
    assert b"sRGB\x00" in path.read_bytes()
    assert image.mode == "RGB"
    assert (np.asarray(image) == pixels[..., :3]).all()


def test_a_clear_png_keeps_its_alpha(tmp_path):
    pixels = rgba(MADE, transparent=True)
    (tmp_path / "a.png").write_bytes(png.encode(pixels))
    assert (np.asarray(Image.open(tmp_path / "a.png")) == pixels).all()


def test_a_style_is_kept_found_and_put_on():
    style = style_of(MADE, "words", "Wet Paint")
    path = styles.keep(style)
    assert path.parent == styles.folder()
    assert styles.find("wet paint") == style
    other = put_style(board(text="X"), "words", style)
    assert styles.digest(other.lettering("words").style) == styles.digest(style.coats)
    assert other.lettering("words").worn.name == "Wet Paint"
    styles.remove("Wet Paint")
    with pytest.raises(FileError, match="no style called"):
        styles.find("Wet Paint")


def test_names_that_differ_give_files_that_differ():
    names = ["neon", "Neon", "néon", "ne/on", "..", "霓虹", "a" * 300]
    assert len({styles.file_name(name) for name in names}) == len(names)
    assert all("/" not in styles.file_name(name) for name in names)


def test_a_broken_style_is_named_and_the_rest_is_there():
    styles.folder().mkdir(parents=True)
    (styles.folder() / "bad.anolestyle").write_text("{")
    kept, troubles = styles.library()
    assert len(kept) >= 13
    assert "bad.anolestyle" in troubles[0]


def test_a_nameless_style_is_not_kept():
    with pytest.raises(FileError, match="needs a name"):
        styles.keep(Style(name="  ", coats=()))


def test_the_built_in_styles_render():
    kept = styles.built_in()
    assert len(kept) >= 13
    for entry in kept:
        found = rgba(put_style(board(text="G"), "words", entry.style))
        assert found.std() > 5
