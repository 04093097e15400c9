"""The import contracts hold, and each one fails when something is planted against it."""

import ast
import re
import shutil
import subprocess
import sys
from pathlib import Path

import grimp
import pytest

ROOT = Path(__file__).parents[1]
PLANTS = {
    "core knows nothing": ("core/box.py", "from PyQt6 import QtCore"),
    "core knows nothing of the studio": ("core/edit/ids.py", "import anole.studio.look.theme"),
    "model is data": ("core/model/span.py", "import numba"),
    "maths below the model": ("core/maths.py", "from .model import Board"),
    "model below lettering": ("core/model/span.py", "from ..lettering import fonts"),
    "field below paint": ("core/field/blur.py", "from ..paint import source"),
    "colour below tone": ("core/colour/gamut.py", "from ..tone import cdl"),
    "compose below coats": ("core/compose/cover.py", "from ..coats.kinds import fill"),
    "paint below coats": ("core/paint/solid.py", "from ..coats import band"),
    "coats below pieces": ("core/coats/kinds/fill.py", "from ...pieces.placing import view"),
    "shading below kinds": ("core/coats/shading/easing.py", "from ..kinds import relief"),
    "pieces below render": ("core/pieces/placing/view.py", "from ...render import opaque"),
    "placing below shapes": ("core/pieces/placing/posed.py", "from ..shapes import joined"),
    "render below files": ("core/render/opaque.py", "from ..files import png_stream"),
    "files below edit": ("core/files/png_stream.py", "from ..edit import ids"),
    "base below numbers": ("studio/controls/base/part.py", "from ..numbers import length"),
    "numbers below choices": ("studio/controls/numbers/span.py", "from ..choices import choice"),
    "controls below arrange": ("studio/controls/base/text.py", "from ...arrange import section"),
    "arrange beside coat": ("studio/arrange/section.py", "from ..coat import lantern"),
    "coat beside proof": ("studio/coat/lantern.py", "from ..proof import proof_pictures"),
    "stages below the window": ("studio/coat/lantern.py", "from ..main_window import window"),
    "shared below the board": ("studio/shared/session.py", "from ..board import board_tool"),
    "documents beside rendering": ("studio/documents/reading.py", "from ..rendering import worker"),
    "look below all": ("studio/look/theme.py", "from ..shared import session"),
    "runtime below the look": ("studio/runtime/troubles.py", "from ..look import icons"),
}


def lint(folder: Path) -> subprocess.CompletedProcess:
    command = [str(Path(sys.executable).parent / "lint-imports"), "--no-cache"]
    return subprocess.run(
        command,
        cwd=folder,
        capture_output=True,
        text=True,
        check=False,
        env={"PYTHONPATH": str(folder / "src"), "PATH": "/usr/bin:/bin"},
    )


@pytest.fixture
def copy(tmp_path):
    shutil.copytree(
        ROOT / "src", tmp_path / "src", ignore=shutil.ignore_patterns("data", "*.egg-info")
    )
    shutil.copy(ROOT / "pyproject.toml", tmp_path)
    return tmp_path


def test_the_contracts_hold(copy):
    found = lint(copy)
    assert found.returncode == 0, found.stdout + found.stderr


def taken(path: Path, line: str) -> Path:
    """The file of the module that a planted import takes; of other packages, the one planted in."""
    found = re.fullmatch(r"from (\.+)([\w.]+) import ([a-z]\w*)", line)
    if found is None:
        return path
    dots, package, module = found.groups()
    return path.parents[len(dots) - 1].joinpath(*package.split("."), f"{module}.py")


def planted(folder: Path, name: str, line: str) -> str:
    """Write an import at a module's end; returns what is said of it: who imports, and where."""
    path = folder / "src" / "anole" / name
    assert taken(path, line).exists(), f"{name}: what it imports is not there"
    path.write_text(path.read_text() + f"\n{line}\n")
    module = "anole." + name.removesuffix(".py").replace("/", ".")
    return f"{module} -> (\\S+) \\(l\\.{len(path.read_text().splitlines())}\\)"


def test_every_planted_import_is_caught(copy):
    said = {plant: planted(copy, *PLANTS[plant]) for plant in PLANTS}
    found = lint(copy)
    assert found.returncode == 1, found.stdout + found.stderr
    told = " ".join(found.stdout.split())
    assert [plant for plant, words in said.items() if not re.search(words, told)] == []


def circles(graph: grimp.ImportGraph) -> list[set[str]]:
    """Modules that import each other, by way of others too."""
    below = {module: set(graph.find_upstream_modules(module)) for module in graph.modules}
    return [
        {other for other in below[module] if module in below.get(other, ())}
        for module in sorted(graph.modules)
        if module in below[module] or any(module in below.get(o, ()) for o in below[module])
    ]


def test_no_module_imports_itself_by_way_of_others():
    assert circles(grimp.build_graph("anole", cache_dir=None)) == []


def _imports_and_calls(path: Path) -> set[str]:
    """Modules that a file imports, and plain names that it calls."""
    found: set[str] = set()
    for node in ast.walk(ast.parse(path.read_text())):
        if isinstance(node, ast.Import):
            found |= {alias.name.partition(".")[0] for alias in node.names}
        elif isinstance(node, ast.ImportFrom) and not node.level and node.module:
            found.add(node.module.partition(".")[0])
        elif isinstance(node, ast.Call) and isinstance(node.func, ast.Name):
            found.add(node.func.id)
    return found


NETWORK = {"socket", "urllib", "http", "ftplib", "requests", "ssl", "asyncio", "smtplib"}
CODE = {"pickle", "marshal", "shelve", "eval", "exec", "compile", "__import__", "importlib"}
OTHERS = {"subprocess", "multiprocessing"}
ALLOWED = {
    # sockets of this machine alone: the helper's, and the display's
    "core/isolation/client.py": {"socket", "subprocess"},
    # rows of a series: our own code in processes of our own; a cluster only where somebody names one
    "core/series/running.py": {"multiprocessing"},
    # compilers, which are our own code too
    "core/render/compiling.py": {"subprocess"},
    "core/isolation/wire.py": {"socket"},
    "core/helper/__main__.py": {"socket"},
    "studio/display.py": {"socket"},
}
METADATA = {"importlib"}
"""importlib.resources and importlib.metadata name our own data and version."""


def test_no_network_no_code_from_files_no_other_process():
    root = ROOT / "src" / "anole"
    for path in sorted(root.rglob("*.py")):
        name = path.relative_to(root).as_posix()
        found = _imports_and_calls(path) & (NETWORK | CODE | OTHERS)
        assert found - ALLOWED.get(name, set()) - METADATA == set(), name


def test_what_few_boards_need_is_not_imported_at_the_start():
    """One curve's package takes as long as all else."""
    script = "import anole.cli, sys; print('scipy.interpolate' in sys.modules)"
    ended = subprocess.run(
        [sys.executable, "-c", script], capture_output=True, text=True, check=True
    )
    assert ended.stdout.strip() == "False"
