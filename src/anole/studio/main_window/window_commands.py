"""What only the window can do, by name: commands ask for it through the shell."""

from __future__ import annotations

from collections.abc import Callable
from typing import Protocol

from ..arrange.piece_panel import PiecePanel
from ..arrange.pieces_list import PiecesList
from ..board.board_view import BoardView
from ..coat.coat_panel import CoatPanel
from ..documents.board_files import BoardFiles
from ..documents.purposes import PURPOSES
from ..finding.finder import Finder
from ..proof.export_panel import ExportPanel
from ..series.series_page import SeriesPage
from ..shared.shell import Stage
from ..styles.pages import StylePages
from ..styles.shelf import Shelf
from .beside import Beside, Unfolded
from .key_sheet import KeySheet
from .steps import Steps
from .top_bar import TopBar


class Parts(Protocol):
    """The window, as far as its own commands know it."""

    arrange: PiecePanel
    beside: Beside
    coat: CoatPanel
    export: ExportPanel
    files: BoardFiles
    finder: Finder
    key_sheet: KeySheet
    pieces: PiecesList
    series: SeriesPage
    shelf: Shelf
    steps: Steps
    style_pages: StylePages
    top: TopBar
    unfolded: Unfolded
    view: BoardView

    @property
    def stage(self) -> Stage:
        """The stage that is open."""

    def show_stage(self, stage: Stage) -> None:
        """Open a stage."""

    def show_start(self) -> None:
        """Open the start page."""

    def show_page(self, page: SeriesPage) -> None:
        """Open a page in place of the stages."""

    def fold(self) -> None:
        """Hide the panels, or bring them back."""

    def change_theme(self) -> None:
        """From dark to light, or back."""

    def isFullScreen(self) -> bool: ...
    def showFullScreen(self) -> None: ...
    def showNormal(self) -> None: ...
    def close(self) -> bool: ...
    def quit(self) -> None:
        """Close the window, unless the user wants to save first."""


def edit_words(window: Parts) -> None:
    """Put the caret into the words."""
    window.show_stage(Stage.ARRANGE)
    for section in window.arrange.every_section():
        section.edit_words()


def show_steps(window: Parts) -> None:
    """The list of steps, under its button."""
    window.steps.fill()
    button = window.top.steps
    spot = button.mapToGlobal(button.rect().bottomRight())
    window.steps.move(spot.x() - window.steps.width(), spot.y() + 4)
    window.steps.show()


def show_pieces(window: Parts) -> None:
    """The list of pieces, to be walked by the arrow keys."""
    window.show_stage(Stage.ARRANGE)
    window.pieces.setFocus()


def add_coats(window: Parts) -> None:
    """Open the sheet of coats."""
    if window.stage != Stage.COAT:
        window.show_stage(Stage.COAT)
    window.unfolded.leave()
    window.beside.show("Coats")


def unfold_look(window: Parts, lent: bool = False) -> None:
    """Show how the chosen piece's look is built. lent : it wears it for this alone"""
    if window.stage != Stage.COAT:
        window.show_stage(Stage.COAT)
    window.beside.leave()
    window.unfolded.show(lent)


def add_pieces(window: Parts) -> None:
    """Open the sheet of pieces."""
    if window.stage == Stage.PROOF:
        window.show_stage(Stage.ARRANGE)
    window.unfolded.leave()
    window.beside.show("Pieces")


def rename(window: Parts) -> None:
    """The name of what is worked on: the coat's in its panel, the piece's on its card."""
    if window.stage == Stage.COAT:
        window.coat.name.setFocus()
        window.coat.name.selectAll()
    else:
        window.pieces.rename()


def save_style(window: Parts) -> None:
    """Where the shelf is, the name is asked for."""
    window.show_stage(Stage.COAT)
    window.shelf.ask_name()


def toggle_full_screen(window: Parts) -> None:
    """Fill the screen, or no longer."""
    window.showNormal() if window.isFullScreen() else window.showFullScreen()


def window_commands(window: Parts) -> dict[str, Callable[[], object]]:
    """What each command of the window does, by its name."""
    view, first = window.view, PURPOSES[0]
    return {
        "start page": window.show_start,
        "new": lambda: window.files.new(first.width, first.height, first.dpi),
        "open": window.files.ask_open,
        "save": window.files.save,
        "save as": window.files.ask_save,
        "save style": lambda: save_style(window),
        "all styles": window.style_pages.show_all,
        "test strip": window.style_pages.show_strip,
        "import pack": window.style_pages.files.ask_import,
        "look of picture": window.style_pages.from_picture.ask,
        "look of piece": window.style_pages.from_picture.open_chosen,
        "export pack": window.style_pages.files.ask_export,
        "contact sheet": window.style_pages.files.ask_sheet,
        "export": window.export.ask_export,
        "export all": window.export.ask_all,
        "series": lambda: window.show_page(window.series),
        "edit words": lambda: edit_words(window),
        "rename board": window.top.name.type_over,
        "rename": lambda: rename(window),
        "steps": lambda: show_steps(window),
        "how built": lambda: unfold_look(window),
        "how style is built": lambda: unfold_look(window, lent=True),
        "add coats": lambda: add_coats(window),
        "add pieces": lambda: add_pieces(window),
        "zoom in": lambda: view.step_zoom(1),
        "zoom out": lambda: view.step_zoom(-1),
        "fit board": lambda: view.set_zoom(None),
        "fill board": view.fill,
        "full size": lambda: view.set_zoom(1.0),
        "fold panels": window.fold,
        "full screen": lambda: toggle_full_screen(window),
        "change theme": window.change_theme,
        "find": window.finder.unfold,
        "pieces list": lambda: show_pieces(window),
        "keys": window.key_sheet.unfold,
        "close": window.close,
        "quit": window.quit,
    }
