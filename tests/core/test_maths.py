"""Small formulas against a library."""

from __future__ import annotations

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.interpolate import PchipInterpolator

from anole.core.maths import monotone

HEIGHTS = st.floats(0, 1).map(lambda v: round(v, 4))


@given(
    st.lists(st.tuples(st.integers(1, 1000), HEIGHTS), min_size=2, max_size=12),
    st.floats(0, 1),
)
@settings(max_examples=300, deadline=None)
def test_a_monotone_curve_is_a_librarys(points, start):
    xs = start + np.cumsum([step / 1000 for step, _ in points])
    ys = np.array([height for _, height in points])
    at = np.linspace(xs[0], xs[-1], 203)
    np.testing.assert_allclose(monotone(xs, ys, at), PchipInterpolator(xs, ys)(at), atol=1e-9)


@given(st.lists(HEIGHTS, min_size=2, max_size=9))
def test_it_rises_and_falls_only_where_its_points_do(heights):
    xs, ys = np.arange(len(heights)) / 10.0, np.array(heights)
    for first in range(len(heights) - 1):
        part = monotone(xs, ys, np.linspace(xs[first], xs[first + 1], 33))
        steps = np.diff(part) * np.sign(ys[first + 1] - ys[first])
        assert (steps > -1e-12).all()
