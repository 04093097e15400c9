"""Another revision beside this one: the same measurements, in turns, each in a process of its own."""

from __future__ import annotations

import json
import os
import subprocess
import sys
import tempfile
from collections import defaultdict
from pathlib import Path
from typing import NamedTuple

ROOT = Path(__file__).parents[1]
ROUNDS, WORTH_SAYING = 3, 0.05
"""Turns of each, and the share of the ratio that a change must have to be said."""


class Change(NamedTuple):
    """Ratios to the reference: there and here, the medians of all turns."""

    name: str
    there: float
    here: float

    @property
    def share(self) -> float:
        """By how much of it this one takes more; below 0 less."""
        return self.here / self.there - 1


def compare(revision: str, parts: list[str], rounds: int = ROUNDS) -> list[Change]:
    """What has changed beyond what either varies by. Raises subprocess.CalledProcessError where
    there is no such revision."""
    with tempfile.TemporaryDirectory() as folder:
        tree = Path(folder) / "tree"
        _git("worktree", "add", "--detach", str(tree), revision)
        try:
            turns = {"there": tree / "src", "here": ROOT / "src"}
            found = {name: defaultdict(list) for name in turns}
            for source in turns.values():
                # kernels are compiled before anything counts
                _run(source, "-m", "anole.core.render.compiling")
            for _ in range(rounds):
                for name, source in turns.items():
                    for one, ratio in _measured(source, parts).items():
                        found[name][one].append(ratio)
        finally:
            _git("worktree", "remove", "--force", str(tree))
    return changes(found["there"], found["here"])


def changes(there: dict[str, list[float]], here: dict[str, list[float]]) -> list[Change]:
    """Of what both measured that of which no turn of one came near the other's, largest first."""
    found = []
    for name in there.keys() & here.keys():
        old, new = sorted(there[name]), sorted(here[name])
        change = Change(name, old[len(old) // 2], new[len(new) // 2])
        apart = old[-1] < new[0] or new[-1] < old[0]
        if apart and abs(change.share) > WORTH_SAYING:
            found.append(change)
    return sorted(found, key=lambda one: -abs(one.share))


def _measured(source: Path, parts: list[str]) -> dict[str, float]:
    return json.loads(_run(source, "-m", "benchmarks", "--json", *parts).splitlines()[-1])


def _run(source: Path, *arguments: str) -> str:
    environment = {**os.environ, "PYTHONPATH": f"{source}{os.pathsep}{ROOT}"}
    return subprocess.run(
        [sys.executable, *arguments],
        cwd=source.parent, env=environment, check=True, stdout=subprocess.PIPE, text=True,
    ).stdout  # fmt: skip


def _git(*arguments: str) -> None:
    subprocess.run(["git", "-C", str(ROOT), *arguments], check=True, stdout=subprocess.DEVNULL)
