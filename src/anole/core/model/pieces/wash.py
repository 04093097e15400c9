"""Wash: tone over all that lies beneath."""

from __future__ import annotations

from ..tones import Tones
from .base import Piece


class Wash(Piece, frozen=True, cache_hash=True, kw_only=True, tag="wash"):
    """Changes the colours of everything beneath it."""

    tone: Tones = ()
