"""Colour spaces, and colours brought back into sRGB."""
