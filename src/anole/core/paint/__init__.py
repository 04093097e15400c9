"""Colours onto pixels: colour spaces, gradients, blending, dithering."""
