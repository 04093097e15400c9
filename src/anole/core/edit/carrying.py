"""Files that a piece or its paints name: a board that uses one carries it."""

from __future__ import annotations

from typing import Any

import msgspec

from .. import assets
from ..model import Asset, Board
from ..model.named_assets import assets_named
from ..paint.image_formats import ImageError
from ..paint.picture_files import decoded_asset


def _asset(sha: str) -> Asset:
    try:
        form = decoded_asset(sha).format
    except ImageError:
        return Asset(sha=sha, name=sha[:8])
    return Asset(sha=sha, name=f"{sha[:8]}{form.suffix}", media_type=form.media_type)


def with_assets(board: Board, value: Any) -> Board:
    """The board, carrying what `value` (a piece, coats) names, as far as it is at hand."""
    there = {asset.sha for asset in board.assets}
    fresh = [s for s in assets_named(value) if s not in there and assets.has(s)]
    if not fresh:
        return board
    return msgspec.structs.replace(board, assets=(*board.assets, *map(_asset, fresh)))
