"""Compiled kernels, and how they are kept on disk: what is broken there is made anew, what cannot be kept is done
without, and what is whole is taken as it is.

Numba takes its own files for whole: one that was cut short, or a folder or disk that takes no
more, raises at the first call of a kernel, for ever.
"""

from __future__ import annotations

import contextlib
import fcntl
import functools
import os
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any

from numba import njit
from numba.core.caching import Cache, IndexDataCacheFile
from numba.core.cpu import CPUContext
from numba.core.dispatcher import Dispatcher
from numba.core.runtime import rtsys

LOCK = "kernels.lock"


def _forget(file: IndexDataCacheFile) -> None:
    """Without its index nothing of a kernel is found."""
    with contextlib.suppress(OSError):
        os.unlink(file._index_path)


@contextlib.contextmanager
def _alone(file: IndexDataCacheFile) -> Iterator[None]:
    """No other process saves kernels of the same folder meanwhile: two that save one kernel for other
    types at once would give both the same name."""
    with open(Path(file._index_path).parent / LOCK, "ab") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX)
        yield


def _mended_load(load: Callable[..., Any]) -> Callable[..., Any]:
    @functools.wraps(load)
    def mended(file: IndexDataCacheFile, key: Any) -> Any:
        try:
            return load(file, key)
        except Exception:  # pickle raises whatever a broken file leads it to
            _forget(file)
            return None

    return mended


def _mended_save(save: Callable[..., Any]) -> Callable[..., Any]:
    @functools.wraps(save)
    def mended(file: IndexDataCacheFile, key: Any, data: Any) -> None:
        try:
            with _alone(file):
                save(file, key, data)
        except Exception:
            # an index that names what was not written whole would be believed the next time
            _forget(file)

    return mended


def _mended_enable(enable: Callable[..., Any]) -> Callable[..., Any]:
    @functools.wraps(enable)
    def mended(dispatcher: Dispatcher) -> None:
        # RuntimeError: there is no folder that can be written to; kernels then live in memory alone
        with contextlib.suppress(RuntimeError, OSError):
            enable(dispatcher)

    return mended


def _lighter_load(load: Callable[..., Any]) -> Callable[..., Any]:
    @functools.wraps(load)
    def lighter(cache: Cache, signature: Any, context: CPUContext) -> Any:
        # numba first imports all that it would need to compile anything, more than half a second
        # at every start; running what is compiled needs only its own allocator. The compiler asks
        # for the rest itself, should a kernel not be there.
        rtsys.initialize(context)
        with cache._guard_against_spurious_io_errors():
            return cache._load_overload(signature, context)

    return lighter


def mend() -> None:
    """Let every kernel be kept this way from now on; twice is once."""
    for owner, name, change in (
        (IndexDataCacheFile, "load", _mended_load),
        (IndexDataCacheFile, "save", _mended_save),
        (Dispatcher, "enable_caching", _mended_enable),
        (Cache, "load_overload", _lighter_load),
    ):
        plain = getattr(owner, name)
        if not hasattr(plain, "__wrapped__"):
            setattr(owner, name, change(plain))


def folder_of(kernel: Any) -> Path | None:
    """Where a kernel is kept when it is compiled; None where it is not."""
    path = getattr(kernel._cache, "cache_path", None)
    return None if path is None else Path(path)


mend()

__all__ = ["folder_of", "mend", "njit"]
