"""Packs of styles: written and read again, taken into a library, and made to do harm."""

from __future__ import annotations

import copy
import io
import json
import random
import zipfile

import cv2
import msgspec
import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from anole.core import assets
from anole.core.atomic import FileError
from anole.core.files import pack_file
from anole.core.files.pack_file import MEDIA_TYPE, decode, encode
from anole.core.library import gradients, mouldings, packs, styles
from anole.core.library.keeping import duplicate, free_name, rename, tidy
from anole.core.library.sets import all_sets, put, styles_in
from anole.core.model import Fill, Gradient, ImagePaint, Moulding, Relief, Stroke, Style
from anole.core.model.board import NamedGradient
from anole.core.model.moulding import NamedMoulding
from anole.core.model.pack import Pack

ALL = [stored.style for stored in styles.built_in()]
PLAIN = Style(name="plain", coats=(Fill(id="f"),))


def picture(seed: int = 1) -> str:
    pixels = np.random.default_rng(seed).integers(0, 255, (8, 8, 3), np.uint8)
    return assets.put(cv2.imencode(".png", pixels)[1].tobytes())


def painted(sha: str, name: str = "painted") -> Style:
    return Style(name=name, coats=(Fill(id="f", paint=ImagePaint(asset=sha)),))


def archive(pack: bytes | dict | None, kind: str = MEDIA_TYPE, extra=()) -> bytes:
    """A container with whatever in it."""
    room = io.BytesIO()
    with zipfile.ZipFile(room, "w", zipfile.ZIP_DEFLATED) as box:
        box.writestr("mimetype", kind)
        if pack is not None:
            box.writestr("pack.json", pack if isinstance(pack, bytes) else json.dumps(pack))
        for name, data in extra:
            box.writestr(name, data)
    return room.getvalue()


def as_dict(*found: Style, **fields) -> dict:
    pack = Pack(styles=found)
    return json.loads(zipfile.ZipFile(io.BytesIO(encode(pack))).read("pack.json")) | fields


@given(st.lists(st.sampled_from(ALL), min_size=1, unique=True), st.text(max_size=40))
def test_written_and_read_it_is_the_same(chosen, notes):
    pack = Pack(
        name="Season", author="A. Wheeler", licence="CC0-1.0", notes=notes, styles=tuple(chosen)
    )
    read = decode(encode(pack), "x")
    assert read.pack == pack and not read.troubles
    assert encode(read.pack) == encode(pack)


def test_it_brings_its_pictures_gradients_and_mouldings(own_home):
    run, cut = Gradient(angle=33.0), Moulding(profile="ogee")
    gradients.OWN.keep(NamedGradient("dusk", run))
    gradients.OWN.keep(NamedGradient("unused", Gradient(angle=1.0)))
    mouldings.OWN.keep(NamedMoulding("sill", cut))
    sha = picture()
    style = Style(
        name="all",
        coats=(Fill(id="f", paint=run), *painted(sha).coats, Relief(id="r", moulding=cut)),
    )
    data = encode(packs.pack_of([style], "Season", author="A. Wheeler"))
    for file in (gradients.OWN, mouldings.OWN):
        file.path.unlink()
    assets.clear()
    read = decode(data, "x")
    assert assets.has(sha) and not read.troubles
    assert packs.take_in(read.pack) == [style]
    assert [g.name for g in gradients.OWN.all()] == ["dusk"]
    assert [m.name for m in mouldings.OWN.all()] == ["sill"]
    assets.clear()
    assert styles.find("all").coats == style.coats
    assert assets.has(sha)


def test_the_same_style_does_not_come_in_twice():
    pack = Pack(styles=(PLAIN,))
    assert packs.take_in(pack) == [PLAIN]
    assert packs.take_in(pack) == []
    assert [entry.style.name for entry in styles.library()[0] if entry.own] == ["plain"]


@pytest.mark.parametrize(
    ("clash", "own"), [("beside", {"plain", "plain 2"}), ("over", {"plain"}), ("out", {"plain"})]
)
def test_a_name_that_is_taken_is_written_over_only_when_asked(clash, own):
    styles.keep(PLAIN)
    other = Style(name="Plain", coats=(Stroke(id="s"),))
    came = packs.take_in(Pack(styles=(other,)), clash)
    kept = {e.style.name: e.style for e in styles.library()[0] if e.own}
    assert {name.lower() for name in kept} == own
    assert (kept["plain"].coats == PLAIN.coats) == (clash != "over")
    assert len(came) == (0 if clash == "out" else 1)


