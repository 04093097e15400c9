"""What a command, a tool or a control may ask of the window."""

from __future__ import annotations

from collections.abc import Callable
from enum import IntEnum
from pathlib import Path
from typing import TYPE_CHECKING, Protocol

from PyQt6.QtCore import QPoint
from PyQt6.QtGui import QImage

from ..core.model import Colour
from .targets import Targets

if TYPE_CHECKING:
    from .board_files import BoardFiles
    from .recovery import Recovery


class Stage(IntEnum):
    """The stages of the window, in the order of the work."""

    ARRANGE = 0
    COAT = 1
    PROOF = 2


class Shell(Protocol):
    """The window, as far as its parts know it."""

    files: BoardFiles
    recovery: Recovery
    targets: Targets

    @property
    def stage(self) -> Stage: ...

    def show_stage(self, stage: Stage) -> None:
        """Turn to another stage."""

    def do(self, name: str) -> None:
        """What only the window can do, by its name in window_commands."""

    def show_menu(self, kind: str, at: QPoint) -> None:
        """The context menu of a kind of thing, at a point of the screen."""

    @property
    def zoom(self) -> float:
        """Widget px for one px of the board."""

    def set_zoom(self, zoom: float) -> None:
        """Show the board at another size."""

    def open_file(self, path: Path) -> object:
        """Open a board."""

    def add_font(self, path: Path) -> object:
        """Take a font file in and put it on the chosen words."""

    def board_image(self) -> QImage | None:
        """The board's picture as it is shown now."""

    def pick_colour(self, told: Callable[[Colour, bool], None]) -> None:
        """Ask for a colour of the board; `told` is called with each that is looked at, and at the
        end with the one that was taken."""
