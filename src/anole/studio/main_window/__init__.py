"""The window itself: its bars, panels and pages, its menus and its finder; it puts the rooms together."""
