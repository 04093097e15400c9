"""The process that reads strangers' bytes; nothing of the program but its reading runs there."""
