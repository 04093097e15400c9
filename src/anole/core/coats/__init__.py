"""One file per coat: what it reads and what it paints; and the registry that lists them."""
