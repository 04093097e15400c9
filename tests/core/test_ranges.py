"""Every field of the model has its range, and a whole board has its budgets."""

from __future__ import annotations

import json
import time
import types
from typing import Annotated, Any, Literal, Union, get_args, get_origin, get_type_hints

import msgspec
import pytest

from anole.core.edit.clipboard import paste
from anole.core.edit.pieces import change_piece
from anole.core.files import board_file
from anole.core.files.container import Content, written
from anole.core.model import (
    Board,
    Colour,
    Fill,
    Length,
    Lettering,
    ModelError,
    Outlines,
    Position,
    Relief,
    Span,
    StoredLine,
    Stroke,
    Style,
    from_json,
    to_json,
)
from anole.core.model.bounds import FARTHEST, MOST_EM
from anole.core.model.budget import MOST_LETTERS
from anole.core.model.field_info import annotation
from anole.core.model.open_union import OpenUnion
from anole.core.text import short
from anole.studio.controls.numbers.expression import evaluate

from .shapes import board


def unbounded(struct: type, seen: set[type]) -> list[str]:
    """Fields through which a value without any bound comes in."""
    if struct in seen:
        return []
    seen.add(struct)
    hints = get_type_hints(struct, include_extras=True)
    return [w for name, hint in hints.items() for w in _in(f"{struct.__name__}.{name}", hint, seen)]


def _in(where: str, hint: Any, seen: set[type]) -> list[str]:
    kind, metas = annotation(hint)

    def says(*names: str) -> bool:
        return any(getattr(m, name) is not None for m in metas for name in names)

    if kind in (int, float):
        return [] if says("ge", "gt") and says("le", "lt") else [where]
    if kind is str:
        return [] if says("max_length", "pattern") else [where]
    if isinstance(kind, OpenUnion):
        return [w for member in kind.members.values() for w in unbounded(member, seen)]
    if isinstance(kind, type) and issubclass(kind, msgspec.Struct):
        return unbounded(kind, seen)
    parts = get_args(kind)
    if get_origin(kind) is tuple:
        open_ended = len(parts) == 2 and parts[1] is Ellipsis and not says("max_length")
        inside = [
            w for part in parts if part is not Ellipsis for w in _in(f"{where}[]", part, seen)
        ]
        return [*([where] if open_ended else []), *inside]
    if get_origin(kind) in (Union, types.UnionType):
        return [w for part in parts for w in _in(where, part, seen)]
    # lengths, colours, inks and tags have bounds of their own, tried below
    return []


@pytest.mark.parametrize("struct", [Board, Style])
def test_every_field_has_its_range(struct):
    assert unbounded(struct, set()) == []


def test_the_search_finds_what_has_no_range():
    class Inner(msgspec.Struct):
        words: tuple[str, ...] = ()

    class Outer(msgspec.Struct):
        size: float = 0
        half: Annotated[int, msgspec.Meta(ge=0)] = 0
        sound: Annotated[float, msgspec.Meta(ge=0, le=1)] = 0
        kind: Literal["a"] = "a"
        inner: Inner | None = None

    globals().update(Inner=Inner)
    assert unbounded(Outer, set()) == ["Outer.size", "Outer.half", "Inner.words", "Inner.words[]"]


FULL = to_json(board(Fill(id="f"), Stroke(id="s"), Relief(id="r")))


def with_field(path: str, text: str) -> bytes:
    """The board's JSON with one field of its words, or of a coat, written as `text`."""
    data = json.loads(FULL)
    *way, last = path.split(".")
    at: Any = data
    for step in way:
        at = at[int(step)] if step.isdigit() else at[step]
    at[last] = "@@"
    return json.dumps(data).replace('"@@"', text).encode()


DIGITS = "9" * 1000
WORDS = f"pieces.{len(json.loads(FULL)['pieces']) - 1}"
HOSTILE = [
    (f"{WORDS}.size", '"0in"'),
    (f"{WORDS}.size", '"1000000in"'),
    (f"{WORDS}.size", f'"{DIGITS}px"'),
    (f"{WORDS}.font", '{"features": {"liga": 1e308}}'),
    (f"{WORDS}.font", '{"axes": {"wght": -1e308}}'),
    (f"{WORDS}.font", '{"axes": {"wght": ' + DIGITS + "}}"),
    (f"{WORDS}.outlines", '{"of": "x", "glyphs": ["0 nan 0 0 0 0 0 0"], "lines": []}'),
    (f"{WORDS}.outlines", '{"of": "x", "glyphs": ["1e300 0 0 0 0 0 0 0"], "lines": []}'),
    (f"{WORDS}.outlines", '{"of": "x", "glyphs": [], "lines": [[[[0, 1e300, 0, 0]], 1]]}'),
    (f"{WORDS}.style.1.span", '{"from": "-1000000mm", "to": "0px"}'),
    (f"{WORDS}.style.1.span", '{"from": "0px", "to": "300em"}'),
    (f"{WORDS}.style.2.height", '"1e9px"'),
    (f"{WORDS}.id", '["a"]'),
    (f"{WORDS}.id", "{}"),
    ("width", "1e308"),
    ("width", DIGITS),
    ("height", "1e400"),
    ("dpi", "0"),
    (f"{WORDS}.opacity", DIGITS),
    ("swatches", "[" * 1000 + "]" * 1000),
    ("lamp", '{"a":' * 1000 + "1" + "}" * 1000),
]


