"""The board on screen: its view, its zoom, and what all tools on it are made of."""
