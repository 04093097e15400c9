"""What a command, a tool or a control may ask of the window."""

from __future__ import annotations

from collections.abc import Callable
from enum import IntEnum
from pathlib import Path
from typing import Protocol

from PyQt6.QtCore import QPoint
from PyQt6.QtGui import QImage

from ...core.files.backup import Where
from ...core.model import Colour
from ...core.series.tables import Table
from .targets import Targets


class Files(Protocol):
    """Boards on disk, as commands and the start page ask for them."""

    @property
    def backup(self) -> Where:
        """Where versions of the board are kept."""

    def new(
        self, width: int, height: int, dpi: float = 96.0, then: Callable[[], object] = ...
    ) -> None:
        """A new board; `then` follows when it is on."""

    def open(self, path: Path) -> None:
        """Open a board, in the background."""

    def rename(self, name: str) -> None:
        """Call the board otherwise: its file, once it has one."""

    def open_copy(self, path: Path) -> None:
        """Open a board that saving must not write over."""


class NotClosed(Protocol):
    """Boards that were open when the program last ended."""

    def bring_back(self, paths: list[Path]) -> None:
        """Open boards that were left open when the program ended."""

    def throw_away(self, path: Path) -> None:
        """Forget one of them."""


class Stage(IntEnum):
    """The stages of the window, in the order of the work."""

    ARRANGE = 0
    COAT = 1
    PROOF = 2


class Shell(Protocol):
    """The window, as far as its parts know it."""

    targets: Targets

    @property
    def files(self) -> Files:
        """Opens and saves boards."""

    @property
    def recovery(self) -> NotClosed:
        """Has the boards that were left open."""

    @property
    def stage(self) -> Stage:
        """The stage that is open."""

    def show_stage(self, stage: Stage) -> None:
        """Turn to another stage."""

    def show_field(self, name: str) -> None:
        """Give the focus to a field of what the stage's panel shows, by its name in the model."""

    def show_export(self, form: str) -> None:
        """Choose the board's export of a format."""

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

    def show_series(self, table: Table, folder: Path) -> None:
        """The series of this board with a table; pictures that it names lie in the folder."""

    def open_table(self, path: Path) -> None:
        """Read a table, for the series of this board."""

    def take_styles(self, path: Path) -> object:
        """Show what a pack of styles would bring."""

    def read_look(self, path: Path) -> object:
        """Read a style off a picture of finished lettering."""

    def add_font(self, path: Path) -> object:
        """Take a font file in and put it on the chosen words."""

    def board_image(self) -> QImage | None:
        """The board's picture as it is shown now."""

    def pick_colour(self, told: Callable[[Colour], None]) -> None:
        """Ask for a colour of the board; `told` is called with the one that is taken, if any is."""
