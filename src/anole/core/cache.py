"""Results kept under the value they came from, the least recently used given up first."""

from __future__ import annotations

import threading
from collections import Counter, OrderedDict
from collections.abc import Callable, Hashable
from typing import Any, TypeVar

import numpy as np

T = TypeVar("T")
CAPACITY, LARGEST = 128 * 2**20, 1024 * 2**20
"""Bytes that are kept; a renderer of large windows keeps more, for it needs more at once."""
PER_PIXEL = 400
"""Bytes that a frame of many coats keeps for each of its px, with as much again for what changes."""
VERSIONS, SLOTS = 3, 64
"""How many results of one slot stay, and how many slots are watched."""


def weight(value: Any) -> int:
    """Bytes a kept value takes, as far as its arrays go."""
    if isinstance(value, np.ndarray):
        return value.nbytes
    if isinstance(value, tuple | list):
        return sum(weight(part) for part in value) + 64
    return 64


class Cache:
    """Keys are tuples whose first part names the kind of result: ("distance", ...)."""

    def __init__(self, capacity: int | None = None) -> None:
        self.capacity, self._grows = capacity or CAPACITY, capacity is None
        self.made: Counter[str] = Counter()
        self._stored: OrderedDict[Hashable, tuple[Any, int]] = OrderedDict()
        self._slots: OrderedDict[Hashable, list[Hashable]] = OrderedDict()
        self._bytes = 0
        self._lock = threading.RLock()

    def get(self, key: tuple, make: Callable[[], T], slot: Hashable = None) -> T:
        """The kept result, or make() kept under `key`. Two threads may make the same once each.

        Of the results of one slot only the newest few stay: a drag makes a new one each move that
        nobody asks for again, and memory just given back is quicker to write than fresh pages.
        """
        with self._lock:
            if key in self._stored:
                self._stored.move_to_end(key)
                return self._stored[key][0]
        value = make()
        with self._lock:
            self.made[str(key[0])] += 1
            if key not in self._stored:
                self._stored[key] = (value, weight(value))
                self._bytes += self._stored[key][1]
                if slot is not None:
                    self._make_room(slot, key)
                self._give_up()
        return value

    def has(self, key: tuple) -> bool:
        """Whether a result is kept."""
        with self._lock:
            return key in self._stored

    def _make_room(self, slot: Hashable, key: Hashable) -> None:
        held = [old for old in self._slots.pop(slot, ()) if old in self._stored and old != key]
        for old in held[: -(VERSIONS - 1)]:
            self._bytes -= self._stored.pop(old)[1]
        self._slots[slot] = [*held[-(VERSIONS - 1) :], key]
        if len(self._slots) > SLOTS:
            self._slots.popitem(last=False)

    def _give_up(self) -> None:
        while self._bytes > self.capacity and len(self._stored) > 1:
            _, (_, size) = self._stored.popitem(last=False)
            self._bytes -= size

    def make_room_for(self, pixels: int) -> None:
        """Keep what frames of so many px need, within bounds, and no less than before: a small
        frame within a large one shares what it keeps. A cache of a fixed capacity keeps to that."""
        with self._lock:
            if self._grows:
                self.capacity = max(self.capacity, min(pixels * PER_PIXEL, LARGEST))

    def clear(self) -> None:
        """Forget everything."""
        with self._lock:
            self._stored.clear()
            self._slots.clear()
            self._bytes = 0
