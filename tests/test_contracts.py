"""The import contracts hold, and each one fails when something is planted against it."""

import shutil
import subprocess
import sys
from pathlib import Path

import pytest

ROOT = Path(__file__).parents[1]
PLANTS = {
    "core knows nothing": ("core/box.py", "from PyQt6 import QtCore"),
    "core knows nothing of the studio": ("core/edit/ids.py", "import anole.studio.theme"),
    "model is data": ("core/model/span.py", "from ..paint import blend"),
    "callers": ("core/coats/fill.py", "from ..files import png"),
}


def lint(folder: Path) -> subprocess.CompletedProcess:
    command = [str(Path(sys.executable).parent / "lint-imports"), "--no-cache"]
    return subprocess.run(
        command, cwd=folder, capture_output=True, text=True, check=False,
        env={"PYTHONPATH": str(folder / "src"), "PATH": "/usr/bin:/bin"},
    )  # fmt: skip


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


@pytest.mark.parametrize("plant", PLANTS)
def test_a_planted_import_is_caught(copy, plant):
    name, line = PLANTS[plant]
    path = copy / "src" / "anole" / name
    path.write_text(path.read_text() + f"\n{line}\n")
    found = lint(copy)
    assert found.returncode == 1, found.stdout + found.stderr
    assert "BROKEN" in found.stdout
