"""Names that are each there once: twins get the next number that is free."""

from __future__ import annotations

from collections.abc import Iterable


class DistinctNames:
    """Gives names out. Those that differ by case only are one: on some systems, one file. A name
    asked for n times costs n steps in all."""

    def __init__(self, taken: Iterable[str] = ()) -> None:
        self._taken = {name.casefold() for name in taken}
        self._next: dict[str, int] = {}

    def give(self, name: str, ending: str = "") -> str:
        """The name, or with the first number from 2 on that is free before its ending."""
        found, number = name + ending, self._next.get((name + ending).casefold(), 2)
        while found.casefold() in self._taken:
            found, number = f"{name} {number}{ending}", number + 1
        self._next[(name + ending).casefold()] = number
        self._taken.add(found.casefold())
        return found

    def file(self, name: str) -> str:
        """The same of a file's name, which keeps its ending."""
        stem, dot, ending = name.rpartition(".")
        return self.give(stem, dot + ending) if stem else self.give(name)
