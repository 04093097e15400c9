"""An ink of a pattern: a colour, the letter's own colour, or what the piece has painted there."""

from __future__ import annotations

from .colour import Colour

LETTER, OWN = "letter", "own"


class Ink:
    """`colour` is None for the inks ``letter`` and ``own``."""

    __slots__ = ("colour", "name")
    colour: Colour | None
    name: str

    def __init__(self, of: Colour | str) -> None:
        if isinstance(of, str) and of not in (LETTER, OWN):
            raise ValueError(f"an ink is a colour, letter or own, not {of!r}")
        object.__setattr__(self, "colour", of if isinstance(of, Colour) else None)
        object.__setattr__(self, "name", "colour" if isinstance(of, Colour) else of)

    def __setattr__(self, name: str, value: object) -> None:
        raise AttributeError("an ink does not change")

    @classmethod
    def parse(cls, text: str) -> Ink:
        """Read ``letter``, ``own`` or a CSS colour. Raises ValueError."""
        plain = text.strip().lower()
        return cls(plain if plain in (LETTER, OWN) else Colour.parse(plain))

    def __str__(self) -> str:
        return str(self.colour) if self.colour is not None else self.name

    def __repr__(self) -> str:
        return f"Ink({str(self)!r})"

    def __eq__(self, other: object) -> bool:
        return isinstance(other, Ink) and str(self) == str(other)

    def __hash__(self) -> int:
        return hash(("ink", str(self)))

    def __reduce__(self) -> tuple:
        return type(self).parse, (str(self),)
