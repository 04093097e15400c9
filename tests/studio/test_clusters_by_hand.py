"""Clusters and clipping by keys, clicks and cards."""

from __future__ import annotations

import threading

import msgspec
import pytest
from PyQt6.QtCore import QPointF, Qt

from anole.core.cache import Cache
from anole.core.edit.clusters import make_cluster
from anole.core.edit.pieces import add_lettering, change_piece
from anole.core.model import Cluster, Fill, Length, Lettering, Place, Stroke
from anole.core.model.nesting import every
from anole.core.pieces.kinds.cluster import ClusterKind
from anole.core.pieces.registry import coated_kind
from anole.studio.arrange.card_delegate import ID, fold_box, icon_boxes
from anole.studio.arrange.rows import rows_of
from anole.studio.shared.shell import Stage

from ..core.shapes import board, paint, span

LEFT, SHIFT, CTRL = (
    Qt.MouseButton.LeftButton,
    Qt.KeyboardModifier.ShiftModifier,
    Qt.KeyboardModifier.ControlModifier,
)


@pytest.fixture
def window(open_window):
    made = board(Fill(id="f", paint=paint("#fff")), text="RINK", size=60, place=Place(x=160, y=60))
    made, _ = add_lettering(
        made, "NIGHT", size=Length(60), place=Place(x=160, y=130), style=(Fill(id="n"),)
    )
    return open_window(made)


def command(window, name):
    return window.actions_by_id[name]


def ids(window) -> list[str]:
    return [p.id for p in every(window.document.board.pieces)]


def at(window, piece) -> QPointF:
    return window.view.transform_now().to_widget(piece.place.x, piece.place.y)


def both(window, qtbot):
    words = [p for p in window.document.board.pieces if isinstance(p, Lettering)]
    window.selection.choose_all(tuple(p.id for p in words))
    window.view.setFocus()
    command(window, "cluster").trigger()
    return words


def cluster(window) -> Cluster:
    return next(p for p in window.document.board.pieces if isinstance(p, Cluster))


def test_made_moved_entered_and_dissolved(window, qtbot, drag):
    words = both(window, qtbot)
    made = cluster(window)
    assert window.selection.piece == made
    assert [p.id for p in made.pieces] == [p.id for p in words]
    # a click takes hold of all of it
    qtbot.mouseClick(window.view, LEFT, pos=at(window, words[0]).toPoint())
    assert window.selection.piece_id == made.id
    qtbot.keyClick(window.view, Qt.Key.Key_Right, SHIFT)
    assert window.document.board.piece(words[1].id).place.x == words[1].place.x + 10
    # a double click goes in: one line alone is moved then
    line = window.document.board.piece(words[0].id)
    qtbot.mouseDClick(window.view, LEFT, pos=at(window, line).toPoint())
    assert window.selection.piece_id == line.id and window.selection.holder.id == made.id
    qtbot.keyClick(window.view, Qt.Key.Key_Down)
    assert window.document.board.piece(line.id).place.y == line.place.y + 1
    other = window.document.board.piece(words[1].id)
    qtbot.mouseClick(window.view, LEFT, pos=at(window, other).toPoint())
    assert window.selection.piece_id == other.id
    command(window, "leave").trigger()
    assert window.selection.piece_id == made.id
    command(window, "dissolve").trigger()
    assert set(window.selection.ids) == {p.id for p in words}
    assert not any(isinstance(p, Cluster) for p in window.document.board.pieces)


def test_what_would_be_lost_is_asked_about(window, qtbot):
    both(window, qtbot)
    name = cluster(window).id
    window.document.apply("Stroke", lambda b: change_piece(b, name, style=(Stroke(id="k"),)))
    command(window, "dissolve").trigger()
    assert window.status.asks and "its coats" in window.status.question.text()
    window.status.answers[-1].click()
    assert cluster(window)
    command(window, "dissolve").trigger()
    window.status.answers[0].click()
    assert not any(isinstance(p, Cluster) for p in window.document.board.pieces)


def test_a_turned_cluster_hands_its_turn_on_when_it_is_opened(window, qtbot, settle):
    words = both(window, qtbot)
    name = cluster(window).id
    place = msgspec.structs.replace(cluster(window).place, rotation=30.0)
    window.document.apply("Turn", lambda b: change_piece(b, name, place=place))
    settle(window)
    command(window, "enter").trigger()
    assert window.document.board.piece(words[0].id).place.rotation == pytest.approx(30)
    assert cluster(window).place.rotation == 0
    assert window.document.history.undo_name == "Open the cluster"
    window.selection.choose(name)
    command(window, "enter").trigger()
    assert window.document.history.undo_name == "Open the cluster"


def test_ctrl_click_goes_down_through_what_lies_there(window, qtbot):
    words = both(window, qtbot)
    where = at(window, window.document.board.piece(words[0].id)).toPoint()
    seen = []
    for _ in range(3):
        qtbot.mouseClick(window.view, LEFT, CTRL, where)
        seen.append(window.selection.piece_id)
    assert set(seen) == {cluster(window).id, words[0].id}


