"""After a while without work the window lets go of what only comes and goes."""

from __future__ import annotations

from anole.core.model import Fill, Stroke
from anole.studio.rendering import worker
from anole.studio.shared.shell import Stage

from ..core.shapes import board


def test_what_proof_kept_is_given_back_and_made_again(open_window, settle, qtbot, monkeypatch):
    monkeypatch.setattr(worker, "REST", 0.2)
    monkeypatch.setattr(worker, "LONG_REST", 0.2)
    given = []
    monkeypatch.setattr(worker, "give_back", lambda: given.append(1))
    window = open_window(board(Stroke(id="s"), Fill(id="f"), text="LAP"))
    window.show_stage(Stage.PROOF)
    qtbot.waitUntil(lambda: "proof" in window.worker._lent, timeout=20_000)
    proof = window.worker._lent["proof"]
    qtbot.waitUntil(lambda: proof.cache.held > 0)
    first = dict(window.proof.pictures.images)
    qtbot.waitUntil(lambda: proof.cache.held == 0 and len(given) >= 2)
    assert not proof._steps and proof._planes.ground.size == 0
    window.proof.pictures.asked = None
    window.proof.pictures.ask()
    settle(window)
    assert all(window.proof.pictures.images[width] == image for width, image in first.items())
