"""The menus of a window, as they are when they are opened."""

from __future__ import annotations

from PyQt6.QtGui import QAction
from PyQt6.QtWidgets import QMenu

from anole.studio.main_window.window import Window


def menus(window: Window) -> list[QMenu]:
    """Every menu of the bar, filled."""
    found = []
    for action in window.top.menus.actions():
        menu = action.menu()
        menu.aboutToShow.emit()
        found.append(menu)
    return found


def plain(text: str) -> str:
    """A title without the marks of its key."""
    return text.replace("&&", "\0").replace("&", "").replace("\0", "&")


def entries(window: Window, title: str) -> list[QAction]:
    """What stands in a menu."""
    return next(m for m in menus(window) if plain(m.title()) == title).actions()


def choices(window: Window, title: str, name: str) -> list[QAction]:
    """What stands in a menu within a menu."""
    return next(a for a in entries(window, title) if a.text() == name).menu().actions()
