"""Random acts at a real window, by real events; see monkey.py."""

from __future__ import annotations

import os
import subprocess
import sys

import pytest

SHORT, HOUR = 30, 3600
SEEDS = (1, 2, 3)


@pytest.mark.deep
@pytest.mark.parametrize("seed", SEEDS)
def test_whatever_a_monkey_does_nothing_goes_wrong(seed, deep, own_home):
    seconds = HOUR // len(SEEDS) if deep else SHORT
    environment = {**os.environ, "QT_QPA_PLATFORM": "xcb"}
    environment.pop("WAYLAND_DISPLAY", None)
    command = ["xvfb-run", "-a", "-s", "-screen 0 1400x900x24", sys.executable, "-X", "faulthandler",
               "-m", "tests.studio.monkey", str(seed), str(seconds)]  # fmt: skip
    found = subprocess.run(
        command, env=environment, capture_output=True, text=True, timeout=seconds + 300, check=False
    )
    assert found.returncode == 0, found.stdout + found.stderr[-6000:]
    acts = int(found.stdout.split(" acts")[0].split()[-1])
    assert acts > seconds
