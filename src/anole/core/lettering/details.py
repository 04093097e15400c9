"""What a font at hand offers; a stranger's is looked at in the helper."""

from __future__ import annotations

import msgspec
import numpy as np

from .. import isolation
from ..assets import MissingAsset
from .font_details import Feature, FontAxis, details_of
from .font_file import FontError, FontFile, bytes_of, is_stored
from .fonts import is_built_in

__all__ = ["Details", "Feature", "FontAxis", "details"]

Details = tuple[tuple[FontAxis, ...], tuple[Feature, ...]]
NOTHING: Details = ((), ())


_KNOWN: dict[FontFile, Details] = {}


def known_details(file: FontFile) -> Details | None:
    """What was found before; None where nobody has looked yet."""
    return _KNOWN.get(file)


def details(file: FontFile) -> Details:
    """The axes and features of a font; none for a font that cannot be read again. Looked for once."""
    if file not in _KNOWN:
        _KNOWN[file] = _looked_for(file)
    return _KNOWN[file]


def _looked_for(file: FontFile) -> Details:
    if is_stored(file):
        return NOTHING
    try:
        data = bytes_of(file)
        if is_built_in(file):
            return details_of(data, file.number)
        meta = {"index": file.number}
        told, _ = isolation.ask("details", meta, [np.frombuffer(data, np.uint8)])
        return msgspec.convert(told, Details)
    except (
        FontError,
        MissingAsset,
        isolation.Refused,
        isolation.HelperError,
        msgspec.ValidationError,
    ):
        return NOTHING
