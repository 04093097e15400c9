"""Timing by turns: the thing and its reference, one after the other, so that drift hits both."""

from __future__ import annotations

import time
from collections.abc import Callable
from typing import NamedTuple

import numpy as np


class Result(NamedTuple):
    """Seconds: medians, and the 95th percentile of the thing."""

    name: str
    own: float
    own95: float
    reference: float
    reference_name: str
    budget: float | None
    budget95: float | None = None

    @property
    def ratio(self) -> float:
        return self.own / self.reference

    @property
    def ratio95(self) -> float:
        return self.own95 / self.reference


def once(task: Callable[[], object], before: Callable[[], object] | None = None) -> float:
    if before:
        before()
    start = time.perf_counter()
    task()
    return time.perf_counter() - start


def race(
    name: str,
    own: Callable[[], object],
    reference: Callable[[], object],
    reference_name: str,
    budget: float | None,
    rounds: int = 21,
    before: Callable[[], object] | None = None,
) -> Result:
    """Medians of both over `rounds` turns, after two turns that are not counted."""
    for _ in range(2):
        once(own, before)
        once(reference)
    pairs = np.array([(once(own, before), once(reference)) for _ in range(rounds)])
    median = np.median(pairs, 0)
    return Result(
        name,
        float(median[0]),
        float(np.percentile(pairs[:, 0], 95)),
        float(median[1]),
        reference_name,
        budget,
    )
