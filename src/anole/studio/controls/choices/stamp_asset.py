"""A picture or SVG of one's own in place of a mark."""

from __future__ import annotations

from ..base.table import CONTROLS
from .asset_choice import AssetChoice

CONTROLS.add("stamp", lambda info: AssetChoice(info.title, empty="none"))