def test_the_list_shows_folds_finds_and_takes_drops(window, qtbot, settle):
    words = both(window, qtbot)
    settle(window)
    cards = window.pieces

    def shown() -> list[str]:
        return [cards.item(n).data(ID) for n in range(cards.count())]

    name = cluster(window).id
    assert shown() == [name, words[1].id, words[0].id, "ground"]
    rect = cards.visualItemRect(cards.item(0))
    qtbot.mouseClick(cards.viewport(), LEFT, pos=fold_box(rect, 0).center().toPoint())
    assert shown() == [name, "ground"]
    # choosing one within opens it again
    window.selection.choose(words[0].id)
    assert shown() == [name, words[1].id, words[0].id, "ground"]
    cards.search("nig")
    assert shown() == [name, words[1].id]
    cards.search("")
    # out of the cluster, above it; and into it again
    cards.drop([words[0].id], name, "above")
    assert [p.id for p in window.document.board.pieces] == ["ground", name, words[0].id]
    cards.drop([words[0].id], name, "on")
    assert [p.id for p in cluster(window).pieces] == [words[1].id, words[0].id]
    cards.drop([words[0].id], words[1].id, "below")
    assert [p.id for p in cluster(window).pieces] == [words[0].id, words[1].id]
    before = window.document.board
    cards.drop([name], words[0].id, "on")
    assert window.document.board == before
    eye, _ = icon_boxes(cards.visualItemRect(cards.item(1)))
    qtbot.mouseClick(cards.viewport(), LEFT, pos=eye.center().toPoint())
    assert not window.document.board.piece(words[1].id).shown


def test_clipped_by_what_lies_beneath_both_cards_say_so(window, qtbot, settle):
    first, last = (p for p in window.document.board.pieces if isinstance(p, Lettering))
    window.selection.choose(last.id)
    command(window, "clip").trigger()
    assert window.document.board.piece(last.id).within == first.id
    notes = {row.piece.id: row.note for row in rows_of(window.document.board, ())}
    assert notes[last.id] == f"in {first.name}" and notes[first.id] == "clips 1"
    # it may be chosen in the panel too, and not so that a ring comes of it
    window.selection.choose(first.id)
    settle(window)
    control = window.arrange.section("blending").panel.controls["within"]
    control.box.activated.emit(control.box.findText(last.name or last.id))
    assert window.document.board.piece(first.id).within is None
    window.selection.choose(last.id)
    command(window, "unclip").trigger()
    assert window.document.board.piece(last.id).within is None


def test_the_others_are_hidden_and_come_back(window, qtbot):
    words = [p for p in window.document.board.pieces if isinstance(p, Lettering)]
    window.selection.choose(words[0].id)
    command(window, "hide others").trigger()
    assert [p.shown for p in window.document.board.pieces] == [True, True, False]
    command(window, "hide others").trigger()
    assert all(p.shown for p in window.document.board.pieces)


def test_two_hundred_pieces_stay_workable(open_window, settle, qtbot):
    import time

    made = board(Fill(id="f"), text="A", size=20, place=Place(x=10, y=10))
    word = made.pieces[1]
    many = tuple(
        msgspec.structs.replace(
            word,
            id=f"w{n}",
            name=f"Lap {n}",
            style=(Fill(id=f"f{n}"),),
            place=Place(x=20.0 * (n % 15), y=20.0 * (n // 15)),
        )
        for n in range(200)
    )
    made = msgspec.structs.replace(made, pieces=(made.pieces[0], *many))
    window = open_window(made)
    assert window.pieces.count() == 201
    settle(window)
    window.pieces.search("lap 19")
    assert window.pieces.count() == 11
    window.pieces.search("")
    window.selection.choose_all(tuple(f"w{n}" for n in range(0, 200, 2)))
    start = time.monotonic()
    command(window, "cluster").trigger()
    assert time.monotonic() - start < 5
    assert len(cluster(window).pieces) == 100
    made, name = make_cluster(window.document.board, [f"w{n}" for n in range(1, 200, 2)])
    assert len(made.piece(name).pieces) == 100


def test_outlines_of_a_cluster_are_united_behind_the_window(window, qtbot, monkeypatch):
    threads, unite = set(), ClusterKind.chords

    def watched(*args):
        threads.add(threading.current_thread())
        return unite(*args)

    monkeypatch.setattr(ClusterKind, "chords", watched)
    both(window, qtbot)
    piece_id = cluster(window).id
    coats = (Stroke(id="own", span=span("0em", "core")),)
    window.document.apply("Stroke", lambda b: change_piece(b, piece_id, style=coats))
    window.selection.choose(piece_id, "own")
    window.show_stage(Stage.COAT)

    def strip_is_there() -> bool:
        window.build_up.grab()
        return window.build_up._probe is not None

    qtbot.waitUntil(strip_is_there, timeout=10_000)
    assert threads and threading.main_thread() not in threads
    core = coated_kind(cluster(window)).core(cluster(window), 96, Cache())
    assert window.build_up.state().section.core == pytest.approx(core)
