"""One file a coat: what it declares, what it covers, how it is coloured."""
