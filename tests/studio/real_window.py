"""Scripts run with a real window on a display server of their own."""

from __future__ import annotations

import os
import shutil
import subprocess
import sys

import pytest


def run(script: str) -> str:
    """What a script prints; it must end well."""
    if not shutil.which("xvfb-run"):
        pytest.skip("xvfb-run is not installed")
    environment = {**os.environ, "QT_QPA_PLATFORM": "xcb"}
    environment.pop("WAYLAND_DISPLAY", None)
    command = ["xvfb-run", "-a", "-s", "-screen 0 1400x900x24", sys.executable, "-c", script]
    found = subprocess.run(
        command, env=environment, capture_output=True, text=True, timeout=180, check=False
    )
    assert found.returncode == 0, found.stdout + found.stderr
    return found.stdout
