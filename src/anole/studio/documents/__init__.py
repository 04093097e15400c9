"""The open board and its files: history, what is chosen, reading and saving, recovery, the library of
styles, settings."""
