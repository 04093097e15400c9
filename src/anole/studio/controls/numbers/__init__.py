"""Controls of numbers: lengths, spans, factors, what can be typed into them."""
