"""Values of the model from what Python users write: every kind, every field."""

from __future__ import annotations

from pathlib import Path

import msgspec
import numpy as np
import pytest
from PIL import Image
from tools import make_python_reference, make_stubs

import anole
from anole import coats, paints, pieces, shaping, tones
from anole.core.model import Colour, Length, ModelError, Span, Stop, to_builtins
from anole.core.model.coats import COATS
from anole.core.model.field_info import field_info
from anole.core.model.length import CORE, Position
from anole.core.model.paints import PAINTS
from anole.core.model.pieces import PIECES
from anole.core.model.tones import TONES
from anole.scripting.makers import Maker

MAKERS = {
    f"{module}.{name}": getattr(getattr(anole, module), name)
    for module in anole.MODULES
    for name in dir(getattr(anole, module))
}

NEEDED = {
    "OwnLetter": {"at": 0},
    "Stop": {"at": 0.5, "colour": "red"},
    "GradientMap": {"stops": ["red"]},
}


def with_needed(maker: Maker) -> dict[str, object]:
    """Fields that a struct has no default for."""
    return NEEDED.get(maker.__name__, {})


def test_there_is_a_maker_for_every_kind():
    made = {maker.struct for maker in MAKERS.values()}
    for union in (COATS, PIECES, PAINTS, TONES):
        assert set(union.members.values()) <= made


@pytest.mark.parametrize("name", MAKERS)
def test_without_fields_it_is_the_models_own(name):
    maker = MAKERS[name]
    value = maker(**with_needed(maker))
    assert type(value) is maker.struct and isinstance(value, maker)
    for field in msgspec.structs.fields(maker.struct):
        if field.name not in {"id", *with_needed(maker)}:
            assert getattr(value, field.name) == (
                field.default if field.default is not msgspec.NODEFAULT else field.default_factory()
            )


@pytest.mark.parametrize("name", MAKERS)
def test_every_field_takes_its_value_as_it_is_and_as_a_file_has_it(name):
    maker = MAKERS[name]
    value = maker(**with_needed(maker))
    for field in maker.struct.__struct_fields__:
        own = getattr(value, field)
        for written in (own, to_builtins(own)):
            assert maker(**{**with_needed(maker), field: written}) == value, field


@pytest.mark.parametrize("name", MAKERS)
def test_a_number_beyond_its_range_is_refused_by_the_fields_name(name):
    maker = MAKERS[name]
    for info in field_info(maker.struct):
        if info.kind is float and info.high is not None:
            with pytest.raises(ModelError, match=rf"{maker.__name__}.*\$\.{info.name}"):
                maker(**{**with_needed(maker), info.name: info.high + 1})
    with pytest.raises(ModelError, match="no field 'no_such'"):
        maker(no_such=1)


EM, PX = Position(-0.08, "em"), Position(3.0)
WRITTEN = [
    (lambda: coats.Stroke(span=("-0.08em", 3)).span, Span(EM, PX)),
    (lambda: coats.Stroke(span={"from": "-0.08em", "to": np.float32(3)}).span, Span(EM, PX)),
    (lambda: coats.Relief(span=(3, "core")).span, Span(PX, CORE)),
    (lambda: coats.Fill(paint="teal").paint, paints.ColourPaint(colour=Colour(0, 128, 128))),
    (lambda: coats.Fill(paint=(1, 2, 3, 4)).paint.colour, Colour(1, 2, 3, 4)),
    (lambda: coats.Fill(paint={"kind": "letter"}).paint, paints.LetterPaint()),
    (lambda: coats.Fill(paint="linear-gradient(90deg, red, #00f 40%)").paint.stops[1], Stop(0.4, Colour(0, 0, 255))),
    (lambda: coats.Fill(paint="conic-gradient(from 30deg, red, blue)").paint.shape, "conic"),
    (lambda: [s.at for s in paints.Gradient(stops=["red", "lime", "blue"]).stops], [0, 0.5, 1]),
    (lambda: paints.Gradient(stops=[(0, "red"), (0.2, "blue", 0.3)]).stops[1], Stop(0.2, Colour(0, 0, 255), 0.3)),
    (lambda: [str(ink) for ink in paints.Pattern(inks=["letter", "#123456"]).inks], ["letter", "#123456"]),
    (lambda: paints.Pattern(size=12).size, Length(12)),
    (lambda: pieces.Lettering(font="Pacifico").font.family, "Pacifico"),
    (lambda: pieces.Lettering(place=(3, 4)).place, pieces.Place(x=3, y=4)),
    (lambda: pieces.Pool(spots=[{"x": 5}]).spots, (pieces.Spot(x=5),)),
    (lambda: pieces.Wash(tone=[tones.Invert()]).tone, (tones.Invert(),)),
    (lambda: shaping.Rail(wave={"height": 0.1}).wave.height, 0.1),
    (lambda: coats.Relief(gleam={"strength": 2}).gleam, coats.Gleam(strength=2)),
    (lambda: coats.Relief(gleam=None).gleam, None),
]  # fmt: skip


@pytest.mark.parametrize("number", range(len(WRITTEN)))
def test_plain_values_are_the_models(number):
    made, wanted = WRITTEN[number]
    assert made() == wanted


@pytest.mark.parametrize(
    ("make", "said"),
    [
        (lambda: coats.Stroke(span=("0quux", 1)), r"Stroke: unknown unit 'quux'.*\$\.span\.from"),
        (lambda: coats.Stroke(paint="no colour"), r"Stroke: 'no colour' is not a colour.*\$\.paint"),
        (lambda: coats.Stroke(paint=(1, 2, 999)), "is not a colour"),
        (lambda: coats.Fill(paint="linear-gradient("), "no gradient"),
        (lambda: coats.Fill(paint={"kind": "dream"}), "not a kind of paint"),
        (lambda: coats.Stroke(join="welded"), r"Invalid enum value 'welded'.*\$\.join"),
        (lambda: pieces.Pool(spots=[{"z": 5}]), "Spot has no field 'z'"),
        (lambda: pieces.Pool(spots=7), r"\$\.spots"),
        (lambda: shaping.Rail(camber=float("nan")), "nan"),
    ],
)  # fmt: skip
def test_what_is_wrong_names_the_field(make, said):
    with pytest.raises(ModelError, match=said):
        make()


def test_a_pictures_path_is_a_paint_and_an_asset(tmp_path):
    path = tmp_path / "planks.png"
    Image.new("RGB", (8, 6), "#804020").save(path)
    paint = coats.Fill(paint=path).paint
    assert isinstance(paint, paints.ImagePaint) and paint.asset == anole.asset(path)
    assert pieces.Picture(asset=path).asset == anole.asset(path.read_bytes())


def test_each_says_what_it_takes():
    for maker in MAKERS.values():
        assert (maker.__doc__ and "\n" in maker.__doc__) or not field_info(maker.struct)
    assert "join : " in coats.Stroke.__doc__ and '"mitre"' in coats.Stroke.__doc__
    assert "opacity : 0 to 1" in coats.Stroke.__doc__


def test_what_type_checkers_see_is_what_there_is():
    for path, text in make_stubs.stubs().items():
        assert Path(path).read_text() == text, "python -m tools.make_stubs"


def test_the_reference_says_what_there_is():
    assert make_python_reference.PAGE.read_text() == make_python_reference.page()
