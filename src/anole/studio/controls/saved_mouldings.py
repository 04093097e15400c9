"""The user's own mouldings: kept under a name, taken with a click."""

from __future__ import annotations

from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QPushButton, QWidget

from ...core.atomic import FileError
from ...core.library import mouldings
from ...core.model import Moulding
from ...core.model.moulding import NamedMoulding
from ..shared.session import session_of
from .base.keep_name import KeepName
from .base.layouts import column, row
from .choices.combo_box import ComboBox

HEAD = "your mouldings"


class SavedMouldings(QWidget):
    """`chosen(moulding)`."""

    chosen = pyqtSignal(object)

    def __init__(self) -> None:
        super().__init__()
        self.moulding = Moulding()
        self.box, self.save, self.delete = ComboBox(), QPushButton("Save"), QPushButton("Delete")
        self.name = KeepName("Name of the moulding")
        self.box.setAccessibleName("Your own mouldings")
        self.save.setToolTip("Save this moulding in your library, under a name")
        self.delete.setToolTip("Delete the moulding that is chosen here from your library")
        for button in (self.save, self.delete):
            button.setStyleSheet("padding: 4px 6px;")
        layout = column(self, self.name)
        layout.insertLayout(0, row(self.box, self.save, self.delete, gap=4, stretch=0))
        self.box.activated.connect(self._take)
        self.save.clicked.connect(lambda: self.name.ask(""))
        self.delete.clicked.connect(self._delete)
        self.name.named.connect(self._save)
        self.refresh()

    def refresh(self) -> None:
        """Show what the user has kept."""
        try:
            names = [kept.name for kept in mouldings.OWN.all()]
        except FileError as error:
            names = []
            self._say(str(error))
        self.box.clear()
        self.box.addItems([HEAD, *names])
        self.delete.setEnabled(bool(names))

    def _say(self, words: str) -> None:
        session = session_of(self)
        if session is not None:
            session.document.said.emit(words)

    def _save(self, name: str) -> None:
        try:
            mouldings.OWN.keep(NamedMoulding(name, self.moulding))
        except FileError as error:
            self._say(str(error))
        self.refresh()
        self.box.setCurrentText(name)

    def _take(self, index: int) -> None:
        if index:
            self.chosen.emit(mouldings.OWN.all()[index - 1].moulding)

    def _delete(self) -> None:
        if self.box.currentIndex():
            try:
                mouldings.OWN.remove(self.box.currentText())
            except FileError as error:
                self._say(str(error))
            self.refresh()
