"""Paint: which kind, and the editor of that kind."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, NamedTuple

import msgspec
from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QLabel, QVBoxLayout, QWidget

from ...core.model import Colour, ColourPaint, Gradient, LetterPaint, Stop
from .choice import Choice
from .colour import ColourControl
from .control import Control
from .gradient_bar import GradientBar


class Page(Control):
    """The editor of one kind of paint."""

    colour: ColourControl | None = None


class ColourPage(Page):
    def __init__(self) -> None:
        super().__init__()
        self.colour: ColourControl = ColourControl()
        column(self, self.colour)
        self.colour.edited.connect(lambda c, t: self.edited.emit(ColourPaint(colour=c), t))

    def set_value(self, value: Any) -> None:
        self.colour.set_value(value.colour)


class GradientPage(Page):
    def __init__(self) -> None:
        super().__init__()
        from .fields import FieldPanel

        self._paint = Gradient()
        self.bar = GradientBar()
        self.colour: ColourControl = ColourControl()
        self.more = FieldPanel(Gradient, skip=("stops",))
        column(self, self.bar, self.colour, self.more)
        self.bar.edited.connect(self._send)
        self.bar.chosen.connect(lambda _: self._show_stop())
        self.colour.edited.connect(self.bar.set_colour)
        self.more.edited.connect(self._field)

    def set_value(self, value: Any) -> None:
        self._paint = value
        self.bar.show_gradient(value)
        self.more.show_struct(value)
        self._show_stop()

    def _show_stop(self) -> None:
        self.colour.set_value(self._paint.stops[self.bar.index].colour)

    def _send(self, paint: Any, token: object | None) -> None:
        self._paint = paint
        self.edited.emit(paint, token)

    def _field(self, name: str, value: Any, token: object | None) -> None:
        self._send(msgspec.structs.replace(self._paint, **{name: value}), token)


class PlainPage(Page):
    """A paint whose fields are all there is to it, under a line that says what it does."""

    def __init__(self, struct: type[msgspec.Struct], about: str) -> None:
        super().__init__()
        from .fields import FieldPanel

        self._paint: Any = struct()
        words = QLabel(about)
        words.setObjectName("dim")
        words.setWordWrap(True)
        self.fields = FieldPanel(struct)
        column(self, words, self.fields)
        self.fields.edited.connect(self._field)

    def set_value(self, value: Any) -> None:
        self._paint = value
        self.fields.show_struct(value)

    def _field(self, name: str, value: Any, token: object | None) -> None:
        self._paint = msgspec.structs.replace(self._paint, **{name: value})
        self.edited.emit(self._paint, token)


def column(owner: QWidget, *parts: QWidget) -> QVBoxLayout:
    """Stack widgets without margins."""
    made = QVBoxLayout(owner)
    made.setContentsMargins(0, 0, 0, 0)
    made.setSpacing(6)
    for part in parts:
        made.addWidget(part)
    return made


def _two_tones(first: Colour) -> Gradient:
    """A light and a dark of one hue: where a gradient starts."""
    dark = Colour(first.r * 5 // 9, first.g // 2, first.b * 5 // 9, first.a)
    return Gradient(stops=(Stop(0.0, first), Stop(1.0, dark)))


class Kind(NamedTuple):
    """`start` makes the paint from the colour of the one before."""

    title: str
    struct: type[msgspec.Struct]
    page: Callable[[], Page]
    start: Callable[[Colour], Any]


KINDS = (
    Kind("colour", ColourPaint, ColourPage, lambda c: ColourPaint(colour=c)),
    Kind("gradient", Gradient, GradientPage, _two_tones),
    Kind("the letters' colours", LetterPaint,
         lambda: PlainPage(LetterPaint, "Each letter in its own colour: Arrange, Letter by letter."),
         lambda _: LetterPaint()),
)  # fmt: skip


def first_colour(paint: Any) -> Colour:
    """The colour that another kind of paint starts from."""
    if isinstance(paint, ColourPaint):
        return paint.colour
    return paint.stops[0].colour if isinstance(paint, Gradient) else Colour(240, 200, 120)


class PaintControl(Control):
    """`choosing`: another kind of paint's page is up."""

    choosing = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self._paint: Any = ColourPaint()
        self.kind = Choice("Painted with", [kind.title for kind in KINDS], "The kind of paint")
        self.pages: dict[type, Page] = {}
        self._column = column(self, self.kind)
        self.kind.edited.connect(lambda title, _: self.switch(title))

    def page(self, struct: type) -> Page:
        """The editor of a kind, made when it is first needed."""
        if struct not in self.pages:
            made = next(kind for kind in KINDS if kind.struct is struct).page()
            made.edited.connect(self._send)
            self.pages[struct] = made
            self._column.addWidget(made)
        return self.pages[struct]

    def value(self) -> Any:
        return self._paint

    def set_value(self, value: Any) -> None:
        self._paint = value
        self.kind.set_value(next(kind.title for kind in KINDS if isinstance(value, kind.struct)))
        shown = self.page(type(value))
        shown.set_value(value)
        for page in self.pages.values():
            if page.isHidden() == (page is shown):
                page.setVisible(page is shown)

    def _send(self, paint: Any, token: object | None) -> None:
        self._paint = paint
        self.edited.emit(paint, token)

    def switch(self, title: str) -> None:
        """Another kind of paint, from the colours of the one before."""
        kind = next(kind for kind in KINDS if kind.title == title)
        if isinstance(self._paint, kind.struct):
            return
        paint = kind.start(first_colour(self._paint))
        self.set_value(paint)
        self.edited.emit(paint, None)
        self.choosing.emit()
