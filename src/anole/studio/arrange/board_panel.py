"""The board itself: its size with the point that stays, its resolution and its print size."""

from __future__ import annotations

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QHBoxLayout, QPushButton, QVBoxLayout, QWidget

from ...core.edit.boards import change_board, resize_board
from ...core.model.board import LONGEST_SIDE
from ..commands.board import crop
from ..controls.base.field_label import FieldLabel
from ..controls.numbers.number import Number
from ..look.plain import Label
from ..runtime.when_visible import WhenVisible
from ..shared.session import Session
from .nine_points import NinePoints


class BoardPanel(QWidget):
    """`framing`: the user wants to drag a frame to crop to."""

    framing = pyqtSignal()

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.document, self.selection = session.document, session.selection
        self._anchor = "centre"
        self.across = Number("Width", 1, LONGEST_SIDE, soft=(64, 4096), step=1, unit="px")
        self.down = Number("Height", 1, LONGEST_SIDE, soft=(64, 4096), step=1, unit="px")
        self.dpi = Number("Resolution", 1, 10_000, soft=(72, 600), step=1, unit="dpi", default=96)
        self.print_size = Label()
        self.print_size.setObjectName("dim")
        self.anchor = NinePoints()
        self.anchor.setToolTip("What stays in its place when the size changes")
        self.anchor.setAccessibleName("What stays in its place when the size changes")
        column, row = QVBoxLayout(self), QHBoxLayout()
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(6)
        head = Label("Board")
        head.setObjectName("group")
        keeps = FieldLabel("Keeps")
        row.addWidget(keeps)
        row.addWidget(self.anchor)
        row.addStretch(1)
        for part in (head, self.across, self.down):
            column.addWidget(part)
        column.addLayout(row)
        column.addWidget(self.dpi)
        column.addWidget(self.print_size)
        crops = QHBoxLayout()
        self.to_paint, self.to_frame = QPushButton("Crop to paint"), QPushButton("Crop by hand")
        self.to_paint.setToolTip("Cut the board down to all that is painted besides the ground")
        self.to_frame.setToolTip("Drag the frame over the board")
        for button in (self.to_paint, self.to_frame):
            crops.addWidget(button)
        column.addLayout(crops)
        self.to_paint.clicked.connect(lambda: crop(session))
        self.to_frame.clicked.connect(self.framing)
        self.across.edited.connect(lambda v, t: self._resize(round(v), None, t))
        self.down.edited.connect(lambda v, t: self._resize(None, round(v), t))
        self.dpi.edited.connect(self._resolution)
        self.anchor.pinned.connect(self._pinned)
        self.document.settled.connect(WhenVisible(self, self.show_board))
        self.show_board()

    def control(self, name: str) -> QWidget | None:
        """What edits a field of the board."""
        return {"width": self.across, "height": self.down, "dpi": self.dpi}.get(name)

    def show_board(self) -> None:
        """Show the board's size and its name for it."""
        board = self.document.board
        self.across.set_value(board.width)
        self.down.set_value(board.height)
        self.dpi.set_value(board.dpi)
        inches = board.width / board.dpi, board.height / board.dpi
        mm = " × ".join(f"{side * 25.4:.0f}" for side in inches)
        both = " × ".join(f"{side:.1f}" for side in inches)
        self.print_size.setText(f"Printed: {mm} mm, {both} in")

    def _pinned(self, name: str) -> None:
        self._anchor = name
        self.anchor.show_anchor(name)

    def _resize(self, width: int | None, height: int | None, token: object | None) -> None:
        board = self.document.board
        size = (width or board.width, height or board.height)
        self.document.apply(
            "Board size", lambda b: resize_board(b, *size, anchor=self._anchor), token
        )

    def _resolution(self, value: float, token: object | None) -> None:
        self.document.apply("Resolution", lambda b: change_board(b, dpi=value), token)
