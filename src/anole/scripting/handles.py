"""Pieces and coats of an open board, read and changed in place."""

from __future__ import annotations

from abc import ABC, abstractmethod
from collections.abc import Iterator
from typing import Any, Protocol

from ..core.coats.registry import kind_of
from ..core.edit import coats as edit
from ..core.model import Board, Coat, Coated, Piece
from ..core.model.open_union import tag_of
from . import values


class Holder(Protocol):
    """What the handles of a board's pieces change."""

    board: Board

    def change_by_id(self, piece_id: str, fields: dict[str, Any]) -> Any:
        """Set fields of the piece of an id. Raises KeyError and ModelError."""


class Handle(ABC):
    """Something of an open board: fields are read as attributes, and set by the same names."""

    _board: Holder
    _id: str

    def __init__(self, board: Holder, own_id: str) -> None:
        object.__setattr__(self, "_board", board)
        object.__setattr__(self, "_id", own_id)

    @property
    @abstractmethod
    def value(self) -> Any:
        """What it is now, as the model has it; it never changes."""

    @abstractmethod
    def change(self, **fields: Any) -> Any:
        """Set several fields in one step; returns this. Raises ModelError naming the field."""

    def __getattr__(self, name: str) -> Any:
        if name.startswith("_"):
            raise AttributeError(name)
        return getattr(self.value, name)

    def __setattr__(self, name: str, value: Any) -> None:
        self.change(**{name: value})

    def __dir__(self) -> list[str]:
        return sorted({*super().__dir__(), *self.value.__struct_fields__})

    def __repr__(self) -> str:
        return f"<anole {self.value!r}>"


class PieceHandle(Handle):
    """A piece of an open board, such as `board["Title"]`."""

    @property
    def value(self) -> Piece:
        """The piece as the model has it. Raises KeyError once it is removed."""
        return self._board.board.piece(self._id)

    def change(self, **fields: Any) -> PieceHandle:
        """Set several fields in one step; returns this. Raises ModelError naming the field."""
        self._board.change_by_id(self._id, fields)
        return self

    @property
    def coats(self) -> CoatStack:
        """Its coats, bottom first. Raises KeyError for a piece that wears none."""
        self._board.board.coated(self._id)
        return CoatStack(self._board, self._id)


class CoatHandle(Handle):
    """A coat of a piece, such as `board["Title"].coats[0]`."""

    def __init__(self, board: Holder, piece_id: str, own_id: str) -> None:
        super().__init__(board, own_id)
        object.__setattr__(self, "_piece", piece_id)

    _piece: str

    @property
    def value(self) -> Coat:
        """The coat as the model has it. Raises KeyError once it is removed."""
        return edit.coat_of(self._board.board, self._piece, self._id)

    def change(self, **fields: Any) -> CoatHandle:
        """Set several fields in one step; returns this. Raises ModelError naming the field."""
        set_to = values.checked(self.value, fields)
        self._board.board = edit.change_coat(self._board.board, self._piece, self._id, **set_to)
        return self

    def move(self, to: int) -> CoatHandle:
        """Put it at a place of the stack, 0 the bottom; returns this."""
        self._board.board = edit.move_coat(self._board.board, self._piece, self._id, to)
        return self

    def remove(self) -> None:
        """Take it off."""
        self._board.board = edit.remove_coat(self._board.board, self._piece, self._id)


class CoatStack:
    """The coats of a piece, bottom first: by number, name, kind ("stroke") or id."""

    def __init__(self, board: Holder, piece_id: str) -> None:
        self._board, self._piece = board, piece_id

    @property
    def values(self) -> tuple[Coat, ...]:
        """The coats as the model has them."""
        piece: Coated = self._board.board.coated(self._piece)
        return piece.style

    def __len__(self) -> int:
        return len(self.values)

    def __iter__(self) -> Iterator[CoatHandle]:
        return iter([self._handle(coat) for coat in self.values])

    def __getitem__(self, key: int | str) -> CoatHandle:
        if isinstance(key, int):
            return self._handle(self.values[key])
        for coat in self.values:
            if key in (coat.id, coat.name, tag_of(coat)):
                return self._handle(coat)
        there = ", ".join(coat.name or tag_of(coat) for coat in self.values) or "none"
        raise KeyError(f"no coat is called {key!r}; there is: {there}")

    def _handle(self, coat: Coat) -> CoatHandle:
        return CoatHandle(self._board, self._piece, coat.id)

    def add(self, coat: Coat) -> CoatHandle:
        """Put a coat where its kind naturally lies: shadows low, gloss high; returns it."""
        at = edit.natural_place(self.values, kind_of(coat))
        return self.insert(at, coat)

    def append(self, coat: Coat) -> CoatHandle:
        """Put a coat on top; returns it."""
        return self.insert(len(self), coat)

    def insert(self, at: int, coat: Coat) -> CoatHandle:
        """Put a coat at a place of the stack, 0 the bottom; returns it."""
        self._board.board, fresh = edit.insert_coat(self._board.board, self._piece, coat, at)
        return CoatHandle(self._board, self._piece, fresh)

    def clear(self) -> None:
        """Take all off."""
        self._board.change_by_id(self._piece, {"style": ()})

    def __repr__(self) -> str:
        return f"<anole coats: {', '.join(coat.name or tag_of(coat) for coat in self.values)}>"
