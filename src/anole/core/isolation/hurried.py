"""Threads that must not wait for the helper, such as a window's: what is not at hand is made for them
in a thread of its own, and they are told when it is there."""

from __future__ import annotations

import contextlib
import queue
import threading
from collections.abc import Callable, Hashable, Iterator
from typing import TypeVar

from .client import HELPER, NotYet

T = TypeVar("T")
_here = threading.local()


def hurry(on: bool = True) -> None:
    """From now on this thread does not wait for the helper."""
    HELPER.hurries = _hurries
    _here.hurries = on


def _hurries() -> bool:
    return getattr(_here, "hurries", False)


@contextlib.contextmanager
def whole() -> Iterator[None]:
    """Within it nothing stands in for what is not at hand: NotYet is raised. A picture made of
    stand-ins would be kept as if it were the right one."""
    before, _here.whole = getattr(_here, "whole", False), True
    try:
        yield
    finally:
        _here.whole = before


def needed(key: Hashable, make: Callable[[], T]) -> T:
    """What `make` gives, by way of the helper. Raises NotYet in a thread that hurries, for which it is
    made meanwhile."""
    try:
        return make()
    except NotYet:
        FETCHER.fetch(key, make)
        raise


def at_hand(key: Hashable, make: Callable[[], T], otherwise: T) -> T:
    """The same; a thread that hurries has `otherwise` in its place for as long as it takes. Raises
    NotYet within whole()."""
    try:
        return needed(key, make)
    except NotYet:
        if getattr(_here, "whole", False):
            raise
        return otherwise


class Fetcher:
    """Does what hurried threads could not wait for, in one thread, each once."""

    def __init__(self) -> None:
        self.arrivals = 0
        """How many have come; whoever keeps what stand-ins led to keeps it under this too."""
        self._jobs: queue.Queue[tuple[Hashable, Callable[[], object], Hashable]] = queue.Queue()
        self._asked: set[Hashable] = set()
        self._failed: set[Hashable] = set()
        self._newest: dict[Hashable, Hashable] = {}
        self._listeners: list[Callable[[], object]] = []
        self._lock = threading.Lock()
        self._thread: threading.Thread | None = None

    def fetch(self, key: Hashable, make: Callable[[], object], slot: Hashable = None) -> None:
        """Have something made; listeners are told when it is there.

        slot : what is measured, not read: nothing stands in for it, so that nothing need be made
            anew when it has come, and an older one of the slot that waits still is dropped
        """
        with self._lock:
            if key in self._asked or key in self._failed:
                return
            self._asked.add(key)
            if slot is not None:
                self._newest[slot] = key
            if self._thread is None:
                self._thread = threading.Thread(target=self._loop, name="anole-fetch", daemon=True)
                self._thread.start()
        self._jobs.put((key, make, slot))

    def listen(self, told: Callable[[], object]) -> None:
        """Call `told` in the fetching thread after each arrival."""
        with self._lock:
            self._listeners.append(told)

    def forget(self, told: Callable[[], object]) -> None:
        """Tell it no longer."""
        with self._lock:
            self._listeners.remove(told)

    def _loop(self) -> None:
        while True:
            key, make, slot = self._jobs.get()
            if self._is_old(key, slot):
                continue
            try:
                make()
            except BaseException:  # said by whoever needs it; it is not tried for ever
                self._failed.add(key)
            with self._lock:
                self._asked.discard(key)
                self.arrivals += slot is None
                listeners = list(self._listeners)
            for told in listeners:
                told()

    def _is_old(self, key: Hashable, slot: Hashable) -> bool:
        """Whether another of its slot was asked for since; the newest begins."""
        with self._lock:
            old = slot is not None and self._newest.get(slot) != key
            if old:
                self._asked.discard(key)
            else:
                self._newest.pop(slot, None)
            return old


FETCHER = Fetcher()
