"""Pictures for the window: the thread that renders, its buffers, and what it reads for them."""
