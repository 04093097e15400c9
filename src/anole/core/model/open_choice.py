"""A choice of words that others can add to: a new pattern or format is one more of them."""

from __future__ import annotations

import difflib
from collections.abc import Collection, Iterator
from contextlib import contextmanager

from ..text import short


class OpenChoice(type):
    """A class whose instances are its words, as msgspec asks of what its hook returns.

    Fields are annotated with it; their values are plain texts.
    """

    what: str
    words: Collection[str]

    def __new__(cls, what: str, words: Collection[str]) -> OpenChoice:
        return super().__new__(cls, what, (), {})

    def __init__(cls, what: str, words: Collection[str]) -> None:
        """`words` are looked at anew whenever they are asked: a registry by them, or a list."""
        super().__init__(what, (), {})
        cls.what, cls.words = what, words

    def __instancecheck__(cls, value: object) -> bool:
        return value in cls.words

    def parse(cls, text: str) -> str:
        """The word. Raises ValueError for one that is not among them."""
        if text not in cls.words:
            like = ", ".join(difflib.get_close_matches(text[:60], cls.words, 3, 0.0))
            raise ValueError(f"there is no {cls.what} {short(repr(text), 40)}; nearest are {like}")
        return text

    @contextmanager
    def lent(cls, word: str) -> Iterator[None]:
        """One more word for as long as a block runs; where words are a list of its own."""
        assert isinstance(cls.words, list) and word not in cls.words
        cls.words.append(word)
        try:
            yield
        finally:
            cls.words.remove(word)
