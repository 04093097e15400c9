"""Kernels compiled by as many processes as there are cores, before they are first needed.

A compiler holds Python's lock for most of a minute: in a process of its own it stops nobody.
"""

from __future__ import annotations

import contextlib
import os
import subprocess
import sys
import threading
from collections.abc import Callable
from pathlib import Path

from ..atomic import FileError, write_bytes
from ..compose import blend
from ..isolation.client import never, own_environment
from ..kernels import folder_of
from .warm import boards, is_warm, warm

MODULE = "anole.core.render.compiling"
STAMP = "kernels.made"
SOURCES = Path(__file__).parent.parent


def _stamp() -> bytes:
    """What kernels are compiled from: the newest source, and the Python."""
    newest = max(path.stat().st_mtime_ns for path in SOURCES.rglob("*.py"))
    return f"{newest} {sys.implementation.cache_tag}".encode()


def _stamp_file() -> Path | None:
    """Where it is kept; None where kernels are not."""
    folder = folder_of(blend.composite)
    return None if folder is None else folder / STAMP


def compiled() -> bool:
    """Whether all kernels were compiled from what lies there now, or cannot be kept."""
    file = _stamp_file()
    if file is None:
        return True
    try:
        return file.read_bytes() == _stamp()
    except OSError:
        return False


def compile_all(done: Callable[[float], None], stop: Callable[[], bool]) -> None:
    """Have them compiled, each process a pile of its own; `done` is called with the share done, in any
    thread. What a process fails in is compiled when it is needed."""
    count, total = os.cpu_count() or 1, len(boards())
    lock, finished = threading.Lock(), 0
    processes = [
        subprocess.Popen(
            [sys.executable, "-m", MODULE, str(n), str(count)],
            stdin=subprocess.DEVNULL, stdout=subprocess.PIPE, stderr=subprocess.DEVNULL, env=own_environment(),
        )
        for n in range(count)
    ]  # fmt: skip

    def follow(process: subprocess.Popen[bytes]) -> None:
        nonlocal finished
        assert process.stdout is not None
        with process.stdout as told:
            while told.read(1):
                with lock:
                    finished += 1
                done(min(finished / total, 1.0))

    threads = [threading.Thread(target=follow, args=(one,), daemon=True) for one in processes]
    for thread in threads:
        thread.start()
    for thread in threads:
        while thread.is_alive():
            thread.join(0.1)
            if stop():
                for process in processes:
                    process.kill()
    failed = [process.wait() for process in processes]
    if not any(failed):
        mark()


def prepare(
    done: Callable[[float], None] = lambda share: None, stop: Callable[[], bool] = never
) -> None:
    """Compile what is not, and load all of it."""
    if not (is_warm() or compiled()):
        compile_all(done, stop)
    if not stop():
        warm(done)


def mark() -> None:
    """All kernels are compiled from what lies there now."""
    file = _stamp_file()
    if file is not None:
        with contextlib.suppress(FileError):
            write_bytes(file, _stamp())


def main(number: int, count: int) -> None:
    """Compile one of so many piles, and tell of each part of it that is done."""
    for render in boards()[number::count]:
        # whoever needs it says what is wrong with it
        with contextlib.suppress(Exception):
            render()
        sys.stdout.write(".")
        sys.stdout.flush()


if __name__ == "__main__":
    if len(sys.argv) > 1:
        main(int(sys.argv[1]), int(sys.argv[2]))
    else:
        prepare()
