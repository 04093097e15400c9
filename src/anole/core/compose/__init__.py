"""The steps a frame is composed of: blending, and the compiled table that spans them."""
