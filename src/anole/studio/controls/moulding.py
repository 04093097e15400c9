"""Moulding: its cross-section, the joiners' profiles, and those the user kept."""

from __future__ import annotations

from typing import Any

import msgspec

from ...core.model import Moulding
from .base.control import Control
from .base.fields import FieldPanel
from .base.layouts import column
from .base.section import SectionView
from .base.table import CONTROLS
from .base.trying import Trying
from .gradients.cut_ends import CutEnds
from .saved_mouldings import SavedMouldings


class MouldingControl(Control):
    def __init__(self, title: str, about: str) -> None:
        super().__init__()
        self._moulding = Moulding()
        self.view, self.ends = SectionView(), CutEnds()
        self.fields = FieldPanel(Moulding, skip=("profile",))
        self.saved = SavedMouldings()
        self.setToolTip(about)
        column(self, self.view, self.ends, self.saved, self.fields)
        self.saved.chosen.connect(lambda m: self._send(m, None))
        self.view.edited.connect(self._send)
        self.ends.chosen.connect(self._profile)
        self._trying = Trying(self)
        self.ends.pointed.connect(
            lambda name: self._trying.look(msgspec.structs.replace(self._moulding, profile=name))
        )
        self.ends.left.connect(self._trying.leave)
        self.fields.edited.connect(lambda name, v, t: self._set(t, **{name: v}))

    def value(self) -> Any:
        return self._moulding

    def set_value(self, value: Any) -> None:
        self._moulding = self.view.moulding = self.saved.moulding = value
        self.ends.profile = value.profile
        self.fields.show_struct(value)
        self.view.index = min(self.view.index, len(self.view.points()) - 1)
        self.view.update()
        self.ends.update()

    def _profile(self, name: str) -> None:
        self._set(None, profile=name)

    def _set(self, token: object | None, **fields: Any) -> None:
        self._send(msgspec.structs.replace(self._moulding, **fields), token)

    def _send(self, moulding: Moulding, token: object | None) -> None:
        self.set_value(moulding)
        self.edited.emit(moulding, token)


CONTROLS.add(Moulding, lambda info: MouldingControl(info.title, info.about))
