"""What is chosen on the board: a piece and one of its coats, and the pieces chosen with it."""

from __future__ import annotations

from typing import TypeVar

from PyQt6.QtCore import QObject, pyqtSignal

from ...core.model import Board, Cluster, Coat, Coated, Lettering, Piece, Placed
from ...core.model.nesting import every, holder_of, path_to
from .document import Document

P = TypeVar("P", bound=Piece)


class Selection(QObject):
    """`changed`: another piece or coat is chosen; `letters_changed`: other letters of the words are.
    What is no longer there is let go by itself."""

    changed = pyqtSignal()
    letters_changed = pyqtSignal()
    part_changed = pyqtSignal()

    def __init__(self, document: Document) -> None:
        super().__init__(document)
        self._document = document
        self.piece_id: str | None = None
        self.coat_id: str | None = None
        self.together: tuple[str, ...] = ()
        self.letters: tuple[int, int] | None = None
        """The chosen letters' first place in the text and their end; None while nobody types."""
        self.part = 0
        """The number of the part that is worked on, in a piece that is made of parts."""
        # before all that listens to the document: they ask for what is chosen
        document.stepped.connect(self._keep_up)
        document.replaced.connect(self._start_anew)
        self._choose_something()

    @property
    def _board(self) -> Board:
        return self._document.board

    # what is chosen

    def _as(self, kind: type[P]) -> P | None:
        piece = self.piece
        return piece if isinstance(piece, kind) else None

    @property
    def piece(self) -> Piece | None:
        """The piece whose panel is shown."""
        path = path_to(self._board.pieces, self.piece_id) if self.piece_id else ()
        return path[-1] if path else None

    @property
    def placed(self) -> Placed | None:
        """The piece, where it stands somewhere."""
        return self._as(Placed)

    @property
    def coated(self) -> Coated | None:
        """The piece, where it wears a style."""
        return self._as(Coated)

    @property
    def lettering(self) -> Lettering | None:
        """The piece, where it is words."""
        return self._as(Lettering)

    @property
    def coat(self) -> Coat | None:
        """The chosen coat of the chosen piece."""
        coats = self.coated.style if self.coated else ()
        return next((coat for coat in coats if coat.id == self.coat_id), None)

    @property
    def ids(self) -> tuple[str, ...]:
        """The piece whose panel is shown, and those chosen with it."""
        return (*((self.piece_id,) if self.piece_id else ()), *self.together)

    @property
    def pieces(self) -> list[Piece]:
        """All that are chosen, bottom first."""
        return [piece for piece in every(self._board.pieces) if piece.id in self.ids]

    @property
    def holder(self) -> Cluster | None:
        """The cluster that is open: the one that the piece lies in."""
        return holder_of(self._board.pieces, self.piece_id) if self.piece_id else None

    # choosing

    def choose(self, piece_id: str | None, coat_id: str | None = None) -> None:
        """One piece alone, and its topmost coat or another one."""
        if (piece_id, coat_id) == (self.piece_id, self.coat_id) and not self.together:
            return
        if piece_id == self.piece_id and coat_id is None:
            coat_id = self.coat_id
        self.together = ()
        self.piece_id, self.coat_id = piece_id, coat_id
        if coat_id is None:
            self._choose_coat()
        self.changed.emit()

    def choose_all(self, ids: tuple[str, ...]) -> None:
        """Several pieces, the panel of the last shown."""
        if ids:
            self.choose(ids[-1])
            self.together = tuple(ids[:-1])
            self.changed.emit()

    def choose_also(self, piece_id: str) -> None:
        """One more piece, or one less."""
        if piece_id == self.piece_id:
            if self.together:
                self.choose_first(self.together[-1])
                self.together = tuple(i for i in self.together if i != piece_id)
        elif piece_id in self.together:
            self.together = tuple(i for i in self.together if i != piece_id)
        else:
            self.together = (*self.together, piece_id)
        self.changed.emit()

    def choose_first(self, piece_id: str) -> None:
        """Show the panel of another of the chosen pieces."""
        ids = self.ids
        if piece_id in ids and piece_id != self.piece_id:
            self.piece_id, self.coat_id = piece_id, None
            self.together = tuple(i for i in ids if i != piece_id)
            self._choose_coat()
            self.changed.emit()

    def choose_part(self, number: int) -> None:
        """Another part of the piece, such as a spot of a pool."""
        if number != self.part:
            self.part = number
            self.part_changed.emit()

    def choose_letters(self, letters: tuple[int, int] | None) -> None:
        """Letters of the words, for as long as they are typed in."""
        self.letters = letters
        self.letters_changed.emit()

    def _keep_up(self) -> None:
        before = (self.piece_id, self.coat_id)
        self._choose_something()
        if before != (self.piece_id, self.coat_id):
            self.changed.emit()

    def _start_anew(self) -> None:
        self.piece_id = self.coat_id = None
        self._choose_something()
        self.changed.emit()

    def _choose_something(self) -> None:
        there = [p.id for p in every(self._board.pieces)]
        self.together = tuple(i for i in self.together if i in there)
        if self.piece_id not in there:
            coated = [p.id for p in self._board.pieces if isinstance(p, Coated)]
            further = [*coated, *self.together]
            self.piece_id = further[-1] if further else None
            self.together = self.together[:-1]
            self.coat_id = None
        self._choose_coat()

    def _choose_coat(self) -> None:
        if self.coat is None:
            style = self.coated.style if self.coated else ()
            self.coat_id = style[-1].id if style else None
