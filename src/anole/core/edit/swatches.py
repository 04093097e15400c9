"""Colours and gradients that a board keeps under names."""

from __future__ import annotations

from ..model import Board, Colour, Gradient
from ..model.board import NamedGradient, Swatch
from .checked import replaced


def save_colour(board: Board, name: str, colour: Colour) -> Board:
    """Keep a colour under a name, in the place of one of the same name. Raises ModelError."""
    rest = tuple(s for s in board.swatches if s.name != name)
    return replaced(board, swatches=(*rest, Swatch(name, colour)))


def delete_colour(board: Board, name: str) -> Board:
    """The board without the swatches of this name."""
    return replaced(board, swatches=tuple(s for s in board.swatches if s.name != name))


def save_gradient(board: Board, name: str, gradient: Gradient) -> Board:
    """Keep a gradient under a name, in the place of one of the same name. Raises ModelError."""
    rest = tuple(g for g in board.gradients if g.name != name)
    return replaced(board, gradients=(*rest, NamedGradient(name, gradient)))


def delete_gradient(board: Board, name: str) -> Board:
    """The board without the gradients of this name."""
    return replaced(board, gradients=tuple(g for g in board.gradients if g.name != name))
