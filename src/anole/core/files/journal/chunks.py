"""Values in pieces by their content: what did not change between two steps is written once."""

from __future__ import annotations

import hashlib
from collections.abc import Callable
from typing import Any

import msgspec

LARGE = 256
"""Bytes of JSON from which a part of a value becomes a chunk of its own."""
REFERENCE = "$chunk"


class MissingChunk(LookupError):
    """A part that a damaged journal no longer holds."""


def digest(text: bytes) -> str:
    """The name of a chunk: 96 bits of SHA-256 in hex."""
    return hashlib.sha256(text).hexdigest()[:24]


def split(value: Any, put: Callable[[str, bytes], None]) -> Any:
    """The value with its large parts replaced by references; `put` takes a part's name and JSON.

    Parts come before what refers to them.
    """
    if isinstance(value, dict):
        value = {key: _parted(part, put) for key, part in value.items()}
    elif isinstance(value, list | tuple):
        value = [_parted(part, put) for part in value]
    return value


def _parted(value: Any, put: Callable[[str, bytes], None]) -> Any:
    if not isinstance(value, dict | list | tuple):
        return value
    value = split(value, put)
    text = msgspec.json.encode(value)
    if len(text) < LARGE:
        return value
    name = digest(text)
    put(name, text)
    return {REFERENCE: name}


def joined(value: Any, chunks: dict[str, Any]) -> Any:
    """The value with its parts put back. Raises MissingChunk."""
    if isinstance(value, dict):
        if len(value) == 1 and REFERENCE in value:
            name = value[REFERENCE]
            if name not in chunks:
                raise MissingChunk(name)
            return joined(chunks[name], chunks)
        return {key: joined(part, chunks) for key, part in value.items()}
    if isinstance(value, list):
        return [joined(part, chunks) for part in value]
    return value
