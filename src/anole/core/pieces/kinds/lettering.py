"""Lettering: words to a shape."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from typing import Any

import msgspec

from ...arrays import Chords
from ...box import Box
from ...coats.context import CoatContext
from ...coats.registry import kind_of as coat_kind
from ...compose.steps import CompositeStep
from ...lettering.bends import shapings
from ...lettering.outline import SHAPING, chords, outline
from ...lettering.storing import outlines_to_store
from ...model import Coat, FitBox, Length, Lettering
from ...paint.frames import LetterFrames
from ..coated_kind import CoatedKind
from ..fresh import Fresh
from ..placing.placement import Placement
from ..placing.view import View
from ..shapes.emoji_colours import emoji_steps
from ..shapes.letters import letter_frames

LEAST_SIZE, MOST_SIZE = 0.5, 32_000


class LetteringKind(CoatedKind[Lettering]):
    """Words: set, bent and posed outlines under a stack of coats."""

    struct = Lettering
    title = "words"
    outline_fields = SHAPING
    sections = ("words", "fields", "place", "shape", "blending")
    tool = "typing"

    def fresh(self) -> tuple[Fresh, ...]:
        """None: words are typed, and wear the style last used."""
        return ()

    def placement(self, piece: Lettering, dpi: float) -> Placement:
        line = outline(piece, dpi)
        return Placement(line.block.box, line.em, line.matrix, line.bends.corners, line.bends.pose)

    def outline_values(self, piece: Lettering, dpi: float) -> tuple:
        return outline(piece, dpi).key

    def core_key(self, piece: Lettering, dpi: float) -> tuple:
        """Without the em: all that shapes letters is in em, so one measure does for all sizes."""
        key = outline(piece, dpi).key
        return (*key[:2], *key[3:])

    def chords(self, piece: Lettering, dpi: float, scale: float) -> Chords:
        return chords(outline(piece, dpi), scale)

    def smooth(self, piece: Lettering) -> bool:
        return piece.smoothing

    def letters(
        self, piece: Lettering, view: View, key: tuple
    ) -> Callable[[Box], LetterFrames | None]:
        line = outline(piece, view.board.dpi)
        return lambda box: letter_frames(piece, line, key, box, view)

    def own_steps(self, piece: Lettering, context: CoatContext, view: View) -> list[CompositeStep]:
        """Emoji and the like in their own colours."""
        line = outline(piece, view.board.dpi)
        return emoji_steps(line, line.key, context, view) if piece.emoji == "own" else []

    def own_place(self, coats: Sequence[Coat]) -> int:
        """Above what covers the face, beneath what lights it."""
        covering = [n for n, coat in enumerate(coats, 1) if coat_kind(coat).covers]
        return max(covering, default=super().own_place(coats))

    def has_content(self, piece: Lettering) -> bool:
        return bool(piece.text.strip())

    def shapings(self, piece: Lettering) -> tuple[str, ...]:
        return shapings(piece)

    def text(self, piece: Lettering) -> str:
        return piece.text

    def resized(self, piece: Lettering, ratio: float) -> dict[str, Any]:
        """Words grow by their size, or by the box that their size follows."""
        unit = piece.size.unit
        value = min(max(piece.size.value * ratio, LEAST_SIZE), MOST_SIZE)
        size = Length(round(value, 1 if unit == "px" else 3), unit)
        if piece.box is None or piece.box.fit == "none":
            return {"size": size}
        width, height = (max(side * ratio, 1) for side in (piece.box.width, piece.box.height))
        box = msgspec.structs.replace(piece.box, width=width, height=height)
        # the box alone says how large words are that fill it
        return {"box": box} if piece.box.fit == "fill" else {"size": size, "box": box}

    def fitted(
        self,
        piece: Lettering,
        dpi: float,
        share: float,
        size: tuple[float, float],
        room: tuple[float, float],
    ) -> dict[str, Any]:
        """A box to shrink into, with room for longer words where there is some."""
        if share == 1.0 and piece.box is not None:
            return {}
        line = outline(piece, dpi)
        x0, y0, x1, y1 = line.block.box
        em = line.em * share
        wide, high = max((x1 - x0) * em, 1.0), max((y1 - y0) * em, 1.0)
        if share == 1.0:
            # as large as they are, with room up to the margins for longer words
            wide = max(wide, room[0] * min(wide / size[0], 1))
            high = max(high, room[1] * min(high / size[1], 1))
        box = FitBox(width=round(wide, 2), height=round(high, 2), fit="shrink")
        return {"box": box}

    def sample(self, piece: Lettering, words: str) -> Lettering:
        bare = super().sample(piece, words)
        return msgspec.structs.replace(bare, text=words, tracking=0.0, box=None)

    def stored(self, piece: Lettering) -> Lettering:
        """Words carry their outlines, for where a font is missing."""
        return msgspec.structs.replace(piece, outlines=outlines_to_store(piece))
