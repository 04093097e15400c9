"""Scripts that make what comes along: styles, demo boards, noise."""
