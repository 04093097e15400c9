"""Parts of the piece panel that are made from the model alone."""

from __future__ import annotations

from typing import Any

import msgspec
from PyQt6.QtWidgets import QWidget

from ...core.model.field_info import field_info
from ...core.model.fields import BLENDING
from ..controls.base.control import Context
from ..controls.base.fields import FieldPanel, headline
from ..shared.session import Session
from .section import SECTIONS, Section

SHAPE = "Shape"


class FieldsSection(Section):
    """The fields of a piece that stand under some headings; gone where there are none."""

    def __init__(
        self, session: Session, struct: type[msgspec.Struct], groups: tuple[str, ...], head: str
    ) -> None:
        super().__init__(session)
        self.panel = FieldPanel(struct, groups=groups, headed=not head)
        self._titles = {info.name: info.title for info in field_info(struct)}
        if head:
            self.column.addWidget(headline(head))
        self.column.addWidget(self.panel)
        self.panel.edited.connect(self._field)

    @property
    def empty(self) -> bool:
        return not self.panel.controls

    def control(self, name: str) -> QWidget | None:
        return self.panel.controls.get(name)

    def show_piece(self, piece: Any, context: Context) -> None:
        self.panel.take(context)
        self.panel.show_struct(piece)

    def _field(self, name: str, value: Any, token: object | None) -> None:
        self.apply(self._titles[name], token, **{name: value})


def _own_groups(struct: type[msgspec.Struct]) -> tuple[str, ...]:
    """The headings that no other section shows."""
    groups = dict.fromkeys(info.group for info in field_info(struct))
    return tuple(group for group in groups if group not in (SHAPE, BLENDING))


SECTIONS.add("fields", lambda s, struct: FieldsSection(s, struct, _own_groups(struct), ""))
SECTIONS.add("shape", lambda s, struct: FieldsSection(s, struct, (SHAPE,), "Shape"))
SECTIONS.add("blending", lambda s, struct: FieldsSection(s, struct, (BLENDING,), "Blending"))
