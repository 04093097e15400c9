"""What the window remembers between starts: one JSON file under $XDG_CONFIG_HOME/anole."""

from __future__ import annotations

import contextlib
import json
import os
from pathlib import Path
from typing import Any

import platformdirs

from ...core.atomic import FileError, read_bytes, write_bytes

MOST_RECENT, MOST_BYTES = 12, 1 << 20
ASIDE = ".damaged"


def _is_sound(value: Any) -> bool:
    """Whether every text in a value can be written again: JSON may hold halves of letters."""
    if isinstance(value, str):
        return value.isascii() or not any("\ud800" <= letter <= "\udfff" for letter in value)
    if isinstance(value, dict):
        return all(map(_is_sound, value)) and all(map(_is_sound, value.values()))
    return all(map(_is_sound, value)) if isinstance(value, list) else True


class Settings:
    """`trouble` says what was wrong with the file; it lies beside itself then, under ASIDE."""

    def __init__(self) -> None:
        self.path = platformdirs.user_config_path("anole") / "window.json"
        self.trouble = ""
        self._values: dict[str, Any] = {}
        self._read()

    def _read(self) -> None:
        """Take what the file says now: another window may have written to it."""
        if not self.path.exists():
            return
        try:
            values = json.loads(read_bytes(self.path, MOST_BYTES))
            if not isinstance(values, dict):
                raise ValueError("it is not a mapping")
            self._values = {key: value for key, value in values.items() if _is_sound(value)}
        except (FileError, ValueError, RecursionError):
            self._set_aside()

    def _set_aside(self) -> None:
        aside = self.path.with_name(self.path.name + ASIDE)
        self.trouble = "The settings were damaged; Anole starts with its own."
        with contextlib.suppress(OSError):
            os.replace(self.path, aside)
            self.trouble += f" The file lies beside them as {aside.name}."

    def get(self, key: str, default: Any = None) -> Any:
        """The remembered value, if it is of the default's type."""
        value = self._values.get(key, default)
        return value if default is None or isinstance(value, type(default)) else default

    def texts(self, key: str) -> list[str]:
        """A remembered list of texts; what else stands in it is passed over."""
        return [text for text in self.get(key, []) if isinstance(text, str)]

    def put(self, key: str, value: Any) -> None:
        """Remember a value, beside what other windows remembered meanwhile."""
        if self._values.get(key) == value:
            return
        self._read()
        self._values[key] = value
        # settings that cannot be kept are no reason to stop anybody's work
        with contextlib.suppress(OSError, FileError):
            self.path.parent.mkdir(parents=True, exist_ok=True)
            write_bytes(self.path, json.dumps(self._values, indent=1).encode())

    @property
    def recent(self) -> list[Path]:
        """Boards opened last. Whether they are still there nobody asks here: a disk may sleep."""
        return [Path(text) for text in self.texts("recent")]

    def add_recent(self, path: Path) -> None:
        """Remember a file as the one last used."""
        rest = [str(p) for p in self.recent if p != path]
        self.put("recent", [str(path), *rest][:MOST_RECENT])

    def forget_recent(self, path: Path) -> None:
        """Offer a file no longer."""
        self.put("recent", [str(p) for p in self.recent if p != path])
