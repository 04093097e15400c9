"""A format that nobody knows is chosen in the export panel, which shows the fields that it has."""

from __future__ import annotations

import pytest

from anole.core.edit.exports import add_export
from anole.core.model import Export
from anole.studio.shared.shell import Stage

from ..toys import registered


@pytest.fixture(autouse=True)
def toys():
    with registered():
        yield


def test_it_is_among_the_formats_and_has_its_fields(open_window, settle, qtbot):
    window = open_window()
    window.show_stage(Stage.PROOF)
    settle(window)
    panel = window.export
    box = panel.fields.controls["format"].box
    titles = [box.itemText(n) for n in range(box.count())]
    assert titles[-1] == "Portable" and titles[0] == "PNG"
    window.document.apply("Add", lambda b: add_export(b, Export(format="portable", id="new"))[0])
    settle(window)
    shown = {name for name, one in panel.fields.controls.items() if one.isVisibleTo(panel)}
    assert "format" in shown and not {"quality", "most", "transparent", "bleed"} & shown
    qtbot.waitUntil(lambda: panel.bytes.text().startswith("Portable, "), timeout=30_000)
