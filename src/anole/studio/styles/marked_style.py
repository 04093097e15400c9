"""The marked style: its name, notes, words, author and sets, to read and, where it is one's own, to
change."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from PyQt6.QtCore import QEvent, QObject, pyqtSignal
from PyQt6.QtWidgets import (
    QHBoxLayout,
    QLineEdit,
    QPlainTextEdit,
    QPushButton,
    QVBoxLayout,
    QWidget,
)

from ...core.coats.registry import kind_of
from ...core.library import keeping
from ...core.library.sets import FAVOURITES
from ...core.library.styles import StoredStyle
from ..look.plain import Label, tip
from ..runtime.lifetimes import discard
from ..shared.session import Session
from .small_board import SmallBoard

NOTES_HIGH, MOST_BOARDS = 92, 3


class MarkedStyle(QWidget):
    """`wanted`: it is to be put on."""

    wanted = pyqtSignal()

    def __init__(self, session: Session) -> None:
        super().__init__()
        self.session = session
        self.stored: StoredStyle | None = None
        self.name, self.words, self.author, self.sets = (QLineEdit() for _ in range(4))
        self.notes = QPlainTextEdit()
        self.put_on, self.favourite = QPushButton("Put on"), QPushButton("Favourite")
        self.more, self.about, self.whose = QPushButton("More…"), Label(), Label()
        self._boards, self.small = QVBoxLayout(), SmallBoard(session)
        self._build()
        self._connect()

    def _build(self) -> None:
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.setSpacing(5)
        self.put_on.setObjectName("main")
        self.favourite.setCheckable(True)
        self.more.setToolTip("Add on top or beneath, duplicate, delete")
        self.notes.setFixedHeight(NOTES_HIGH)
        self.notes.setTabChangesFocus(True)
        for label in (self.about, self.whose):
            label.setObjectName("dim")
            label.setWordWrap(True)
        buttons = QHBoxLayout()
        for button in (self.put_on, self.favourite, self.more):
            buttons.addWidget(button)
        column.addWidget(self.name)
        column.addWidget(self.whose)
        column.addLayout(buttons)
        column.addSpacing(4)
        for title, field, about in (
            ("Notes", self.notes, "What it is good for"),
            ("Found by", self.words, "Words, with commas between: gold, metal, warm"),
            ("Author", self.author, "Who made it"),
            ("In sets", self.sets, "Sets of styles, with commas between: this season, loud"),
        ):
            head = Label(title)
            head.setObjectName("group")
            field.setAccessibleName(title)
            field.setToolTip(about)
            column.addWidget(head)
            column.addWidget(field)
        self.name.setAccessibleName("Name of the style")
        column.addSpacing(6)
        column.addWidget(self.small)
        column.addWidget(self.about)
        column.addLayout(self._boards)
        column.addStretch(1)

    def _connect(self) -> None:
        self.put_on.clicked.connect(self.wanted)
        self.favourite.clicked.connect(self._mark)
        self.more.clicked.connect(self._unfold)
        self.name.editingFinished.connect(self._rename)
        for field in (self.words, self.author):
            field.editingFinished.connect(self._describe)
        self.notes.installEventFilter(self)
        self.sets.editingFinished.connect(self._put_in_sets)

    # showing

    def show_style(self, stored: StoredStyle | None) -> None:
        """Another style is marked."""
        if stored is None:
            self.setEnabled(False)
            self.stored = None
            return
        self.setEnabled(True)
        style, library = stored.style, self.session.styles
        fresh = self.stored is None or self.stored != stored
        self.stored = stored
        inside = [one.name for one in library.sets if style.name in one.styles]
        lines = (
            (self.name, style.name),
            (self.words, ", ".join(style.words)),
            (self.author, style.author),
            (self.sets, ", ".join(name for name in inside if name != FAVOURITES)),
        )
        for line, text in lines:
            if fresh or not line.hasFocus():
                line.setText(text)
        if fresh or not self.notes.hasFocus():
            self.notes.setPlainText(style.notes)
        for field in (self.name, self.words, self.author, self.notes):
            field.setReadOnly(not stored.own)
        self.favourite.setChecked(FAVOURITES in inside)
        self.put_on.setEnabled(self.session.selection.coated is not None)
        self.whose.setText(_whose(stored))
        self.about.setText(_coats(stored))
        self._show_boards(style.name)

    def _show_boards(self, name: str) -> None:
        while (item := self._boards.takeAt(0)) is not None:
            widget = item.widget()
            if widget is not None:
                discard(widget)
        boards = self.session.styles.boards_of(name)
        if boards:
            head = Label("Worn on")
            head.setObjectName("group")
            self._boards.addWidget(head)
        for text in boards[:MOST_BOARDS]:
            path = Path(text)
            button = QPushButton(path.stem)
            button.setObjectName("quiet")
            button.setToolTip(tip(f"Open {text}"))
            button.clicked.connect(lambda _=False, p=path: self.session.shell.open_file(p))
            self._boards.addWidget(button)

    # changing

    def _mark(self) -> None:
        if self.stored is not None:
            self.session.styles.mark(self.stored.style.name)

    def _unfold(self) -> None:
        self.session.shell.show_menu("style", self.more.mapToGlobal(self.more.rect().bottomLeft()))

    def _rename(self) -> None:
        stored, name = self.stored, self.name.text().strip()
        if stored is None or not stored.own or not name or name == stored.style.name:
            return
        if not self.session.styles.rename(stored.style, name):
            self.name.setText(stored.style.name)

    def _describe(self) -> None:
        stored = self.stored
        if stored is None or not stored.own:
            return
        fields: dict[str, Any] = {
            "words": _parted(self.words.text()),
            "author": self.author.text().strip(),
            "notes": self.notes.toPlainText().strip(),
        }
        if any(getattr(stored.style, name) != value for name, value in fields.items()):
            style = stored.style
            self.session.styles.did(lambda: keeping.describe(style, **fields))

    def _put_in_sets(self) -> None:
        if self.stored is None:
            return
        name, library = self.stored.style.name, self.session.styles
        wanted = set(_parted(self.sets.text()))
        now = {o.name for o in library.sets if name in o.styles and o.name != FAVOURITES}
        for one in sorted(wanted ^ now):
            library.put(one, name, one in wanted)

    def eventFilter(self, watched: QObject | None, event: QEvent | None) -> bool:
        """Notes are taken when they are left."""
        if event is not None and event.type() == QEvent.Type.FocusOut:
            self._describe()
        return False


def _parted(text: str) -> tuple[str, ...]:
    words = (" ".join(word.split()) for word in text.split(","))
    return tuple(dict.fromkeys(word[:200] for word in words if word))[:32]


def _whose(stored: StoredStyle) -> str:
    made = f", made {stored.style.made}" if stored.style.made else ""
    return f"your own{made}" if stored.own else "built in: duplicate it to change it"


def _coats(stored: StoredStyle) -> str:
    coats = stored.style.coats
    kinds = ", ".join(dict.fromkeys(kind_of(coat).title for coat in reversed(coats)))
    sets = "\nSets rails, tracking and pose." if stored.style.setting is not None else ""
    count = f"{len(coats)} coat{'s' if len(coats) != 1 else ''}"
    return f"{count}: {kinds}{sets}"
