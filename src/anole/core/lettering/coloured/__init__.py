"""Glyphs that a font gives colours of their own (COLR, CBDT, sbix, SVG): how they are painted, and
their silhouettes."""
