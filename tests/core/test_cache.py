"""What is kept between frames, and what is given up."""

from __future__ import annotations

import gc

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

import anole.core.cache as cache_module
from anole.core.cache import SLOTS, VERSIONS, Cache

MB = 2**20


def _has(cache: Cache, key: tuple) -> bool:
    before = sum(cache.made.values())
    cache.get(key, lambda: np.zeros(4))
    return sum(cache.made.values()) == before


def test_of_a_slot_only_the_newest_stay():
    cache = Cache()
    for n in range(10):
        cache.get(("lit", n), lambda: np.zeros(1000), "drag")
    assert cache.held == VERSIONS * 8000
    assert _has(cache, ("lit", 9)) and _has(cache, ("lit", 10 - VERSIONS))
    assert not _has(cache, ("lit", 0))


def test_slots_and_lone_results_do_not_push_each_other_out():
    cache = Cache()
    cache.get(("distance", 0), lambda: np.zeros(10))
    for n in range(10):
        cache.get(("lit", "a", n), lambda: np.zeros(10), "a")
        cache.get(("lit", "b", n), lambda: np.zeros(10), "b")
    assert _has(cache, ("distance", 0))
    assert _has(cache, ("lit", "a", 9)) and _has(cache, ("lit", "b", 9))


def test_a_result_made_again_counts_once_and_slots_are_forgotten():
    cache = Cache(capacity=2500)
    for n in (0, 1, 2, 0, 1, 2):
        cache.get(("lit", n), lambda: np.zeros(100), "drag")
    assert cache.held == 800 * len(cache.stored) <= 2500
    for n in range(3 * SLOTS):
        cache.get(("lit", n, n), lambda: np.zeros(1), n)
    assert len(cache._slots) == SLOTS
    cache.clear()
    assert cache.held == 0 and not cache._slots


@pytest.fixture
def clock(monkeypatch):
    """The time that making takes is said by who makes."""
    now = [0.0]
    monkeypatch.setattr(cache_module.time, "perf_counter", lambda: now[0])
    return now


def _keep(cache: Cache, key: str, seconds: float, clock: list[float]) -> None:
    def make() -> np.ndarray:
        clock[0] += seconds
        return np.zeros(MB, np.uint8)

    cache.get((key,), make)


def test_what_took_long_for_its_bytes_stays_and_ages_if_nobody_asks(clock):
    cache = Cache(3 * MB)
    _keep(cache, "dear", 3.5, clock)
    for n in range(3):
        _keep(cache, f"cheap {n}", 1.0, clock)
    assert cache.has(("dear",)) and not cache.has(("cheap 0",)) and cache.has(("cheap 2",))
    for n in range(3, 12):
        _keep(cache, f"cheap {n}", 1.0, clock)
    assert not cache.has(("dear",)), "what nobody asks for goes some time"


def test_caches_of_one_budget_give_up_for_each_other(monkeypatch, clock):
    monkeypatch.setattr(cache_module, "SHARED", cache_module.Budget(4 * MB))
    one, other = Cache(), Cache()
    for n in range(4):
        _keep(one, f"{n}", 1.0, clock)
    for n in range(2):
        _keep(other, f"{n}", 2.0, clock)
    assert (one.held, other.held) == (2 * MB, 2 * MB)
    cache_module.SHARED.resize(MB)
    assert one.held + other.held == MB
    one.clear()
    other.clear()
    assert cache_module.SHARED.held == 0


@given(
    st.lists(
        st.tuples(st.integers(0, 2), st.integers(0, 9), st.integers(0, 4 * 2**20)), max_size=60
    )
)
def test_never_more_than_the_budget_and_one_and_every_byte_is_counted(asked):
    budget = cache_module.Budget(6 * MB)
    caches = [Cache(1) for _ in range(3)]
    for cache in caches:
        cache.budget = budget
    for which, key, size in asked:
        caches[which].get((str(key),), lambda size=size: np.zeros(size, np.uint8), slot=key % 3)
        assert budget.held == sum(cache.held for cache in caches) <= max(6 * MB, size)


def test_a_cache_that_nobody_has_gives_its_bytes_back():
    budget = cache_module.SHARED
    before = budget.held
    Cache().get(("lit",), lambda: np.zeros(MB, np.uint8))
    gc.collect()
    assert budget.held <= before