def test_only_what_was_chosen_comes_in():
    pack = Pack(styles=(PLAIN, painted("", "other")))
    assert [s.name for s in packs.take_in(pack, only={"other"})] == ["other"]


# what is wrong with it


def test_an_unknown_coat_is_left_out_and_named():
    raw = as_dict(Style(name="mine", coats=(Fill(id="f"), Stroke(id="s"))))
    raw["styles"][0]["coats"][1]["kind"] = "lacquer"
    read = decode(archive(raw), "x")
    assert [type(c) for c in read.pack.styles[0].coats] == [Fill]
    assert "lacquer" in read.troubles[0] and "mine" in read.troubles[0]


def test_an_unknown_pattern_leaves_the_other_coats_and_styles():
    raw = as_dict(*ALL[:3])
    raw["styles"][1]["coats"][0]["paint"] = {"kind": "pattern", "generator": "lizard skin"}
    read = decode(archive(raw), "x")
    assert len(read.pack.styles) == 3 and len(read.troubles) == 1
    assert len(read.pack.styles[1].coats) == len(ALL[1].coats) - 1


def test_a_missing_or_spoilt_picture_is_named_and_the_style_comes():
    sha, spoilt = picture(2), picture(3)
    data = archive(
        as_dict(painted(sha, "one"), painted(spoilt, "two")),
        extra=[(f"assets/{spoilt}", b"something else")],
    )
    assets.clear()
    read = decode(data, "x")
    assert [s.name for s in read.pack.styles] == ["one", "two"]
    assert "“one” is missing" in read.troubles[0] and "“two” is damaged" in read.troubles[1]


@pytest.mark.parametrize(
    ("data", "says"),
    [
        (b"", "not an Anole pack"),
        (b"PK\x03\x04 nonsense", "not an Anole pack"),
        (archive(None), "no pack.json"),
        (archive(b"{"), "not JSON"),
        (archive(b"[]"), "does not say so"),
        (archive({"format": "anole-pack/1"}), "no style"),
        (archive({"format": "anole-pack/9", "styles": []}), "newer Anole"),
        (archive({"format": "anole-pack/1", "styles": [{"name": "a"}]}), "it has no coats"),
        (archive({"format": "anole-pack/1", "styles": [None, 5, "x"]}), "not a style"),
        (archive({"format": "anole-pack/1"}, kind="text/plain"), "text/plain"),
        (
            archive(as_dict(PLAIN) | {"styles": [as_dict(PLAIN)["styles"][0]] * 1001}),
            "1,001 styles",
        ),
        (archive(b"[" * 200_000), "JSON"),
    ],
    ids=lambda value: value[:24] if isinstance(value, str) else "",
)
def test_what_is_no_pack_is_refused_in_one_line(data, says):
    with pytest.raises(FileError, match=says) as caught:
        decode(data, "x.anolepack")
    assert "\n" not in str(caught.value) and len(str(caught.value)) < 400


def test_a_bomb_is_refused_before_it_is_unpacked(monkeypatch):
    from anole.core.files import container

    monkeypatch.setattr(container, "MOST_UNPACKED", 1 << 20)
    with pytest.raises(FileError, match="unpacks to"):
        decode(archive(as_dict(PLAIN), extra=[("assets/zeros", bytes(3 << 20))]), "x")
    monkeypatch.setattr(container, "MOST_ENTRIES", 50)
    with pytest.raises(FileError, match="files"):
        decode(archive(as_dict(PLAIN), extra=[(f"assets/{n}", b"") for n in range(60)]), "x")


