"""What is kept between frames, and what is given up."""

from __future__ import annotations

import numpy as np

from anole.core.cache import SLOTS, VERSIONS, Cache


def _has(cache: Cache, key: tuple) -> bool:
    before = sum(cache.made.values())
    cache.get(key, lambda: np.zeros(4))
    return sum(cache.made.values()) == before


def test_of_a_slot_only_the_newest_stay():
    cache = Cache()
    for n in range(10):
        cache.get(("lit", n), lambda: np.zeros(1000), "drag")
    assert cache._bytes == VERSIONS * 8000
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
    assert cache._bytes == 800 * len(cache._stored) <= 2500
    for n in range(3 * SLOTS):
        cache.get(("lit", n, n), lambda: np.zeros(1), n)
    assert len(cache._slots) == SLOTS
    cache.clear()
    assert cache._bytes == 0 and not cache._slots
