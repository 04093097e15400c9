"""Writes what type checkers and editors see of the makers: `src/anole/coats.pyi` and its like.

python -m tools.make_stubs
"""

from __future__ import annotations

import types
from collections.abc import Iterable
from pathlib import Path
from typing import Any, Literal, Union, get_args, get_origin, get_type_hints

import msgspec

import anole
from anole.core.model import Colour, Font, Ink, Length, Place, Stop
from anole.core.model.field_info import annotation
from anole.core.model.open_choice import OpenChoice
from anole.core.model.open_union import OpenUnion
from anole.core.model.paints import PAINTS
from anole.core.model.span import Span

FOLDER = Path(anole.__file__).parent
LIKES = {
    Span: "SpanLike",
    Font: "FontLike",
    Place: "PlaceLike",
    Colour: "ColourLike",
    Ink: "InkLike",
}
PLAIN = {float: "float", int: "int", bool: "bool", str: "str"}


def takes(kind: Any) -> str:
    """The type that a field takes, as it is written."""
    kind, _ = annotation(kind)
    if get_origin(kind) in (Union, types.UnionType):
        return " | ".join(takes(one) for one in get_args(kind))
    if kind is type(None):
        return "None"
    if get_origin(kind) is Literal:
        return f"Literal[{', '.join(repr(one) for one in get_args(kind))}]"
    if isinstance(kind, OpenUnion):
        return "PaintLike" if kind is PAINTS else "msgspec.Struct | Fields"
    if isinstance(kind, OpenChoice):
        return "str"
    if get_origin(kind) is tuple:
        return _of_many(get_args(kind))
    if kind in LIKES:
        return LIKES[kind]
    if kind in PLAIN:
        return PLAIN[kind]
    if isinstance(kind, type) and issubclass(kind, Length):
        return "LengthLike"
    if isinstance(kind, type) and issubclass(kind, msgspec.Struct):
        return "msgspec.Struct | Fields"
    return "Any"


def _of_many(of: tuple[Any, ...]) -> str:
    if len(of) == 2 and of[1] is ...:
        one = annotation(of[0])[0]
        return "StopsLike" if one is Stop else f"Iterable[{takes(one)}]"
    return f"tuple[{', '.join(takes(one) for one in of)}]"


def class_of(struct: type[msgspec.Struct]) -> str:
    """A struct's class, made from fields by name."""
    hints = get_type_hints(struct, include_extras=True)
    fields = [field.name for field in msgspec.structs.fields(struct)]
    lines = [f"        {name}: {_own(name, hints[name])} = ...," for name in fields]
    about = (struct.__doc__ or "").strip().splitlines()[0]
    return "\n".join([
        f"class {struct.__name__}({struct.__module__}.{struct.__name__}, frozen=True):",
        f'    """{about}"""',
        "",
        "    def __init__(",
        "        self,",
        "        *,",
        *lines,
        "    ) -> None: ...",
    ])  # fmt: skip


def _own(name: str, hint: Any) -> str:
    return "str | os.PathLike[str]" if name == "asset" else takes(hint)


def stub(structs: Iterable[type[msgspec.Struct]], about: str) -> str:
    """The text of a module's stub."""
    structs = list(structs)
    body = "\n\n".join(class_of(struct) for struct in structs)
    modules = sorted({struct.__module__ for struct in structs} | {"msgspec", "os"})
    likes = [name for name in ("ColourLike", "Fields", "FontLike", "InkLike", "LengthLike", "PaintLike", "PlaceLike",
                               "SpanLike", "StopsLike") if name in body]  # fmt: skip
    imports = [f"import {name}" for name in modules if f"{name}." in body]
    typing = [name for name in ("Any", "Literal") if name in body]
    lines = [f'"""{about}"""', "", *imports]
    lines += ["from collections.abc import Iterable"] if "Iterable[" in body else []
    lines += [f"from typing import {', '.join(typing)}"] if typing else []
    lines += ["", f"from .scripting.likes import {', '.join(likes)}"] if likes else []
    return "\n".join([*lines, "", body, ""])


def stubs() -> dict[Path, str]:
    """All stubs by their files."""
    found = {}
    for name in anole.MODULES:
        module = getattr(anole, name)
        structs = [getattr(module, one).struct for one in dir(module)]
        found[FOLDER / f"{name}.pyi"] = stub(structs, (module.__doc__ or name).splitlines()[0])
    return found


if __name__ == "__main__":
    for path, text in stubs().items():
        path.write_text(text)
        print(path)
