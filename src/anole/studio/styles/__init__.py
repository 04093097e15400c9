"""Styles on the user's own words: the shelf, all of them, variations of one, packs."""
