"""What all controls are made of: the control itself, the table that finds one for a field, rows, sections."""
