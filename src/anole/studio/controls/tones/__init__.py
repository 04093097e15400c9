"""Controls of tones: the list, lines drawn on a histogram, handles."""
