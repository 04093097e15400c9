"""Where planes lie: what tone operations measure lengths and seeds by."""

from __future__ import annotations

from typing import NamedTuple

from ..box import Box
from ..units import Units


class Where(NamedTuple):
    """The px the planes cover, and the units there."""

    box: Box
    units: Units
