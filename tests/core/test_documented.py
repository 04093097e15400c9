"""Every public name of the core says what it is: itself, or through the protocol it fills in."""

from __future__ import annotations

import ast
from collections.abc import Iterator
from pathlib import Path

import anole.core

ROOT = Path(anole.core.__file__).parent
PARTS = ast.FunctionDef | ast.ClassDef
# each of these fills in a signature that its package documents
ONE_FUNCTION_A_FILE = ("paint/patterns/", "tone/")
LIBRARY_PROTOCOLS = {"ChordPen", "GlyphPainter", "PathPen"}


def _public(body: list[ast.stmt], owner: ast.ClassDef | None = None) -> Iterator[tuple]:
    for node in body:
        if isinstance(node, PARTS) and not node.name.startswith("_"):
            yield owner, node
            if isinstance(node, ast.ClassDef):
                yield from _public(node.body, node)


def _bases(owner: ast.ClassDef) -> set[str]:
    return {n.id for base in owner.bases for n in ast.walk(base) if isinstance(n, ast.Name)}


def _module(path: Path) -> ast.Module:
    return ast.parse(path.read_text("utf-8"))


def _documented_methods() -> dict[str, set[str]]:
    """Methods with a docstring by class, those of its bases among them."""
    own: dict[str, set[str]] = {}
    bases: dict[str, set[str]] = {}
    for path in ROOT.rglob("*.py"):
        public = list(_public(_module(path).body))
        classes = {node for _, node in public if isinstance(node, ast.ClassDef)}
        protocols = {node.name for node in classes if "Protocol" in _bases(node)}
        for owner, node in public:
            if isinstance(node, ast.ClassDef):
                # the classes of a file may fill in its protocols without saying so
                filled_in = protocols - {node.name}
                bases.setdefault(node.name, set()).update(_bases(node) | filled_in)
            elif owner is not None and ast.get_docstring(node):
                own.setdefault(owner.name, set()).add(node.name)

    def all_of(name: str, above: frozenset[str] = frozenset()) -> set[str]:
        further = bases.get(name, set()) - above
        return own.get(name, set()).union(*(all_of(base, above | {name}) for base in further))

    return {name: all_of(name) for name in bases}


def undocumented(path: Path, inherited: dict[str, set[str]]) -> list[str]:
    """Public names of a file that say nothing of themselves."""
    bare = []
    for owner, node in _public(_module(path).body):
        if ast.get_docstring(node) or (owner is not None and owner.name in LIBRARY_PROTOCOLS):
            continue
        if owner is not None and node.name in inherited.get(owner.name, set()):
            continue
        bare.append(f"{path.relative_to(ROOT)}: {node.name}")
    return bare


def test_every_public_name_says_what_it_is():
    inherited = _documented_methods()
    bare = [
        line
        for path in sorted(ROOT.rglob("*.py"))
        if not str(path.relative_to(ROOT)).startswith(ONE_FUNCTION_A_FILE)
        for line in undocumented(path, inherited)
    ]
    # a name alone says enough where a protocol asks for a property of that name
    assert [line for line in bare if line != "library/named.py: name"] == []


def test_every_file_begins_by_saying_what_it_holds():
    silent = [p for p in ROOT.rglob("*.py") if p.read_text() and not ast.get_docstring(_module(p))]
    assert silent == []


def test_a_bare_function_is_found(tmp_path, monkeypatch):
    monkeypatch.setattr("tests.core.test_documented.ROOT", tmp_path)
    (tmp_path / "a.py").write_text("def half(x):\n    return x / 2\n\n\ndef _own():\n    pass\n")
    assert undocumented(tmp_path / "a.py", {}) == ["a.py: half"]
