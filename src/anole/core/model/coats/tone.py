"""Tone: the colours that the coats beneath have painted, changed."""

from __future__ import annotations

from ..tones import Tones
from .base import ActingCoat


class ToneCoat(ActingCoat, frozen=True, cache_hash=True, kw_only=True, tag="tone"):
    """Acts on all that the coats beneath it painted, and on nothing else."""

    tone: Tones = ()
