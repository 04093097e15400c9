"""Files that a board carries with it, by content: one store for the whole process.

A board names an asset by the SHA-256 of its bytes, so a value never changes under its name.
"""

from __future__ import annotations

import hashlib
import threading
import time
from collections.abc import Iterable

GRACE = 60.0
"""Seconds for which bytes stay that nobody holds yet: they have just been read for somebody."""
_stored: dict[str, tuple[bytes, float]] = {}
_holders: dict[str, frozenset[str]] = {}
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
        kept, _ = _stored.get(key, (data, 0.0))
        _stored[key] = kept, time.monotonic()
    return key


def get(key: str) -> bytes:
    """The bytes of that SHA-256. Raises MissingAsset."""
    with _lock:
        kept = _stored.get(key)
    if kept is None:
        raise MissingAsset(key)
    return kept[0]


def hold(holder: str, keys: Iterable[str]) -> None:
    """Keep these for somebody, in place of what he held before; with none he holds nothing."""
    held = frozenset(keys)
    with _lock:
        if held:
            _holders[holder] = held
        else:
            _holders.pop(holder, None)


def held_by(holder: str) -> frozenset[str]:
    """What one of them holds."""
    with _lock:
        return _holders.get(holder, frozenset())


def held() -> frozenset[str]:
    """The keys that anybody holds."""
    with _lock:
        return frozenset().union(*_holders.values())


def free(others: Iterable[str] = ()) -> int:
    """Forget what nobody holds, but `others` and what has just come in; returns the bytes freed."""
    kept, now, freed = held() | set(others), time.monotonic(), 0
    with _lock:
        for key, (data, since) in list(_stored.items()):
            if key not in kept and now - since > GRACE:
                freed += len(data)
                del _stored[key]
    return freed


def clear() -> None:
    """Forget all of them; boards that are open lose theirs."""
    with _lock:
        _stored.clear()


def has(key: str) -> bool:
    """Whether the bytes of this key are at hand in this process."""
    with _lock:
        return key in _stored
