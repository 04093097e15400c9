"""The editor of one kind of paint."""

from __future__ import annotations

from typing import Any

import msgspec

from ...core.model import ColourPaint
from ..look.plain import Label
from .base.control import Context, Control
from .base.fields import FieldPanel
from .base.layouts import column
from .choices.asset_choice import AssetChoice
from .colours.colour import ColourControl


class Page(Control):
    colour: ColourControl | None = None


class FieldsPage(Page):
    """A paint whose fields are all there is to it, under a line that says what it does."""

    def __init__(self, struct: Any, about: str = "", start: Any = None) -> None:
        super().__init__()
        self._paint: Any = start or struct()
        self.fields = FieldPanel(struct)
        layout = column(self, self.fields)
        if about:
            words = Label(about)
            words.setObjectName("dim")
            words.setWordWrap(True)
            layout.insertWidget(0, words)
        self.fields.edited.connect(self._field)

    def take(self, context: Context) -> None:
        self.fields.take(context)

    def set_value(self, value: Any) -> None:
        self._paint = value
        self.fields.show_struct(value)

    def _field(self, name: str, value: Any, token: object | None) -> None:
        self._paint = msgspec.structs.replace(self._paint, **{name: value})
        self.edited.emit(self._paint, token)


class ColourPage(Page):
    def __init__(self) -> None:
        super().__init__()
        self._paint = ColourPaint()
        self.colour: ColourControl = ColourControl()
        self.more = FieldPanel(ColourPaint, skip=("colour",))
        column(self, self.colour, self.more)
        self.colour.edited.connect(lambda c, t: self._field("colour", c, t))
        self.more.edited.connect(self._field)

    def set_value(self, value: Any) -> None:
        self._paint = value
        self.colour.set_value(value.colour)
        self.more.show_struct(value)

    def _field(self, name: str, value: Any, token: object | None) -> None:
        self._paint = msgspec.structs.replace(self._paint, **{name: value})
        self.edited.emit(self._paint, token)


class PicturePage(FieldsPage):
    """A paint that may have one of the board's pictures."""

    def __init__(self, struct: Any, empty: str = "") -> None:
        super().__init__(struct)
        self.picture = AssetChoice("Drawn by" if empty else "Picture", empty)
        layout = self.layout()
        assert layout is not None
        layout.insertWidget(0, self.picture)  # type: ignore[attr-defined]
        self.picture.edited.connect(lambda sha, t: self._field("asset", sha, t))

    def set_value(self, value: Any) -> None:
        super().set_value(value)
        self.picture.set_value(value.asset)
