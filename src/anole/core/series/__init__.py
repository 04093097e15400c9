"""One board rendered many times from a table of words and pictures."""
