"""A pose: its numbers under a block that is turned by hand."""

from __future__ import annotations

from typing import Any

from ....core.model import Pose
from ..base.part import PartControl
from ..base.table import CONTROLS, optional
from .pose_block import PoseBlock


class PosePart(PartControl):
    def __init__(self, title: str, about: str) -> None:
        self.block = PoseBlock()
        super().__init__(title, Pose, about, optional=True)
        self.column.insertWidget(1, self.block)
        self.block.turned.connect(self._turned)

    def unfold(self, open_: bool) -> None:
        super().unfold(open_)
        self.block.setVisible(open_)

    def set_value(self, value: Any) -> None:
        super().set_value(value)
        self.block.show_pose(self._last)

    def _turned(self, pose: Any, token: object | None) -> None:
        """Turning the block of a piece without a pose gives it one."""
        self.set_value(pose)
        self.edited.emit(pose, token)


CONTROLS.add(optional(Pose), lambda info: PosePart(info.title, info.about))
