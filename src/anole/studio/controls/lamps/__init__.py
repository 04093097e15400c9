"""Controls of directions in space: lamps and poses."""
