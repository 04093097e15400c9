"""Writes `docs/python-reference.md`: every coat, paint, tone, piece and shaping that Python makes, from what
the makers themselves say.

    python -m tools.make_python_reference
"""

from __future__ import annotations

import inspect
import re
from pathlib import Path
from typing import Any

import msgspec

import anole
from anole.core.model import to_builtins
from anole.core.model.field_info import FieldInfo, field_info
from anole.scripting.handles import CoatHandle, CoatStack, PieceHandle
from anole.scripting.makers import Maker, takes
from anole.scripting.open_board import OpenBoard

PAGE = Path(anole.__file__).parents[2] / "docs" / "python-reference.md"
HEAD = """# Anole from Python: reference

What [the tutorial](python.md) uses, in full. Written by `python -m tools.make_python_reference` from the
docstrings and the model; a field that is not given has its default. Colours are CSS text or bytes; a length is a
number of px or text such as `"0.08em"`; places across the edge are below 0 outside and above it inside, `"core"`
is the innermost; a paint is a colour, a gradient of CSS text, the path of a picture or a value of `anole.paints`.
"""
LONGEST = 60


def _default(info: FieldInfo) -> str:
    if info.default is msgspec.NODEFAULT:
        return ""
    text = repr(to_builtins(info.default))
    return f"`{text}`" if len(text) <= LONGEST else "…"


def _row(info: FieldInfo) -> str:
    cells = (f"`{info.name}`", takes(info), _default(info), info.about or info.title)
    return "| " + " | ".join(cell.replace("|", "\\|").replace("\n", " ") for cell in cells) + " |"


def maker_text(name: str, maker: Maker[Any]) -> str:
    """A maker's fields as a table."""
    about = (maker.struct.__doc__ or "").strip().split("\n\n")[0].replace("\n", " ")
    rows = [_row(info) for info in field_info(maker.struct)]
    table = (
        ["| field | takes | default | what it is |", "| --- | --- | --- | --- |", *rows]
        if rows
        else []
    )
    return "\n".join([f"### {name}", "", about, "", *table, ""])


def _called(name: str, found: Any) -> str:
    about = inspect.getdoc(found) or ""
    said = about.replace("\n\n", "\n").replace("\n", " ")
    if isinstance(found, property) or not callable(found):
        return f"- `{name}`: {said}"
    # annotations are written as text
    signature = re.sub(r"(: |-> )'([^']*)'", r"\1\2", str(inspect.signature(found)))
    signature = signature.replace("(self, ", "(").replace("(self)", "()")
    return f"- `{name}{signature}`: {said}"


def class_text(kind: type) -> str:
    """A class's public methods and properties."""
    own = [(name, found) for name, found in vars(kind).items() if not name.startswith("_")]
    lines = [_called(name, found) for name, found in own]
    return "\n".join(
        [
            f"### {kind.__name__}",
            "",
            (inspect.getdoc(kind) or "").replace("\n\n", "\n"),
            "",
            *lines,
            "",
        ]
    )


def page() -> str:
    """The whole of it."""
    calls = [
        getattr(anole, name)
        for name in anole.__all__
        if name[0].islower() and name not in anole.MODULES
    ]
    parts = [HEAD, "## anole\n", *[_called(call.__name__, call) for call in calls], ""]
    parts += [class_text(kind) for kind in (OpenBoard, PieceHandle, CoatStack, CoatHandle)]
    for name in anole.MODULES:
        module = getattr(anole, name)
        about = (module.__doc__ or "").split("`")[0].strip().rstrip(":").replace("\n", " ")
        parts += [f"## anole.{name}\n", f"{about}.\n"]
        parts += [maker_text(one, getattr(module, one)) for one in dir(module)]
    return "\n".join(parts)


if __name__ == "__main__":
    PAGE.write_text(page())
    print(PAGE)
