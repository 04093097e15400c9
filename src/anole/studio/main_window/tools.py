"""The tools of each stage on the board, in the order in which they are asked."""

from __future__ import annotations

from ..arrange.tools.cropping import CroppingTool
from ..arrange.tools.leaving import LeavingTool
from ..arrange.tools.picture_tool import PictureTool
from ..arrange.tools.pool_tool import PoolTool
from ..arrange.tools.pulling import PullingTool
from ..arrange.tools.stamps_tool import StampsTool
from ..arrange.tools.typing import TypingTool
from ..board.board_tool import BoardTool
from ..board.canvas import Canvas
from ..board.dropper import Dropper
from ..coat.asking import AskingTool
from ..coat.lantern import LanternTool
from ..coat.paint_tool import PaintTool
from ..coat.sparkle_tool import SparkleTool
from ..coat.throw_tool import ThrowTool
from ..shared.shell import Stage


class Tools:
    """One of each tool of a window."""

    def __init__(self, view: Canvas) -> None:
        self.dropper, self.leaving = Dropper(view), LeavingTool(view)
        self.cropping, self.pulling = CroppingTool(view), PullingTool(view)
        self.typing = TypingTool(view, self.pulling)
        self.piece_paint, self.coat_paint = PaintTool(view, True), PaintTool(view)
        self.asking, self.throwing = AskingTool(view), ThrowTool(view)
        self.lantern, self.pool = LanternTool(view), PoolTool(view)
        self.sparkle = SparkleTool(view)
        self.picture, self.stamps = PictureTool(view), StampsTool(view)

    def of(self, stage: Stage) -> list[BoardTool]:
        """What can be done on the board in a stage."""
        if stage == Stage.PROOF:
            return []
        both: list[BoardTool] = [self.dropper, self.leaving]
        if stage == Stage.ARRANGE:
            return [
                *both,
                self.cropping,
                self.pool,
                self.stamps,
                self.picture,
                self.typing,
                self.piece_paint,
                self.pulling,
            ]
        return [*both, self.asking, self.throwing, self.lantern, self.sparkle, self.coat_paint]
