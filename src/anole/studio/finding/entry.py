"""What can be found, and which of it answers to some words best."""

from __future__ import annotations

import re
from collections.abc import Callable, Sequence
from typing import NamedTuple

from ...core.model import Board
from ..shared.session import Session
from .trade_words import TRADE_WORDS

MOST = 80
KINDS = ("command", "coat", "field", "paint", "tone", "pattern", "mark", "moulding", "export",
         "setting", "piece", "style", "font", "hand")  # fmt: skip
"""In the order in which equally good answers are shown."""


class FinderEntry(NamedTuple):
    """`look`: the board with it, for while it is only looked at; `why`: what keeps it from applying
    now, empty where it does; `id`: what the table of the trade's words knows it by."""

    kind: str
    title: str
    about: str
    run: Callable[[Session], object]
    look: Callable[[Session], Board | None] = lambda session: None
    id: str = ""
    why: str = ""

    @property
    def phrases(self) -> tuple[str, ...]:
        """All that it is called, in lower case; its title first."""
        family = self.id.rpartition(":")[0]
        return (
            self.title.casefold().rstrip("…"),
            *TRADE_WORDS.get(self.id, ()),
            *TRADE_WORDS.get(family, ()),
        )


def _score(
    entry: FinderEntry, words: Sequence[str], whole: Sequence[str], begun: Sequence[str]
) -> int | None:
    """How well an entry answers: 0 at best, None where a word is nowhere in it. whole, begun: patterns
    of each of the words."""
    asked, phrases = " ".join(words), entry.phrases
    for score, (patterns, texts) in enumerate(
        (
            (whole, phrases[:1]),
            (whole, phrases[1:]),
            (begun, phrases[:1]),
            (begun, phrases[1:]),
            (whole, (entry.about.casefold(),)),
            (begun, (f"{phrases[0]} {entry.kind} {entry.about.casefold()}",)),
        ),
        start=2,
    ):
        if any(all(re.search(pattern, text) for pattern in patterns) for text in texts):
            return 0 if asked in phrases else score
    everywhere = " ".join((*phrases, entry.kind, entry.about.casefold()))
    return 8 if all(word in everywhere for word in words) else None


def found(entries: Sequence[FinderEntry], words: str) -> list[FinderEntry]:
    """Those in which every word is found: what is called so first, then whole words, then beginnings;
    of equal ones what applies now, then commands and coats before styles and fonts."""
    wanted = words.casefold().replace("…", "").split()
    if not wanted:
        return [entry for entry in entries if not entry.why][:MOST]
    begun = [rf"\b{re.escape(word)}" for word in wanted]
    whole = [rf"{pattern}\b" for pattern in begun]
    ranked = []
    for place, entry in enumerate(entries):
        score = _score(entry, wanted, whole, begun)
        if score is not None:
            # what is called quite so is the answer, though it does not apply now
            ranked.append((score, bool(entry.why), KINDS.index(entry.kind), place, entry))
    ranked.sort(key=lambda one: one[:4])
    return [one[4] for one in ranked[:MOST]]
