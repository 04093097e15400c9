"""A stranger's tables and packs are read in the helper, under its limits."""

from __future__ import annotations

import io
import json
import resource
import time
import zipfile

import openpyxl
import pytest

from anole.core import assets, isolation
from anole.core.atomic import FileError
from anole.core.files.pack_file import MEDIA_TYPE, decode
from anole.core.files.pack_text import MOST_COATS
from anole.core.library import pictures
from anole.core.library.styles import keep
from anole.core.model import Fill, ImagePaint, Style, to_builtins
from anole.core.model.pack import MOST_PICTURE, Pack
from anole.core.series.tables import read

JUNK = 12 << 20
"""Bytes of JSON that nobody asked for: as Python's values they take a gigabyte."""
MEMORY = 300 << 20
"""Bytes that reading any of these may add to the program."""
ODS = """<?xml version="1.0" encoding="UTF-8"?>
<office:document-content xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0"
 xmlns:table="urn:oasis:names:tc:opendocument:xmlns:table:1.0"
 xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0" office:version="1.2">
<office:body><office:spreadsheet><table:table table:name="a">
<table:table-row table:number-rows-repeated="1048576"><table:table-cell
 office:value-type="string" table:number-columns-repeated="16384"><text:p>x</text:p>
</table:table-cell></table:table-row></table:table></office:spreadsheet></office:body>
</office:document-content>"""


@pytest.fixture
def little_memory():
    """The program may not grow by more than MEMORY while a test runs."""
    with open("/proc/self/statm", encoding="ascii") as file:
        now = int(file.read().split()[0]) * resource.getpagesize()
    before = resource.getrlimit(resource.RLIMIT_AS)
    resource.setrlimit(resource.RLIMIT_AS, (now + MEMORY, before[1]))
    yield
    resource.setrlimit(resource.RLIMIT_AS, before)


def corner_to_corner() -> bytes:
    """An XLSX of two cells that lie as far from each other as they can."""
    book, room = openpyxl.Workbook(), io.BytesIO()
    book.active["A1"], book.active["XFD1048576"] = "a", "b"
    book.save(room)
    return room.getvalue()


def repeated() -> bytes:
    """An ODS of one cell that is said to be there 17 thousand million times."""
    room = io.BytesIO()
    with zipfile.ZipFile(room, "w", zipfile.ZIP_DEFLATED) as box:
        box.writestr("mimetype", "application/vnd.oasis.opendocument.spreadsheet")
        box.writestr("content.xml", ODS)
    return room.getvalue()


@pytest.mark.parametrize(("name", "data"), [("a.xlsx", corner_to_corner()), ("a.ods", repeated())])
def test_a_small_file_that_asks_for_all_memory_is_refused(tmp_path, little_memory, name, data):
    path = tmp_path / name
    path.write_bytes(data)
    assert len(data) < 8000
    with pytest.raises(FileError, match=name):
        read(path)
    # the next table is read all the same
    book = openpyxl.Workbook()
    book.active.append(["Title"])
    book.active.append(["Plough"])
    book.save(tmp_path / "b.xlsx")
    assert read(tmp_path / "b.xlsx").rows == (("Plough",),)


@pytest.mark.parametrize(
    "answer",
    [[], [[1, 2]], "rows", [["a"], "b"], {"a": 1}, [[None]]],
    ids=["nothing", "numbers", "text", "mixed", "map", "none"],
)
def test_what_the_helper_says_of_a_table_is_checked(tmp_path, monkeypatch, answer):
    import msgspec
    import numpy as np

    said = np.frombuffer(msgspec.msgpack.encode(answer), np.uint8)
    monkeypatch.setattr(isolation, "ask", lambda *_, **__: (None, [said]))
    path = tmp_path / "a.xlsx"
    path.write_bytes(b"PK")
    with pytest.raises(FileError):
        read(path)


def packed(text: bytes, *pictures: tuple[str, bytes]) -> bytes:
    room = io.BytesIO()
    with zipfile.ZipFile(room, "w", zipfile.ZIP_DEFLATED) as box:
        box.writestr("mimetype", MEDIA_TYPE)
        box.writestr("pack.json", text)
        for sha, data in pictures:
            box.writestr(f"assets/{sha}", data)
    return room.getvalue()


@pytest.mark.parametrize(
    "junk", ["[[]]", "[0]", '"x"', "{}"], ids=["lists", "numbers", "texts", "maps"]
)
def test_a_pack_of_junk_takes_the_program_no_memory(little_memory, junk):
    style = json.dumps(to_builtins(Style(name="a", coats=(Fill(id="f"),))))
    filling = ",".join([junk] * (JUNK // (len(junk) + 1)))
    text = f'{{"format":"anole-pack/1","notes2":[{filling}],"styles":[{style}]}}'
    data = packed(text.encode())
    start = time.monotonic()
    try:
        assert [style.name for style in decode(data, "x").pack.styles] == ["a"]
    except FileError as error:
        assert "memory" in str(error) or "longer than" in str(error)
    assert time.monotonic() - start < 30


def test_coats_beyond_the_most_are_named():
    coats = tuple(Fill(id=f"f{n}") for n in range(MOST_COATS + 3))
    text = json.dumps(to_builtins(Pack(styles=(Style(name="a", coats=()),))))
    raw = json.loads(text)
    raw["styles"][0]["coats"] = to_builtins(Style(name="a", coats=coats[:1]))["coats"] * len(coats)
    read_pack = decode(packed(json.dumps(raw).encode()), "x")
    assert len(read_pack.pack.styles[0].coats) == MOST_COATS
    assert any("3 coats of “a” were left out" in line for line in read_pack.troubles)


def test_what_is_no_picture_or_too_large_for_a_style_reaches_no_library(own_home):
    junk, large = b"not a picture" * 1000, bytes(MOST_PICTURE + 1)
    shas = [assets.digest(data) for data in (junk, large)]
    found = tuple(
        Style(name=f"s{n}", coats=(Fill(id="f", paint=ImagePaint(asset=sha)),))
        for n, sha in enumerate(shas)
    )
    text = json.dumps(to_builtins(Pack(styles=found))).encode()
    read_pack = decode(packed(text, *zip(shas, (junk, large), strict=True)), "x")
    assert not any(map(assets.has, shas))
    told = " ".join(read_pack.troubles)
    assert "cannot be used" in told and "larger than 64 MB" in told
    for style in read_pack.pack.styles:
        keep(style)
    assert not [path for path in own_home.rglob("*") if path.name in shas]


def test_a_style_with_too_large_a_picture_is_not_saved_and_says_why(tmp_path):
    sha = assets.put(bytes(MOST_PICTURE + 1))
    with pytest.raises(FileError, match="64 are the most"):
        pictures.keep(tmp_path, (Fill(id="f", paint=ImagePaint(asset=sha)),))
    assert not list(tmp_path.iterdir())
