"""The system's fonts, read one by one; a broken file is skipped and named."""

from __future__ import annotations

import os
from collections.abc import Callable, Iterator
from pathlib import Path

import platformdirs

from .font_file import FontError, FontFile, faces, file_of
from .fonts import GENRES, built_in

SUFFIXES = (".ttf", ".otf", ".ttc", ".otc")
MOST_FILES = 5000


def folders() -> list[Path]:
    """Where fonts lie, by the XDG base directories."""
    home = Path(os.environ.get("XDG_DATA_HOME") or platformdirs.user_data_path())
    shared = os.environ.get("XDG_DATA_DIRS") or "/usr/local/share:/usr/share"
    roots = [home, *map(Path, shared.split(":"))]
    return [root / "fonts" for root in roots] + [Path.home() / ".fonts"]


def font_paths() -> list[Path]:
    """Font files of the system and the user, links followed, each once, at most MOST_FILES."""
    paths: dict[Path, None] = {}
    for folder in folders():
        for root, _, names in os.walk(folder):
            for name in sorted(names):
                if name.lower().endswith(SUFFIXES):
                    paths.setdefault(Path(root, name).resolve())
    return list(paths)[:MOST_FILES]


def _in_file(path: Path) -> Iterator[FontFile]:
    for index, measures in enumerate(faces(path)):
        yield file_of(measures, path, GENRES, number=index)


def read_system(
    stop: Callable[[], bool] = lambda: False, paths: list[Path] | None = None
) -> tuple[list[FontFile], list[str]]:
    """The system's fonts that can be used, and a line about each file that cannot."""
    known = {font.family for font in built_in()}
    fonts: list[FontFile] = []
    troubles: list[str] = []
    for path in font_paths() if paths is None else paths:
        if stop():
            break
        try:
            fonts += [font for font in _in_file(path) if font.family not in known]
        except FontError as error:
            troubles.append(str(error))
    return fonts, troubles
