"""The board as its audience meets it: filters of sight, contrast along the rim, legibility."""
