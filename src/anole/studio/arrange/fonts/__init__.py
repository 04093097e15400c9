"""Fonts are chosen: rows in their own letters, filters, details."""
