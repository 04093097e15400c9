"""What is wrong with an SVG."""

from __future__ import annotations


class SvgError(ValueError):
    """An SVG that is not drawn; the message says why, for the user."""


class SvgTroubles:
    """What of a file is left out, each said once, in the order it was met."""

    MOST = 12

    def __init__(self) -> None:
        self._said: dict[str, None] = {}

    def add(self, what: str) -> None:
        """Note one thing that is left out."""
        if len(self._said) < self.MOST:
            self._said[what] = None

    def told(self, name: str) -> tuple[str, ...]:
        """One sentence about a file; none where nothing is left out."""
        if not self._said:
            return ()
        return (f"{name} is drawn without {', '.join(self._said)}",)
