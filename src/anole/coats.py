"""The coats of a style, made from plain values: `anole.coats.Stroke(span=("-0.08em", 0), paint="#fff3dc")`."""

from __future__ import annotations

from .core.model import coats as model
from .scripting.makers import module

PARTS = (model.Gleam, model.Repeat, model.Flare, model.WallRim)
"""What some coats have within them."""

__getattr__, __dir__ = module(__name__, lambda: (*model.COATS.members.values(), *PARTS))
