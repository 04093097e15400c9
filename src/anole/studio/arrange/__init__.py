"""The stage where words and pieces are placed."""
