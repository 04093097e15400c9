"""Fields of one coat, to be pasted onto another: for the whole program, until others are copied."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Any

import msgspec


class CopiedFields:
    """Values by the names of their fields."""

    def __init__(self) -> None:
        self._values: dict[str, Any] = {}

    def copy(self, value: msgspec.Struct, names: Iterable[str]) -> None:
        """Remember fields of a value."""
        self._values = {name: getattr(value, name) for name in names}

    def fitting(self, names: Iterable[str]) -> dict[str, Any]:
        """Those of the named fields that were copied, of whatever it was."""
        return {name: self._values[name] for name in names if name in self._values}


COPIED = CopiedFields()
