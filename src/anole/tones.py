"""Tones of pictures, paints and washes, made from plain values: `anole.tones.Blur(...)`."""

from __future__ import annotations

from .core.model import tones as model
from .scripting.makers import module

__getattr__, __dir__ = module(__name__, lambda: model.TONES.members.values())
