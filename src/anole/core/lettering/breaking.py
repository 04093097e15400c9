"""Where a text may be broken into lines: UAX #14, with dictionaries for scripts that have no spaces."""

from __future__ import annotations

import unicodedata

RULES = "und@lb=strict"
"""Of no language; strict: small kana and marks of length begin no line."""


def unbroken(text: str) -> list[str]:
    """Parts of a text, each with the blanks behind it, between which lines may break."""
    # a large library, which no start should wait for
    from icu4py.breakers import LineBreaker

    return list(LineBreaker(text, RULES))


def letters_wide(text: str) -> int:
    """How wide a text is about, in Latin letters: letters of East Asia are as wide as two."""
    return sum(2 if unicodedata.east_asian_width(c) in "WF" else 1 for c in text)


def filled(parts: list[str], width: int) -> str:
    """Lines of parts, each as full as goes into so many Latin letters."""
    lines: list[str] = []
    for part in parts:
        if lines and letters_wide((lines[-1] + part).rstrip()) <= width:
            lines[-1] += part
        else:
            lines.append(part)
    return "\n".join(line.rstrip() for line in lines)
