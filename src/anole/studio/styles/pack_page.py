"""What a pack would bring, on the user's own words, before any of it comes in."""

from __future__ import annotations

from pathlib import Path
from typing import cast

from PyQt6.QtWidgets import QPushButton

from ...core.files.pack_file import ReadPack
from ...core.library import packs
from ...core.library.packs import Clash, Incoming
from ...core.library.styles import StoredStyle
from ...core.text import short
from ..controls.choices.picker import Picker
from ..look.plain import Label
from ..shared.session import Session
from .wall_page import WallPage

CLASHES = {
    "beside": "come in under another name",
    "over": "replace what is there",
    "out": "are left out",
}


class PackPage(WallPage):
    """Nothing is written before a button says so."""

    def __init__(self, session: Session) -> None:
        super().__init__(session, "pack")
        self.read: ReadPack | None = None
        self._incoming: dict[str, Incoming] = {}
        self.about, self.marked, self.troubles = Label(), Label(), Label()
        self.taken = Picker("Names that are taken", list(CLASHES), words=CLASHES)
        self.all, self.one, self.leave = QPushButton(), QPushButton(), QPushButton("Leave it")
        self._build()
        self.all.clicked.connect(lambda: self.take_in(None))
        self.one.clicked.connect(self._take_marked)
        self.leave.clicked.connect(self.left)
        self.wall.marked.connect(self._tell_marked)
        self.wall.taken.connect(lambda _: self._take_marked())
        self.wall.above.connect(self.wall.setFocus)

    def _build(self) -> None:
        self.all.setObjectName("main")
        self.head.addWidget(self.title, 1)
        self.foot.addWidget(self.hint, 1)
        self.hint.setText("Nothing is in your library yet. Arrows walk, Esc leaves the pack")
        for label in (self.about, self.troubles):
            label.setObjectName("dim")
        for label in (self.about, self.marked, self.troubles):
            label.setWordWrap(True)
            self.side.addWidget(label)
        self.side.insertWidget(1, self.taken)
        for part in (self.all, self.one, self.leave):
            self.side.addWidget(part)
        self.side.addStretch(1)

    def show_pack(self, read: ReadPack) -> None:
        """Another pack was read."""
        self.read = read
        self._incoming = {one.style.name: one for one in packs.coming_in(read.pack)}
        fresh = sum(not one.same for one in self._incoming.values())
        taken = sum(one.taken and not one.same for one in self._incoming.values())
        pack = read.pack
        self.title.setText(f"A pack of styles: {short(pack.name, 60) or 'without a name'}")
        lines = [f"{len(self._incoming)} styles, {fresh} that you do not have."]
        lines += [f"by {short(pack.author, 60)}"] if pack.author else []
        lines += [f"licence {short(pack.licence, 60)}"] if pack.licence else []
        lines += [short(pack.notes, 300)] if pack.notes else []
        self.about.setText("\n".join(lines))
        self.troubles.setText("\n".join(["Left out or missing:", *read.troubles][: 1 + 12]))
        self.troubles.setVisible(bool(read.troubles))
        self.taken.setVisible(taken > 0)
        self.all.setText(f"Import all {fresh}" if fresh > 1 else "Import it")
        self.all.setEnabled(fresh > 0)
        self.wall.show_styles([StoredStyle(style, Path(), False) for style in pack.styles])
        self._tell_marked()

    def _tell_marked(self) -> None:
        stored = self.wall.stored_style
        one = self._incoming.get(stored.style.name) if stored is not None else None
        if one is None:
            return
        state = "you have it already" if one.same else "its name is taken" if one.taken else "new"
        note = f"\n{short(one.style.notes, 200)}" if one.style.notes else ""
        self.marked.setText(f"{short(one.style.name, 60)}: {state}{note}")
        self.one.setText(f"Import only {short(one.style.name, 24)}")
        self.one.setEnabled(not one.same)

    def _take_marked(self) -> None:
        stored = self.wall.stored_style
        if stored is not None and self.one.isEnabled():
            self.take_in({stored.style.name})

    def take_in(self, only: set[str] | None) -> None:
        """Put the styles into the library, all or some."""
        if self.read is None:
            return
        pack, clash = self.read.pack, cast("Clash", self.taken.value())
        came: list[str] = []

        def act() -> None:
            came.extend(style.name for style in packs.take_in(pack, clash, only))

        if self.session.styles.did(act):
            named = short(", ".join(came), 120)
            count = f"{len(came)} style{'s' if len(came) != 1 else ''}"
            said = f"{count} came into your library: {named}." if came else "Nothing came in."
            self.session.document.said.emit(said)
            self.left.emit()
