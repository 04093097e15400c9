"""The one idiom of registries, and unions that others can join."""

from __future__ import annotations

import msgspec
import pytest
from hypothesis import given
from hypothesis import strategies as st

from anole.core.coats.registry import KINDS, kind_named
from anole.core.model import COATS, PIECES, Board, Fill, ModelError, from_json, to_json
from anole.core.model.open_union import OpenUnion, tag_of
from anole.core.registry import Registry

from .shapes import board


class Pear(msgspec.Struct, frozen=True, tag="pear"):
    ripe: bool = True


class Plum(msgspec.Struct, frozen=True, tag="plum"):
    stones: int = 1


class OtherPlum(msgspec.Struct, frozen=True, tag="plum"):
    pass


@given(st.dictionaries(st.text(), st.integers()))
def test_it_reads_as_a_mapping_in_the_order_of_adding(entries):
    registry = Registry("fruit", entries)
    assert dict(registry) == entries
    assert list(registry) == list(entries)
    assert len(registry) == len(entries)


@given(st.dictionaries(st.text(), st.integers(), min_size=1), st.integers())
def test_nothing_is_registered_twice(entries, other):
    registry, taken = Registry("fruit", entries), next(iter(entries))
    with pytest.raises(ValueError, match="registered twice"):
        registry.add(taken, other)
    assert dict(registry) == entries


def test_what_is_lent_goes_also_when_the_block_fails():
    registry = Registry("fruit", {"pear": 1})

    def fail() -> None:
        with registry.lent("plum", 2):
            assert registry["plum"] == 2
            raise RuntimeError("rotten")

    with pytest.raises(RuntimeError, match="rotten"):
        fail()
    assert list(registry) == ["pear"]


def test_a_twin_cannot_be_lent_and_takes_nothing_away():
    registry = Registry("fruit", {"pear": 1})
    with pytest.raises(ValueError, match="'pear'"), registry.lent("pear", 2):
        raise AssertionError("lent all the same")
    assert registry["pear"] == 1


def test_a_missing_entry_is_named_with_its_kind():
    registry = Registry[object, int]("fruit")
    with pytest.raises(KeyError, match="no fruit 'quince'"):
        registry["quince"]
    with pytest.raises(KeyError, match="Pear"):
        registry[Pear]
    with pytest.raises(KeyError):
        registry.remove("quince")
    assert "quince" not in registry


def _convert(value, kind):
    return msgspec.convert(value, kind)


def test_a_union_decodes_by_tag_and_another_struct_may_join():
    fruit = OpenUnion("fruit", Pear)
    assert fruit.decode({"kind": "pear", "ripe": False}, _convert) == Pear(False)
    assert not isinstance(Plum(), fruit)
    with pytest.raises(ValueError, match=r"'plum' is not a kind of fruit; nearest are pear"):
        fruit.decode({"kind": "plum"}, _convert)
    fruit.add(Plum)
    assert fruit.decode({"kind": "plum", "stones": 3}, _convert) == Plum(3)
    assert isinstance(Plum(), fruit)


def test_two_structs_of_a_tag_cannot_join():
    with pytest.raises(ValueError, match="'plum' is registered twice"):
        OpenUnion("fruit", Plum, OtherPlum)


@pytest.mark.parametrize("value", [None, 3, "pear", [], ["pear"]])
def test_what_is_no_mapping_is_refused(value):
    with pytest.raises(ValueError, match="expected a fruit"):
        OpenUnion("fruit", Pear).decode(value, _convert)


def test_the_model_and_the_renderer_know_the_same_coats():
    assert {tag_of(struct) for struct in KINDS} == set(COATS.members)
    for tag in COATS.members:
        assert kind_named(tag).tag == tag


@pytest.mark.parametrize("union", [COATS, PIECES])
def test_tags_are_plain_words_that_differ_in_more_than_case(union):
    tags = list(union.members)
    assert len({tag.lower() for tag in tags}) == len(tags)
    assert all(tag.isascii() and tag == tag.lower() for tag in tags)


@pytest.mark.parametrize("struct", KINDS)
def test_every_coat_comes_back_from_a_file_as_itself(struct):
    made = board(Fill(id="f"), struct(id="x"))
    again = from_json(to_json(made), Board)
    assert again == made
    assert type(again.coated("words").style[1]) is struct


def test_an_unknown_coat_names_those_there_are():
    text = to_json(board(Fill(id="f"))).replace(b'"fill"', b'"fil"')
    with pytest.raises(ModelError, match=r"'fil' is not a kind of coat.*fill.*style\[0\]"):
        from_json(text, Board)
