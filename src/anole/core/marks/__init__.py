"""Marks that stamps are made of: their outlines, and tables to draw many of them quickly."""
