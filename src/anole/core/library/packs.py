"""Packs made of the library, and taken into it: nothing is written over unasked."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any, Literal, NamedTuple

import msgspec

from ..model import Gradient, Moulding, Style
from ..model.mapped import found_in
from ..model.pack import Pack
from . import gradients, mouldings
from .keeping import free_name
from .named import NamedFile
from .styles import digest, keep, library

Clash = Literal["beside", "over", "out"]
"""What becomes of a style whose name is taken: it comes in under the next free name, in place of
the one that is there, or not at all."""


class Incoming(NamedTuple):
    """A style of a pack, and how it meets the library."""

    style: Style
    taken: bool
    same: bool


def pack_of(styles: Sequence[Style], name: str = "", **about: Any) -> Pack:
    """Styles with what they are made with: the saved gradients and mouldings that occur in them."""
    used_gradients = set(found_in(tuple(styles), Gradient))
    used_mouldings = set(found_in(tuple(styles), Moulding))
    return Pack(
        name=name,
        styles=tuple(styles),
        gradients=tuple(g for g in gradients.OWN.all() if g.gradient in used_gradients),
        mouldings=tuple(m for m in mouldings.OWN.all() if m.moulding in used_mouldings),
        **about,
    )


def coming_in(pack: Pack) -> list[Incoming]:
    """Each style of a pack: whether its name is taken, and whether by the same coats."""
    there = {entry.style.name.casefold(): entry.style for entry in library()[0]}
    found = []
    for style in pack.styles:
        old = there.get(style.name.casefold())
        found.append(Incoming(style, old is not None, old is not None and _is_same(old, style)))
    return found


def _is_same(a: Style, b: Style) -> bool:
    return digest(a.coats) == digest(b.coats) and a.setting == b.setting


def take_in(pack: Pack, clash: Clash = "beside", only: set[str] | None = None) -> list[Style]:
    """Put a pack's styles into the library, or only some by name; what is there already is left as
    it is. Returns those that came in. Raises FileError."""
    taken = {entry.style.name for entry in library()[0]}
    cased = {name.casefold(): name for name in taken}
    came = []
    for style, is_taken, same in coming_in(pack):
        if same or (only is not None and style.name not in only):
            continue
        if is_taken and clash == "out":
            continue
        if is_taken and clash == "beside":
            style = msgspec.structs.replace(style, name=free_name(style.name, taken))
        elif is_taken:
            style = msgspec.structs.replace(style, name=cased[style.name.casefold()])
        keep(style)
        taken.add(style.name)
        came.append(style)
    _take_named(gradients.OWN, pack.gradients)
    _take_named(mouldings.OWN, pack.mouldings)
    return came


def _take_named(file: NamedFile[Any], values: Sequence[Any]) -> None:
    """Saved things under names that are free; others stay as they are."""
    there = {value.name for value in file.all()}
    for value in reversed(values):
        if value.name not in there:
            file.keep(value)
