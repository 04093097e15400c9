"""Reads mutated files of one format and says of each how it went; in a process that may die of it."""

from __future__ import annotations

import os
import pickle
import resource
import sys
from pathlib import Path
from random import Random

from anole.core.text import short

from .mutation import mutated, mutated_json, mutated_zip
from .readers import CLEAN, READERS

JSON = ("style", "clipboard", "settings")
KILLED = ("crash", "took longer", "more memory")
MEMORY = 12 << 30


def _planted(data: bytes) -> None:
    """Dies of one file and stumbles over another: the trials themselves are tried with it."""
    if data == b"2":
        os.abort()
    if data == b"4":
        raise ZeroDivisionError("planted")


PLANTED = {"planted": _planted}


def trial(kind: str, number: int, seeds: list[bytes]) -> bytes:
    """The mutated file of that number: always the same."""
    rng = Random(f"{kind} {number}")
    data = rng.choice(seeds)
    if kind == "board" and rng.random() < 0.8:
        return mutated_zip(rng, data)
    if kind in JSON and rng.random() < 0.7:
        return mutated_json(rng, data)
    return mutated(rng, data, seeds)


def outcome(kind: str, data: bytes) -> str:
    """accepted, clean, killed (a clean error after the helper had to end), or raw and what."""
    try:
        PLANTED.get(kind, READERS.get(kind))(data)  # type: ignore[misc]
    except CLEAN as error:
        return "killed" if any(word in str(error) for word in KILLED) else "clean"
    except Exception as error:
        return f"raw {type(error).__name__}: {short(error, 100)}"
    return "accepted"


def main() -> None:
    """kind, first number, end, file of pickled seeds."""
    kind, first, end, path = sys.argv[1], int(sys.argv[2]), int(sys.argv[3]), sys.argv[4]
    resource.setrlimit(resource.RLIMIT_AS, (MEMORY, MEMORY))
    seeds = pickle.loads(Path(path).read_bytes())
    for number in range(first, end):
        print(f"{number} begun", flush=True)
        data = str(number).encode() if kind in PLANTED else trial(kind, number, seeds)
        print(f"{number} {outcome(kind, data)}", flush=True)


if __name__ == "__main__":
    main()
