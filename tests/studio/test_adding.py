"""The sheet of what can be added: every coat is seen on the user's words, and what is seen is put on."""

from __future__ import annotations

import msgspec
import pytest
from PyQt6.QtCore import QPointF, QRectF, Qt

from anole.core.coats.registry import KINDS
from anole.core.edit.titles import add_title
from anole.core.library import styles
from anole.core.model import Board, Colour, ColourPaint, Fill, Ground, Pattern
from anole.core.model.paints import PATTERNS
from anole.core.pieces.registry import ways_to_begin
from anole.core.render.export import part
from anole.core.tone import OPERATIONS
from anole.studio.adding.sheet import SHEETS
from anole.studio.adding.strength import SHARE, share_seen, shown
from anole.studio.commands.coats import kinds
from anole.studio.look.tile_wall import _within
from anole.studio.rendering.worker import scaled_box
from anole.studio.shared.shell import Stage
from anole.studio.styles.on_words import area_round

LEFT = Qt.MouseButton.LeftButton
GROUNDS = {
    "dark": Colour(16, 20, 30),
    "white": Colour(255, 255, 255),
    "middle": Colour(58, 80, 104),
}


def titled(style: str, ground: str = "middle") -> tuple[Board, str]:
    below = Ground(id="g", paint=ColourPaint(colour=GROUNDS[ground]))
    return add_title(Board(width=640, height=360, pieces=(below,)), "HOWL", styles.find(style))


@pytest.fixture
def window(open_window):
    board, piece = titled("house white")
    window = open_window(board)
    window.selection.choose(piece)
    return window


def sheet_of(window, name="Coats"):
    window.do("add coats")
    if name != "Coats":
        window.beside.sheet.begin(name)
    return window.beside.sheet


def stack(window):
    return window.document.board.coated(window.selection.piece_id).style


@pytest.mark.sample(6)
@pytest.mark.parametrize("ground", GROUNDS)
@pytest.mark.parametrize("style", ["house white", "cup gold", "plain ink", "rink tube"])
def test_every_coat_is_seen_on_any_words(window, style, ground):
    board, piece = titled(style, ground)
    window.document.start(board)
    window.selection.choose(piece)
    area = area_round(board, piece)
    scale = 156 / (area[2] - area[0])

    def render(made):
        return part(made, scale, scaled_box(area, scale))

    before = render(board)
    unseen = []
    offered = [one for source in SHEETS["Coats"] for one in source(window.session)]
    assert [one.id for one in offered] == [f"coat:{kind.tag}" for kind in KINDS.values()]
    for addition in offered:
        found = shown(addition, board, before, render)
        if share_seen(found.pixels, before) < SHARE:
            unseen.append(addition.name)
        # the picture is that of the change that is made, whatever the ground
        if ground == "dark":
            assert (render(found.make(board).board) == found.pixels).all()
    assert not unseen


def test_typed_and_entered_it_is_put_on_and_the_panel_is_back(window, qtbot):
    sheet = sheet_of(window)
    assert window.panels.right.currentWidget() is sheet and sheet.search.hasFocus()
    before = stack(window)
    qtbot.keyClicks(sheet.search, "glow")
    assert sheet.tiles.addition.name == "Glow"
    qtbot.keyClick(sheet.search, Qt.Key.Key_Return)
    added = [coat for coat in stack(window) if coat not in before]
    assert [type(coat) for coat in added] == [kinds()["glow"].struct]
    assert window.selection.coat_id == added[0].id
    assert window.stage == Stage.COAT and window.panels.right.currentWidget() is window.coat
    window.document.undo()
    assert stack(window) == before


def test_what_is_pointed_at_is_on_the_board_and_goes_again(window, qtbot, settle):
    tiles = sheet_of(window).tiles
    settle(window)
    board = window.document.board
    for number in tiles.seen():
        spot = tiles.tile(number).center()
        qtbot.mouseMove(tiles.viewport(), spot)
        assert tiles.index == number
        seen = window.document.shown.coated(window.selection.piece_id).style
        assert len(seen) == len(stack(window)) + 1
        assert not tiles.image(number).isNull()
    tiles.leaveEvent(None)
    assert window.document.shown is board and window.document.board is board
    qtbot.mouseClick(tiles.viewport(), LEFT, pos=tiles.tile(1).center())
    assert len(stack(window)) == len(board.coated(window.selection.piece_id).style) + 1


def test_names_stand_beneath_pictures_and_never_on_them(window):
    for name in SHEETS:
        tiles = sheet_of(window, name).tiles
        places = [tiles.tile(number) for number in range(tiles.count())]
        for number, place in enumerate(places):
            below = place.adjusted(0, place.height(), 0, tiles._under)
            others = places[:number] + places[number + 1 :]
            assert not any(other.intersects(below) or other.intersects(place) for other in others)
        window.beside.leave()


def test_escape_leaves_all_as_it_was(window, qtbot):
    before = window.document.board
    tiles = sheet_of(window).tiles
    qtbot.keyClick(window.beside.sheet.search, Qt.Key.Key_Down)
    assert tiles.hasFocus() and window.document.shown is not before
    qtbot.keyClick(tiles, Qt.Key.Key_Escape)
    assert window.document.shown is before and window.panels.beside is None
    assert window.view.hasFocus()


