"""One file per kind of piece: how it becomes steps of a frame."""
