"""What coats declare is what they read: no more is made again, and nothing less."""

from __future__ import annotations

import msgspec
import numpy as np
import pytest

from anole.core.coats import guard
from anole.core.coats.context import Overlap, Reads
from anole.core.coats.guard import UndeclaredRead, coat_for, context_for
from anole.core.coats.keys import colour_key, coverage_key
from anole.core.coats.kind import PaintedCoat
from anole.core.coats.registry import KINDS, kind_of, lent
from anole.core.edit.coats import change_coat
from anole.core.failures import RenderError
from anole.core.model import Coat, Fill, Length, Relief, Stroke
from anole.core.paint.context import PaintContext
from anole.core.render.renderer import Renderer, Request

from ..toys import Hatch, HatchKind
from .other_values import changed
from .shapes import board, context, disc, paint, pixels, span

SAMPLES = [coat for kind in KINDS.values() for coat in kind.samples()]
COMMON = set(Coat.__struct_fields__)


@pytest.fixture
def where():
    return context(disc(60, 60, 40, 400), 120, grown=6)


def keys(coat, where):
    kind = kind_of(coat)
    box = kind.box(coat, where)
    colours = PaintContext(where.frames, box, where.cache, where.units)
    cover = coverage_key(kind, coat, where, box, Overlap())
    return cover, colour_key(kind, coat, where, colours)


@pytest.mark.parametrize("coat", SAMPLES, ids=lambda c: type(c).__name__)
def test_every_field_is_in_a_key_and_common_ones_in_none(coat, where):
    kind, (cover, colours) = kind_of(coat), keys(coat, where)
    for other in changed(coat):
        names = [n for n in coat.__struct_fields__ if getattr(other, n) != getattr(coat, n)]
        name = next(iter(names), "repeat")
        if name == "repeat":  # laid again: each time a coat with a moved paint
            continue
        new_cover, new_colours = keys(other, where)
        if name in COMMON:
            assert (new_cover, new_colours) == (cover, colours), name
            continue
        assert (new_cover != cover) or (new_colours != colours), name
        if name in kind.coverage:
            assert new_cover != cover, name
        elif kind.box(other, where) == kind.box(coat, where):
            assert new_cover == cover, name


@pytest.mark.parametrize("kind", KINDS.values(), ids=lambda kind: kind.tag)
def test_a_kind_names_its_own_fields(kind):
    assert set(kind.coverage) <= set(kind.struct.__struct_fields__) - COMMON
    assert kind.title and kind.family and kind.about
    assert all(type(coat) is kind.struct for coat in kind.samples())


def test_a_step_of_a_reliefs_height_makes_no_coverage_again():
    made = board(
        Fill(id="f", paint=paint("#808080")),
        Stroke(id="s"),
        Relief(id="r", span=span("0px", "core"), height=Length(6)),
        Relief(id="t", span=span("0px", "4px"), height=Length(2), rounding=0.5),
    )
    renderer = Renderer()
    renderer.frame(Request(made))
    before = dict(renderer.cache.made)
    for coat in ("r", "t"):
        for px in (7, 8, 9):
            made = change_coat(made, "words", coat, height=Length(px))
            renderer.frame(Request(made))
    assert renderer.cache.made["cover"] == before["cover"]
    assert renderer.cache.made["colour"] == before["colour"] + 6


class Careless(HatchKind):
    """Reads its pitch, which lengths are measured by, and says nothing of it."""

    coverage = ("strength",)


class Greedy(HatchKind):
    coverage_reads = Reads.NOTHING


class Peeping(HatchKind):
    def source(self, coat, context, paint):
        assert context.shape.core > 0
        return super().source(coat, context, paint)


@pytest.mark.parametrize(
    ("kind", "says"),
    [(Careless(), "its field pitch"), (Greedy(), "the em"), (Peeping(), "the shape")],
)
def test_an_undeclared_read_raises(kind, says):
    with lent(kind), pytest.raises(RenderError, match=f"UndeclaredRead.*{says}"):
        pixels(board(Hatch(id="h")))


def test_without_the_debug_mode_nothing_is_asked(where, monkeypatch):
    monkeypatch.setattr(guard, "ON", False)
    coat = Hatch(id="h")
    assert context_for(where, Reads.NOTHING, "x") is where
    assert coat_for(coat, (), "x") is coat


def test_a_guarded_context_answers_as_the_plain_one(where):
    guarded = context_for(where, Reads.FIELDS | Reads.OUTSET | Reads.UNITS, "x")
    assert guarded.px(Length(0.5, "em")) == where.px(Length(0.5, "em"))
    assert guarded.units == where.units
    np.testing.assert_array_equal(
        guarded.edge(True, False)[0].distance, where.edge(True, False)[0].distance
    )
    with pytest.raises(UndeclaredRead, match="window"):
        guarded.around(3)


@pytest.mark.parametrize("coat", SAMPLES, ids=lambda c: type(c).__name__)
def test_every_sample_draws_something(coat):
    made = board(Fill(id="f", paint=paint("#8050a0")), msgspec.structs.replace(coat, id="c"))
    assert np.abs(pixels(made) - pixels(change_coat(made, "words", "c", on=False))).max() > 0.01


def test_a_kind_that_lacks_what_every_coat_has_cannot_be_made():
    class Bare(PaintedCoat[Fill]):
        struct = Fill
        title, family, about = "Bare", "Face", "covers nothing"

    with pytest.raises(TypeError, match="cover"):
        Bare()
