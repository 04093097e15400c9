"""A file of named values in the user's data folder: gradients, mouldings."""

from __future__ import annotations

from collections.abc import Sequence
from pathlib import Path
from typing import Any, Generic, Protocol, TypeVar

import platformdirs

from ..atomic import FileError, read_bytes, write_bytes
from ..model import ModelError, from_json, to_json

MOST = 1 << 22


class Named(Protocol):
    """What a list saved by name holds."""

    @property
    def name(self) -> str: ...


T = TypeVar("T", bound=Named)


class NamedFile(Generic[T]):
    """`kind` is a struct with a name; values are kept newest first, each name once."""

    def __init__(self, file: str, kind: type[T]) -> None:
        self._file, self._kind = file, kind

    @property
    def path(self) -> Path:
        """$XDG_DATA_HOME/anole/..."""
        return platformdirs.user_data_path("anole") / self._file

    def all(self) -> tuple[T, ...]:
        """What is kept. Raises FileError when the file cannot be read."""
        if not self.path.exists():
            return ()
        many: Any = list[self._kind]  # type: ignore[name-defined]
        try:
            return tuple(from_json(read_bytes(self.path, MOST), many))
        except ModelError as error:
            raise FileError(f"{self.path.name} cannot be read: {error}") from error

    def keep(self, value: T) -> None:
        """Keep a value, over one of the same name. Raises FileError."""
        self.keep_all([value])

    def keep_all(self, values: Sequence[T]) -> None:
        """Keep several at once, over those of the same names. Raises FileError."""
        names = {value.name for value in values}
        self._write([*values, *(kept for kept in self.all() if kept.name not in names)])

    def remove(self, name: str) -> None:
        """Raises FileError."""
        self._write([kept for kept in self.all() if kept.name != name])

    def _write(self, kept: list[T]) -> None:
        try:
            self.path.parent.mkdir(parents=True, exist_ok=True)
        except OSError as error:
            raise FileError(f"cannot make {self.path.parent}: {error.strerror}") from error
        write_bytes(self.path, to_json(kept))
