"""A series rendered: in processes here, or on a cluster of dask workers elsewhere."""

from __future__ import annotations

import contextlib
import multiprocessing
import os
from collections.abc import Callable, Iterator, Sequence
from concurrent.futures import FIRST_COMPLETED, Future, ProcessPoolExecutor, wait
from pathlib import Path
from typing import TYPE_CHECKING

from ..atomic import FileError, clear_strays, reason
from ..isolation.client import never
from ..text import short
from .plan import PlannedRow, Setup, note_finished, to_do
from .worker import Done, begin, render_own_row, render_row

if TYPE_CHECKING:
    from distributed import Client

AHEAD = 3
"""Rows a process has waiting: a Cancel waits for no more."""
Told = Callable[[Done, int, int], object]


def run(
    setup: Setup,
    rows: Sequence[PlannedRow],
    out: Path,
    *,
    jobs: int = 0,
    cluster: str = "",
    told: Told = lambda done, count, total: None,
    stop: Callable[[], bool] = never,
) -> list[Done]:
    """Render the rows that are not finished yet into a folder; returns their ends, as they came.

    told(done, count, total) after each. A stop leaves what is finished, and the next run goes on
    there. Raises FileError where the folder cannot be made or the cluster is not there.
    """
    try:
        out.mkdir(parents=True, exist_ok=True)
    except OSError as error:
        raise FileError(f"cannot make {out}: {reason(error)}") from error
    clear_strays(out)
    waiting = to_do(rows, out)
    total, count, ends = len(rows), len(rows) - len(waiting), []
    many = _on_cluster if cluster else _here
    for done in many(setup, waiting, cluster, max(jobs or os.cpu_count() or 1, 1), stop):
        count += 1
        if done.written is not None:
            note_finished(out, done.row)
        ends.append(done)
        told(done, count, total)
    return ends


def _here(
    setup: Setup, rows: Sequence[PlannedRow], _: str, jobs: int, stop: Callable[[], bool]
) -> Iterator[Done]:
    """In processes of their own, which start afresh: a fork of a program with threads may hang."""
    if not rows:
        return
    context = multiprocessing.get_context("spawn")
    count = min(jobs, len(rows))
    with ProcessPoolExecutor(
        count, mp_context=context, initializer=begin, initargs=(setup,)
    ) as pool:
        yield from _some_at_a_time(
            lambda row: pool.submit(render_own_row, row), rows, count * AHEAD, stop
        )


def _some_at_a_time(
    submit: Callable[[PlannedRow], Future[Done]],
    rows: Sequence[PlannedRow],
    most: int,
    stop: Callable[[], bool],
) -> Iterator[Done]:
    queue = iter(rows)
    running: set[Future[Done]] = set()
    while True:
        while len(running) < most and not stop():
            row = next(queue, None)
            if row is None:
                break
            running.add(submit(row))
        if not running:
            return
        ended, running = wait(running, timeout=0.2, return_when=FIRST_COMPLETED)
        if stop():
            for future in running:
                future.cancel()
            running = {future for future in running if not future.cancelled()}
        for future in ended:
            if not future.cancelled():
                yield future.result()


def _on_cluster(
    setup: Setup, rows: Sequence[PlannedRow], address: str, _: int, stop: Callable[[], bool]
) -> Iterator[Done]:
    """On the workers of a dask scheduler, which must reach the same folders."""
    try:
        from distributed import as_completed
    except ImportError as error:
        raise FileError(
            "a cluster needs dask.distributed: install anole with its extra “cluster”"
        ) from error
    client = _connected(address)
    with client, client.as_current():
        shared = client.scatter(setup, broadcast=True)
        futures = [client.submit(render_row, shared, row, pure=False) for row in rows]
        for future in as_completed(futures):
            if stop():
                client.cancel(futures)
                return
            yield future.result()


def _connected(address: str) -> Client:
    """A client of the scheduler at an address. Raises FileError where none answers."""
    from distributed import Client

    client = Client.__new__(Client)
    try:
        client.__init__(address, timeout="4s", set_as_default=False)
    except Exception as error:  # each kind of address has errors of its own
        # left to the collector it would be closed at any time: also while the next one starts, whose
        # lock it waits for then for ever
        with contextlib.suppress(Exception):
            client.close()
        raise FileError(f"no cluster answers at {address}: {short(error)}") from error
    return client
