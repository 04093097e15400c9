"""Names given out once each."""

from __future__ import annotations

import time

from hypothesis import given
from hypothesis import strategies as st

from anole.core.distinct import DistinctNames

NAMES = st.lists(st.sampled_from(["a", "A", "a 2", "b", "A 3", ""]), max_size=30)


@given(NAMES, NAMES)
def test_no_name_comes_twice_and_a_free_one_stays(taken, wanted):
    names, used = DistinctNames(taken), {name.casefold() for name in taken}
    for name in wanted:
        given_out = names.give(name)
        assert given_out.casefold() not in used
        assert (given_out == name) == (name.casefold() not in used)
        used.add(given_out.casefold())


def test_numbers_run_from_two_and_stand_before_the_ending():
    names = DistinctNames()
    assert [names.file("One.png") for _ in range(3)] == ["One.png", "One 2.png", "One 3.png"]
    assert [names.file("plain"), names.file("PLAIN")] == ["plain", "PLAIN 2"]


def test_ten_times_the_twins_take_ten_times_as_long():
    def seconds(count: int) -> float:
        names, start = DistinctNames(), time.perf_counter()
        for _ in range(count):
            names.file("same.png")
        return time.perf_counter() - start

    few = min(seconds(3_000) for _ in range(3))
    assert seconds(30_000) < 40 * few
