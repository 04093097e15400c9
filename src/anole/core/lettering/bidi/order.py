"""From levels to the order in which runs stand."""

from __future__ import annotations


def visual_order(run_levels: list[int]) -> list[int]:
    """Places of runs from left to right (rule L2): reverse every stretch at each level."""
    order = list(range(len(run_levels)))
    for level in range(max(run_levels, default=0), 0, -1):
        start = None
        for at in range(len(order) + 1):
            inside = at < len(order) and run_levels[order[at]] >= level
            if inside and start is None:
                start = at
            elif not inside and start is not None:
                order[start:at] = reversed(order[start:at])
                start = None
    return order
