"""What the window remembers between starts: one JSON file under $XDG_CONFIG_HOME/anole."""

from __future__ import annotations

import contextlib
import json
from pathlib import Path
from typing import Any

import platformdirs

from ..core.files.atomic import FileError, write_bytes

MOST_RECENT = 12


class Settings:
    def __init__(self) -> None:
        self.path = platformdirs.user_config_path("anole") / "window.json"
        self._values: dict[str, Any] = {}
        with contextlib.suppress(OSError, ValueError):
            values = json.loads(self.path.read_text())
            self._values = values if isinstance(values, dict) else {}

    def get(self, key: str, default: Any = None) -> Any:
        """The remembered value, if it is of the default's type."""
        value = self._values.get(key, default)
        return value if default is None or isinstance(value, type(default)) else default

    def put(self, key: str, value: Any) -> None:
        if self._values.get(key) == value:
            return
        self._values[key] = value
        # settings that cannot be kept are no reason to stop anybody's work
        with contextlib.suppress(OSError, FileError):
            self.path.parent.mkdir(parents=True, exist_ok=True)
            write_bytes(self.path, json.dumps(self._values, indent=1).encode())

    @property
    def recent(self) -> list[Path]:
        return [p for p in map(Path, self.get("recent", [])) if p.exists()]

    def add_recent(self, path: Path) -> None:
        rest = [str(p) for p in self.recent if p != path]
        self.put("recent", [str(path), *rest][:MOST_RECENT])
