"""The right end of the shelf: styles found, what is worn, whose colours, and saving a style."""

from __future__ import annotations

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtGui import QKeyEvent
from PyQt6.QtWidgets import (
    QCheckBox,
    QGridLayout,
    QLineEdit,
    QMenu,
    QPushButton,
    QStackedWidget,
    QWidget,
)

from ...core.edit.style_setting import setting_of
from ...core.edit.wearing import is_changed
from ...core.model import Coated, Setting
from ..commands import worn
from ..look.plain import tip
from ..shared.session import Session
from .colour_choice import ColourChoice

LONGEST = 20
"""Letters of a style's name on the button."""


class WornButton(QPushButton):
    """The style that the piece wears and whether it was changed since; its menu carries the changes
    on, takes them back, or cuts the piece loose."""

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        menu = QMenu(self)
        self.answers = [
            (
                menu.addAction("Update the style", lambda: worn.carry(session)),
                worn.changed,
            ),
            (
                menu.addAction("Reset to the style", lambda: worn.strip_back(session)),
                worn.changed,
            ),
            (menu.addAction("Detach from the style", lambda: worn.cut(session)), worn.worn_name),
            (
                menu.addAction("Update the boards of a folder…", lambda: worn.ask_folder(session)),
                worn.wears,
            ),
        ]
        menu.aboutToShow.connect(self._switch)
        self.setMenu(menu)

    def _switch(self) -> None:
        for action, when in self.answers:
            if action is not None:
                action.setEnabled(bool(when(self.session)))

    def refresh(self, piece: Coated | None) -> None:
        """What it says and offers."""
        name = piece.worn.name if piece is not None and piece.worn is not None else ""
        short = name if len(name) <= LONGEST else f"{name[: LONGEST - 1]}…"
        changed = piece is not None and bool(name) and is_changed(piece)
        state = ", changed" if changed else ""
        self.setText(f"{short}{state}" if name else "No saved style")
        self.setEnabled(bool(name))
        self.setAccessibleName(f"Style worn: {name or 'none'}{state}")
        self.setToolTip(tip(f"Wears {name}{state}" if name else "The piece wears no saved style"))


class ShelfSide(QStackedWidget):
    """`searched(text)`; `saved(name, with the setting)`: what was typed to save under."""

    searched = pyqtSignal(str)
    saved = pyqtSignal(str, bool)

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.setFixedWidth(316)
        self.search, self.everything = QLineEdit(), QPushButton("All styles")
        self.worn, self.save = WornButton(session), QPushButton("Save style")
        self.colours = ColourChoice(session)
        self.search.setPlaceholderText("Find a style")
        self.search.setAccessibleName("Find styles by name or by words such as gold, wood, worn")
        self.search.setToolTip("By name or by a word: gold, metal, glass, wood, worn, sweet…")
        self.search.setClearButtonEnabled(True)
        self.search.textChanged.connect(self.searched)
        self.everything.setToolTip("Every style on your words, large (Ctrl+L)")
        self.everything.clicked.connect(lambda: session.shell.do("all styles"))
        self.save.setToolTip("Save these coats in your library, under a name (Ctrl+Shift+K)")
        self.save.clicked.connect(lambda: session.shell.do("save style"))
        self.addWidget(self._finding())
        self.addWidget(self._saving())

    def _finding(self) -> QWidget:
        page = QWidget()
        grid = _grid(page)
        for number, part in enumerate((self.search, self.everything, self.worn, self.save)):
            grid.addWidget(part, *divmod(number, 2))
        grid.addWidget(self.colours, 2, 0, 1, 2)
        grid.setColumnStretch(0, 1)
        return page

    def _saving(self) -> QWidget:
        page = QWidget()
        self.name, self.setting = QLineEdit(), QCheckBox("with rails, tracking and pose")
        self.take, self.leave = QPushButton("Save style"), QPushButton("Cancel")
        self.take.setObjectName("main")
        self.name.setPlaceholderText("name, then Enter")
        self.name.setAccessibleName("Name of the style")
        self.setting.setToolTip("The style sets these too, wherever it is put on")
        grid = _grid(page)
        grid.addWidget(self.name, 0, 0, 1, 2)
        grid.addWidget(self.setting, 1, 0, 1, 2)
        grid.addWidget(self.take, 2, 0)
        grid.addWidget(self.leave, 2, 1)
        self.name.returnPressed.connect(self._save)
        self.take.clicked.connect(self._save)
        self.leave.clicked.connect(self.fold)
        return page

    def ask_name(self, piece: Coated) -> None:
        """Ask for the name to save under: that of the style worn, where it is one."""
        self.setting.setChecked(False)
        self.setting.setEnabled(setting_of(piece) != Setting())
        self.setCurrentIndex(1)
        self.name.setFocus(Qt.FocusReason.OtherFocusReason)

    def fold(self) -> None:
        """Back to finding."""
        self.name.clear()
        self.setCurrentIndex(0)

    def _save(self) -> None:
        if self.name.text().strip():
            self.saved.emit(self.name.text().strip(), self.setting.isChecked())

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        assert event is not None
        if event.key() == Qt.Key.Key_Escape and self.currentIndex() == 1:
            self.fold()
        else:
            super().keyPressEvent(event)


def _grid(page: QWidget) -> QGridLayout:
    grid = QGridLayout(page)
    grid.setContentsMargins(0, 0, 0, 0)
    grid.setHorizontalSpacing(6)
    grid.setVerticalSpacing(4)
    return grid
