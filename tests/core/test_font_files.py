"""Fonts from files: taken in, carried by the board, replaced by outlines where they are missing."""

import io
import time

import msgspec
import numpy as np
import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from anole.core import assets
from anole.core.edit.boards import as_stored
from anole.core.edit.clipboard import paste
from anole.core.edit.font_files import add_font
from anole.core.edit.pieces import change_piece
from anole.core.files import board_file
from anole.core.lettering import fonts, stored_outlines
from anole.core.lettering.block import TypeSetting, block
from anole.core.lettering.details import details
from anole.core.lettering.itemise import replaced_letters
from anole.core.lettering.stems import stem_of
from anole.core.lettering.system_fonts import read_system
from anole.core.model import FeatureTags, Fill, Font, Tags, to_json

from . import made_fonts
from .shapes import board, paint, pixels, sound


@pytest.fixture(autouse=True)
def no_font_stays():
    yield
    fonts._at_hand.carried, fonts._at_hand.system = {}, ()
    fonts._at_hand.changed()


def width(text="A", family="Plank Sans", **font):
    carried = next((f for f in fonts._at_hand.carried.values() if f.family == family), None)
    file = carried.carried_as if carried else ""
    made = block(TypeSetting(text, Font(family=family, file=file, **font), 0.0, 1.0, "start"))
    xs = made.curves[..., 0]
    return float(xs.max() - xs.min())


def in_plank(text="AB", family="Plank Sans"):
    return board(Fill(id="f", paint=paint("#fff")), text=text, font=Font(family=family))


def test_an_added_font_is_at_hand_and_the_board_carries_it(tmp_path):
    data = made_fonts.featured()
    made, file = add_font(in_plank(), data, "plank.ttf")
    assert file.family == "Plank Sans"
    assert fonts.families(made.fonts)[0] == "Plank Sans"
    assert "Plank Sans" not in fonts.families()
    assert width() == pytest.approx(0.5)
    assert add_font(made, data, "again.ttf")[0] == made
    board_file.write(tmp_path / "a.anole", board_file.StoredBoard(made), b"")
    before = pixels(made)
    fonts._at_hand.carried = {}
    fonts._at_hand.changed()
    assets.clear()
    found = board_file.read(tmp_path / "a.anole")
    assert found.board == made
    assert not found.troubles
    np.testing.assert_array_equal(pixels(found.board), before)


def test_a_damaged_carried_font_is_said_and_the_board_opens(tmp_path):
    made, _ = add_font(in_plank(), made_fonts.featured(), "plank.ttf")
    data = board_file.encode(board_file.StoredBoard(made), b"")
    at = data.index(made_fonts.featured()[200:240])
    spoilt = data[:at] + bytes([data[at] ^ 255]) + data[at + 1 :]
    assets.clear()
    found = board_file.decode(spoilt, "a.anole")
    assert found.board == made
    assert "plank.ttf" in found.troubles[0]


def test_woff2_is_unpacked():
    file = fonts.add(made_fonts.woff2(made_fonts.featured()), "plank.woff2")
    assert file.family == "Plank Sans"
    assert width("AB") == pytest.approx(1.0)


def test_axes_are_named_and_widen_the_letters():
    file = fonts.add(made_fonts.variable(), "vary.ttf")
    (axis,), _ = details(file)
    assert axis[:5] == ("wght", "Weight of planks", 100, 100, 900)
    for weight, wide in ((100, 0.5), (500, 0.7), (900, 0.9)):
        assert width("A", "Plank Vary", axes=Tags({"wght": weight})) == pytest.approx(
            wide, abs=2e-3
        )


def test_features_are_named_and_change_the_letters():
    file = fonts.add(made_fonts.featured(), "plank.ttf")
    _, found = details(file)
    assert [(f.tag, f.name, f.on) for f in found] == [
        ("liga", "Ligatures", True),
        ("ss01", "Round ends", False),
    ]
    assert width("A", features=FeatureTags({"ss01": 1})) == pytest.approx(0.3)
    assert width("fi") == pytest.approx(0.4)
    assert width("fi", features=FeatureTags({"liga": 0})) == pytest.approx(0.9)


def test_stems_are_measured_on_the_letters():
    file = fonts.add(made_fonts.featured(), "plank.ttf")
    assert stem_of(file) == pytest.approx(0.4, abs=0.01)
    heavy, thin = (stem_of(fonts.find(Font(family=f))[0]) for f in ("Anton", "Great Vibes"))
    assert heavy > 2 * thin > 0


def test_letters_the_font_lacks_come_from_another_and_are_named():
    file = fonts.add(made_fonts.featured(), "plank.ttf")
    assert set(replaced_letters("A ü7", file)) == {"ü", "7"}
    assert all(replaced_letters("ü7", file).values())


