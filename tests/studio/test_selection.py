"""What is chosen, whatever happens to the board."""

from __future__ import annotations

from hypothesis import given, settings
from hypothesis import strategies as st

from anole.core.edit.coats import add_coat, remove_coat
from anole.core.edit.pieces import add_lettering, duplicate_pieces, remove_pieces
from anole.core.model import Coated, Fill, Stroke
from anole.studio.app import application
from anole.studio.documents.document import Document
from anole.studio.documents.selection import Selection

from ..core.shapes import board


def started(pieces: int = 3) -> tuple[Document, Selection]:
    application()
    document = Document(board(Stroke(id="s"), Fill(id="f")))
    for n in range(pieces - 1):
        document.make("Add", lambda b, n=n: add_lettering(b, f"W{n}"))
    return document, Selection(document)


def holds(document: Document, selection: Selection) -> None:
    """What must be true of any selection."""
    there = [piece.id for piece in document.board.pieces]
    ids = selection.ids
    assert len(set(ids)) == len(ids)
    assert set(ids) <= set(there)
    assert {piece.id for piece in selection.pieces} == set(ids)
    assert selection.piece_id not in selection.together
    style = selection.coated.style if selection.coated else ()
    if selection.coat_id is not None:
        assert selection.coat_id in [coat.id for coat in style]
    assert (selection.coat is None) == (not style)


STEPS = st.lists(
    st.tuples(
        st.sampled_from(
            [
                "choose",
                "also",
                "first",
                "all",
                "coat",
                "remove",
                "add",
                "copy",
                "undo",
                "redo",
                "bare",
            ]
        ),
        st.integers(0, 5),
    ),
    max_size=25,
)


def step(document: Document, selection: Selection, what: str, n: int) -> None:
    ids = [piece.id for piece in document.board.pieces]
    one = ids[n % len(ids)] if ids else None
    coated = [piece for piece in document.board.pieces if isinstance(piece, Coated)]
    if what == "undo":
        document.undo()
    elif what == "redo":
        document.redo()
    elif what == "add":
        document.make("Add", lambda b: add_lettering(b, "More"))
    elif what == "all":
        selection.choose_all(tuple(ids[: n + 1]))
    elif one is None:
        selection.choose(None)
    elif what == "choose":
        selection.choose(one)
    elif what == "also":
        selection.choose_also(one)
    elif what == "first":
        selection.choose_first(one)
    elif what == "remove":
        document.apply("Remove", lambda b: remove_pieces(b, (one,)))
    elif what == "copy":
        document.make("Duplicate", lambda b: duplicate_pieces(b, [one]))
    elif what == "coat" and coated:
        target = coated[n % len(coated)].id
        document.make("Add coat", lambda b: add_coat(b, target, "stroke"))
    elif what == "bare" and coated and coated[0].style:
        first = coated[0]
        document.apply("Remove coat", lambda b: remove_coat(b, first.id, first.style[0].id))


@settings(max_examples=120, deadline=None)
@given(STEPS)
def test_it_names_only_what_is_there(steps):
    document, selection = started()
    holds(document, selection)
    for what, n in steps:
        step(document, selection, what, n)
        holds(document, selection)


@settings(max_examples=60, deadline=None)
@given(STEPS)
def test_who_listens_knows_what_is_chosen(steps):
    """Whenever the piece or the coat is another one, `changed` was heard with it already so."""
    document, selection = started()
    heard = [(selection.piece_id, selection.coat_id)]
    selection.changed.connect(lambda: heard.append((selection.piece_id, selection.coat_id)))
    for what, n in steps:
        step(document, selection, what, n)
        assert heard[-1] == (selection.piece_id, selection.coat_id)


def test_a_second_click_on_one_of_several_lets_it_go():
    document, selection = started()
    a, b, c = (p.id for p in document.board.pieces if isinstance(p, Coated))
    selection.choose(a)
    selection.choose_also(b)
    selection.choose_also(c)
    assert set(selection.ids) == {a, b, c}
    selection.choose_also(b)
    assert set(selection.ids) == {a, c}
    selection.choose_also(a)
    assert selection.ids == (c,)
    selection.choose_also(c)
    assert selection.ids == (c,)


def test_choosing_the_same_again_is_not_told():
    _, selection = started(2)
    selection.choose("words")
    told = []
    selection.changed.connect(lambda: told.append(1))
    selection.choose("words", selection.coat_id)
    selection.choose_first("words")
    selection.choose_first("nobody")
    assert told == []


def test_the_chosen_coat_comes_back_with_undo():
    document, selection = started(1)
    selection.choose("words", "s")
    document.apply("Remove coat", lambda b: remove_coat(b, "words", "s"))
    assert selection.coat_id == "f"
    document.undo()
    assert selection.coat is not None
