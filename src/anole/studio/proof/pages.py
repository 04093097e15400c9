"""The pages that a thumbnail is met on."""

from __future__ import annotations

DARK, LIGHT = ("#141414", "#c8c8c8"), ("#f6f6f6", "#4a4a4a")


def page_colours(light: bool) -> tuple[str, str]:
    """Paper and ink."""
    return LIGHT if light else DARK
