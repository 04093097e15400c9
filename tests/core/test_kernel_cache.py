"""A kernel whose kept file is broken, or cannot be kept, is compiled again and works."""

from __future__ import annotations

import os
import subprocess
import sys
from pathlib import Path

import pytest

KERNEL = """
from numba import njit

@njit(cache=True)
def twice(x):
    return 2 * x
"""
CALL = "import anole.core, kernel; print(kernel.twice(21))"


def called(folder: Path, **more: str) -> str:
    """What the kernel says in a process of its own."""
    environment = {**os.environ, "PYTHONPATH": os.pathsep.join([str(folder), *sys.path]), **more}
    ended = subprocess.run(
        [sys.executable, "-c", CALL], env=environment, capture_output=True, text=True, check=False
    )
    assert ended.returncode == 0, ended.stderr
    return ended.stdout.strip()


@pytest.fixture(scope="module")
def kept(tmp_path_factory) -> Path:
    folder = tmp_path_factory.mktemp("kernel")
    (folder / "kernel.py").write_text(KERNEL)
    assert called(folder) == "42"
    assert files(folder)
    return folder


def files(folder: Path, *endings: str) -> list[Path]:
    return [p for e in endings or ("nbi", "nbc") for p in (folder / "__pycache__").glob(f"*.{e}")]


@pytest.mark.parametrize("ending", ["nbi", "nbc"])
@pytest.mark.parametrize("share", [0.0, 0.3, 0.9])
def test_a_file_cut_short_is_made_anew(kept, ending, share):
    (file,) = files(kept, ending)
    whole = file.read_bytes()
    file.write_bytes(whole[: int(len(whole) * share)])
    assert called(kept) == "42"
    assert [len(f.read_bytes()) for f in files(kept, ending)] == [len(whole)]


def test_without_a_folder_to_write_to_it_works_in_memory(tmp_path):
    (tmp_path / "kernel.py").write_text(KERNEL)
    (tmp_path / "__pycache__").write_text("in the way")
    (tmp_path / "home").write_text("in the way")
    nowhere = str(tmp_path / "home" / "x")
    assert called(tmp_path, HOME=nowhere, XDG_CACHE_HOME=nowhere, NUMBA_CACHE_DIR="") == "42"


def test_a_full_disk_is_done_without(tmp_path):
    (tmp_path / "kernel.py").write_text(KERNEL)
    full = (
        "import errno, os; from numba.core.caching import IndexDataCacheFile as F\n"
        "def fails(*_): raise OSError(errno.ENOSPC, 'no space left on device')\n"
        "F._save_data = fails\n" + CALL
    )
    ended = subprocess.run(
        [sys.executable, "-c", full],
        env={**os.environ, "PYTHONPATH": os.pathsep.join([str(tmp_path), *sys.path])},
        capture_output=True,
        text=True,
        check=False,
    )
    assert ended.stdout.strip() == "42", ended.stderr
    assert not files(tmp_path, "nbi")
