"""A look taken from a picture: pulled right by hand, seen on the user's words, saved or put on."""

from __future__ import annotations

from pathlib import Path
from typing import TYPE_CHECKING, NamedTuple

import numpy as np
from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QImage, QKeyEvent
from PyQt6.QtWidgets import QFileDialog

from ....core.arrays import AnyArray, Pixels
from ....core.library import keeping
from ....core.model import Picture, Style
from ....core.text import short
from ...commands.dressing import wear
from ...exchange.pictures import PICTURES
from ...look.pixel_images import image_of
from ...runtime.background import Stop
from ...shared.session import Session
from ..on_words import OnWords, on_words
from .layout import FromPictureLayout
from .look_task import LookTask

if TYPE_CHECKING:
    from ....core.reading.look import Look
    from ....core.reading.reader import Wanted

SHOWN = 1600
"""px of the picture's longer side as it is shown, at most."""


class ReadPicture(NamedTuple):
    """A picture that was read: (H, W, 4) uint8, and smaller, as it is shown."""

    pixels: Pixels
    image: QImage


class FromPicturePage(FromPictureLayout):
    """`left`: nothing is wanted of it any more; `ready`: a picture is there and wants to be seen."""

    left, ready = pyqtSignal(), pyqtSignal()

    def __init__(self, session: Session) -> None:
        super().__init__(session)
        self.session, self.task = session, LookTask()
        self.look: Look | None = None
        self.on: OnWords | None = None
        self._pixels: Pixels | None = None
        self._ends: tuple[float, ...] | None = None
        self._own_line = False
        """Whether the line stays: the user drew it, or pulls borders along it. Else it follows what is read."""
        self.capitals.set_value(0.72)
        self._connect()

    def _connect(self) -> None:
        self.another.clicked.connect(self.ask)
        self.anew.clicked.connect(self.start_over)
        self.leave.clicked.connect(self.left)
        self.put_on.clicked.connect(self._put_on)
        self.save.clicked.connect(self._save)
        self.name.returnPressed.connect(self._save)
        self.picture.pulled.connect(self._pulled)
        self.strip.moved.connect(self._borders_moved)
        self.rows.changed.connect(self._show_style)
        self.capitals.edited.connect(self._set_capitals)
        self.task.read.connect(self._take_look)
        self.task.failed.connect(self._tell_failed)

    @property
    def idle(self) -> bool:
        """Whether nothing is being read."""
        return self.task.idle

    # the picture

    def ask(self) -> None:
        """Ask for a picture of finished lettering."""
        name, _ = QFileDialog.getOpenFileName(
            self.window(), "Picture of finished lettering", "", PICTURES
        )
        if name:
            self.open_file(Path(name))

    def open_file(self, path: Path) -> None:
        """Read a picture in the background, and show the page."""
        self.session.reading.read(
            path.name, lambda stop: _from_file(path, stop), lambda read: self._take(path.stem, read)
        )

    def open_chosen(self) -> None:
        """The same with the chosen piece's picture."""
        piece = self.session.selection.piece
        if not isinstance(piece, Picture) or not piece.asset:
            return
        sha, name = piece.asset, piece.name or "a picture"
        self.session.reading.read(
            name, lambda stop: _from_asset(sha, name, stop), lambda read: self._take(name, read)
        )

    def _take(self, name: str, read: ReadPicture) -> None:
        # it may be this page already that is shown, with another picture
        self.ready.emit()
        self._pixels = read.pixels
        high, wide = read.pixels.shape[:2]
        self.task.take(read.pixels)
        self.picture.show_picture(read.image, (wide, high))
        self.title.setText(f"A style read off {short(name, 60)}")
        self.name.setText(keeping.free_name(name))
        self.rows.off.clear()
        self.start_over()

    def begin(self) -> None:
        """The page comes up."""
        self.on = on_words(self.session)
        self.put_on.setVisible(self.session.selection.coated is not None)
        self.picture.setFocus()

    def rest(self) -> None:
        """The page is left: the picture is let go of."""
        self.task.stop()
        self.words.clear()
        self.picture.show_picture(None, (1, 1))
        self.on = self.look = self._pixels = None

    # what is looked at

    def start_over(self) -> None:
        """The whole picture, and the program's own line and borders."""
        if self._pixels is None:
            return
        self.picture.marks.begin(self._pixels.shape[1], self._pixels.shape[0])
        self._ends, self._own_line = None, False
        self.look = None
        self._show_nothing("Looking for lettering…")
        self._want()

    def _pulled(self, rest: bool) -> None:
        self._ends = None
        self._own_line |= not self.picture.chosen.of_box
        self._want(quick=not rest)

    def _borders_moved(self, ends: tuple[float, ...], rest: bool) -> None:
        # the line stays beneath the hand, though another would be offered for other rims
        self._ends, self._own_line = ends, True
        self._want(quick=not rest)

    def _want(self, quick: bool = False) -> None:
        self.task.want(self._wanted(quick))

    def _wanted(self, quick: bool) -> Wanted:
        from ....core.reading.reader import Wanted

        marks = self.picture.marks
        line = marks.line if self._own_line else None
        return Wanted(marks.box, line, self._ends, quick)

    # what was found

    def _take_look(self, look: Look, whole: bool) -> None:
        self.look = look
        if not self._own_line:
            self.picture.marks.line = look.line
            self.picture.update()
        if float(look.outward.max()) <= 0:
            self.state.setText("The line crosses no edge: pull its outer end into the ground.")
        elif whole:
            self.state.setText(
                f"Drawn again it is {look.difference:.3f} from the picture (mean in OKLab); its letters are "
                f"{look.cap_height:.0f} px tall."
            )
        else:
            self.state.setText("A first answer; the rest is being read…")
        self._show_strip()
        self._show_style()

    def _tell_failed(self, why: str) -> None:
        self.look = None
        self._show_nothing(why)

    def _show_nothing(self, why: str) -> None:
        self.state.setText(why)
        self.rows.show_found(())
        self.words.clear()
        self.strip.show_nothing()
        for button in (self.put_on, self.save):
            button.setEnabled(False)

    def _show_strip(self) -> None:
        look = self.look
        if look is None or self._pixels is None:
            return
        colours = _along(self._pixels, look.line, len(look.outward))
        rims = look.rims
        ends = tuple(rim.end for rim in rims) if self._ends is None else self._ends
        face = look.face.stops[len(look.face.stops) // 2].rgb
        ground = _eight(colours[0, :3] / 255)
        read = [ground, *(_eight(rim.rgb) for rim in reversed(rims)), _eight(face)]
        self.strip.show_line(colours, look.outward, ends, read)

    @property
    def caps(self) -> float:
        """How tall capitals are, em."""
        return float(self.capitals.value())

    def _set_capitals(self, value: float, token: object | None) -> None:
        self.capitals.set_value(value)
        self._show_style()

    def _show_style(self) -> None:
        from ....core.reading.found import coats_of

        if self.look is None or self.on is None:
            return
        self.rows.show_found(coats_of(self.look, self.look.cap_height / self.caps))
        style = self.found_style("")
        self.words.show_style(style, self.on)
        for button in (self.put_on, self.save):
            button.setEnabled(bool(style.coats))

    def found_style(self, name: str) -> Style:
        """What was found and is wanted, as a style."""
        from ....core.reading.style import style_of

        assert self.look is not None
        return style_of(self.look, name, self.caps, frozenset(self.rows.off))

    # taken

    def _kept(self) -> Style | None:
        """The style in the library, under a name that is free."""
        if self.look is None:
            return None
        style = self.found_style(
            keeping.free_name(self.name.text().strip() or "read off a picture")
        )
        return style if style.coats and self.session.styles.keep(style) else None

    def _save(self) -> None:
        style = self._kept()
        if style is not None:
            self.session.document.said.emit(f"The style “{short(style.name)}” is in your library.")
            self.left.emit()

    def _put_on(self) -> None:
        style = self._kept()
        if style is not None:
            wear(self.session, style)
            self.session.document.said.emit(
                f"Your words wear “{short(style.name)}”, which is in your library."
            )
            self.left.emit()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        if event.key() == Qt.Key.Key_Escape and not self.session.reading.status.asks:
            self.left.emit()
        else:
            super().keyPressEvent(event)


def _from_file(path: Path, stop: Stop) -> ReadPicture:
    from ....core.reading.from_file import pixels_of

    return _shown(pixels_of(path, stop)[0])


def _from_asset(sha: str, name: str, stop: Stop) -> ReadPicture:
    from ....core.paint.picture_files import decoded_asset
    from ....core.reading.from_file import in_eight_bits

    return _shown(in_eight_bits(decoded_asset(sha, name, stop).pixels))


def _shown(pixels: Pixels) -> ReadPicture:
    import cv2

    high, wide = pixels.shape[:2]
    by = min(1.0, SHOWN / max(high, wide))
    size = (max(1, round(wide * by)), max(1, round(high * by)))
    small = pixels if by == 1 else cv2.resize(pixels, size, interpolation=cv2.INTER_AREA)
    return ReadPicture(pixels, image_of(np.ascontiguousarray(small)))


def _along(pixels: Pixels, line: tuple[float, float, float, float], count: int) -> AnyArray:
    """(count, 4) uint8: the px that lie nearest to places along a line."""
    high, wide = pixels.shape[:2]
    share = np.linspace(0, 1, max(count, 2))
    x = np.clip(line[0] + (line[2] - line[0]) * share, 0, wide - 1).astype(int)
    y = np.clip(line[1] + (line[3] - line[1]) * share, 0, high - 1).astype(int)
    return pixels[y, x]


def _eight(rgb: AnyArray) -> tuple[int, int, int]:
    r, g, b = (int(v) for v in np.round(np.clip(rgb, 0, 1) * 255))
    return r, g, b
