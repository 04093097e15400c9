"""The chosen coat's panel, made from the model."""

from __future__ import annotations

from typing import Any

from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtWidgets import (
    QFrame,
    QHBoxLayout,
    QMenu,
    QPushButton,
    QScrollArea,
    QVBoxLayout,
    QWidget,
)

from ...core.coats.registry import kind_of
from ...core.edit.coats import change_coat
from ...core.model import Coat
from ...core.model.open_union import tag_of
from ..controls.base.fields import FieldPanel
from ..controls.base.group_head import COPY, PASTE, GroupHead
from ..look.name_field import NameField
from ..look.plain import Label
from ..runtime.when_visible import WhenVisible
from ..shared.copied_fields import COPIED
from ..shared.session import Session
from .meant_field import Meant
from .measures import Measures

FOLDED = "folded groups"


class CoatPanel(QScrollArea):
    """One panel for each kind of coat, made when it is first needed."""

    def __init__(self, session: Session, measures: Measures) -> None:
        super().__init__()
        self.document, self.selection = session.document, session.selection
        self.settings = session.settings
        self.measures = measures
        self.setObjectName("panel")
        self.setWidgetResizable(True)
        self.setFrameShape(QFrame.Shape.NoFrame)
        self.setHorizontalScrollBarPolicy(Qt.ScrollBarPolicy.ScrollBarAlwaysOff)
        inside = QWidget()
        inside.setObjectName("panel")
        self._column = QVBoxLayout(inside)
        self._column.setContentsMargins(12, 12, 12, 12)
        self._column.setSpacing(8)
        self.head, self.name = Label(), NameField()
        self.head.setObjectName("head")
        self.name.setPlaceholderText("Name")
        self.name.setAccessibleName("Name of the coat")
        self.jump = QPushButton("Groups")
        self.jump.setToolTip("Go to a group of fields")
        self.jump.clicked.connect(self._ask_jump)
        top = QHBoxLayout()
        top.addWidget(self.head)
        top.addWidget(self.name, 1)
        top.addWidget(self.jump)
        self._column.addLayout(top)
        self.empty = Label("No coat is chosen. Add one with + Coat, or put on a style below.")
        self.empty.setObjectName("dim")
        self.empty.setWordWrap(True)
        self._column.addWidget(self.empty)
        self.panels: dict[type[Coat], FieldPanel] = {}
        self._meant: dict[type[Coat], Meant] = {}
        """Whose fields each panel showed last: the piece and the coat."""
        self._coat_id: str | None = None
        self._group = ""
        """The group last used: it stays where it is when another coat comes."""
        self._column.addStretch(1)
        self.setWidget(inside)
        self.name.editingFinished.connect(self._named)
        when_visible = WhenVisible(self, self.show_coat)
        self.document.settled.connect(when_visible)
        self.selection.changed.connect(when_visible)
        self.show_coat()

    def panel(self, struct: type[Coat]) -> FieldPanel:
        """The panel of a kind of coat."""
        if struct not in self.panels:
            panel = FieldPanel(struct, headed=True, copied=True)
            panel.edited.connect(lambda *edit, struct=struct: self._field_of(struct, *edit))
            tag = tag_of(struct)
            panel.fold(self._folded(tag))
            panel.folded.connect(lambda group, on, tag=tag: self._remember(tag, group, on))
            panel.asked.connect(self._ask_group)
            self.panels[struct] = panel
            self._column.insertWidget(self._column.count() - 1, panel)
        return self.panels[struct]

    def control(self, name: str) -> QWidget | None:
        """What edits a field of the chosen coat."""
        self.show_coat()
        coat = self.selection.coat
        if coat is None:
            return None
        self.panel(type(coat)).reveal(name)
        return self.panel(type(coat)).controls.get(name)

    def show_coat(self) -> None:
        """Show the chosen coat's fields."""
        coat = self.selection.coat
        at = self._place_of_group() if coat is not None and coat.id != self._coat_id else None
        self.empty.setVisible(coat is None)
        self.name.setVisible(coat is not None)
        self.head.setText("" if coat is None else kind_of(coat).title)
        if coat is not None:
            panel = self.panel(type(coat))
            panel.take(self.measures.context())
            panel.show_struct(coat)
            self._meant[type(coat)] = Meant(self.selection.piece_id or "", coat.id)
            self.name.show_name(coat.name)
        for struct, panel in self.panels.items():
            panel.setVisible(type(coat) is struct)
        self._coat_id = coat.id if coat is not None else None
        self.jump.setVisible(coat is not None and len(self.panel(type(coat)).heads) > 2)
        if at is not None:
            self._bring_group_to(at)

    # groups

    def _folded(self, tag: str) -> list[str]:
        """The groups of a kind's panel that were folded."""
        kept = self.settings.get(FOLDED, {}).get(tag, [])
        return [one for one in kept if isinstance(one, str)] if isinstance(kept, list) else []

    def _remember(self, tag: str, group: str, on: bool) -> None:
        folded = [one for one in self._folded(tag) if one != group] + [group] * on
        self.settings.put(FOLDED, {**self.settings.get(FOLDED, {}), tag: folded})
        self._group = group

    def _head(self) -> GroupHead | None:
        """That of the group last used, in the panel that is shown."""
        coat = next((c for c, panel in self.panels.items() if not panel.isHidden()), None)
        return self.panels[coat].heads.get(self._group) if coat is not None else None

    def _place_of_group(self) -> int | None:
        """How far below the panel's top its head stands; None where it is not seen."""
        head, viewport = self._head(), self.viewport()
        if head is None or viewport is None or not head.isVisible():
            return None
        return head.mapTo(viewport, QPoint(0, 0)).y()

    def _bring_group_to(self, at: int) -> None:
        head, inside, bar = self._head(), self.widget(), self.verticalScrollBar()
        if head is None or inside is None or bar is None:
            return
        self._column.activate()
        inside.resize(inside.width(), inside.sizeHint().height())
        bar.setValue(head.mapTo(inside, QPoint(0, 0)).y() - at)

    def _ask_jump(self) -> None:
        coat = self.selection.coat
        if coat is None:
            return
        menu = QMenu(self)
        menu.setAttribute(Qt.WidgetAttribute.WA_DeleteOnClose)
        for group, head in self.panel(type(coat)).heads.items():
            if not head.isHidden():
                menu.addAction(group, lambda group=group: self.jump_to(group))
        menu.popup(self.jump.mapToGlobal(QPoint(0, self.jump.height())))

    def jump_to(self, group: str) -> None:
        """Unfold a group and bring it to the top."""
        self._group = group
        head = self._head()
        if head is not None:
            head.setChecked(True)
            self._bring_group_to(0)

    def _ask_group(self, what: str, group: str) -> None:
        """Copy a group of the chosen coat, paste onto it, or reset it."""
        coat = self.selection.coat
        if coat is None:
            return
        names, title = self.panel(type(coat)).members[group], kind_of(coat).title
        if what == COPY:
            COPIED.copy(coat, names)
            self.document.said.emit(
                f"{title}: {group} is copied, for any coat that has such fields."
            )
            return
        fresh = type(coat)(id=coat.id)
        fields = (
            COPIED.fitting(names)
            if what == PASTE
            else {name: getattr(fresh, name) for name in names}
        )
        if not fields:
            self.document.said.emit(f"Nothing that was copied goes onto {group} of {title}.")
            return
        done = "paste" if what == PASTE else "reset"
        self._change(f"{title}: {done} {group}", fields)

    def _field_of(self, struct: type[Coat], name: str, value: Any, token: object | None) -> None:
        """A field of the coat that is shown, or was until now: what is typed into a field comes when it
        is left, and another coat may be chosen by then."""
        meant = self._meant[struct]
        coat = meant.coat(self.document.board, struct)
        if coat is not None:
            self._group = self.panels[struct].group_of(name)
            meant.set_field(self.document, coat, name, value, token)

    def _change(self, title: str, fields: dict[str, Any], token: object | None = None) -> None:
        piece, coat = self.selection.piece_id, self.selection.coat_id
        if piece is not None and coat is not None:
            self.document.apply(title, lambda b: change_coat(b, piece, coat, **fields), token)

    def _named(self) -> None:
        coat = self.selection.coat
        if coat is not None and self.name.text().strip() != coat.name:
            self._change(f"{kind_of(coat).title}: name", {"name": self.name.text().strip()})
