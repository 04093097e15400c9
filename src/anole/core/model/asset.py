"""A file that the board carries with it, named by its content."""

from __future__ import annotations

from typing import Annotated

from msgspec import Meta, Struct

from .fields import Name

Digest = Annotated[str, Meta(pattern=r"^[0-9a-f]{64}$")]


class Asset(Struct, frozen=True, cache_hash=True, kw_only=True):
    """`sha` is the SHA-256 of the original bytes; `name` is what the file was called."""

    sha: Digest
    name: Name
    media_type: Annotated[str, Meta(max_length=100)] = "application/octet-stream"
