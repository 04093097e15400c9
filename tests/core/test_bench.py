"""What the measurements are made of, apart from time itself."""

from __future__ import annotations

from xml.etree import ElementTree

import pytest
from benchmarks.charts import drawn
from benchmarks.compare import changes
from benchmarks.growth import Series


def test_a_change_is_said_where_the_turns_are_apart():
    there = {"same": [1.0, 1.1, 0.9], "slower": [1.0, 1.1, 0.9], "little": [1.0, 1.0, 1.0]}
    here = {
        "same": [1.05, 0.95, 1.2],
        "slower": [1.5, 1.4, 1.6],
        "little": [1.02] * 3,
        "new": [9.0],
    }
    found = changes(there, here)
    assert [one.name for one in found] == ["slower"]
    assert found[0].share == pytest.approx(0.5)
    faster = changes(here, there)
    assert [one.share for one in faster if one.name == "slower"] == [pytest.approx(-1 / 3)]


@pytest.mark.parametrize("power", [0.5, 1.0, 2.0])
def test_the_power_by_which_a_cost_grows(power):
    sizes = [1.0, 2.0, 4.0, 8.0]
    series = Series("px", "Mpx", sizes, [0.01 * size**power for size in sizes], [0.001] * 4)
    assert series.exponent == pytest.approx(power)
    picture = ElementTree.fromstring(drawn([series] * 3))
    lines = list(picture.iter("{http://www.w3.org/2000/svg}polyline"))
    assert len(lines) == 6
    _, ours = (line.get("points").split() for line in lines[:2])
    heights = [float(point.split(",")[1]) for point in ours]
    # on a logarithmic scale a power is a straight line
    steps = [a - b for a, b in zip(heights, heights[1:], strict=False)]
    assert steps == pytest.approx([steps[0]] * 3, abs=0.2) and steps[0] > 0
