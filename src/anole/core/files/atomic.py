"""Writing a file so that it is either the old one or the whole new one."""

from __future__ import annotations

import contextlib
import os
import tempfile
from pathlib import Path


class FileError(Exception):
    """A file that cannot be read or written; the message says which, why and what to do."""


def reason(error: OSError) -> str:
    """What the system says went wrong, as it goes on in a sentence."""
    return (error.strerror or str(error)).lower()


def write_bytes(path: Path, data: bytes) -> None:
    """Temporary file beside it, fsync, rename. Raises FileError; the old file stays."""
    temporary = None
    try:
        handle, temporary = tempfile.mkstemp(prefix=f".{path.name}.", dir=path.parent)
        with os.fdopen(handle, "wb") as file:
            file.write(data)
            file.flush()
            os.fsync(file.fileno())
        os.chmod(temporary, 0o644)
        os.replace(temporary, path)
    except OSError as error:
        if temporary:
            with contextlib.suppress(OSError):
                os.unlink(temporary)
        raise FileError(
            f"cannot write {path}: {reason(error)}; choose another folder or name"
        ) from error


def read_bytes(path: Path, most: int) -> bytes:
    """The file's bytes. Raises FileError, also when it is larger than `most`."""
    try:
        if path.stat().st_size > most:
            raise FileError(f"{path} is larger than {most >> 20} MB and was not read")
        return path.read_bytes()
    except OSError as error:
        raise FileError(f"cannot read {path}: {reason(error)}") from error
