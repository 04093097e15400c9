"""A picture or SVG of one's own in place of a mark."""

from __future__ import annotations

from .asset_choice import AssetChoice
from .table import CONTROLS

CONTROLS.add("stamp", lambda info: AssetChoice(info.title, empty="none"))
