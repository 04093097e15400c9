"""Gradients with names: our own, and the user's as one file."""

from __future__ import annotations

import functools
import json
from importlib.resources import files
from pathlib import Path

import msgspec
import platformdirs

from ..files.atomic import FileError, read_bytes, write_bytes
from ..files.css_gradient import CssError, parse
from ..model import Gradient, ModelError, from_json, to_json
from ..model.board import NamedGradient

MOST = 1 << 22


def own_file() -> Path:
    """$XDG_DATA_HOME/anole/gradients.json"""
    return platformdirs.user_data_path("anole") / "gradients.json"


@functools.cache
def ready_made() -> tuple[NamedGradient, ...]:
    """Those that come with Anole."""
    text = (files("anole") / "data" / "gradients.json").read_text()
    return tuple(NamedGradient(name, _read(css)) for name, css in json.loads(text).items())


def _read(css: str) -> Gradient:
    folded = css.startswith("fold ")
    made = parse(css.removeprefix("fold "))
    if folded:
        made = msgspec.structs.replace(made, spread="reflect", scale=0.5)
    return made


def own() -> tuple[NamedGradient, ...]:
    """The user's. Raises FileError when the file cannot be read."""
    path = own_file()
    if not path.exists():
        return ()
    try:
        return tuple(from_json(read_bytes(path, MOST), list[NamedGradient]))
    except (ModelError, CssError) as error:
        raise FileError(f"{path.name} cannot be read: {error}") from error


def keep(name: str, gradient: Gradient) -> None:
    """Keep a gradient in the user's library, over one of the same name. Raises FileError."""
    rest = [kept for kept in own() if kept.name != name]
    _write([NamedGradient(name, gradient), *rest])


def remove(name: str) -> None:
    """Raises FileError."""
    _write([kept for kept in own() if kept.name != name])


def _write(kept: list[NamedGradient]) -> None:
    path = own_file()
    try:
        path.parent.mkdir(parents=True, exist_ok=True)
    except OSError as error:
        raise FileError(f"cannot make {path.parent}: {error.strerror}") from error
    write_bytes(path, to_json(kept))
