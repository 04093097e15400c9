"""Tiles of the sheet of additions, by what they add."""

from __future__ import annotations

from PyQt6.QtCore import Qt

from anole.studio.adding.tiles import AdditionTiles


def bring(tiles: AdditionTiles, what: str) -> int:
    """Bring the tile of an addition, by its id, into view; its number."""
    number = [one.id for one in tiles.additions].index(what)
    tiles.choose(number)
    return number


def click_tile(qtbot, tiles: AdditionTiles, what: str) -> None:
    spot = tiles.tile(bring(tiles, what)).center()
    qtbot.mouseClick(tiles.viewport(), Qt.MouseButton.LeftButton, pos=spot)
