"""What gives the window its look, and knows nothing of boards: theme, icons, painters, plain text, sheets,
the bar at the foot."""
