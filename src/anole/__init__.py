"""Anole: words in fat type, styled with a stack of live coats."""

__version__ = "0.1.0"
