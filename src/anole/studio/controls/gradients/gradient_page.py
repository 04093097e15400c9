"""The editor of a gradient: bar, stop colour, folding, CSS text, named gradients, numbers."""

from __future__ import annotations

from typing import Any

import msgspec
from PyQt6.QtCore import Qt
from PyQt6.QtGui import QGuiApplication, QKeyEvent
from PyQt6.QtWidgets import QPushButton

from ....core.model import Gradient, Stop
from ....core.paint.clusters import pair_of
from ...shared.session import session_of
from ..base.control import Context
from ..base.fields import FieldPanel
from ..base.layouts import column, row
from ..base.trying import Trying
from ..colours.colour import ColourControl
from ..colours.found_colours import FoundColours
from ..page import Page
from .gradient_bar import GradientBar
from .gradient_shelf import GradientShelf


class GradientPage(Page):
    def __init__(self) -> None:
        super().__init__()
        self._paint = Gradient()
        self._trying = Trying(self)
        self.bar = GradientBar()
        self.colour: ColourControl = ColourControl("Colour of the stop")
        self.more = FieldPanel(Gradient, skip=("stops",))
        self.shelf, self.found = GradientShelf(), FoundColours()
        self.fold, self.pair = QPushButton("Mirror"), QPushButton("Light and dark")
        self.written, self.read = QPushButton("CSS out"), QPushButton("CSS in")
        self.fold.setToolTip("Mirror the gradient in the middle of its frame, or not (F)")
        self.pair.setToolTip("A light and a dark of the chosen stop's hue")
        self.written.setToolTip("The gradient as CSS text, for the clipboard")
        self.read.setToolTip("Take the gradient that lies in the clipboard as CSS text")
        layout = column(self, self.bar, self.colour, self.shelf, self.found, self.more)
        layout.insertLayout(1, row(self.fold, self.pair, gap=4))
        layout.insertLayout(2, row(self.written, self.read, gap=4))
        self.bar.edited.connect(self._send)
        self.bar.chosen.connect(lambda _: self._show_stop())
        self.colour.edited.connect(self.bar.set_colour)
        self.more.edited.connect(self._field)
        self.fold.clicked.connect(self.fold_over)
        self.pair.clicked.connect(self._pair)
        self.written.clicked.connect(self.copy_css)
        self.read.clicked.connect(self.paste_css)
        self.shelf.chosen.connect(self._taken)
        self.shelf.pointed.connect(self._look)
        self.shelf.left.connect(self._trying.leave)
        self.found.coloured.connect(lambda c: self.bar.set_colour(c, None))
        self.found.made.connect(
            lambda g: self._send(msgspec.structs.replace(self._paint, stops=g.stops), None)
        )

    def take(self, context: Context) -> None:
        self.more.take(context)

    def value(self) -> Any:
        return self._paint

    def set_value(self, value: Any) -> None:
        self._paint = value
        self.bar.show_gradient(value)
        self.more.show_struct(value)
        self.shelf.show_gradient(value)
        self._show_stop()

    def _show_stop(self) -> None:
        self.colour.set_value(self._paint.stops[self.bar.index].colour)

    def _send(self, paint: Any, token: object | None) -> None:
        self.set_value(paint)
        self.edited.emit(paint, token)

    def _field(self, name: str, value: Any, token: object | None) -> None:
        self._send(msgspec.structs.replace(self._paint, **{name: value}), token)

    def _taken(self, gradient: Gradient) -> None:
        """Its colours; over the frame as before, unless it is of another shape or folded."""
        self._send(self._over_frame(gradient), None)

    def _over_frame(self, gradient: Gradient) -> Gradient:
        if gradient.shape == "linear" and self._paint.shape in ("linear", "edge"):
            kept = {name: getattr(self._paint, name) for name in ("shape", "frame", "angle")}
        else:
            kept = {"frame": self._paint.frame}
        return msgspec.structs.replace(gradient, **kept)

    def _look(self, gradient: Gradient) -> None:
        """Show the board with it while it is pointed at."""
        self._trying.look(self._over_frame(gradient))

    def fold_over(self) -> None:
        """Folded, it runs to the middle of its frame and back."""
        folded = self._paint.spread == "reflect" and self._paint.scale == 0.5
        fields = {"spread": "pad", "scale": 1.0} if folded else {"spread": "reflect", "scale": 0.5}
        self._send(msgspec.structs.replace(self._paint, **fields), None)

    def _pair(self) -> None:
        light, dark = pair_of(self._paint.stops[self.bar.index].colour)
        stops = (Stop(0.0, light), Stop(1.0, dark))
        self._send(msgspec.structs.replace(self._paint, stops=stops), None)

    def copy_css(self) -> None:
        """Put the gradient on the clipboard as CSS."""
        from ....core.files import css

        clipboard = QGuiApplication.clipboard()
        if clipboard is not None:
            clipboard.setText(css.text(self._paint))

    def paste_css(self) -> None:
        """Take a gradient of CSS from the clipboard."""
        from ....core.files import css

        clipboard, session = QGuiApplication.clipboard(), session_of(self)
        try:
            made = css.parse(clipboard.text() if clipboard is not None else "")
        except css.CssError as error:
            if session is not None:
                session.document.said.emit(f"The clipboard holds no gradient: {error}")
            return
        self._send(msgspec.structs.replace(made, frame=self._paint.frame), None)

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        if event is not None and event.key() == Qt.Key.Key_F and not event.modifiers():
            self.fold_over()
            return
        super().keyPressEvent(event)
