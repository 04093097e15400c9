"""Px that are looked at closely, where there is nothing to look at."""

from __future__ import annotations

import numpy as np
import pytest

from anole.core.field.closest import Nearest
from anole.core.field.ridge_samples import ridge_samples


@pytest.mark.parametrize("chords", [0, 3])
@pytest.mark.parametrize("distance", [1e6, 5.0])
def test_a_covered_px_that_no_chord_is_near_has_its_own_distance(chords, distance):
    """All is inside and no outline comes near: normals are 0 and part from each other everywhere."""
    shape = (200, 40)
    near = Nearest(
        np.full(shape, distance, np.float32),
        np.full(shape, -1, np.int32),
        np.zeros((chords, 5), np.float32),
    )
    joint = np.zeros((chords, 8), np.float32)
    found = ridge_samples(near, joint, np.zeros((2, *shape), np.float32), -2.0)
    assert len(found.column) == 198 * 38
    assert (found.distance == distance).all() and not found.nx.any() and not found.ny.any()
