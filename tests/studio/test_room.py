"""The board is the largest thing: panels, their widths, and how large it is shown."""

from __future__ import annotations

import pytest
from PyQt6.QtCore import QPoint, Qt
from PyQt6.QtWidgets import QAbstractScrollArea, QWidget

from anole.core.coats.registry import KINDS
from anole.core.model import Board, Fill, Gradient, Ground, Stroke
from anole.studio.documents.board_files import demo_boards
from anole.studio.look.view_transform import filling, fitting
from anole.studio.shared.shell import Stage

from ..core.shapes import board

LEFT = Qt.MouseButton.LeftButton
WIDE = Board(width=1280, height=720, pieces=(Ground(id="g"),))


def shown_width(window) -> float:
    return window.view.transform_now().zoom * window.document.board.width


@pytest.mark.parametrize("stage", [Stage.ARRANGE, Stage.COAT])
@pytest.mark.parametrize(("size", "least"), [((1280, 800), 720), ((1100, 700), 560)])
def test_a_wide_board_has_its_room(stage, size, least, open_window, settle):
    window = open_window(WIDE)
    window.resize(*size)
    window.show_stage(stage)
    settle(window)
    assert shown_width(window) >= least
    area = window.view.transform_now().rect(0, 0, 1280, 720)
    assert window.view.rect().contains(area.toAlignedRect().adjusted(1, 1, -1, -1))


def test_panels_are_pulled_wider_and_stay_so_for_their_stage(open_window, drag, settle):
    window = open_window(WIDE)
    handle = window.panels.handle(1)
    left = window.panels.sizes()[0]
    at = handle.rect().center().toPointF()
    # in one move: the handle goes with the pointer
    drag(handle, at, at + type(at)(60, 0), steps=1)
    assert window.panels.sizes()[0] == pytest.approx(left + 60, abs=3)
    window.show_stage(Stage.COAT)
    assert window.panels.sizes()[0] != pytest.approx(left + 60, abs=3)
    window.show_stage(Stage.ARRANGE)
    assert window.panels.sizes()[0] == pytest.approx(left + 60, abs=3)
    again = open_window(WIDE)
    again.show_stage(Stage.ARRANGE)
    assert again.panels.sizes()[0] == pytest.approx(left + 60, abs=3)


def test_f9_leaves_the_board_alone(open_window, qtbot):
    window = open_window(WIDE)
    before = shown_width(window)
    qtbot.keyClick(window, Qt.Key.Key_F9)
    qtbot.waitUntil(lambda: shown_width(window) > before * 1.3)
    window.show_stage(Stage.COAT)
    assert not window.shelf.isVisible()
    qtbot.keyClick(window, Qt.Key.Key_F9)
    assert window.shelf.isVisible()


@pytest.mark.parametrize("width", [640, 1280, 5000])
@pytest.mark.parametrize("height", [100, 720, 4000])
@pytest.mark.parametrize("view", [(300, 300), (750, 755), (1600, 400)])
def test_fitting_and_filling(width, height, view):
    fit = fitting(width, height, *view, 12, 26)
    assert fit.zoom <= 1
    assert fit.x >= 11.99 and fit.y >= 25.99
    assert fit.x + width * fit.zoom <= view[0] - 11.99
    assert fit.y + height * fit.zoom <= view[1] - 11.99
    full = filling(width, height, *view)
    assert full.x <= 0.01 and full.y <= 0.01
    assert full.x + width * full.zoom >= view[0] - 0.01
    assert full.y + height * full.zoom >= view[1] - 0.01
    # no smaller one would do
    assert min(abs(full.x), abs(full.y)) < 0.01


def test_the_zoom_has_sizes_a_slider_whole_and_fill(open_window, qtbot, drag):
    window = open_window(WIDE)
    menu = window.top.zooms
    window.top.zoom.click()
    assert menu.isVisible()
    menu.sizes[2.0].click()
    assert window.zoom == 2.0
    assert window.top.zoom.text() == "200%"
    qtbot.mouseClick(menu.fill, LEFT)
    now = window.view.transform_now()
    assert max(now.x, now.y) <= 0.01
    window.resize(1400, 900)
    now = window.view.transform_now()
    assert max(now.x, now.y) <= 0.01
    qtbot.mouseClick(menu.fit, LEFT)
    whole = window.zoom
    assert whole < now.zoom
    slider = menu.slider
    qtbot.mouseClick(slider, LEFT, pos=slider.rect().center())
    assert window.zoom == pytest.approx((0.05 * 16) ** 0.5, rel=0.1)
    menu.hide()


def fits(area: QAbstractScrollArea) -> list[str]:
    """What stands out of a panel at its right."""
    inside = area.viewport().width()
    wide = [
        f"{type(part).__name__} {part.accessibleName()} {part.width()}"
        for part in area.widget().findChildren(QWidget)
        if part.isVisible() and part.mapTo(area.widget(), part.rect().topRight()).x() > inside
    ]
    return [
        *wide,
        *([f"the panel {area.widget().width()}"] if area.widget().width() > inside else []),
    ]


@pytest.mark.parametrize("size", [(1280, 800), (1100, 700)])
def test_nothing_stands_out_of_the_panels(size, open_window, settle):
    coats = [kind.struct(id=kind.tag) for kind in KINDS.values()]
    window = open_window(board(*coats, Fill(id="g", paint=Gradient()), Stroke(id="s"), text="A"))
    window.resize(*size)
    for stage, area in ((Stage.ARRANGE, window.arrange), (Stage.COAT, window.coat)):
        window.show_stage(stage)
        for coat in window.selection.coated.style if stage == Stage.COAT else ("",):
            window.selection.choose("words", getattr(coat, "id", None))
            settle(window)
            assert fits(area) == [], (stage, coat)
    window.selection.choose("ground")
    window.show_stage(Stage.ARRANGE)
    settle(window)
    assert fits(window.arrange) == []


@pytest.mark.parametrize("path", demo_boards(), ids=lambda p: p.stem)
def test_demo_boards_open_in_the_room(path, open_window, settle):
    window = open_window()
    window.document.start(window.document.board)
    window.files.open_copy(path)
    settle(window)
    made, zoom = window.document.board, window.view.transform_now().zoom
    # a poster stands in all the height there is
    assert zoom * made.width > 0.5 * window.width() or zoom * made.height > 0.6 * window.height()


@pytest.mark.parametrize("name", ["Twenty-four letters here", "MWMW bout night, game 24", "x"])
def test_a_boards_name_of_24_letters_is_whole_at_1280_px(open_window, name):
    window = open_window(Board(name=name, width=320, height=180))
    shown = window.top.name.text()
    assert len(name) <= 24 and shown.startswith(name) and "…" not in shown
    # it stands apart from the menus, beside the stages
    menus = window.top.menus.geometry().right()
    left = window.top.name.mapTo(window.top, QPoint(0, 0)).x()
    assert left > menus + 200


def test_menus_stand_at_the_left_on_every_page(open_window, settle):
    window = open_window(Board(width=320, height=180))
    place = window.top.menus.mapTo(window, QPoint(0, 0))
    assert place.x() < 60
    window.show_start()
    settle(window)
    assert window.top.menus.mapTo(window, QPoint(0, 0)) == place
