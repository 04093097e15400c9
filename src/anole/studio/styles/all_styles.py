"""All styles on the chosen words, over the real ground: found, sorted, marked, taken."""

from __future__ import annotations

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QKeyEvent
from PyQt6.QtWidgets import QLineEdit, QPushButton

from ...core.edit.likeness import by_likeness, colour_rank
from ...core.library.sets import FAVOURITES
from ...core.library.styles import StoredStyle, is_found
from ..commands.dressing import wear
from ..controls.choices.picker import Picker
from ..look.plain import tip
from ..shared.session import Session
from .colour_choice import ColourChoice
from .marked_style import MarkedStyle
from .wall_page import WallPage

ORDERS = {
    "library": "yours, newest first",
    "name": "by name",
    "date": "by date",
    "colour": "by colour",
    "like": "most like the highlighted one",
}
PICKERS = 172
EVERY, MINE, BUILT_IN = "all styles", "your own", "built in"


class AllStyles(WallPage):
    """Enter or a click takes the marked style; Esc leaves all as it was."""

    def __init__(self, session: Session) -> None:
        super().__init__(session, "all")
        self.search, self.colours = QLineEdit(), ColourChoice(session)
        self.order = Picker("Order", list(ORDERS), "In which order they stand", ORDERS, False)
        self.among = Picker("Show", [EVERY], "All, or those of a set", headed=False)
        self.marked = MarkedStyle(session)
        self._build()
        self.search.textChanged.connect(lambda _: self.fill())
        self.colours.changed.connect(self.show_words)
        self.order.picked.connect(self.fill)
        self.among.picked.connect(self.fill)
        self.wall.taken.connect(self._take)
        self.wall.marked.connect(self._show_marked)
        self.wall.above.connect(self.search.setFocus)
        self.marked.wanted.connect(self.wall.take)
        session.styles.changed.connect(self._fill_anew)

    def _build(self) -> None:
        self.search.setPlaceholderText("gold, glass, worn, winter…")
        self.search.setAccessibleName("Find styles by name, word or note")
        self.search.setClearButtonEnabled(True)
        self.head.addWidget(self.title)
        self.head.addWidget(self.search, 1)
        self.head.addWidget(self.order)
        self.head.addWidget(self.among)
        for picker in (self.order, self.among):
            picker.setFixedWidth(PICKERS)
        self.head.addWidget(self.colours)
        self.side.addWidget(self.marked)
        self.foot.addWidget(self.hint, 1)
        do = self.session.shell.do
        for label, command, about in (
            ("Import styles…", "import pack", "A pack, or one style's file"),
            ("Export these…", "export pack", "Write the styles that are shown as a pack"),
            ("Contact sheet…", "contact sheet", "Those that are shown, as PNG or PDF"),
        ):
            button = QPushButton(label)
            button.setToolTip(tip(about))
            button.clicked.connect(lambda _=False, c=command: do(c))
            self.foot.addWidget(button)

    def begin(self) -> None:
        self._offer_sets()
        self.colours.refresh()
        self.fill()
        super().begin()
        piece = self.session.selection.coated
        worn = piece.worn.name if piece is not None and piece.worn is not None else ""
        self.wall.mark(worn)
        self._show_marked()

    def _offer_sets(self) -> None:
        names = [one.name for one in self.session.styles.sets]
        self.among.offer([EVERY, MINE, BUILT_IN, *names])

    def _fill_anew(self) -> None:
        """The library has changed."""
        if self.isVisible():
            self._offer_sets()
            self.fill()
            self._show_marked()

    def _show_marked(self) -> None:
        self.marked.show_style(self.wall.stored_style)
        self.marked.small.show_style(self.wall.stored_style, self.on)

    # which, and in which order

    @property
    def shown(self) -> list[StoredStyle]:
        """The styles that stand on the wall."""
        return self.wall.styles

    def _wanted(self) -> list[StoredStyle]:
        library, among = self.session.styles, self.among.value()
        inside = library.in_set(among)
        return [
            entry
            for entry in library.entries
            if is_found(entry.style, self.search.text())
            and (
                among == EVERY
                or (among == MINE and entry.own)
                or (among == BUILT_IN and not entry.own)
                or entry.style.name in inside
            )
        ]

    def fill(self) -> None:
        """Show what is searched for in the order that is chosen."""
        found, order = self._wanted(), self.order.value()
        self.wall.favourites = frozenset(self.session.styles.in_set(FAVOURITES))
        count = len(found)
        self.title.setText(f"{count} style{'s' if count != 1 else ''}")
        self.hint.setText(
            "Arrows walk, Enter puts the highlighted one on, Esc leaves all as it was"
        )
        if order == "library":
            self.wall.show_styles(found)
        elif order == "name":
            self.wall.show_styles(sorted(found, key=lambda e: e.style.name.casefold()))
        elif order == "date":
            self.wall.show_styles(sorted(found, key=lambda e: e.style.made, reverse=True))
        else:
            self._sort_later(found, order)

    def _sort_later(self, found: list[StoredStyle], order: str) -> None:
        """What needs pictures is sorted in the background."""
        marked = self.wall.stored_style
        self.wall.show_styles(found)
        by = {entry.style.name: entry for entry in found}

        def sort(stop: object) -> list[StoredStyle]:
            if order == "colour" or marked is None:
                return sorted(found, key=lambda e: (colour_rank(e.style.coats), e.style.name))
            styles = by_likeness([e.style for e in found], marked.style)
            return [by[style.name] for style in styles]

        def done(ordered: list[StoredStyle]) -> None:
            if self.order.value() == order and {e.style.name for e in self.shown} == set(by):
                self.wall.show_styles(ordered)

        self.session.reading.read("styles, to sort them", sort, done)

    # taking one

    def _take(self, stored: StoredStyle) -> None:
        wear(self.session, stored.style)
        self.left.emit()

    def keyPressEvent(self, event: QKeyEvent | None) -> None:
        """Letters typed anywhere search."""
        assert event is not None
        text = event.text()
        if text.strip() and text.isprintable():
            self.search.setFocus(Qt.FocusReason.OtherFocusReason)
            self.search.insert(text)
        else:
            super().keyPressEvent(event)
