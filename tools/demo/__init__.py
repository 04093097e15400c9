"""The demo boards: the invented world of the Brinnelmarsh Wheelers, one file a board."""
