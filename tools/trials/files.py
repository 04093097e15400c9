"""Mutated files over every format that is read, and what became of the reader."""

from __future__ import annotations

import pickle
import select
import subprocess
import sys
import tempfile
from collections import Counter
from collections.abc import Callable
from pathlib import Path
from typing import NamedTuple

SECONDS = 60.0
"""Of one file, after which its reader counts as hung; the helper gives up long before."""


class FileTrials(NamedTuple):
    """How many of a format's mutated files ended how; `worst` says of the bad ones which and why."""

    kind: str
    counts: Counter[str]
    worst: tuple[str, ...]

    @property
    def files(self) -> int:
        """All that were tried."""
        return sum(self.counts.values())

    @property
    def bad(self) -> int:
        """Those that did harm."""
        return sum(self.counts[name] for name in ("crash", "hang", "raw"))


class _Run:
    """One child, its lines read with a time limit."""

    def __init__(self, kind: str, first: int, end: int, seeds: str) -> None:
        command = [sys.executable, "-m", "tools.trials.child", kind, str(first), str(end), seeds]
        self._child = subprocess.Popen(
            command, stdout=subprocess.PIPE, stderr=subprocess.DEVNULL, text=False
        )
        self._rest = b""

    def line(self) -> str | None:
        """The next line; "" at the end, None when it takes too long."""
        out = self._child.stdout
        assert out is not None
        while b"\n" not in self._rest:
            if not select.select([out], [], [], SECONDS)[0]:
                return None
            more = out.read1(65536)  # type: ignore[attr-defined]
            if not more:
                return ""
            self._rest += more
        one, _, self._rest = self._rest.partition(b"\n")
        return one.decode()

    def end(self) -> None:
        self._child.kill()
        self._child.wait()


def run(kind: str, count: int, seeds: list[bytes], told: Callable[[int], None]) -> FileTrials:
    """Read `count` mutated files of a kind; after a crash or hang go on with the next."""
    counts: Counter[str] = Counter()
    worst: list[str] = []
    with tempfile.NamedTemporaryFile(suffix=".seeds") as file:
        file.write(pickle.dumps(seeds))
        file.flush()
        number = 0
        while number < count:
            one = _Run(kind, number, count, file.name)
            number = _follow(one, number, count, counts, worst, told)
            one.end()
    return FileTrials(kind, counts, tuple(worst))


def _follow(
    one: _Run,
    number: int,
    count: int,
    counts: Counter[str],
    worst: list[str],
    told: Callable[[int], None],
) -> int:
    """Count what a child says until it ends; the number to go on with."""
    while number < count:
        line = one.line()
        if not line:
            ended = "hang" if line is None else "crash"
            counts[ended] += 1
            worst.append(f"{number}: {ended}")
            return number + 1
        _, _, said = line.partition(" ")
        if said == "begun":
            continue
        name = said.partition(" ")[0]
        counts[name] += 1
        if name == "raw":
            worst.append(f"{number}: {said}")
        number += 1
        told(number)
    return number


def parts(total: int, kinds: list[str]) -> dict[str, int]:
    """So many files of each kind that they are `total` together."""
    each, more = divmod(total, len(kinds))
    return {kind: each + (place < more) for place, kind in enumerate(kinds)}


ROOT = Path(__file__).parents[2]
