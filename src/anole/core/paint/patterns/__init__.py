"""Pattern generators: one file each, with value(grid, params) -> (H, W) float32 0..1.

Every generator repeats without a seam where u or v passes 1.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from importlib import import_module

from ...arrays import Reals
from ...model.paints import PATTERNS, PatternName
from ...registry import Registry
from .grid import Grid, PatternParams

Value = Callable[[Grid, PatternParams], Reals]


def _of(name: str) -> Value:
    module = import_module("." + name.replace(" ", "_").replace("-", "_"), __name__)
    value: Value = module.value
    return value


GENERATORS = Registry("pattern", {name: _of(name) for name in PATTERNS})


@contextmanager
def lent(name: str, value: Value) -> Iterator[None]:
    """One more pattern for as long as a block runs."""
    with PatternName.lent(name), GENERATORS.lent(name, value):  # type: ignore[attr-defined]
        yield
