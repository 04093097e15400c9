"""Pattern generators: one file each, with value(grid, params) -> (H, W) float32 0..1.

Every generator repeats without a seam where u or v passes 1.
"""

from __future__ import annotations

from collections.abc import Callable
from importlib import import_module
from typing import get_args

import numpy as np

from ...model.paints import Generator
from ...registry import Registry
from .grid import Grid, PatternParams


def _of(name: str) -> Callable[[Grid, PatternParams], np.ndarray]:
    module = import_module("." + name.replace(" ", "_").replace("-", "_"), __name__)
    value: Callable[[Grid, PatternParams], np.ndarray] = module.value
    return value


GENERATORS = Registry("pattern", {name: _of(name) for name in get_args(Generator)})
