"""Text from files and people as messages show it."""

from __future__ import annotations

MOST_SHOWN = 200


def short(text: object, most: int = MOST_SHOWN) -> str:
    """One line of at most `most` letters, without any that move the cursor or hide others."""
    whole = str(text)
    # what is cut off need not be looked through
    line = " ".join(whole[: most * 4].split())
    line = "".join(
        letter if letter.isprintable() else "\N{REPLACEMENT CHARACTER}" for letter in line
    )
    return line if len(line) <= most and len(whole) <= most * 4 else line[: most - 1] + "…"


def capital(text: str) -> str:
    """The text with a capital to begin with; the rest stays as it is."""
    return text[:1].upper() + text[1:]
