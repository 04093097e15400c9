"""What the list of fonts asks of the worker: words in a font, and how thick stems are."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtGui import QImage

from ....core.lettering.fonts import FontFile
from ....core.lettering.stems import stem_of
from ....core.model import Font
from ...look import theme
from ...rendering.worker import Job, Worker
from .word_images import tinted, words_coverage

STEMS_AT_ONCE = 12


def words_job(text: str, font: Font, width: int, height: int) -> Job:
    """Words in a font as a small picture in the theme's colour."""
    colour = theme.colour("text")

    def job(worker: Worker) -> QImage:
        return tinted(words_coverage(text, font, width, height), colour)

    return job


def stems_job(files: Sequence[FontFile]) -> Job:
    """How thick the stems of the first fonts are, by family: some at a time."""
    return lambda worker: {file.family: stem_of(file) for file in files[:STEMS_AT_ONCE]}
