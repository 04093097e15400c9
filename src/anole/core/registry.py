"""The one idiom of lists that others may join: explicit entries, and a twin is an error."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from contextlib import contextmanager
from typing import TypeVar

K = TypeVar("K")
V = TypeVar("V")


class Registry(Mapping[K, V]):
    """Entries in the order in which they were added; `what` names one of them in messages."""

    def __init__(self, what: str, entries: Mapping[K, V] | None = None) -> None:
        self.what = what
        self._entries: dict[K, V] = {}
        for key, value in (entries or {}).items():
            self.add(key, value)

    def add(self, key: K, value: V) -> V:
        """Add an entry. Raises ValueError when the key is taken."""
        if key in self._entries:
            raise ValueError(f"the {self.what} {_name(key)!r} is registered twice")
        self._entries[key] = value
        return value

    @contextmanager
    def lent(self, key: K, value: V) -> Iterator[V]:
        """An entry for as long as a block runs."""
        self.add(key, value)
        try:
            yield value
        finally:
            self.remove(key)

    def remove(self, key: K) -> None:
        """Take an entry out. Raises KeyError."""
        del self._entries[key]

    def __getitem__(self, key: K) -> V:
        try:
            return self._entries[key]
        except KeyError:
            raise KeyError(f"there is no {self.what} {_name(key)!r}") from None

    def __iter__(self) -> Iterator[K]:
        return iter(self._entries)

    def __len__(self) -> int:
        return len(self._entries)


def _name(key: object) -> object:
    return key.__name__ if isinstance(key, type) else key
