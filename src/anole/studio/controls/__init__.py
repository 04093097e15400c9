"""The controls, one for each type of field."""

# ruff: noqa: F401  each of them adds its control to the table

from . import moulding, paint, parts
from .base import part, switch, text
from .choices import choice, picture_choice, piece_choice, stamp_asset
from .colours import colour, inks, palette
from .gradients import ramp, stops
from .lamps import own_lamp, pose_part
from .numbers import factors, length, number, span
from .tones import tone_list
