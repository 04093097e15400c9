"""Everything that makes a picture of a board; knows nothing of windows."""
