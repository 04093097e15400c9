"""Files that a board carries with it, by content: one store for the whole process.

A board names an asset by the SHA-256 of its bytes, so a value never changes under its name.
"""

from __future__ import annotations

import hashlib
import threading

_stored: dict[str, bytes] = {}
_lock = threading.Lock()


class MissingAsset(KeyError):
    """An asset that a board names and nobody brought along."""

    def __str__(self) -> str:
        return f"the file {self.args[0][:12]} is missing from the board"


def digest(data: bytes) -> str:
    """SHA-256 of an asset's bytes, 64 hex digits: its key everywhere."""
    return hashlib.sha256(data).hexdigest()


def put(data: bytes) -> str:
    """Keep bytes; returns their SHA-256 in hex."""
    key = digest(data)
    with _lock:
        _stored.setdefault(key, data)
    return key


def get(key: str) -> bytes:
    """The bytes of that SHA-256. Raises MissingAsset."""
    with _lock:
        data = _stored.get(key)
    if data is None:
        raise MissingAsset(key)
    return data


def clear() -> None:
    """Forget all of them; boards that are open lose theirs."""
    with _lock:
        _stored.clear()


def has(key: str) -> bool:
    """Whether the bytes of this key are at hand in this process."""
    with _lock:
        return key in _stored
