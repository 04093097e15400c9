"""The pieces of a board, made from plain values: `anole.pieces.Pool(paint="#ffecc4", spots=[...])`."""

from __future__ import annotations

from .core.model import lamp
from .core.model import pieces as model
from .scripting.makers import module

PARTS = (lamp.Lamp, model.Font, model.Place, model.Spot, model.Rim, model.Mark, model.Scatter)
"""What some pieces have within them, and the lamp of a board."""

__getattr__, __dir__ = module(__name__, lambda: (*model.PIECES.members.values(), *PARTS))
