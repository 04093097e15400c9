"""Every command as data: menus, keys, the finder and the sheet of keys read this one list."""

from . import board, change, coats, colours, help, pieces, styles, view
from .command import Answer, Choices, Command, Menu

__all__ = ["COMMANDS", "MENUS", "Answer", "Choices", "Command", "Menu"]

MENUS = (
    board.MENU,
    change.MENU,
    pieces.MENU,
    coats.MENU,
    styles.MENU,
    colours.MENU,
    view.MENU,
    help.MENU,
)
COMMANDS = tuple(command for menu in MENUS for command in menu.commands)
