"""Reading whole files, and writing them so that each is either the old one or the whole new one."""

from __future__ import annotations

import contextlib
import fcntl
import os
import secrets
import stat
import time
from collections.abc import Iterator
from pathlib import Path
from typing import BinaryIO

PREFIX, SUFFIX = ".anole-", ".part"
"""Of files that are being written. Whoever writes one holds a lock on it, which ends with its process."""
STRAY_AFTER = 3600.0
"""Seconds after which one that nobody finished is taken away where there are no locks."""


class FileError(Exception):
    """A file that cannot be read or written; the message says which, why and what to do."""


def reason(error: OSError) -> str:
    """What the system says went wrong, as it goes on in a sentence."""
    return (error.strerror or str(error)).lower()


@contextlib.contextmanager
def replacing(path: Path) -> Iterator[BinaryIO]:
    """A file to write into, which takes the path's place when the block ends well: temporary file
    beside it, fsync, rename, fsync of the folder. Raises FileError; the old file stays then.

    Links are followed; a file that is there keeps its mode and, where the system allows, its owner;
    a new one has what the umask leaves. Parts that an earlier crash left in the folder are removed.
    """
    try:
        target = Path(os.path.realpath(path))
        with _part(target, _regular(target)) as file:
            yield file
        _sync_folder(target.parent)
    except OSError as error:
        raise FileError(
            f"cannot write {path}: {reason(error)}; choose another folder or name"
        ) from error
    clear_strays(target.parent)


def write_bytes(path: Path, data: bytes) -> None:
    """Write a whole file at once, as replacing() does. Raises FileError."""
    with replacing(path) as file:
        file.write(data)


def _regular(target: Path) -> os.stat_result | None:
    """What is said of the file that is there. Raises OSError for anything but a file to write to."""
    try:
        old = target.lstat()
    except FileNotFoundError:
        return None
    if not stat.S_ISREG(old.st_mode):
        raise OSError(0, "it is not a file")
    if not os.access(target, os.W_OK):
        raise OSError(0, "it is write-protected")
    return old


@contextlib.contextmanager
def _part(target: Path, old: os.stat_result | None) -> Iterator[BinaryIO]:
    # a short name of its own: the target's may be as long as names can be
    part = target.parent / f"{PREFIX}{secrets.token_hex(8)}{SUFFIX}"
    try:
        with os.fdopen(_locked(part), "wb") as file:
            yield file
            file.flush()
            if old is not None:
                _dress(file.fileno(), old)
            os.fsync(file.fileno())
            # before the lock ends with the file: another writer would take it for a stray
            os.replace(part, target)
    except BaseException:
        with contextlib.suppress(OSError):
            os.unlink(part)
        raise


def _locked(part: Path) -> int:
    """A new file, held by a lock while it is open."""
    while True:
        # opened like any new file, so that the umask holds
        handle = os.open(part, os.O_WRONLY | os.O_CREAT | os.O_EXCL | os.O_CLOEXEC, 0o666)
        with contextlib.suppress(OSError):
            fcntl.flock(handle, fcntl.LOCK_EX)
        # taken for a stray before it was locked
        if os.fstat(handle).st_nlink:
            return handle
        os.close(handle)


def _dress(handle: int, old: os.stat_result) -> None:
    """Owner and mode of the file that is replaced; the mode last, for a new owner clears bits."""
    with contextlib.suppress(OSError):
        os.fchown(handle, old.st_uid, old.st_gid)
    with contextlib.suppress(OSError):
        os.fchmod(handle, stat.S_IMODE(old.st_mode))


def _sync_folder(folder: Path) -> None:
    """Only then does the new name outlast a power cut; not every file system offers it."""
    with contextlib.suppress(OSError):
        handle = os.open(folder, os.O_RDONLY | os.O_DIRECTORY)
        try:
            os.fsync(handle)
        finally:
            os.close(handle)


def clear_strays(folder: Path) -> None:
    """Take away what writers that died left in a folder; what is being written stays."""
    with contextlib.suppress(OSError):
        for part in folder.glob(f"{PREFIX}*{SUFFIX}"):
            with contextlib.suppress(OSError):
                _clear_stray(part)


def _clear_stray(part: Path) -> None:
    handle = os.open(part, os.O_RDONLY | os.O_NONBLOCK | os.O_CLOEXEC | os.O_NOFOLLOW)
    try:
        fcntl.flock(handle, fcntl.LOCK_EX | fcntl.LOCK_NB)
        part.unlink()
    except BlockingIOError:
        return
    except OSError:
        # no locks here
        if time.time() - part.lstat().st_mtime > STRAY_AFTER:
            part.unlink()
    finally:
        os.close(handle)


def opened(path: Path) -> BinaryIO:
    """A regular file, opened for reading. Raises OSError for pipes, devices and folders, without
    waiting for anybody to write into them."""
    return os.fdopen(_handle(path, os.O_RDONLY), "rb")


def appended(path: Path, make: bool = False) -> BinaryIO:
    """A regular file, opened to write at its end; `make`: where there is none, a new one. Raises
    OSError, as opened() does."""
    return os.fdopen(_handle(path, os.O_WRONLY | os.O_APPEND | (os.O_CREAT if make else 0)), "ab")


def _handle(path: Path, how: int) -> int:
    # without waiting for somebody at the other end of a pipe
    handle = os.open(path, how | os.O_NONBLOCK | os.O_CLOEXEC, 0o666)
    if stat.S_ISREG(os.fstat(handle).st_mode):
        return handle
    os.close(handle)
    raise OSError(0, "it is not a file")


def read_bytes(path: Path, most: int) -> bytes:
    """The file's bytes. Raises FileError, also for pipes and devices, and beyond `most` bytes."""
    try:
        with opened(path) as file:
            data = file.read(most + 1)
    except OSError as error:
        raise FileError(f"cannot read {path}: {reason(error)}") from error
    if len(data) > most:
        raise FileError(f"{path} is larger than {most >> 20} MB and was not read")
    return data
