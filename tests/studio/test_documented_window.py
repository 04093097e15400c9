"""What the window's public names say of themselves, by their own docstring or that of what they fill in."""

from __future__ import annotations

import importlib
import inspect
import pkgutil

from PyQt6.QtWidgets import QWidget

import anole.studio
from anole.studio.shared.shell import Shell


def own_names() -> dict[str, object]:
    """Public classes, functions, methods and properties that are written in the window's files."""
    found: dict[str, object] = {}
    for info in pkgutil.walk_packages(anole.studio.__path__, "anole.studio."):
        if info.name.endswith("__main__"):
            continue
        module = importlib.import_module(info.name)
        for name, thing in vars(module).items():
            if name.startswith("_") or getattr(thing, "__module__", "") != info.name:
                continue
            if inspect.isfunction(thing) or inspect.isclass(thing):
                found[f"{info.name}.{name}"] = thing
            if inspect.isclass(thing):
                found.update(
                    (f"{info.name}.{name}.{part}", getattr(thing, part))
                    for part, value in vars(thing).items()
                    if not part.startswith("_")
                    and (inspect.isfunction(value) or isinstance(value, property))
                )
    return found


def test_every_public_name_says_what_it_is():
    names = own_names()
    bare = [name for name, thing in names.items() if not inspect.getdoc(thing)]
    assert len(names) > 1200
    # the window fills in a protocol without saying so, which has parts of Qt's own names itself
    known = {part for part in vars(Shell) if inspect.getdoc(getattr(Shell, part))} | {*dir(QWidget)}
    assert [name for name in bare if name.rpartition(".")[2] not in known] == []
