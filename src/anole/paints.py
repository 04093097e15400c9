"""What coats and pieces are painted with, made from plain values: `anole.paints.Pattern(generator="denim")`.
A colour, a gradient of CSS text and a picture's path are paints as they stand."""

from __future__ import annotations

from .core.model import paints as model
from .core.model import stop
from .scripting.makers import module

__getattr__, __dir__ = module(__name__, lambda: (*model.PAINTS.members.values(), stop.Stop))
