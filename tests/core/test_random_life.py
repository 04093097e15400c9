"""Thousands of random edits, undone, done again, saved and opened: nothing is lost or spoilt."""

from __future__ import annotations

from random import Random

import numpy as np
import pytest
from hypothesis import HealthCheck, settings
from hypothesis import strategies as st
from hypothesis.stateful import RuleBasedStateMachine, initialize, invariant, rule

from anole.core.edit.boards import as_stored
from anole.core.files import board_file
from anole.core.files.journal import JournalFolder, JournalWriter, Snapshot, read
from anole.core.history import History
from anole.core.model import Board, from_json, to_json
from anole.core.render.renderer import Renderer, Request

from .random_life import OPERATIONS, QUERIES, first_board, functions, lived

SEEDS = st.integers(0, 2**32)


def test_every_operation_is_listed():
    assert functions() == set(OPERATIONS) | QUERIES


@pytest.mark.sample(16)
@pytest.mark.parametrize("name", OPERATIONS)
def test_every_operation_does_something_in_a_life(name):
    # one that keeps a board as it is has to be right: with_assets where all is carried
    assert any(_does_something(name, seed) for seed in range(5, 40)) or name in {"with_assets"}


def _does_something(name: str, seed: int) -> bool:
    rng, board = Random(seed), first_board()
    # what some of them need: words that stand apart, letters of their own, a cluster
    for needed in ("add_lettering", "add_lettering", "change_letters", "make_cluster"):
        _, board = lived(rng, board, needed)
    for _ in range(40):
        _, after = lived(rng, board, name)
        if after != board:
            return True
        _, board = lived(rng, board)
    return False


class Life(RuleBasedStateMachine):
    """A board with its history, a renderer that has seen it all, and a journal."""

    def __init__(self) -> None:
        super().__init__()
        self.history = History(first_board())
        self.start = self.history.board
        self.renderer = Renderer()
        self.folder = JournalFolder()
        self.journal = JournalWriter(self.folder)
        self.edits = 0

    def teardown(self) -> None:
        self.folder.remove()

    @initialize(seed=SEEDS)
    def begin(self, seed: int) -> None:
        rng = Random(seed)
        for _ in range(3):
            self._edit(rng)

    def _edit(self, rng: Random, name: str = "") -> None:
        name, board = lived(rng, self.history.board, name)
        self.history.push(name, board)
        self.edits += 1

    @rule(seed=SEEDS, name=st.sampled_from(sorted(OPERATIONS)))
    def edit(self, seed: int, name: str) -> None:
        self._edit(Random(seed), name)

    @rule(seed=SEEDS)
    def edit_many(self, seed: int) -> None:
        rng = Random(seed)
        for _ in range(8):
            self._edit(rng)

    @rule()
    def undo(self) -> None:
        self.history.undo()

    @rule()
    def redo(self) -> None:
        self.history.redo()

    @rule()
    def undo_all_and_redo_all(self) -> None:
        steps = self.history.steps
        while self.history.undo_name is not None:
            self.history.undo()
        assert self.history.board == self.start
        while self.history.redo_name is not None:
            self.history.redo()
        assert self.history.board == steps[-1].board
        assert self.history.steps == steps

    @rule()
    def save_and_open(self) -> None:
        board = self.history.board
        read_back = board_file.decode(board_file.encode(board_file.StoredBoard(board), None), "x")
        assert read_back.board == board
        assert not read_back.troubles
        stored = as_stored(board)
        assert from_json(to_json(stored), Board) == stored

    @rule()
    def end_and_come_back(self) -> None:
        self.journal.write(Snapshot(self.history.steps, self.history.at, self.start))
        found = read(self.folder.path)
        assert found.history.steps == self.history.steps
        assert found.history.at == self.history.at

    @invariant()
    def the_frame_is_finite_and_that_of_a_fresh_renderer(self) -> None:
        request = Request(self.history.board)
        kept = self.renderer.frame(request).ground
        assert np.isfinite(kept).all()
        fresh = Renderer().frame(request).ground
        np.testing.assert_array_equal(kept, fresh)


@pytest.mark.deep
def test_random_lives(deep):
    """Deep: for as long as it takes; else a sample."""
    from hypothesis.stateful import run_state_machine_as_test

    examples, steps = (200, 60) if deep else (6, 12)
    run_state_machine_as_test(
        Life,
        settings=settings(
            max_examples=examples,
            stateful_step_count=steps,
            deadline=None,
            suppress_health_check=list(HealthCheck),
        ),
    )
