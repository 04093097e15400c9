"""The chosen piece's panel: the parts that its kind names, and the board where it has no place."""

from __future__ import annotations

from collections.abc import Iterator

from PyQt6.QtCore import Qt
from PyQt6.QtWidgets import QFrame, QScrollArea, QVBoxLayout, QWidget

from ...core.model import Board, Piece, Placed
from ...core.pieces.registry import KINDS, kind_of, placement
from ..controls.base.control import Context
from ..look.plain import Label
from ..runtime.when_visible import WhenVisible
from ..shared.session import Session
from . import fields_section, place_section, source_section, words_section  # noqa: F401  they fill the table
from .board_panel import BoardPanel
from .section import SECTIONS, Section


class PiecePanel(QScrollArea):
    """One column of sections for each kind of piece, made when it is first needed."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.document, self.selection = session.document, session.selection
        self.setObjectName("panel")
        self.setWidgetResizable(True)
        self.setFrameShape(QFrame.Shape.NoFrame)
        self.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        self.head = Label()
        self.head.setObjectName("head")
        self.board = BoardPanel(session)
        self.columns: dict[type[Piece], dict[str, Section]] = {}
        inside = QWidget()
        inside.setObjectName("panel")
        self._column = QVBoxLayout(inside)
        self._column.setContentsMargins(12, 12, 12, 12)
        self._column.setSpacing(8)
        self._column.addWidget(self.head)
        self._column.addWidget(self.board)
        self._column.addStretch(1)
        self.setWidget(inside)
        when_visible = WhenVisible(self, self.show_piece)
        self.document.settled.connect(when_visible)
        self.selection.changed.connect(when_visible)
        self.show_piece()

    def sections(self, struct: type[Piece]) -> dict[str, Section]:
        """The parts of a kind's panel by name."""
        if struct not in self.columns:
            names = KINDS[struct].sections
            made = {
                name: SECTIONS[name](self.session, struct) for name in names if name in SECTIONS
            }
            self.columns[struct] = made
            for section in made.values():
                self._column.insertWidget(self._column.count() - 2, section)
        return self.columns[struct]

    def section(self, name: str) -> Section:
        """A part of the chosen piece's panel. Raises KeyError."""
        piece = self.selection.piece
        if piece is None:
            raise KeyError(name)
        return self.sections(type(piece))[name]

    def every_section(self) -> Iterator[Section]:
        """Of all kinds that were shown so far."""
        for sections in self.columns.values():
            yield from sections.values()

    def control(self, name: str) -> QWidget | None:
        """What edits a field of the chosen piece, or of the board where none is chosen."""
        self.show_piece()
        piece = self.selection.piece
        if piece is None:
            return self.board.control(name)
        found = (section.control(name) for section in self.sections(type(piece)).values())
        return next((control for control in found if control is not None), None)

    def show_piece(self) -> None:
        """Show the sections of the chosen piece's kind, filled."""
        board, piece = self.document.board, self.selection.piece
        for struct, sections in self.columns.items():
            if not isinstance(piece, struct):
                for section in sections.values():
                    section.hide()
        self.board.setVisible(not isinstance(piece, Placed))
        self.head.setText(self._title(piece))
        if piece is None:
            return
        context = _context(piece, board)
        for section in self.sections(type(piece)).values():
            section.shown_id = piece.id
            section.show_piece(piece, context)
            section.setVisible(not section.empty)

    def _title(self, piece: Piece | None) -> str:
        if piece is None:
            return "Nothing chosen"
        title = kind_of(piece).title.capitalize()
        more = len(self.selection.together)
        return f"{title}, with {more} more" if more else title


def _context(piece: Piece, board: Board) -> Context:
    em = placement(piece, board).em if isinstance(piece, Placed) else float(board.height)
    return Context(em, board.dpi, em, board.lamp)
