"""Styles in and out of files: packs read, packs written, contact sheets."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from pathlib import Path

from PyQt6.QtWidgets import QFileDialog, QWidget

from ...core import sheets
from ...core.files import pack_file, png
from ...core.files.pack_file import ReadPack
from ...core.library import packs
from ...core.model import Style
from ...core.render.export import rgba
from ..documents.file_names import ended
from ..rendering.samples import words_of
from ..runtime.background import Stop
from ..shared.session import Session

SHEETS = "Pictures and documents (*.png *.pdf)"
PACKS = f"Styles (*{pack_file.SUFFIX} *.anolestyle)"


class StyleFiles:
    """Asks for a file, and reads or writes it in the background."""

    def __init__(
        self,
        session: Session,
        window: QWidget,
        shown: Callable[[], Sequence[Style]],
        preview: Callable[[ReadPack], object],
    ) -> None:
        self.session, self._window = session, window
        self._shown, self._preview = shown, preview

    def ask_import(self) -> None:
        """Ask for styles or a pack to take in."""
        name, _ = QFileDialog.getOpenFileName(self._window, "Styles to take in", "", PACKS)
        if name:
            self.take(Path(name))

    def take(self, path: Path) -> None:
        """Read a pack, or one style's file, and show what it would bring."""
        self.session.reading.read(
            path.name, lambda stop: pack_file.read_any(path, stop), self._preview
        )

    def ask_export(self) -> None:
        """The styles that are shown, or else one's own, as a pack."""
        styles = self._shown()
        if not styles:
            self.session.document.said.emit("There is no style to export.")
            return
        name, _ = QFileDialog.getSaveFileName(
            self._window, f"Export {len(styles)} styles", "styles.anolepack", PACKS
        )
        if name:
            self.export(ended(Path(name), pack_file.SUFFIX), styles)

    def export(self, path: Path, styles: Sequence[Style]) -> None:
        """Write a pack, with a sample of each style."""

        def write(stop: Stop) -> None:
            layout = sheets.SheetLayout(wide=480, high=180)
            samples = {}
            for style in styles:
                if stop():
                    return
                board = sheets.tile_board(style, layout)
                samples[style.name] = png.encode(rgba(board), quick=True)
            pack_file.write(path, packs.pack_of(styles, path.stem), samples)

        self._write(path, write, f"{len(styles)} styles are in {path.name}.")

    def ask_sheet(self) -> None:
        """Ask where to write a contact sheet."""
        name, _ = QFileDialog.getSaveFileName(self._window, "Contact sheet", "styles.pdf", SHEETS)
        if name:
            path = Path(name)
            path = path if path.suffix.lower() in (".png", ".pdf") else ended(path, ".pdf")
            self.sheet(path, self._shown())

    def sheet(self, path: Path, styles: Sequence[Style]) -> None:
        """Write a contact sheet of styles on the chosen words."""
        layout = sheets.SheetLayout(text=words_of(self.session.selection.coated))
        self._write(
            path,
            lambda stop: sheets.write(path, styles, layout, stop=stop),
            f"{len(styles)} styles are on {path.name}.",
        )

    def _write(self, path: Path, work: Callable[[Stop], object], said: str) -> None:
        done = self.session.document.said.emit
        self.session.reading.read(path.name, work, lambda _: done(said))
