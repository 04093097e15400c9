"""What comes into a board and goes out of it: clipboard, drops, pictures, fonts, exports."""
