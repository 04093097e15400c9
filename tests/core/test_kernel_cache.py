"""A kernel whose kept file is broken, or cannot be kept, is compiled again and works."""

from __future__ import annotations

import os
import subprocess
import sys
from pathlib import Path

from anole.core.render import compiling, warm

KERNEL = """
from numba import njit

@njit(cache=True)
def twice(x):
    return 2 * x
"""
CALL = "import anole.core.kernels, kernel; print(kernel.twice(21))"
CUTS = [(ending, share) for ending in ("nbi", "nbc") for share in (0.0, 0.3, 0.9)]


def called(folder: Path, call: str = CALL, **more: str) -> str:
    """What kernels say in a process of their own."""
    environment = {**os.environ, "PYTHONPATH": os.pathsep.join([str(folder), *sys.path]), **more}
    ended = subprocess.run(
        [sys.executable, "-c", call], env=environment, capture_output=True, text=True, check=False
    )
    assert ended.returncode == 0, ended.stderr
    return ended.stdout.strip()


def files(folder: Path, name: str = "kernel", ending: str = "nb?") -> list[Path]:
    return list((folder / "__pycache__").glob(f"{name}.*.{ending}"))


def test_a_file_cut_short_is_made_anew(tmp_path):
    names = [f"kernel{n}" for n in range(len(CUTS))]
    for name in names:
        (tmp_path / f"{name}.py").write_text(KERNEL)
    every = "; ".join(f"import {name}; print({name}.twice(21))" for name in names)
    call = f"import anole.core.kernels; {every}"
    assert called(tmp_path, call).split() == ["42"] * len(CUTS)
    whole = {}
    for name, (ending, share) in zip(names, CUTS, strict=True):
        (file,) = files(tmp_path, name, ending)
        whole[file] = len(file.read_bytes())
        file.write_bytes(file.read_bytes()[: int(whole[file] * share)])
    assert called(tmp_path, call).split() == ["42"] * len(CUTS)
    for name, (ending, _) in zip(names, CUTS, strict=True):
        (file,) = files(tmp_path, name, ending)
        assert len(file.read_bytes()) == whole[file], (name, ending)


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
    assert not files(tmp_path, ending="nbi")


def test_what_several_processes_compile_at_once_is_all_kept(tmp_path):
    """Each for other types; numba's own way gives two of them one name, and the code of one to both."""
    (tmp_path / "kernel.py").write_text(KERNEL)
    values = ["21", "21.0", "1j", "np.arange(3)", "np.ones(2)", "np.float32(3)"]
    # each looks what there is, and takes its time to write what there is then
    wait = (
        "import sys, time, numpy as np, anole.core.kernels, kernel\n"
        "from numba.core.caching import IndexDataCacheFile as File\n"
        "written = File._save_index\n"
        "File._save_index = lambda file, there: (time.sleep(0.5), written(file, there))\n"
        "print('.', end='', flush=True); sys.stdin.read(1); print(repr(kernel.twice({})))"
    )
    environment = {**os.environ, "PYTHONPATH": os.pathsep.join([str(tmp_path), *sys.path])}
    started = [
        subprocess.Popen(
            [sys.executable, "-c", wait.format(value)], env=environment, text=True,
            stdin=subprocess.PIPE, stdout=subprocess.PIPE,
        )
        for value in values
    ]  # fmt: skip
    for process in started:
        assert process.stdout.read(1) == "."
    for process in started:
        process.stdin.write("x")
        process.stdin.flush()
    first = [process.communicate()[0].strip() for process in started]
    assert len(files(tmp_path, ending="nbc")) == len(values)
    every = "; ".join(f"print(repr(kernel.twice({value})))" for value in values)
    again = called(tmp_path, f"import numpy as np, anole.core.kernels, kernel; {every}")
    assert again.splitlines() == first
    # nothing had to be compiled again
    assert len(files(tmp_path, ending="nbc")) == len(values)


def test_each_process_has_a_pile_and_what_is_compiled_is_marked(tmp_path, monkeypatch):
    monkeypatch.setattr(compiling, "_stamp_file", lambda: tmp_path / "made")
    assert not compiling.compiled()
    # given up, as by a window that is closed
    compiling.compile_all(lambda _: None, lambda: True)
    assert not compiling.compiled()
    shares: list[float] = []
    compiling.compile_all(shares.append, lambda: False)
    assert len(shares) == len(warm.boards()) and max(shares) == 1.0
    assert compiling.compiled()
    (tmp_path / "made").write_bytes(b"another source")
    assert not compiling.compiled()
