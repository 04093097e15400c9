"""A style read off a picture: where it is looked at, what was found, and the user's words wearing it."""
