"""Gradients with names: our own, and the user's."""

from __future__ import annotations

import functools
import json
from importlib.resources import files

import msgspec

from ..files.css import parse
from ..model import Gradient
from ..model.board import NamedGradient
from .named import NamedFile

OWN = NamedFile("gradients.json", NamedGradient)
"""The user's."""
FOLDED = "fold "


@functools.cache
def ready_made() -> tuple[NamedGradient, ...]:
    """Those that come with Anole."""
    text = (files("anole") / "data" / "gradients.json").read_text()
    return tuple(NamedGradient(name, _read(css)) for name, css in json.loads(text).items())


def _read(css: str) -> Gradient:
    gradient = parse(css.removeprefix(FOLDED))
    if css.startswith(FOLDED):
        gradient = msgspec.structs.replace(gradient, spread="reflect", scale=0.5)
    return gradient
