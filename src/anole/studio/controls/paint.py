"""Paint: which kind, and the editor of that kind."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, NamedTuple, get_args

import msgspec
from PyQt6.QtCore import pyqtSignal

from ...core.model import (
    Backdrop,
    Colour,
    ColourPaint,
    Gradient,
    ImagePaint,
    Ink,
    LetterPaint,
    OwnPaint,
    Paint,
    Pattern,
    Stop,
)
from ...core.paint.clusters import pair_of
from .base.control import Context, Control
from .base.layouts import column
from .base.table import CONTROLS
from .choices.choice import Choice
from .gradients.gradient_page import GradientPage
from .page import ColourPage, FieldsPage, Page, PicturePage


def _pair(colour: Colour) -> tuple[Stop, Stop]:
    """The colour and a dark of its hue: where a gradient starts."""
    return Stop(0.0, colour), Stop(1.0, pair_of(colour)[1])


def _inks(colour: Colour) -> tuple[Ink, Ink]:
    light, dark = pair_of(colour)
    return Ink(dark), Ink(light)


class Kind(NamedTuple):
    """`start` makes the paint from the colour of the one before."""

    title: str
    struct: type[msgspec.Struct]
    page: Callable[[], Page]
    start: Callable[[Colour], Any]


KINDS = (
    Kind("colour", ColourPaint, ColourPage, lambda c: ColourPaint(colour=c)),
    Kind("gradient", Gradient, GradientPage, lambda c: Gradient(stops=_pair(c))),
    Kind(
        "pattern",
        Pattern,
        lambda: PicturePage(Pattern, "the pattern"),
        lambda c: Pattern(inks=_inks(c)),
    ),
    Kind("picture", ImagePaint, lambda: PicturePage(ImagePaint), lambda _: ImagePaint()),
    Kind(
        "the background",
        Backdrop,
        lambda: FieldsPage(Backdrop, "The clean ground or what is beneath, in the letters."),
        lambda _: Backdrop(),
    ),
    Kind(
        "the letters' colours",
        LetterPaint,
        lambda: FieldsPage(
            LetterPaint, "Each letter in its own colour: Arrange, Letter by letter."
        ),
        lambda _: LetterPaint(),
    ),
    Kind(
        "the coats beneath",
        OwnPaint,
        lambda: FieldsPage(OwnPaint, "What the lower coats painted, changed by the tone below."),
        lambda _: OwnPaint(),
    ),
)


def first_colour(paint: Any) -> Colour:
    """The colour that another kind of paint starts from."""
    if isinstance(paint, ColourPaint):
        return paint.colour
    if isinstance(paint, Pattern):
        return next((i.colour for i in paint.inks if i.colour), Colour(240, 200, 120))
    return paint.stops[0].colour if isinstance(paint, Gradient) else Colour(240, 200, 120)


class PaintControl(Control):
    """`choosing`: another kind of paint's page is up."""

    choosing = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self._paint: Any = ColourPaint()
        self._context: Context | None = None
        self.kind = Choice("Painted with", [kind.title for kind in KINDS], "The kind of paint")
        self.pages: dict[type, Page] = {}
        self._column = column(self, self.kind)
        self.kind.edited.connect(lambda title, _: self.switch(title))

    def take(self, context: Context) -> None:
        self._context = context
        for page in self.pages.values():
            page.take(context)

    def page(self, struct: type) -> Page:
        """The editor of a kind, made when it is first needed."""
        if struct not in self.pages:
            made = next(kind for kind in KINDS if kind.struct is struct).page()
            made.edited.connect(self._send)
            if self._context is not None:
                made.take(self._context)
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


CONTROLS.add(frozenset(get_args(Paint)), lambda info: PaintControl())
