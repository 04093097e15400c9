"""How a piece stands, as far as a style may carry it: rails, tracking, pose."""

from __future__ import annotations

from typing import TypeVar

import msgspec

from ..model import Coated, Lettering, Setting

C = TypeVar("C", bound=Coated)
OF_WORDS = ("tracking", "rails", "head", "foot")


def setting_of(piece: Coated) -> Setting:
    """How a piece stands; only words have rails and tracking."""
    words = {name: getattr(piece, name) for name in OF_WORDS if isinstance(piece, Lettering)}
    return Setting(pose=piece.pose, **words)


def with_setting(piece: C, setting: Setting) -> C:
    """The piece standing so, what of it was switched off switched on."""
    fields = {name: getattr(setting, name) for name in OF_WORDS if isinstance(piece, Lettering)}
    shaped = {"rails", "pose"} if setting != Setting() else set()
    off = tuple(kind for kind in piece.off if kind not in shaped)
    return msgspec.structs.replace(piece, pose=setting.pose, off=off, **fields)
