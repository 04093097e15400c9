"""Easing tables against another library's curves."""

import numpy as np
import pytest
from coloraide import easing

from anole.core.coats.shading.easing import CURVES, STEPS, table


@pytest.mark.parametrize("name", CURVES)
def test_they_are_css_s_curves(name):
    other = getattr(easing, name.replace("-", "_"))
    wanted = [other(at) for at in np.linspace(0, 1, STEPS + 1)]
    np.testing.assert_allclose(table(name), wanted, atol=1e-6)
    assert (np.diff(table(name)) >= 0).all()


def test_another_name_is_refused():
    with pytest.raises(KeyError):
        table("bounce")
