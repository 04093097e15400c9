"""SVG as far as a static picture goes: read, its rules applied, its outlines, its drawing.

Files of strangers: all but `asset` runs in the helper alone.
"""
