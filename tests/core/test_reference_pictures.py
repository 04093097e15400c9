"""Every built-in style as it looked when it was last looked at: a heavy font, a script, a thumbnail.

A picture that differs is written beside its path; `python -m tools.make_references` renews them all.
"""

from __future__ import annotations

from pathlib import Path

import numpy as np
import pytest
from PIL import Image

from anole.core.render.export import rgba

from .styled import STYLES, styled

FOLDER = Path(__file__).parent / "references"
FAILED = Path(__file__).parents[1] / "failed"
KINDS = {
    "heavy": ("Anton", "Rink", 110, 240, 140, 1.0),
    "script small": ("Great Vibes", "Rink", 52, 130, 72, 1.0),
    "thumbnail": ("Anton", "RINK\nNIGHT", 300, 1280, 720, 168 / 1280),
}
MEAN, WORST = 0.7, 24
"""Levels by which a picture may differ on the mean, and in all but a thousandth of its numbers: other
processors round otherwise."""


def path_of(style: str, kind: str) -> Path:
    return FOLDER / f"{style} - {kind}.png".replace(" ", "_")


def drawn(style: str, kind: str) -> np.ndarray:
    family, text, size, width, height, scale = KINDS[kind]
    return rgba(styled(style, family, text, size, width, height), scale)[..., :3]


@pytest.mark.sample(100)
@pytest.mark.parametrize("kind", KINDS)
@pytest.mark.parametrize("style", STYLES)
def test_a_style_looks_as_it_did(style, kind):
    path, found = path_of(style, kind), drawn(style, kind)
    true = np.asarray(Image.open(path).convert("RGB"))
    assert found.shape == true.shape
    off = np.abs(found.astype(int) - true)
    if off.mean() > MEAN or np.percentile(off, 99.9) > WORST:
        FAILED.mkdir(exist_ok=True)
        Image.fromarray(found).save(FAILED / path.name)
        pytest.fail(
            f"{style}, {kind}: {off.mean():.2f} levels off on the mean, "
            f"{np.percentile(off, 99.9):.0f} at worst; see {FAILED / path.name}"
        )


def test_there_is_one_of_each_and_no_other():
    wanted = {path_of(style, kind).name for style in STYLES for kind in KINDS}
    assert {path.name for path in FOLDER.glob("*.png")} == wanted
