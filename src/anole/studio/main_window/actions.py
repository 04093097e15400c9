"""The one place that knows how a command becomes a QAction, and a menu of them a QMenu."""

from __future__ import annotations

from collections.abc import Sequence

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QAction, QKeySequence
from PyQt6.QtWidgets import QMenu, QMenuBar, QWidget

from ..commands import COMMANDS, MENUS, Answer, Choices, Command
from ..shared.session import Session

NEAR = {"delete", "rename"}
"""Commands whose keys count on the board and in the list beside it alone: elsewhere a control may
have the focus that takes them for its own."""


class Actions(dict[str, QAction]):
    """An action for every command; those of NEAR listen once `listen_on` was told where."""

    def __init__(self, session: Session, window: QWidget) -> None:
        super().__init__()
        self.session = session
        for command in COMMANDS:
            if command.id in self:
                raise ValueError(f"the command {command.id!r} is listed twice")
            action = QAction(command.title, window)
            action.setShortcuts([QKeySequence(keys) for keys in command.keys])
            action.triggered.connect(lambda _=False, c=command: c.when(session) and c.run(session))
            if command.id not in NEAR:
                window.addAction(action)
            self[command.id] = action

    def listen_on(self, *widgets: QWidget) -> None:
        """Keys of editing work in these widgets, and not where a text field has its own."""
        for name in NEAR:
            self[name].setShortcutContext(Qt.ShortcutContext.WidgetWithChildrenShortcut)
            for widget in widgets:
                widget.addAction(self[name])

    def refresh(self) -> None:
        """Switch off what does not apply now."""
        for command in COMMANDS:
            self[command.id].setEnabled(command.when(self.session))

    # menus

    def menu_bar(self, bar: QMenuBar) -> None:
        """Fill a bar with all menus; they are filled when they are opened."""
        for menu in MENUS:
            opened = bar.addMenu(menu.title)
            assert opened is not None
            opened.aboutToShow.connect(lambda o=opened, m=menu: self._fill(o, m.items))

    def context_menu(self, kind: str, parent: QWidget) -> QMenu:
        """What can be done with a thing of a kind, from the same list."""
        context = QMenu(parent)
        context.setAttribute(Qt.WidgetAttribute.WA_DeleteOnClose)
        self.refresh()
        for menu in MENUS:
            fitting = [item for item in menu.items if item is not None and kind in item.on]
            if fitting and not context.isEmpty():
                context.addSeparator()
            self._add(context, fitting)
        return context

    def _fill(self, menu: QMenu, items: Sequence[Command | Choices | None]) -> None:
        menu.clear()
        self.refresh()
        self._add(menu, items)

    def _add(self, menu: QMenu, items: Sequence[Command | Choices | None]) -> None:
        for item in items:
            if item is None:
                menu.addSeparator()
            elif isinstance(item, Command):
                menu.addAction(self[item.id])
            else:
                self._add_choices(menu, item)

    def _add_choices(self, menu: QMenu, choices: Choices) -> None:
        unfolded = menu.addMenu(choices.title)
        assert unfolded is not None
        for choice in choices.entries(self.session):
            self._add_choice(unfolded, choice)
        unfolded.setEnabled(not unfolded.isEmpty())

    def _add_choice(self, menu: QMenu, choice: Answer) -> None:
        title = choice.title.replace("&", "&&")
        action = menu.addAction(title, lambda: choice.run(self.session))
        if action is not None and choice.chosen is not None:
            action.setCheckable(True)
            action.setChecked(choice.chosen)
