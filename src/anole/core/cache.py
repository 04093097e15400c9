"""Results kept under the value they came from, the least worth given up first."""

from __future__ import annotations

import heapq
import itertools
import threading
import time
import weakref
from collections import Counter, OrderedDict
from collections.abc import Callable, Hashable
from typing import Any, Generic, NamedTuple, TypeVar

import numpy as np

T = TypeVar("T")
CAPACITY = 512 * 2**20
"""Bytes that all caches without a bound of their own keep together, if nobody says otherwise."""
VERSIONS, SLOTS = 3, 64
"""How many results of one slot stay, and how many slots are watched."""
LEAST = 2**16
"""What a result costs at least, whatever its arrays say: else small ones would never go."""


def weight(value: Any) -> int:
    """Bytes a kept value takes, as far as its arrays go."""
    if isinstance(value, np.ndarray):
        return value.nbytes
    if isinstance(value, tuple | list):
        return sum(weight(part) for part in value) + 64
    return 64


class Kept(Generic[T]):
    """A kept result. `gain`: the seconds that each of its bytes saves whoever asks again."""

    __slots__ = ("gain", "number", "size", "value", "worth")

    def __init__(self, value: T, seconds: float, number: int) -> None:
        self.value, self.size, self.number = value, weight(value), number
        self.gain = seconds / max(self.size, LEAST)
        self.worth = 0.0


class Candidate(NamedTuple):
    """What may be given up, as it was worth when it was last looked at."""

    worth: float
    number: int
    cache: weakref.ref[Cache]
    key: Hashable


class Budget:
    """Bytes that caches share. What is worth least goes first, in whichever of them it is kept:
    GreedyDual-Size (P. Cao, S. Irani, "Cost-aware WWW proxy caching algorithms", 1997), where a result
    asked for is worth its gain more than what was given up last."""

    def __init__(self, capacity: int) -> None:
        self.capacity, self.held = capacity, 0
        self.lock = threading.RLock()
        self._age, self._numbers = 0.0, itertools.count()
        self._candidates: list[Candidate] = []
        self._count = 0

    def resize(self, capacity: int) -> None:
        """From now on so many bytes are kept."""
        with self.lock:
            self.capacity = capacity
            self._give_up()

    def touched(self, kept: Kept[Any]) -> None:
        """Somebody asked for it."""
        kept.worth = self._age + kept.gain

    def take(self, cache: Cache, key: Hashable, value: object, seconds: float) -> None:
        """Keep a result that took so long, and give up what is worth less where there is no room."""
        kept = Kept(value, seconds, next(self._numbers))
        self.touched(kept)
        self.held += kept.size
        self._count += 1
        cache.stored[key] = kept
        # what came last stays, for somebody uses it: it may be given up from the next on
        self._give_up()
        heapq.heappush(
            self._candidates, Candidate(kept.worth, kept.number, weakref.ref(cache), key)
        )
        if len(self._candidates) > 2 * self._count + 64:
            self._candidates = [each for each in self._candidates if _of(each) is not None]
            heapq.heapify(self._candidates)

    def let_go(self, kept: Kept[Any]) -> None:
        """It is kept no longer."""
        self.held -= kept.size
        self._count -= 1

    def _give_up(self) -> None:
        while self.held > self.capacity and self._candidates:
            candidate = heapq.heappop(self._candidates)
            kept, cache = _of(candidate), candidate.cache()
            if kept is None or cache is None:
                continue
            if kept.worth > candidate.worth:
                heapq.heappush(self._candidates, candidate._replace(worth=kept.worth))
            else:
                self._age = kept.worth
                self.let_go(cache.stored.pop(candidate.key))


def _of(candidate: Candidate) -> Kept[Any] | None:
    """The result that a candidate stands for, if it is still kept."""
    cache = candidate.cache()
    kept = None if cache is None else cache.stored.get(candidate.key)
    return kept if kept is not None and kept.number == candidate.number else None


SHARED = Budget(CAPACITY)
"""What all renderers of the process share."""


class Cache:
    """Keys are tuples whose first part names the kind of result: ("distance", ...).

    capacity : bytes of its own; without, it shares SHARED with all others
    """

    def __init__(self, capacity: int | None = None) -> None:
        self.budget = SHARED if capacity is None else Budget(capacity)
        self.made: Counter[str] = Counter()
        self.stored: dict[Hashable, Kept[Any]] = {}
        self._slots: OrderedDict[Hashable, list[Hashable]] = OrderedDict()
        weakref.finalize(self, _forget, self.budget, self.stored).atexit = False

    def get(self, key: tuple, make: Callable[[], T], slot: Hashable = None) -> T:
        """The kept result, or make() kept under `key`. Two threads may make the same once each.

        Of the results of one slot only the newest few stay: a drag makes a new one each move that
        nobody asks for again, and memory just given back is quicker to write than fresh pages.
        """
        with self.budget.lock:
            if key in self.stored:
                kept = self.stored[key]
                self.budget.touched(kept)
                return kept.value
        start = time.perf_counter()
        value = make()
        took = time.perf_counter() - start
        with self.budget.lock:
            self.made[str(key[0])] += 1
            if key not in self.stored:
                self.budget.take(self, key, value, took)
                if slot is not None:
                    self._make_room(slot, key)
        return value

    def has(self, key: tuple) -> bool:
        """Whether a result is kept."""
        with self.budget.lock:
            return key in self.stored

    @property
    def held(self) -> int:
        """Bytes of what it keeps."""
        with self.budget.lock:
            return sum(kept.size for kept in self.stored.values())

    def _make_room(self, slot: Hashable, key: Hashable) -> None:
        held = [old for old in self._slots.pop(slot, ()) if old in self.stored and old != key]
        for old in held[: -(VERSIONS - 1)]:
            self.budget.let_go(self.stored.pop(old))
        self._slots[slot] = [*held[-(VERSIONS - 1) :], key]
        if len(self._slots) > SLOTS:
            self._slots.popitem(last=False)

    def clear(self) -> None:
        """Forget everything."""
        with self.budget.lock:
            _forget(self.budget, self.stored)
            self._slots.clear()


def _forget(budget: Budget, stored: dict[Hashable, Kept[Any]]) -> None:
    with budget.lock:
        while stored:
            budget.let_go(stored.popitem()[1])
