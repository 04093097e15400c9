"""The one scheduler: spreads bands of rows over a thread pool.

Kernels are compiled with nogil and without Numba's own threading layer, which aborts
when two threads enter it.
"""

from __future__ import annotations

import functools
import os
from collections.abc import Callable, Sequence
from concurrent.futures import ThreadPoolExecutor
from typing import TypeVar

T = TypeVar("T")
WORKERS = max(1, os.cpu_count() or 1)
PARTS = 5 * WORKERS
"""Some rows have far more work than others: who has done a band takes the next."""
FEW_ROWS = 144
"""Up to so many rows, to wake another thread takes longer than the work."""
_pool = ThreadPoolExecutor(WORKERS - 1, "anole-band") if WORKERS > 1 else None


def use_one_thread() -> None:
    """From now on all work of this process is done in the thread that asks for it: for processes that
    share a machine."""
    global _pool
    if _pool is not None:
        _pool.shutdown()
    _pool = None


def split(rows: int, parts: int = PARTS, least: int = 16) -> list[tuple[int, int]]:
    """Cut 0..rows into at most `parts` runs of at least `least` rows."""
    count = max(1, min(parts, rows // least))
    cuts = [rows * i // count for i in range(count + 1)]
    return list(zip(cuts, cuts[1:], strict=False))


def run(task: Callable[[int, int], T], bands: list[tuple[int, int]]) -> list[T]:
    """Call task(first_row, end_row) for each band, at once where cores allow."""
    rows = bands[-1][1] if bands else 0
    return each([functools.partial(task, *band) for band in bands], rows)


def each(tasks: Sequence[Callable[[], T]], rows: int) -> list[T]:
    """Call each task, at once where cores allow; `rows` says how much work they are together.

    The calling thread takes its share, so a pool that is busy never stalls it.
    """
    if _pool is None or len(tasks) < 2 or rows <= FEW_ROWS:
        return [task() for task in tasks]
    waiting = iter(enumerate(tasks))
    results: dict[int, T] = {}

    def take() -> None:
        # next() on a shared iterator is atomic under the interpreter's lock
        for index, task in waiting:
            results[index] = task()

    helpers = [_pool.submit(take) for _ in range(min(WORKERS, len(tasks)) - 1)]
    take()
    for helper in helpers:
        if not helper.cancel():
            helper.result()
    return [results[i] for i in range(len(tasks))]
