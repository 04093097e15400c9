"""The chosen piece: its words, font and place; a ground's paint."""

from __future__ import annotations

from typing import Any

import msgspec
from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import (
    QFrame,
    QHBoxLayout,
    QLabel,
    QPlainTextEdit,
    QScrollArea,
    QVBoxLayout,
    QWidget,
)  # fmt: skip

from ...core.edit.arranging import align, distribute
from ...core.edit.pieces import change_piece, pin
from ...core.lettering.outline import outline
from ...core.model import Ground, Lettering, Place
from ...core.model.schema import field_info
from ..controls.control import Context
from ..controls.fields import FieldPanel
from ..document import Document
from ..seen import WhenSeen
from ..settings import Settings
from ..worker import Worker
from .board_panel import BoardPanel
from .font_details import FontDetails
from .font_picker import FontPicker
from .letters_panel import LettersPanel
from .nine_points import NinePoints
from .several import Several
from .typing import TypingHand

BENDS = ("box", "rails", "head", "foot", "ring", "letters", "corners", "pose")
STEP_NAMES = {
    "size": "Size", "tracking": "Tracking", "leading": "Leading", "align": "Align lines",
    "smoothing": "Smooth edges",
    "underline": "Underline",
    "strike": "Strike",
    "box": "Fit to a box",
    "rails": "Rails",
    "head": "Head rail",
    "foot": "Foot rail",
    "ring": "Ring",
    "letters": "Letters by chance",
    "corners": "Corners",
    "pose": "Pose", "opacity": "Opacity of the piece", "blend": "Blend of the piece",
    "paint": "Ground paint",
}  # fmt: skip


def titled(text: str, name: str = "head") -> QLabel:
    label = QLabel(text)
    label.setObjectName(name)
    return label


class PiecePanel(QScrollArea):
    def __init__(
        self, document: Document, worker: Worker, settings: Settings, typing: TypingHand
    ) -> None:
        super().__init__()
        self.document = document
        self._typing: object = object()
        self.setObjectName("panel")
        self.setWidgetResizable(True)
        self.setFrameShape(QFrame.Shape.NoFrame)
        self.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.head = titled("")
        self.words = QPlainTextEdit()
        self.words.setAccessibleName("Words")
        self.words.setPlaceholderText("Type the words")
        self.words.setFixedHeight(66)
        self.words.setTabChangesFocus(True)
        self.fonts = FontPicker(document, worker, settings)
        self.fonts.setFixedHeight(264)
        self.details = FontDetails()
        self.letters = LettersPanel(document, typing)
        self.several = Several()
        self.fields = FieldPanel(Lettering, skip=("text", "font", "opacity", "blend", *BENDS))
        others = {info.name for info in field_info(Lettering)} - set(BENDS)
        self.bends = FieldPanel(Lettering, skip=tuple(others))
        shaping = {info.name for info in field_info(Lettering)} - {"opacity", "blend"}
        self.blending = FieldPanel(Lettering, skip=tuple(shaping))
        self.place = FieldPanel(Place)
        self.pin = NinePoints()
        self.ground = FieldPanel(Ground)
        self.board = BoardPanel(document)
        self._build()
        self.words.textChanged.connect(self._typed)
        self.fields.edited.connect(self._field)
        self.blending.edited.connect(self._field)
        self.bends.edited.connect(self._field)
        self.ground.edited.connect(self._field)
        self.place.edited.connect(self._placed)
        self.pin.pinned.connect(self._pinned)
        self.details.edited.connect(lambda font, t: self._apply("Font", t, font=font))
        self.several.wanted.connect(self._line_up)
        self.when_seen = WhenSeen(self, self.show_piece)
        document.settled.connect(self.when_seen)
        document.chosen.connect(self._other)
        self.show_piece()

    def _build(self) -> None:
        inside = QWidget()
        inside.setObjectName("panel")
        column = QVBoxLayout(inside)
        column.setContentsMargins(16, 12, 16, 12)
        column.setSpacing(8)
        column.addWidget(self.head)
        self.lettering = QWidget()
        parts = QVBoxLayout(self.lettering)
        parts.setContentsMargins(0, 0, 0, 0)
        parts.setSpacing(8)
        row = QHBoxLayout()
        row.setSpacing(14)
        row.addWidget(self.pin)
        row.addWidget(self.several, 1)
        for part in (self.words, self.letters, self.fonts, self.details, self.fields,
                     titled("On the board", "group")):  # fmt: skip
            parts.addWidget(part)
        parts.addLayout(row)
        parts.addWidget(self.place)
        parts.addWidget(titled("Shape of the words", "group"))
        parts.addWidget(self.bends)
        parts.addWidget(titled("Blending", "group"))
        parts.addWidget(self.blending)
        column.addWidget(self.lettering)
        column.addWidget(self.ground)
        column.addWidget(self.board)
        column.addStretch(1)
        self.setWidget(inside)

    def _other(self) -> None:
        self._typing = object()
        self.when_seen()

    def show_piece(self) -> None:
        board = self.document.board
        piece: Any = next((p for p in board.pieces if p.id == self.document.piece_id), None)
        words = isinstance(piece, Lettering)
        self.lettering.setVisible(words)
        self.ground.setVisible(isinstance(piece, Ground))
        self.board.setVisible(not words)
        self.head.setText("Nothing chosen" if piece is None else "Words" if words else "Ground")
        if isinstance(piece, Ground):
            self.ground.show_struct(piece)
        if not isinstance(piece, Lettering):
            return
        em = outline(piece, board.dpi).em
        self.details.show_piece(piece)
        self.several.show_count(len(self.document.chosen_ids))
        if self.document.together:
            self.head.setText(f"Words, with {len(self.document.together)} more")
        for panel in (self.fields, self.blending, self.bends):
            panel.take(Context(em, board.dpi, em, board.lamp))
            panel.show_struct(piece)
        self.place.show_struct(piece.place)
        self.pin.show_anchor(piece.place.anchor)
        if self.words.toPlainText() != piece.text:
            self.words.blockSignals(True)
            self.words.setPlainText(piece.text)
            self.words.blockSignals(False)

    def _apply(self, name: str, token: object | None, **fields: Any) -> None:
        piece_id = self.document.piece_id
        if piece_id is not None:
            self.document.apply(name, lambda b: change_piece(b, piece_id, **fields), token)

    def _line_up(self, what: str) -> None:
        ids = self.document.chosen_ids
        if what in ("across", "down"):
            self.document.apply("Equal gaps", lambda b: distribute(b, ids, what == "across"))
        else:
            self.document.apply("Line up", lambda b: align(b, ids, what))  # type: ignore[arg-type]

    def _typed(self) -> None:
        self._apply("Type", self._typing, text=self.words.toPlainText())

    def _field(self, name: str, value: Any, token: object | None) -> None:
        self._apply(STEP_NAMES.get(name, name), token, **{name: value})

    def _placed(self, name: str, value: Any, token: object | None) -> None:
        piece = self.document.piece
        if piece is not None:
            place = msgspec.structs.replace(piece.place, **{name: value})
            self._apply("Place", token, place=place)

    def _pinned(self, anchor: str) -> None:
        piece = self.document.piece
        if piece is not None:
            self.document.apply("Pin", lambda b: pin(b, piece.id, anchor))
