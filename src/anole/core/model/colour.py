"""Colours: sRGB with alpha, kept as CSS hex."""

from __future__ import annotations

import colorsys
import re

from ..text import short

LONGEST = 200
"""Letters of a colour as it is written."""
_HEX = re.compile(r"#([0-9a-fA-F]{3,4}|[0-9a-fA-F]{6}|[0-9a-fA-F]{8})")
_HSV = re.compile(r"hsv\(\s*([\d.]+)(?:deg)?[\s,]+([\d.]+)%?[\s,]+([\d.]+)%?\s*\)")


def _hex_bytes(digits: str) -> tuple[int, ...]:
    if len(digits) <= 4:
        digits = "".join(d * 2 for d in digits)
    return tuple(bytes.fromhex(digits))


def _hsv_bytes(found: re.Match[str]) -> tuple[int, ...]:
    hue, saturation, value = (float(n) for n in found.groups())
    rgb = colorsys.hsv_to_rgb(hue / 360 % 1, min(saturation / 100, 1), min(value / 100, 1))
    return tuple(round(v * 255) for v in rgb)


def _css_bytes(text: str) -> tuple[int, ...]:
    # most colours are hex; what reads all others takes a fifth of a second to import
    from coloraide import Color

    colour = Color(text).convert("srgb").fit("srgb")
    parts = [*colour.coords(nans=False), colour.alpha(nans=False)]
    return tuple(round(min(max(float(v), 0.0), 1.0) * 255) for v in parts)


class Colour:
    """A colour of four bytes: red, green, blue (sRGB-encoded) and alpha."""

    __slots__ = ("a", "b", "g", "r")
    r: int
    g: int
    b: int
    a: int

    def __init__(self, r: int, g: int, b: int, a: int = 255) -> None:
        for name, value in zip("rgba", (r, g, b, a), strict=True):
            if not 0 <= value <= 255:
                raise ValueError(f"a colour's parts go from 0 to 255, not {value}")
            object.__setattr__(self, name, int(value))

    def __setattr__(self, name: str, value: object) -> None:
        raise AttributeError("a colour does not change")

    @classmethod
    def parse(cls, text: str) -> Colour:
        """Read any CSS Color 4 text, or ``hsv(h s v)``. Raises ValueError."""
        if len(text) > LONGEST:
            raise ValueError(f"{short(text, 40)!r} is too long for a colour")
        text = text.strip().lower()
        if found := _HEX.fullmatch(text):
            return cls(*_hex_bytes(found[1]))
        if found := _HSV.fullmatch(text):
            return cls(*_hsv_bytes(found))
        try:
            return cls(*_css_bytes(text))
        except (ValueError, TypeError) as error:
            raise ValueError(
                f"{short(text, 40)!r} is not a colour such as #ff8866 or oklch(0.7 0.2 30)"
            ) from error

    @property
    def floats(self) -> tuple[float, float, float, float]:
        """r, g, b, a from 0 to 1, straight alpha, sRGB-encoded."""
        return (self.r / 255, self.g / 255, self.b / 255, self.a / 255)

    def with_alpha(self, alpha: float) -> Colour:
        """The same colour as opaque as `alpha`, 0 to 1, held in it."""
        return Colour(self.r, self.g, self.b, round(min(max(alpha, 0.0), 1.0) * 255))

    def __str__(self) -> str:
        return f"#{self.r:02x}{self.g:02x}{self.b:02x}" + (f"{self.a:02x}" if self.a < 255 else "")

    def __repr__(self) -> str:
        return f"Colour({str(self)!r})"

    def __eq__(self, other: object) -> bool:
        return (
            isinstance(other, Colour)
            and self.r == other.r
            and self.g == other.g
            and self.b == other.b
            and self.a == other.a
        )

    def __hash__(self) -> int:
        return hash((self.r, self.g, self.b, self.a))

    def __reduce__(self) -> tuple:
        return Colour, (self.r, self.g, self.b, self.a)
