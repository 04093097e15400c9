"""The controls, one for each type of field."""
