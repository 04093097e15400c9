"""The stage where a style is built."""