def test_the_same_sheet_has_paints_patterns_tones_and_pieces(window, settle, qtbot):
    for name, wanted in (
        ("Paints", {f"pattern:{one}" for one in PATTERNS}),
        ("Tones", {f"tone:{one.__struct_config__.tag}" for one in OPERATIONS}),
        ("Pieces", {"words", *(way.id for way in ways_to_begin())}),
    ):
        sheet = sheet_of(window, name)
        assert wanted <= {one.id for one in sheet.tiles.additions}, name
        settle(window)
        assert all(sheet.tiles.image(number) is not None for number in sheet.tiles.seen())
        window.beside.leave()
    window.selection.choose(window.selection.piece_id, stack(window)[-1].id)
    sheet = sheet_of(window, "Paints")
    qtbot.keyClicks(sheet.search, PATTERNS[0])
    tiles = sheet.tiles
    first = next(n for n, one in enumerate(tiles.additions) if one.id == f"pattern:{PATTERNS[0]}")
    tiles.choose(first)
    tiles.take()
    painted = [c.paint for c in stack(window) if isinstance(c, Fill)]
    assert any(isinstance(one, Pattern) and one.generator == PATTERNS[0] for one in painted)


def test_a_piece_is_begun_from_it(window, qtbot):
    window.show_stage(Stage.ARRANGE)
    window.actions_by_id["add piece"].trigger()
    sheet = window.beside.sheet
    qtbot.keyClicks(sheet.search, "dark corners")
    qtbot.keyClick(sheet.search, Qt.Key.Key_Return)
    assert window.selection.piece is not None and window.selection.piece.name == "Rim"
    assert window.stage == Stage.ARRANGE and window.panels.beside is None


def test_without_words_it_says_what_is_missing(open_window, qtbot):
    window = open_window(Board(width=320, height=180))
    said = []
    window.document.said.connect(said.append)
    sheet = sheet_of(window)
    assert "Choose" in sheet._found.text()
    qtbot.keyClick(sheet.search, Qt.Key.Key_Return)
    assert said and window.document.board.pieces == ()


def test_it_follows_a_board_that_changes_beneath_it(window, settle):
    tiles = sheet_of(window).tiles
    settle(window)
    before = tiles.image(0)
    piece = window.selection.piece_id
    window.document.apply(
        "Words",
        lambda b: b.__class__(
            **{
                **{name: getattr(b, name) for name in b.__struct_fields__},
                "pieces": tuple(
                    msgspec.structs.replace(p, text="OWL") if p.id == piece else p for p in b.pieces
                ),
            }
        ),
    )
    settle(window)
    assert tiles.image(0) != before


def test_arrows_walk_over_families(window):
    tiles = sheet_of(window).tiles
    tiles.setFocus()
    start = QPointF(tiles.tile(0).center())
    assert tiles.at(start) == 0
    seen = {0}
    for _ in range(tiles.count()):
        tiles.walk(0, 1)
        seen.add(tiles.index)
    assert tiles.index == tiles.count() - 1
    for _ in range(tiles.count()):
        tiles.walk(-1, 0)
        seen.add(tiles.index)
    assert seen == set(range(tiles.count()))


MOST_COATS = 200


def test_on_a_board_that_is_full_it_shows_the_board_and_says_why(window, settle, qtbot):
    piece = window.selection.piece_id
    made = window.document.board
    full = msgspec.structs.replace(
        made.lettering(piece),
        style=tuple(Fill(id=f"f{n}") for n in range(MOST_COATS)),
    )
    pieces = tuple(full if p.id == piece else p for p in made.pieces)
    window.document.start(msgspec.structs.replace(made, pieces=pieces))
    window.selection.choose(piece)
    said = []
    window.document.said.connect(said.append)
    sheet = sheet_of(window)
    settle(window)
    sheet.tiles.setFocus()
    sheet.tiles.choose(1)
    assert sheet.tiles.image(1) is not None and window.document.shown is window.document.board
    sheet.tiles.take()
    assert said and len(stack(window)) == MOST_COATS


def test_on_a_tall_board_pictures_keep_their_shape(open_window, settle):
    below = Ground(id="g", paint=ColourPaint(colour=GROUNDS["middle"]))
    tall, piece = add_title(
        Board(width=300, height=900, pieces=(below,)), "HOWL", styles.find("house white")
    )
    window = open_window(tall)
    window.selection.choose(piece)
    tiles = sheet_of(window, "Pieces").tiles
    settle(window)
    image, box = tiles.image(0), tiles.tile(0)
    assert image.height() / image.width() == pytest.approx(3, abs=0.1)
    assert box.height() / box.width() == pytest.approx(3, abs=0.1)
    # found together, those of another shape lie in the middle of their tiles
    sheet = window.beside.sheet
    sheet.search.setText("r")
    settle(window)
    kinds_found = {one.kind for one in tiles.additions}
    assert {"coat", "piece"} <= kinds_found
    for number in tiles.seen():
        lies = _within(QRectF(tiles.tile(number)), tiles.image(number))
        shape = tiles.image(number).width() / tiles.image(number).height()
        assert lies.width() / lies.height() == pytest.approx(shape, rel=0.06)


@pytest.mark.parametrize("name", SHEETS)
def test_another_sheet_begins_at_its_top_wherever_the_last_was_left(window, settle, name):
    sheet = sheet_of(window, "Coats")
    for other in (name, "Coats", name):
        bar = sheet.tiles.verticalScrollBar()
        bar.setValue(bar.maximum())
        settle(window)
        sheet.begin(other)
        settle(window)
        assert bar.value() == 0 and 0 in sheet.tiles.seen()
