"""Where to find everything."""

from __future__ import annotations

from .command import Command, Menu, window

MENU = Menu(
    "H&elp",
    (
        Command("find", "Find anything", ("Ctrl+K",), window("find")),
        Command("keys", "Keys and gestures", ("F1",), window("keys")),
    ),
)