@pytest.mark.parametrize(("path", "text"), HOSTILE, ids=lambda v: v[:34])
def test_a_hostile_value_is_refused_in_one_short_line(path, text):
    with pytest.raises(ModelError) as caught:
        from_json(with_field(path, text), Board)
    said = str(caught.value)
    assert len(said) <= 300 and said.isprintable()


def test_an_unknown_list_of_odd_ids_is_kept_as_it_is():
    data = json.loads(FULL)
    data["later"] = [{"id": ["a"]}, {"id": {}}]
    data["pieces"][-1]["style"][0]["later"] = [{"id": []}]
    data["swatches"] = [{"name": "a", "colour": "#fff", "id": ["a"]}]
    text = json.dumps(data).encode()
    raw = json.loads(text)
    whole = written(board_file.MEDIA_TYPE, [Content("board.json", text)])
    read = board_file.decode(whole, "x")
    assert read.unknown["later"] == raw["later"]


def test_the_clipboard_and_operations_refuse_the_same():
    piece = json.dumps(json.loads(with_field(f"{WORDS}.size", '"1000000in"'))["pieces"][-1])
    with pytest.raises(ModelError):
        paste(board(), piece.encode())
    with pytest.raises(ModelError):
        change_piece(board(), "words", size=Length(1e6, "in"))


def test_lengths_follow_the_boards_own_resolution():
    """1000 in are 96 000 px at 96 dpi, and 1000 px at 1."""
    data = json.loads(with_field(f"{WORDS}.size", '"1000in"'))
    with pytest.raises(ModelError, match="1000in"):
        from_json(json.dumps(data).encode(), Board)
    from_json(json.dumps({**data, "dpi": 1}).encode(), Board)


@pytest.mark.parametrize(
    ("end", "taken"),
    [
        (Position(FARTHEST, "px"), True),
        (Position(FARTHEST + 1, "px"), False),
        (Position(-MOST_EM, "em"), True),
        (Position(-MOST_EM - 1, "em"), False),
        (Position(1.0, "core"), True),
    ],
)
def test_positions_have_bounds(end, taken):
    made = board(Stroke(id="s", span=Span(end, Position(0.0))))
    if taken:
        assert from_json(to_json(made), Board) == made
    else:
        with pytest.raises(ModelError, match="more than|less than"):
            from_json(to_json(made), Board)


def test_a_whole_board_has_budgets():
    def words(n: int) -> Lettering:
        return Lettering(id=f"w{n}", text="x" * 19_000)

    many = msgspec.structs.replace(board(), pieces=tuple(words(n) for n in range(6)))
    with pytest.raises(ModelError, match=f"114,000 letters; {MOST_LETTERS:,}"):
        from_json(to_json(many), Board)
    glyph = " ".join(["1"] * 400_000)
    stored = Outlines(of="x", glyphs=(glyph,) * 20, lines=(StoredLine((), 0.0),))
    heavy = msgspec.structs.replace(
        board(), pieces=tuple(Lettering(id=f"o{n}", outlines=stored) for n in range(2))
    )
    with pytest.raises(ModelError, match="points of stored outlines"):
        from_json(to_json(heavy), Board)


LONG = 200_000
TYPED = [" " * LONG, "1" * LONG, "1e" * LONG, "-" * LONG, "(" * LONG, "1 " * LONG, "px" * LONG]


@pytest.mark.parametrize("read", [Length.parse, Position.parse, Colour.parse, evaluate])
def test_long_texts_are_refused_at_once(read):
    """A guard against expressions that look through a text again for each of its letters, which
    takes minutes at this length."""
    start = time.thread_time()
    for text in [*TYPED, *("hsv(" + text for text in TYPED), *("rgb(" + text for text in TYPED)]:
        with pytest.raises(ValueError) as caught:
            read(text)
        assert len(str(caught.value)) < 300
    assert time.thread_time() - start < 5


def test_short_is_one_printable_line():
    assert short("a\n\tb  c") == "a b c"
    assert short("x" * 500, 10) == "x" * 9 + "…"
    assert short("\x1b[31m\u202eabc") == "\ufffd[31m\ufffdabc"
    assert short(" " * 100_000 + "x", 10).endswith("…")
