"""The page on which a board begins with its words."""
