"""Figures of the source's shape, to compare before and after it is changed:

python -m tools.code_figures [FOLDER...]
"""

from __future__ import annotations

import ast
import sys
from collections import Counter
from collections.abc import Iterator
from pathlib import Path
from statistics import median

ROOT = Path(__file__).parent.parent / "src"
MANY_FILES, LONG_FILE, LONG_FUNCTION, CHAIN = 20, 300, 30, 3
ARRAYS = ("ndarray", "Plane", "Planes", "Mask", "Numbers", "Points", "Chords", "Curves", "Real")
SAYS = ("(", "float32", "float64", "uint8", "int32", "int64", "bool")
"""What a docstring that says shapes or dtypes has at least one of."""

Function = ast.FunctionDef | ast.AsyncFunctionDef


class Source:
    """One file: its tree, and the name it is imported by."""

    def __init__(self, path: Path) -> None:
        parts = list(path.relative_to(ROOT).with_suffix("").parts)
        self.is_folder = parts[-1] == "__init__"
        self.name = ".".join(parts[:-1] if self.is_folder else parts)
        self.text = path.read_text()
        self.tree = ast.parse(self.text)

    @property
    def folder(self) -> str:
        return self.name if self.is_folder else self.name.rpartition(".")[0]

    def functions(self) -> Iterator[Function]:
        for node in ast.walk(self.tree):
            if isinstance(node, Function):
                yield node

    def imported(self) -> Iterator[str]:
        """Names it imports from, with those of what it takes from them."""
        for node in ast.walk(self.tree):
            if isinstance(node, ast.ImportFrom):
                up = self.folder.split(".")[: len(self.folder.split(".")) - node.level + 1]
                base = ".".join([*(up if node.level else []), *filter(None, [node.module])])
                yield base
                yield from (f"{base}.{alias.name}" for alias in node.names)


def sources(folders: list[str]) -> dict[str, Source]:
    found = (Source(path) for path in sorted(ROOT.rglob("*.py")))
    return {one.name: one for one in found if not folders or one.name.startswith(tuple(folders))}


def arrows(all_: dict[str, Source]) -> Counter[tuple[str, str]]:
    """Imports from one folder to another, counted by pairs of folders."""
    found: Counter[tuple[str, str]] = Counter()
    for one in all_.values():
        for name in set(one.imported()) & set(all_):
            if all_[name].folder != one.folder:
                found[one.folder, all_[name].folder] += 1
    return found


def in_circles(pairs: Counter[tuple[str, str]]) -> set[str]:
    """Folders that import themselves by way of others."""
    to: dict[str, set[str]] = {}
    for a, b in pairs:
        to.setdefault(a, set()).add(b)

    def reached(start: str) -> set[str]:
        seen: set[str] = set()
        ways = [start]
        while ways:
            new = to.get(ways.pop(), set()) - seen
            seen |= new
            ways += new
        return seen

    return {folder for folder in to if folder in reached(folder)}


def length(function: Function) -> int:
    return (function.end_lineno or function.lineno) - function.lineno + 1


def takes_arrays(function: Function) -> bool:
    notes = [a.annotation for a in function.args.args if a.annotation]
    return any(kind in ast.unparse(note) for note in notes for kind in ARRAYS)


def says_shapes(function: Function) -> bool:
    said = ast.get_docstring(function) or ""
    return any(word in said for word in SAYS)


def isinstances(function: Function) -> int:
    calls = (node for node in ast.walk(function) if isinstance(node, ast.Call))
    return sum(isinstance(c.func, ast.Name) and c.func.id == "isinstance" for c in calls)


def public(one: Source) -> list[Function]:
    return [f for f in one.functions() if not f.name.startswith("_")]


def share(part: int, whole: int) -> str:
    return f"{part} of {whole} ({100 * part / max(whole, 1):.0f} %)"


def table(all_: dict[str, Source]) -> list[tuple[str, str]]:
    files = Counter(one.folder for one in all_.values())
    lines = {name: one.text.count("\n") for name, one in all_.items()}
    functions = [f for one in all_.values() for f in one.functions()]
    pairs, with_arrays = arrows(all_), [f for f in functions if takes_arrays(f)]
    bare = sum(one.text.count("np.ndarray") for one in all_.values())
    chains = [f for f in functions if isinstances(f) >= CHAIN]
    shown = [f for one in all_.values() if ".studio" in one.name for f in public(one)]
    largest = ", ".join(f"{name} {count}" for name, count in files.most_common(5))
    full = [name for name, count in files.items() if count > MANY_FILES]
    long_files = {name: count for name, count in lines.items() if count > LONG_FILE}
    return [
        ("files, folders", f"{len(all_)}, {len(files)}"),
        (f"folders of over {MANY_FILES} files", f"{len(full)}; the largest: {largest}"),
        ("arrows between folders", f"{len(pairs)} ({sum(pairs.values())} imports)"),
        ("folders in circles", f"{len(in_circles(pairs))}"),
        ("lines a file", f"median {median(lines.values()):.0f}, most {max(lines.values())}"),
        (f"files over {LONG_FILE} lines", ", ".join(long_files) or "none"),
        (f"functions over {LONG_FUNCTION} lines", str(sum(length(f) > LONG_FUNCTION for f in functions))),
        ("bare np.ndarray", str(bare)),
        ("with arrays, docstring says shapes", share(sum(map(says_shapes, with_arrays)), len(with_arrays))),
        (f"functions of {CHAIN} isinstance or more", str(len(chains))),
        ("public in the window, own docstring", share(sum(bool(ast.get_docstring(f)) for f in shown), len(shown))),
    ]  # fmt: skip


def main(folders: list[str]) -> None:
    rows = table(sources(folders))
    wide = max(len(name) for name, _ in rows)
    for name, figure in rows:
        print(f"{name:{wide}}  {figure}")


if __name__ == "__main__":
    main(sys.argv[1:])
