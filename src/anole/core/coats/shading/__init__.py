"""Light on coats: heights, normals, lamps, highlights, flares; tables and rows of what is lit."""
