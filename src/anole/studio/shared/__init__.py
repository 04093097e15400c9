"""What the parts of one window share: the session, what the window can be asked, and what only needs these."""
