"""Shapes of pieces: from letters, from rasters, joined, moved by coats; edges that two share."""
