"""A board's whole history on disk, step by step, so that nothing is lost when a program ends."""

from .folder import JournalFolder, folders, journals_path
from .reader import Journal, JournalError, read
from .snapshot import Snapshot
from .writer import JournalWriter

__all__ = [
    "Journal",
    "JournalError",
    "JournalFolder",
    "JournalWriter",
    "Snapshot",
    "folders",
    "journals_path",
    "read",
]
