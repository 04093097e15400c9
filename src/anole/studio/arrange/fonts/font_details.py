"""What the chosen font offers: weights, axes, features; and which letters another font draws."""

from __future__ import annotations

from typing import Any

import msgspec
from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QPushButton, QVBoxLayout, QWidget

from ....core.lettering.details import (
    NOTHING,
    Details,
    Feature,
    FontAxis,
    details,
    known_details,
)
from ....core.lettering.fonts import FontFile, catalogue, find
from ....core.lettering.itemise import replaced_letters
from ....core.model import Asset, FeatureTags, Font, Lettering, Tags
from ...controls.base.control import Control
from ...controls.base.switch import Switch
from ...controls.choices.choice import Choice
from ...controls.numbers.number import Number
from ...look.plain import Label
from ...runtime.lifetimes import discard
from ...shared.session import session_of


class FontDetails(QWidget):
    """`edited(font, token)`."""

    edited = pyqtSignal(object, object)

    def __init__(self) -> None:
        super().__init__()
        self._font = Font()
        self._made_for: object = None
        self._listens = False
        self.controls: dict[str, Control] = {}
        self.note = Label()
        self.note.setObjectName("dim")
        self.note.setWordWrap(True)
        self.head = QPushButton()
        self.head.setObjectName("quiet")
        self.head.setStyleSheet("text-align: left;")
        self.inside = QWidget()
        self.inside.hide()
        outer, self._column = QVBoxLayout(self), QVBoxLayout(self.inside)
        for layout in (outer, self._column):
            layout.setContentsMargins(0, 0, 0, 0)
            layout.setSpacing(6)
        for part in (self.note, self.head, self.inside):
            outer.addWidget(part)
        self.head.clicked.connect(lambda: self.unfold(self.inside.isHidden()))

    def unfold(self, on: bool) -> None:
        """Show what is folded away, or hide it."""
        self.inside.setVisible(on)
        self._title()

    def _title(self) -> None:
        mark = "▸" if self.inside.isHidden() else "▾"
        self.head.setText(f"{mark}  Features of {self._font.family}")
        self.head.setVisible(bool(self.controls))

    def _offers(self, file: FontFile) -> Details:
        """What a font offers; looked for in the worker's thread, it comes later."""
        session, offers = session_of(self), known_details(file)
        if offers is None and session is not None:
            if not self._listens:
                self._listens = True
                session.worker.done.connect(self._take)
            session.worker.ask(("details", file), lambda worker: details(file))
        return offers or NOTHING

    def _take(self, key: tuple[Any, ...], offers: Details) -> None:
        session = session_of(self)
        if key[0] != "details":
            return
        piece = session.selection.lettering if session is not None else None
        if piece is not None:
            self.show_piece(piece)

    def _carried(self) -> tuple[Asset, ...]:
        session = session_of(self)
        return session.document.board.fonts if session else ()

    def show_piece(self, piece: Lettering) -> None:
        """Show what the font of these words offers."""
        file, found = find(piece.font)
        self._font = piece.font
        self._say(piece, found)
        weights = sorted(
            {(f.weight, f.italic) for f in catalogue(self._carried()) if f.family == file.family}
        )
        offers = self._offers(file)
        if (file, len(weights), offers) != self._made_for:
            self._made_for = (file, len(weights), offers)
            self._make(weights if found else [], *offers)
        for name, control in self.controls.items():
            control.set_value(self._value_of(name, file.weight, file.italic))
        self._title()

    def _say(self, piece: Lettering, found: bool) -> None:
        file, _ = find(piece.font)
        parts = []
        if not found:
            parts.append(f"{piece.font.family} is missing here.")
        by: dict[str, str] = {}
        for letter, family in replaced_letters(piece.text, file).items():
            by[family] = by.get(family, "") + letter
        for family, letters in by.items():
            shown = letters[:24] + ("…" if len(letters) > 24 else "")
            parts.append(
                f"{shown} drawn by {family}." if family else f"No font at hand has {shown}."
            )
        self.note.setText(" ".join(parts))
        self.note.setVisible(bool(parts))

    def _make(
        self,
        weights: list[tuple[int, bool]],
        axes: tuple[FontAxis, ...],
        features: tuple[Feature, ...],
    ) -> None:
        for control in self.controls.values():
            discard(control)
        self.controls = {}
        if len(weights) > 1:
            names = [self._cut_name(w, i) for w, i in weights]
            self.controls["cut"] = Choice("Weight", names, "Weight and slant")
        for axis in axes:
            self.controls[f"axis {axis.tag}"] = Number(
                axis.name,
                axis.low,
                axis.high,
                step=max((axis.high - axis.low) / 200, 0.01),
                default=axis.default,
                about=f"Variable axis {axis.tag}",
            )
        for feature in features:
            self.controls[f"feature {feature.tag}"] = Switch(
                feature.name, f"OpenType {feature.tag}"
            )
        self._unasked = {f.tag: f.on for f in features}
        self._rest = {a.tag: a.default for a in axes}
        for name, control in self.controls.items():
            control.edited.connect(lambda v, t, n=name: self._edit(n, v, t))
            self._column.addWidget(control)

    @staticmethod
    def _cut_name(weight: int, italic: bool) -> str:
        return f"{weight} italic" if italic else str(weight)

    def _value_of(self, name: str, weight: int, italic: bool) -> Any:
        kind, _, tag = name.partition(" ")
        if kind == "cut":
            return self._cut_name(weight, italic)
        if kind == "axis":
            return self._font.axes.get(tag, self._rest[tag])
        return bool(self._font.features.get(tag, self._unasked[tag]))

    def _edit(self, name: str, value: Any, token: object | None) -> None:
        kind, _, tag = name.partition(" ")
        font = self._font
        if kind == "cut":
            weight, _, slant = value.partition(" ")
            font = msgspec.structs.replace(font, weight=int(weight), italic=bool(slant))
        elif kind == "axis":
            font = msgspec.structs.replace(font, axes=Tags({**font.axes, tag: value}))
        else:
            features = {k: v for k, v in font.features.items() if k != tag}
            if value != self._unasked[tag]:
                features[tag] = float(value)
            font = msgspec.structs.replace(font, features=FeatureTags(features))
        self._font = font
        self.edited.emit(font, token)
