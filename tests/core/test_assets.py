"""Files that boards carry are let go with the last board that needs them."""

from __future__ import annotations

import pytest

from anole.core import assets


@pytest.fixture(autouse=True)
def empty(monkeypatch):
    assets.clear()
    monkeypatch.setattr(assets, "GRACE", -1.0)
    yield
    for holder in ("a", "b"):
        assets.hold(holder, ())


def test_what_somebody_holds_stays_and_the_rest_goes():
    one, two, three = (assets.put(bytes([n]) * 10) for n in range(3))
    assets.hold("a", [one, two])
    assets.hold("b", [two])
    assert assets.free() == 10
    assert not assets.has(three)
    assets.hold("a", ())
    assert assets.free([one]) == 0
    assert assets.free() == 10
    assert assets.has(two)


def test_what_has_just_come_in_stays_a_while(monkeypatch):
    monkeypatch.setattr(assets, "GRACE", 60.0)
    key = assets.put(b"fresh")
    assert assets.free() == 0
    assert assets.get(key) == b"fresh"
