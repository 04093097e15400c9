"""Controls that hold one of several: by word, by picture, among files."""
