"""From words to outlines."""
