"""A lettering's letters as frames for paints: their boxes, colours and pixels."""

from __future__ import annotations

from ...arrays import Numbers
from ...box import Box
from ...field.letter_owners import owners
from ...field.shape_fields import bounds
from ...lettering.letter_parts import LetterPart, letter_parts
from ...lettering.outline import Outline, outline
from ...lettering.shaping import drawable
from ...model import Board, Lettering
from ...paint.frames import FrameBox, LetterFrames, Unit, colour_of
from ..placing.view import View


def letter_boxes(piece: Lettering, board: Board) -> list[tuple[str, FrameBox]]:
    """What the text has for each of its letters, with the letter's box in board px."""
    text = drawable(piece.text)
    parts = letter_parts(outline(piece, board.dpi), text, 1.0)
    return [(text[part.at : part.at + 1], bounds(part.chords)) for part in parts]


def letter_frames(
    piece: Lettering, line: Outline, key: tuple, box: Box, view: View
) -> LetterFrames:
    """`key` is the value that the placed outline came from; `box` covers the piece's fields."""

    text = drawable(piece.text)

    def parts() -> list[LetterPart]:
        return view.cache.get(("letters", *key), lambda: letter_parts(line, text, view.scale))

    def units() -> list[Unit]:
        return [
            Unit(
                part.at,
                part.word,
                part.line,
                bounds(part.chords),
                colour_of(piece.letters, n, part.word, part.line, part.at),
                text[part.at : part.at + 1],
            )
            for n, part in enumerate(parts())
        ]

    def plane() -> Numbers:
        return view.cache.get(
            ("owners", *key, box), lambda: owners([part.chords for part in parts()], box)
        )

    return LetterFrames((key, box, piece.letters), units, plane, box)
