"""The picture that stamps are made of, in the sizes that they need, and the px that they may change."""

from __future__ import annotations

import numpy as np

from ...arrays import Planes, Records
from ...box import Box
from ...cache import Cache
from ...model import Stamps
from ...paint.pictures import reduced, size_of
from ...paint.svg_files import SvgFile, drawn, svg_file

LEVELS = (32, 64, 128, 256, 512, 1024, 2048)
"""px of a picture's longer side that are kept for stamps."""
SMALL = Cache(48 << 20)
"""Pictures in those sizes."""


def file_of(piece: Stamps) -> SvgFile | None:
    """The artwork that is stamped, where it is an SVG."""
    return svg_file(piece.asset) if piece.asset else None


def touched(stamps: Records, soft: float) -> Box:
    """The px that stamps may change."""
    if not len(stamps):
        return Box(0, 0, 0, 0)
    reach = stamps[:, 2] * (0.71 + soft / 2) + 2
    low = np.floor(np.clip(stamps[:, :2] - reach[:, None], -1e6, 1e6)).min(0)
    high = np.ceil(np.clip(stamps[:, :2] + reach[:, None], -1e6, 1e6)).max(0)
    return Box(int(low[0]), int(low[1]), int(high[0]), int(high[1]))


def levels(piece: Stamps, stamps: Records) -> dict[int, Planes]:
    """Its picture in as many sizes as stamps of these sizes ask for."""
    size = size_of(piece.asset)
    if size is None or not len(stamps):
        return {1: np.zeros((4, 1, 1), np.float32)}
    least, most = float(stamps[:, 2].min()), float(stamps[:, 2].max())
    wanted = [s for s in LEVELS if least * 0.85 <= s] or [LEVELS[-1]]
    wanted = [s for n, s in enumerate(wanted) if n == 0 or wanted[n - 1] < most]
    return {side: planes for side in wanted if (planes := _level(piece, side, size)) is not None}


def _level(piece: Stamps, side: int, size: tuple[int, int]) -> Planes | None:
    longer = max(size)
    if file_of(piece) is not None:
        whole = drawn(piece.asset, side)
        if whole is None:
            return None
        longer, size = max(whole.shape[1:]), (whole.shape[2], whole.shape[1])
        if longer <= side * 1.5:
            return whole
    scale = min(side / longer, 1.0)
    return reduced(piece.asset, size[0] * scale, size[1] * scale, SMALL)
