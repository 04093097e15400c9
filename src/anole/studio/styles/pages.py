"""The pages of styles, as the window turns to them."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from PyQt6.QtWidgets import QWidget

from ...core.files.pack_file import ReadPack
from ...core.model import Style
from ..shared.session import Session
from .all_styles import AllStyles
from .from_picture.page import FromPicturePage
from .pack_page import PackPage
from .style_files import StyleFiles
from .trial_strip import TestStrip
from .wall_page import WallPage


class StylePages:
    """`show(page)` turns the window to one of them."""

    def __init__(
        self,
        session: Session,
        window: QWidget,
        show: Callable[[WallPage | FromPicturePage], object],
    ) -> None:
        self.session, self._show = session, show
        self.all, self.strip, self.pack = AllStyles(session), TestStrip(session), PackPage(session)
        self.from_picture = FromPicturePage(session)
        self.from_picture.ready.connect(lambda: self._show(self.from_picture))
        self.files = StyleFiles(session, window, self._shown, self.show_pack)

    @property
    def pages(self) -> tuple[WallPage | FromPicturePage, ...]:
        """Every page of styles."""
        return self.all, self.strip, self.pack, self.from_picture

    def _shown(self) -> Sequence[Style]:
        """What is exported: the styles on the wall, where it is up; else the user's own, or all."""
        library = self.session.styles.entries
        if self.all.isVisible():
            return [entry.style for entry in self.all.shown]
        own = [entry.style for entry in library if entry.own]
        return own or [entry.style for entry in library]

    def show_all(self) -> None:
        """Every style on the chosen words."""
        self._show(self.all)

    def show_strip(self) -> None:
        """The worn style at other values."""
        self._show(self.strip)

    def show_pack(self, read: ReadPack) -> None:
        """What a pack would bring."""
        self.pack.show_pack(read)
        self._show(self.pack)
