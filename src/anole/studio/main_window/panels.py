"""The board between its two panels: how wide they are, hidden or not, for each stage."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QResizeEvent
from PyQt6.QtWidgets import QSplitter, QStackedWidget, QWidget

from ..documents.settings import Settings
from ..shared.shell import Stage

SIDE, WIDE_SIDE = 256, 272
"""px of a panel; of the build-up's where the window is wide."""
WIDE_WINDOW, LEAST_SIDE, LEAST_MIDDLE = 1200, 240, 300
MOST_WIDE = 20_000
Three = tuple[Sequence[QWidget], Sequence[QWidget], Sequence[QWidget]]


class Panels(QSplitter):
    """Left, middle and right for each stage. What the user pulls wider stays so."""

    def __init__(self, settings: Settings, parts: Three) -> None:
        super().__init__(Qt.Orientation.Horizontal)
        self._settings = settings
        self.left, self.middle, self.right = (QStackedWidget() for _ in range(3))
        for stack, widgets in zip((self.left, self.middle, self.right), parts, strict=True):
            for widget in widgets:
                stack.addWidget(widget)
            self.addWidget(stack)
        for side in (self.left, self.right):
            side.setObjectName("panel")
            side.setMinimumWidth(LEAST_SIDE)
        self.middle.setMinimumWidth(LEAST_MIDDLE)
        self.setChildrenCollapsible(False)
        self.setHandleWidth(1)
        self.setStretchFactor(1, 1)
        self.beside: QWidget | None = None
        """What stands to the right in place of the stage's panel."""
        self._beside_wide = SIDE
        # by stage: the widths of both panels, as far as somebody pulled at them
        self._pulled: dict[str, list[int]] = {}
        for stage, sides in settings.get("panels", {}).items():
            if _is_sound(sides):
                self._pulled[stage] = sides
        self.splitterMoved.connect(self._remember)

    @property
    def stage(self) -> Stage:
        """The stage that is open."""
        return Stage(self.left.currentIndex())

    def show_stage(self, stage: Stage) -> None:
        """Open a stage's panels."""
        self.left.setCurrentIndex(stage)
        self.right.setCurrentIndex(stage)
        self.beside = None
        self.middle.setCurrentIndex(1 if stage == Stage.PROOF else 0)
        self._arrange()

    def show_beside(self, widget: QWidget | None, wide: int = SIDE) -> None:
        """In place of the stage's panel, `wide` px; None for the panel again."""
        self.beside, self._beside_wide = widget, wide
        self.right.setCurrentWidget(widget or self.right.widget(self.stage))
        self._arrange()

    @property
    def hidden(self) -> bool:
        """Whether the board is all that is seen."""
        return self.left.isHidden()

    def hide_panels(self, on: bool) -> None:
        """Leave the board alone, or bring the panels back."""
        self.left.setVisible(not on)
        self.right.setVisible(not on)

    def _sides(self) -> list[int]:
        wide = self.stage == Stage.COAT and self.width() >= WIDE_WINDOW
        left, right = self._pulled.get(self.stage.name, [WIDE_SIDE if wide else SIDE, SIDE])
        return [left, right if self.beside is None else self._beside_wide]

    def _arrange(self) -> None:
        left, right = self._sides()
        self.setSizes([left, max(self.width() - left - right, LEAST_MIDDLE), right])

    def _remember(self) -> None:
        left, _, right = self.sizes()
        if self.beside is not None:
            self._beside_wide = right
            return
        self._pulled[self.stage.name] = [left, right]
        self._settings.put("panels", dict(self._pulled))

    def resizeEvent(self, event: QResizeEvent | None) -> None:
        super().resizeEvent(event)
        self._arrange()


def _is_sound(sides: object) -> bool:
    return (
        isinstance(sides, list)
        and len(sides) == 2
        and all(type(side) is int and LEAST_SIDE <= side < MOST_WIDE for side in sides)
    )
