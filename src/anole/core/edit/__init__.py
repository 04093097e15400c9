"""Named operations board -> board: what menus, keys, the command line and tests all call."""
