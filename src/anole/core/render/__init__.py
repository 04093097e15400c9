"""From a board to pixels: what to recompute, in which order, in bands."""
