"""Choice: one of a few words."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any, Literal

from ...look.plain import Label
from ..base.control import Control
from ..base.field_label import FieldLabel
from ..base.layouts import column, row
from ..base.table import CONTROLS, options_of
from .combo_box import ComboBox

ROOM = 98
"""px for the longest word beside a name, in a panel of its least width."""


class Choice(Control):
    """`words`: what people read in place of an option's own word."""

    def __init__(
        self,
        title: str,
        options: Sequence[str],
        about: str = "",
        words: Mapping[str, str] | None = None,
    ) -> None:
        super().__init__()
        self._options = list(options)
        self.box = ComboBox()
        self.box.addItems([(words or {}).get(option, option) for option in self._options])
        self.box.setAccessibleName(title)
        if self._is_wide():
            # no word is cut: the name stands above then
            column(self, Label(title), self.box, gap=2)
        else:
            self.setLayout(row(FieldLabel(title), self.box, stretch=1))
        self.setToolTip(about)
        self.box.activated.connect(lambda i: self.edited.emit(self._options[i], None))

    def _is_wide(self) -> bool:
        """Whether a word needs more room than there is beside the name."""
        metrics = self.box.fontMetrics()
        texts = (self.box.itemText(n) for n in range(self.box.count()))
        return max(map(metrics.horizontalAdvance, texts), default=0) > ROOM

    def value(self) -> Any:
        return self._options[self.box.currentIndex()]

    def set_value(self, value: Any) -> None:
        self.box.setCurrentIndex(self._options.index(value))


CONTROLS.add(
    Literal,
    lambda info: Choice(info.title, options_of(info), info.about, info.extra.get("words")),
)
