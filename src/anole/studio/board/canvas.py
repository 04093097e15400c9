"""The board as its tools know it: where it lies in the widget, and what is to be seen of it."""

from __future__ import annotations

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtGui import QImage
from PyQt6.QtWidgets import QWidget

from ..look.view_transform import ViewTransform
from ..rendering.frames import Frame
from ..shared.session import Session


class Canvas(QWidget):
    """`framed`: a new picture is up; `pointed`: the board was clicked at (x, y) px."""

    framed = pyqtSignal()
    zoomed = pyqtSignal(float)
    pointed = pyqtSignal(float, float)

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.document, self.selection = session.document, session.selection
        self.frame: Frame | None = None

    def transform_now(self) -> ViewTransform:
        """How board px lie in the widget."""
        raise AssertionError(type(self).__name__)

    def grab_image(self) -> QImage | None:
        """The picture that is up."""
        return self.frame.image if self.frame else None