def test_it_writes_nothing_outside_the_library(own_home):
    """Names that climb out of a folder, absolute ones, links and names that differ by case."""
    sha = picture(4)
    link = zipfile.ZipInfo(f"assets/{sha}")
    link.external_attr = 0o120777 << 16
    room = io.BytesIO()
    with zipfile.ZipFile(room, "w") as box:
        box.writestr("mimetype", MEDIA_TYPE)
        found = [
            msgspec.structs.replace(PLAIN, name=name)
            for name in (
                "../../climbed",
                "/tmp/anole-absolute",
                "CASE",
                "case",
                "a\\b",
                "nul\u202e",
                "..",
            )
        ]
        box.writestr("pack.json", json.dumps(as_dict(*found, painted(sha))))
        box.writestr(link, "/etc/passwd")
        box.writestr("../../outside.txt", "x")
        box.writestr("/tmp/anole-outside", "x")
    assets.clear()
    read = decode(room.getvalue(), "x")
    assert any("is missing" in line for line in read.troubles)
    packs.take_in(read.pack)
    written = {p for p in own_home.rglob("*") if p.is_file()}
    assert all(styles.folder() in p.parents for p in written)
    assert len(written) == len(read.pack.styles) == 8
    assert {"CASE", "case 2"} <= {s.name for s in read.pack.styles}


def test_packs_with_bytes_changed_are_read_or_refused():
    """Never another error, and no longer than a moment."""
    sound = encode(Pack(styles=(PLAIN, *ALL[:2])))
    chance = random.Random(11)
    for _ in range(300):
        data = bytearray(sound)
        for _ in range(chance.randint(1, 12)):
            data[chance.randrange(len(data))] = chance.randrange(256)
        try:
            decode(bytes(data[: chance.choice([None, chance.randrange(len(data))])]), "x")
        except FileError:
            continue


def test_json_with_values_exchanged_is_read_or_refused():
    chance = random.Random(12)
    odd = [None, [], {}, "", "x" * 500, -1, 1e308, True, [[]], {"kind": "fill"}]
    for _ in range(200):
        raw = as_dict(PLAIN, ALL[3])
        for _ in range(chance.randint(1, 4)):
            at: object = raw
            while True:
                keys = list(at) if isinstance(at, dict) else list(range(len(at)))
                if not keys:
                    break
                key = chance.choice(keys)
                inner = at[key]
                if isinstance(inner, dict | list) and inner and chance.random() < 0.8:
                    at = inner
                    continue
                at[key] = copy.deepcopy(chance.choice(odd))
                break
        try:
            packs.coming_in(decode(archive(raw), "x").pack)
        except FileError:
            continue


# the library


def test_renaming_keeps_the_sets_and_refuses_a_name_that_is_taken():
    styles.keep(PLAIN)
    put("club", "plain", True)
    put("favourites", "plain", True)
    with pytest.raises(FileError, match="already"):
        rename(PLAIN, "Cup Gold")
    made = rename(PLAIN, "loud")
    assert styles_in("club") == styles_in("favourites") == ("loud",)
    assert [e.style for e in styles.library()[0] if e.own] == [made]
    assert rename(made, "LOUD").name == "LOUD"
    assert [e.style.name for e in styles.library()[0] if e.own] == ["LOUD"]


def test_a_copy_has_a_name_of_its_own_and_favourites_come_first():
    made = duplicate(ALL[0])
    assert made.name == f"{ALL[0].name} 2" and made.coats == ALL[0].coats
    assert free_name("New") == "New"
    put("b", made.name, True)
    put("a", made.name, True)
    assert [s.name for s in all_sets()] == ["favourites", "a", "b"]
    put("a", made.name, False)
    assert styles_in("a") == ()


def test_a_version_of_ones_own_stands_in_for_the_built_in_one():
    mine = msgspec.structs.replace(ALL[0], coats=PLAIN.coats)
    styles.keep(mine)
    found = [e for e in styles.library()[0] if e.style.name == mine.name]
    assert [e.style for e in found] == [mine]
    styles.remove(mine.name)
    assert styles.find(mine.name) == ALL[0]


def test_the_pack_file_is_read_from_disk(tmp_path):
    path = tmp_path / "season.anolepack"
    pack_file.write(path, Pack(styles=(PLAIN,)))
    assert pack_file.read(path).pack.styles == (PLAIN,)
    with pytest.raises(FileError, match="cannot read"):
        pack_file.read(tmp_path / "none.anolepack")


def test_at_the_start_what_dead_writers_left_in_our_folders_goes(own_home):
    styles.keep(PLAIN)
    left = [folder / ".anole-1.part" for folder in (styles.folder(), styles.folder().parent)]
    for path in left:
        path.write_bytes(b"half a style")
    tidy()
    assert not any(path.exists() for path in left) and styles.find("plain") == PLAIN
