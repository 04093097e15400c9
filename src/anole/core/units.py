"""What lengths are measured by at a render scale."""

from __future__ import annotations

from typing import NamedTuple

from .model import Length


class Units(NamedTuple):
    """em in board px, the board's dpi, and px of the picture for one board px."""

    em: float
    dpi: float = 96.0
    scale: float = 1.0

    def finer(self, by: int) -> Units:
        """The same with `by` px where there is one."""
        return self._replace(scale=self.scale * by)

    def px(self, length: Length) -> float:
        """A length in px of the render scale."""
        return length.px(self.em, self.dpi) * self.scale
