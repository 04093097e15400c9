"""Lengths outside what their field allows are refused on the way in, by the field's name."""

from __future__ import annotations

from typing import Annotated, get_args, get_origin, get_type_hints

import msgspec
import pytest
from hypothesis import given
from hypothesis import strategies as st

from anole.core.edit.checked import replaced
from anole.core.model import (
    Board,
    Length,
    Lettering,
    ModelError,
    Ring,
    from_builtins,
    to_builtins,
)
from anole.core.model.coats import COATS
from anole.core.model.paints import PAINTS
from anole.core.model.tones import TONES
from anole.core.render.warm import small_board


def with_bounds():
    """Every field of the model that holds a length with a least or a most."""
    structs = [
        *COATS.members.values(),
        *PAINTS.members.values(),
        *TONES.members.values(),
        Lettering,
        Ring,
    ]
    for struct in structs:
        for name, hint in get_type_hints(struct, include_extras=True).items():
            if get_origin(hint) is Annotated and get_args(hint)[0] is Length:
                extra = {}
                for meta in hint.__metadata__:
                    extra |= meta.extra or {}
                if "low" in extra:
                    yield pytest.param(struct, name, extra, id=f"{struct.__name__}.{name}")


def fresh(struct):
    needed = {f.name: "x" for f in msgspec.structs.fields(struct) if f.required}
    return struct(**needed)


@pytest.mark.parametrize(("struct", "name", "extra"), list(with_bounds()))
def test_every_least_and_most_is_checked(struct, name, extra):
    unit, low, high = extra.get("soft_unit", "px"), extra["low"], extra.get("high", 1e6)
    value = fresh(struct)
    for good in (Length(low, unit), Length((low + min(high, 900)) / 2, unit), Length(3, "mm")):
        assert getattr(replaced(value, **{name: good}), name) == good
    for bad in (Length(low - 0.5, unit), Length(-5, "em"), Length(-3, "mm"), Length(-1e5, "px")):
        with pytest.raises(ModelError, match=name):
            replaced(value, **{name: bad})
    if high < 1e6:
        with pytest.raises(ModelError, match="more than"):
            replaced(value, **{name: Length(high * 1.01, unit)})


def test_words_have_a_size_of_their_own():
    with pytest.raises(ModelError, match="size"):
        replaced(Lettering(id="w"), size=Length(2, "em"))


@pytest.mark.parametrize(("field", "text"), [("pitch", "-5em"), ("lift", "-3em")])
def test_a_file_says_which_field_is_wrong(field, text):
    data = to_builtins(small_board())
    coat = next(c for c in data["pieces"][-1]["style"] if field in c)
    coat[field] = text
    with pytest.raises(ModelError, match=rf"{text} is less than .*pieces\[3\]\.style.*{field}"):
        from_builtins(data, Board)


@given(st.floats(-1e6, 1e6), st.sampled_from(Length.UNITS))
def test_any_length_is_taken_or_refused(value, unit):
    for struct, name in ((Lettering, "leading"), (Ring, "radius")):
        try:
            made = replaced(fresh(struct), **{name: Length(value, unit)})
        except ModelError as error:
            assert name in str(error)
        else:
            assert getattr(made, name) == Length(value, unit)
