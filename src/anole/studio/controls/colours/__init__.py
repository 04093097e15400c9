"""Controls of colours: the field, rows of numbers, palettes, colours found in pictures, inks."""
