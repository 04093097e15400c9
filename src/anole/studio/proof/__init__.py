"""The stage where the board is seen as its audience will see it."""
