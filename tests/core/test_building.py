"""A look as it is built: every step of every style, and why each coat is there."""

from __future__ import annotations

import msgspec
import numpy as np
import pytest

from anole.core.coats.registry import kind_of
from anole.core.edit.building import built_to, steps_of, why
from anole.core.edit.coats import change_coat
from anole.core.edit.wearing import is_changed, put_style
from anole.core.library import styles
from anole.core.model import Fill, Glow, Length, ModelError, Relief, Shadow, Stroke
from anole.core.model.coats import COATS
from anole.core.render.export import rgba

from .shapes import board, span

STYLES = {entry.style.name: entry.style for entry in styles.built_in()}


@pytest.mark.parametrize("name", STYLES)
def test_every_style_is_built_coat_by_coat_up_to_itself(name):
    made = put_style(board(text="LAP"), "words", STYLES[name])
    steps = steps_of(made, "words")
    assert [step.on for step in steps] == [True] * len(steps) and steps
    for number, step in enumerate(steps, 1):
        part = built_to(made, "words", step.id)
        assert steps_of(part, "words") == steps[:number]
        assert 10 < len(why(step)) < 100 and why(step).endswith(".") and why(step)[0].isupper()
    assert (
        built_to(made, "words", steps[-1].id).coated("words").style
        == made.coated("words").style[: made.coated("words").style.index(steps[-1]) + 1]
    )


def test_coats_that_are_off_are_no_step_and_what_is_built_is_seen():
    made = board(Shadow(id="s"), Stroke(id="r"), Fill(id="off", on=False), Fill(id="f"))
    assert [step.id for step in steps_of(made, "words")] == ["s", "r", "f"]
    pictures = [rgba(built_to(made, "words", step.id)) for step in steps_of(made, "words")]
    assert all((one != other).any() for one, other in zip(pictures, pictures[1:], strict=False))
    assert np.array_equal(pictures[-1], rgba(made))
    with pytest.raises(KeyError):
        built_to(made, "words", "nobody")


@pytest.mark.parametrize("tag", COATS.members)
def test_every_kind_says_why_and_names_what_makes_it(tag):
    struct = COATS.members[tag]
    kind = kind_of(struct(id="c"))
    assert 1 <= len(kind.tells) <= 3 and set(kind.tells) <= set(struct.__struct_fields__)
    assert why(struct(id="c")).endswith(".")


@pytest.mark.parametrize(
    ("coat", "said"),
    [
        (Stroke(id="c", span=span("-0.1em", "0em")), "frames"),
        (Stroke(id="c", span=span("-0.2em", "-0.1em")), "apart"),
        (Fill(id="c", opacity=0.4), "once more"),
        (Stroke(id="c", span=span("0em", "0.1em")), "inside"),
        (Stroke(id="c", span=span("-0.1em", "0.1em")), "over the edge"),
        (Glow(id="c", span=span("0em", "-0.3em")), "spreads"),
        (Glow(id="c", span=span("0em", "0.3em")), "inward"),
        (Relief(id="c", span=span("0em", "core")), "ridge"),
        (Relief(id="c", height=Length(-0.1, "em")), "sunk"),
        (Fill(id="c"), "one colour"),
    ],
)
def test_it_says_what_it_does_as_it_stands(coat, said):
    assert said in why(coat)


def test_a_note_goes_before_it_and_changes_no_look():
    made = put_style(
        board(text="LAP"), "words", STYLES["cup gold"], styles.digest(STYLES["cup gold"].coats)
    )
    first = made.coated("words").style[0]
    noted = change_coat(made, "words", first.id, note="It keeps the gold off the dark.")
    assert why(noted.coated("words").style[0]) == "It keeps the gold off the dark."
    assert not is_changed(noted.coated("words"))
    assert np.array_equal(rgba(noted), rgba(made))
    with pytest.raises(ModelError, match=r"\$\.note"):
        change_coat(made, "words", first.id, note="x" * 301)
    style = msgspec.structs.replace(STYLES["cup gold"], coats=noted.coated("words").style)
    assert styles.digest(style.coats) == styles.digest(STYLES["cup gold"].coats)
