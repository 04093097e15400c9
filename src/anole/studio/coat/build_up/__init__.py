"""The build-up: one cut through a letter, with the coats on their spans."""
