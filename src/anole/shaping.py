"""How words and pieces are bent, ringed, turned and cut, made from plain values: `anole.shaping.Rail(...)`."""

from __future__ import annotations

from .core.model import moulding
from .core.model import shaping as model
from .scripting.makers import module

KINDS = (model.Rail, model.Wave, model.Ring, model.Letters, model.OwnLetter, model.Corners, model.Pose,
         model.FitBox, moulding.Moulding)  # fmt: skip

__getattr__, __dir__ = module(__name__, lambda: KINDS)
