"""Formats that boards are exported to, one file each; by the name that an export says."""

from __future__ import annotations

from typing import cast

from ...model.formats import FORMATS
from . import avif, jpeg, moving, openraster, png8, png16, print_pdf, tiff, webp
from .format import Format

for _form in (png8, png16, jpeg, webp, avif, tiff, print_pdf, openraster, moving):
    FORMATS.add(_form.FORMAT.name, _form.FORMAT)


def format_of(name: str) -> Format:
    """All that is known of a format. Raises KeyError."""
    return cast(Format, FORMATS[name])


def by_ending(ending: str) -> Format | None:
    """The first format whose files end so, such as ".png"; None where there is none."""
    forms = map(format_of, FORMATS)
    return next((form for form in forms if ending.lower() in form.endings), None)


def endings() -> tuple[str, ...]:
    """Of files of all formats."""
    return tuple(dict.fromkeys(e for name in FORMATS for e in format_of(name).endings))


__all__ = ["Format", "by_ending", "endings", "format_of"]