def test_stored_outlines_stand_in_until_the_words_change():
    made, _ = add_font(in_plank(), made_fonts.featured(), "plank.ttf")
    saved = as_stored(made)
    before = pixels(saved)
    fonts._at_hand.carried = {}
    fonts._at_hand.changed()
    np.testing.assert_allclose(pixels(saved), before, atol=2e-3)
    assert as_stored(saved) == saved
    assert np.abs(pixels(made) - before).max() > 0.5
    changed = change_piece(saved, "words", text="BA")
    assert stored_outlines.usable(changed.lettering("words")) is None
    np.testing.assert_array_equal(pixels(changed), pixels(change_piece(made, "words", text="BA")))


def test_system_fonts_are_read_and_broken_ones_named(tmp_path):
    (tmp_path / "good.ttf").write_bytes(made_fonts.featured())
    (tmp_path / "cut.ttf").write_bytes(made_fonts.variable()[:600])
    (tmp_path / "words.otf").write_bytes(b"just words")
    found, troubles = read_system(paths=sorted(tmp_path.iterdir()))
    assert [f.family for f in found] == ["Plank Sans"]
    assert [t.split()[0] for t in troubles] == ["cut.ttf", "words.otf"]
    fonts.take_system(found)
    assert "Plank Sans" in fonts.families()
    assert not read_system(lambda: True, [tmp_path / "good.ttf"])[0]


@pytest.mark.parametrize("make", [made_fonts.without_glyphs, made_fonts.huge_table])
def test_a_font_without_glyphs_or_with_huge_tables_is_refused(make):
    with pytest.raises(fonts.FontError, match=r"bad\.ttf"):
        fonts.add(make(), "bad.ttf")


def test_a_ring_of_composites_comes_to_an_end():
    start = time.monotonic()
    try:
        fonts.add(made_fonts.cyclic(), "ring.ttf")
    except fonts.FontError as error:
        assert "ring.ttf" in str(error)
    else:
        assert sound(pixels(in_plank("AB", "Plank Ring")))
    assert time.monotonic() - start < 20


@settings(max_examples=60, deadline=None, suppress_health_check=list(HealthCheck))
@given(
    st.lists(st.tuples(st.floats(0, 0.9999), st.integers(0, 255)), max_size=12), st.floats(0.2, 1)
)
def test_a_spoilt_font_is_refused_or_drawn(spots, keep):
    data = bytearray(made_fonts.featured())
    for share, byte in spots:
        data[int(share * len(data))] = byte
    try:
        file = fonts.add(bytes(data[: int(keep * len(data))]), "spoilt.ttf")
    except fonts.FontError as error:
        assert "spoilt.ttf" in str(error)
        return
    made = block(TypeSetting("AfiB", Font(family=file.family), 0.0, 1.0, "start"))
    assert np.isfinite(made.curves).all()
    details(file)
    stem_of(file)


def test_a_font_file_that_is_text_is_refused():
    with pytest.raises(fonts.FontError):
        fonts.add(io.BytesIO(b"wOF2" + b"\0" * 300).getvalue(), "text.woff2")


def test_fonts_of_one_name_do_not_meet(tmp_path):
    """Two boards carry different fonts of the same name; each looks as it does alone."""
    plain, _ = add_font(in_plank(), made_fonts.featured(), "plank.ttf")
    alone = pixels(plain)
    other, _ = add_font(in_plank(), made_fonts.wide(), "plank.ttf")
    wide = pixels(other)
    assert np.abs(wide - alone).max() > 0.5
    np.testing.assert_array_equal(pixels(plain), alone)
    # words of that name on a board that carries none do not take either
    assert not fonts.find(in_plank().lettering("words").font)[1]
    # carried over to the other board, words bring their own along
    pasted, fresh = paste(board(), to_json(other.lettering("words")))
    assert pasted.fonts[0].sha == other.fonts[0].sha
    assert pasted.lettering(fresh).font.file == other.fonts[0].sha
    for number, made in enumerate((plain, other)):
        path = tmp_path / f"{number}.anole"
        board_file.write(path, board_file.StoredBoard(made), None)
        assert board_file.read(path).board == made


def test_a_board_from_before_names_its_carried_font():
    made, _ = add_font(in_plank(), made_fonts.featured(), "plank.ttf")
    words = made.lettering("words")
    old = change_piece(made, "words", text="AB")
    bare = msgspec.structs.replace(
        old,
        pieces=tuple(
            msgspec.structs.replace(p, font=msgspec.structs.replace(p.font, file=""))
            if p.id == words.id
            else p
            for p in old.pieces
        ),
    )
    found = board_file.decode(board_file.encode(board_file.StoredBoard(bare), None), "old")
    assert found.board == made
