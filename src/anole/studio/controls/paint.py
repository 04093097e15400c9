"""Paint: which kind, and the editor of that kind."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from PyQt6.QtCore import pyqtSignal

from ...core.model import ColourPaint, Gradient, ImagePaint, Pattern
from ...core.model.paints import PAINTS
from ...core.paint.source import KINDS
from ...core.registry import Registry
from .base.control import Context, Control
from .base.layouts import column
from .base.table import CONTROLS
from .choices.choice import Choice
from .gradients.gradient_page import GradientPage
from .page import ColourPage, FieldsPage, Page, PicturePage

PAGES: Registry[type, Callable[[], Page]] = Registry(
    "page of a paint",
    {
        ColourPaint: ColourPage,
        Gradient: GradientPage,
        Pattern: lambda: PicturePage(Pattern, "the pattern"),
        ImagePaint: lambda: PicturePage(ImagePaint),
    },
)
"""Editors of paints; others have one made of their fields."""


def _page(struct: type) -> Page:
    return PAGES[struct]() if struct in PAGES else FieldsPage(struct, KINDS[struct].about)


class PaintControl(Control):
    """`choosing`: another kind of paint's page is up."""

    choosing = pyqtSignal()

    def __init__(self) -> None:
        super().__init__()
        self._paint: Any = ColourPaint()
        self._context: Context | None = None
        self.kind = Choice(
            "Painted with", [kind.title for kind in KINDS.values()], "The kind of paint"
        )
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
            made = _page(struct)
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
        self.kind.set_value(KINDS[type(value)].title)
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
        kind = next(kind for kind in KINDS.values() if kind.title == title)
        before = KINDS[type(self._paint)]
        if kind is before:
            return
        paint = kind.begun(before.first_colour(self._paint))
        self.set_value(paint)
        self.edited.emit(paint, None)
        self.choosing.emit()


CONTROLS.add(PAINTS, lambda info: PaintControl())
