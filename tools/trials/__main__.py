"""Run the trials: python -m tools.trials [--files N] [--kills N] [--windows N] [--memory N] [--write]"""

from __future__ import annotations

import argparse
import os
import sys
import tempfile

import platformdirs
from rich.console import Console
from rich.progress import Progress

from . import files, kills, memory, seeds, table, windows

MOST_MB, GROWTH = 1000, 1.05
"""What long work may hold at its end, and by how much that may be more than after a hundredth."""
DOCS = files.ROOT / "docs" / "security.md"


def main() -> int:
    """Returns 1 when anything was lost or did harm."""
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--files", type=int, default=20_000)
    parser.add_argument("--kills", type=int, default=1000)
    parser.add_argument("--windows", type=int, default=20)
    parser.add_argument("--memory", type=int, default=500)
    parser.add_argument("--write", action="store_true", help="put the table into docs/security.md")
    chosen = parser.parse_args()
    cache = platformdirs.user_cache_path("anole") / "trials"
    seeds.fetch(cache)
    with tempfile.TemporaryDirectory() as home:
        for name in ("XDG_STATE_HOME", "XDG_CONFIG_HOME", "XDG_DATA_HOME"):
            os.environ[name] = home
        return _run(chosen, seeds.all_seeds(cache))


def _run(chosen: argparse.Namespace, start: dict[str, list[bytes]]) -> int:
    quiet = not sys.stderr.isatty()
    with Progress(console=Console(stderr=True), disable=quiet) as progress:

        def follow(title: str, total: int):  # type: ignore[no-untyped-def]
            task = progress.add_task(title, total=total)
            return lambda done: progress.update(task, completed=done)

        from anole.core.files import board_file

        board = board_file.read(seeds.DATA / "boards" / "bout-night.anole").board
        # before anything else: a process with threads must not be forked
        killed = kills.run(chosen.kills, board, follow("kills", chosen.kills))
        closed = windows.run(chosen.windows, follow("windows", chosen.windows))
        each = files.parts(chosen.files, sorted(start))
        tried = [
            files.run(kind, count, start[kind], follow(kind, count)) for kind, count in each.items()
        ]
        held = {way: memory.run(way, chosen.memory) for way in memory.WAYS if chosen.memory}
    text = table.table(killed, closed, tried, held)
    print(text)
    for one in tried:
        for line in one.worst[:20]:
            print(f"{one.kind} {line}", file=sys.stderr)
    if chosen.write:
        table.put(text, DOCS)
    too_much = any(one.end > MOST_MB or one.end > GROWTH * one.first for one in held.values())
    return int(bool(killed.broken or killed.lost or any(one.bad for one in tried) or too_much))


if __name__ == "__main__":
    sys.exit(main())
