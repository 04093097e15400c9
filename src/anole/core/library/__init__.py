"""Styles on disk: the built-in ones and the user's own."""
