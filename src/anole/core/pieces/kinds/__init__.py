"""One file a kind of piece: what it declares, the shape that coats work on, its own px."""
