"""A coat and a piece that nobody knows, through everything in the core that is for all of them."""

from __future__ import annotations

import subprocess
import sys
from pathlib import Path

import msgspec
import numpy as np
import pytest
from PIL import Image

from anole import cli
from anole.core.coats.kinds.fill import plain
from anole.core.coats.registry import lent
from anole.core.edit import clipboard
from anole.core.edit.arranging import align, moved
from anole.core.edit.boards import as_stored, resize_board
from anole.core.edit.checked import replaced
from anole.core.edit.coats import add_coat, change_coat
from anole.core.edit.fitting import fit_to_board, leaves
from anole.core.edit.pieces import (
    add_lettering,
    change_piece,
    duplicate_piece,
    insert_piece,
    pin,
    switch_shaping,
)
from anole.core.edit.snapping import extent, guides
from anole.core.edit.wearing import put_style, style_of
from anole.core.failures import RenderError
from anole.core.files import board_file
from anole.core.library import styles as library
from anole.core.model import (
    Board,
    Colour,
    Corners,
    Export,
    Fill,
    Ground,
    Length,
    ModelError,
    Place,
    Pose,
    Stroke,
    from_json,
    to_json,
)
from anole.core.model.schema import json_schema
from anole.core.pieces import registry as pieces
from anole.core.render.export import rgba
from anole.core.render.probing import painted_by
from anole.core.render.renderer import Renderer, Request

from ..toys import Badge, BadgeKind, Hatch, HatchKind, registered
from .other_values import changed
from .shapes import closed, context, pixels, sound
from .styled import STYLES

RED, BLUE = Colour(200, 30, 30), Colour(20, 40, 220)


@pytest.fixture(autouse=True)
def toys():
    with registered():
        yield


@pytest.fixture
def badge() -> Board:
    """A square badge of 100 px in one colour, in the middle of a ground."""
    ground = Ground(id="g")
    square = Badge(
        id="b",
        name="Badge",
        sides=4,
        width=Length(100),
        place=Place(x=160, y=90, rotation=45),
        style=(plain(BLUE, "face"),),
    )
    return Board(width=320, height=180, pieces=(ground, square))


def test_a_badge_is_drawn_where_it_stands(badge):
    found = rgba(badge, transparent=True)
    half = 100 / 2 / np.sqrt(2)  # its corners lie on the circle
    rows, columns = np.flatnonzero(found[..., 3].any(1)), np.flatnonzero(found[..., 3].any(0))
    assert (columns[0], columns[-1] + 1) == pytest.approx((160 - half, 160 + half), abs=1)
    assert (rows[0], rows[-1] + 1) == pytest.approx((90 - half, 90 + half), abs=1)
    assert tuple(found[90, 160]) == (20, 40, 220, 255)


def test_a_hatch_is_drawn_on_any_piece(badge):
    made, coat = add_coat(badge, "b", "hatch", at=1, pitch=Length(10), strength=1.0)
    found = rgba(made)
    assert tuple(found[92, 160][:3]) == (200, 30, 30)
    assert tuple(found[87, 160][:3]) == (20, 40, 220)
    assert painted_by(made, 160, 92) == ("b", coat)
    words, text = add_lettering(Board(width=320, height=180), "HO")
    words, coat = add_coat(words, text, "hatch")
    assert rgba(words, transparent=True)[..., 3].any()


def test_a_new_coat_goes_where_its_place_says(badge):
    for kind, order in (
        ("shadow", ["shadow", "fill"]),
        ("hatch", ["shadow", "hatch", "fill"]),
        ("glow", ["shadow", "glow", "hatch", "fill"]),
        ("relief", ["shadow", "glow", "hatch", "fill", "relief"]),
    ):
        badge, _ = add_coat(badge, "b", kind)
        tags = [coat.__struct_config__.tag for coat in badge.coated("b").style]
        assert tags == order


def test_kept_pictures_of_toys_are_fresh_ones(badge):
    made, _ = add_coat(badge, "b", "hatch")
    renderer = Renderer()
    renderer.frame(Request(made))
    count = 0
    for other in changed(made.piece("b")):
        if other.id != "b":
            continue
        board = msgspec.structs.replace(made, pieces=(made.pieces[0], other))
        found = renderer.frame(Request(board)).ground.copy()
        np.testing.assert_array_equal(found, pixels(board), err_msg=repr(other))
        count += 1
    assert count > 20


@pytest.mark.parametrize("style", STYLES)
def test_every_built_in_style_dresses_a_badge(badge, style):
    plain_picture = pixels(badge)
    dressed = put_style(badge, "b", STYLES[style])
    found = pixels(dressed)
    assert np.isfinite(found).all()
    assert np.abs(found - plain_picture)[:, 60:120, 130:190].max() > 0.05
    # its em is its width: twice the badge is the same picture, twice as large
    assert dressed.coated("b").worn.name == style


def test_corners_and_pose_of_a_badge(badge):
    badge = change_piece(badge, "b", place=Place(x=160, y=90))
    posed = change_piece(badge, "b", pose=Pose(turn_y=60))
    wide, narrow = (
        np.ptp(np.flatnonzero(rgba(b, transparent=True)[..., 3].any(0))) for b in (badge, posed)
    )
    assert narrow < 0.7 * wide
    flat = switch_shaping(posed, "b", "pose")
    np.testing.assert_array_equal(pixels(flat), pixels(badge))
    pulled = change_piece(badge, "b", corners=Corners(top_left=(-0.4, -0.4)))
    assert np.abs(pixels(pulled) - pixels(badge)).max() > 0.3
    on_face = change_coat(posed, "b", "face", plane="face")
    assert sound(pixels(on_face))


def test_a_badge_is_arranged_as_words_are(badge):
    badge = change_piece(badge, "b", place=Place(x=160, y=90))
    x0, _, x1, _ = extent(badge.placed("b"), badge)
    assert (x0, x1) == pytest.approx((110, 210))
    lines = sorted(g.at for g in guides(badge, ()) if g.name == "Badge" and g.across)
    assert lines == pytest.approx([110, 160, 210])
    assert extent(align(badge, ["b"], "left").placed("b"), badge)[0] == pytest.approx(0)
    assert moved(badge, {"b": (5, -3)}).placed("b").place.x == 165
    assert pin(badge, "b", "top-left").placed("b").place.anchor == "top-left"
    assert resize_board(badge, 640, 360).placed("b").place.x == 320
    copied, fresh = duplicate_piece(badge, "b")
    assert fresh == "badge-1" and copied.placed(fresh).place.x > 160
    assert copied.coated(fresh).style[0].id != "face"


def test_a_badge_that_leaves_the_board_is_made_to_fit(badge):
    large = change_piece(badge, "b", width=Length(500))
    assert leaves(large.coated("b"), large)
    fitted = fit_to_board(large, "b")
    assert not leaves(fitted.coated("b"), fitted)
    assert fitted.piece("b").width.value < 500


def test_clipboard_file_and_schema(badge, tmp_path):
    made, coat = add_coat(badge, "b", "hatch")
    pasted, fresh = clipboard.paste(made, clipboard.carried(made.piece("b")), 10)
    assert pasted.placed(fresh).place.x == 170
    hatch = made.coated("b").style[0]
    again, copy = clipboard.paste_coat(made, "b", clipboard.carried_coat(hatch), coat)
    assert isinstance(next(c for c in again.coated("b").style if c.id == copy), Hatch)
    assert clipboard.paste_style(badge, "b", clipboard.carried(made.piece("b"))).coated("b").worn
    assert from_json(to_json(made), Board) == made
    path = tmp_path / "toys.anole"
    board_file.write(path, board_file.StoredBoard(as_stored(made)), b"")
    assert board_file.read(path).board == made
    kinds = [
        part["$ref"]
        for part in json_schema()["$defs"]["Board"]["properties"]["pieces"]["items"]["anyOf"]
    ]
    assert "#/$defs/Badge" in kinds and "Hatch" in json_schema()["$defs"]


def test_a_board_is_written_in_a_toy_format_by_its_ending(badge, tmp_path):
    export = Export(format="portable", scale=0.5)
    kept = msgspec.structs.replace(badge, exports=(export,))
    assert from_json(to_json(kept), Board) == kept
    assert "portable" in json_schema()["$defs"]["Export"]["properties"]["format"]["enum"]
    path = tmp_path / "a.anole"
    board_file.write(path, board_file.StoredBoard(kept), b"")
    assert cli.main(["render", str(path), "-o", str(tmp_path / "a.ppm")]) == 0
    found = np.asarray(Image.open(tmp_path / "a.ppm"))
    assert (np.abs(found.astype(int) - rgba(badge)[..., :3]) <= 1).all()
    assert not export.has_quality and not replaced(export, transparent=True).alpha


def test_a_format_that_nobody_knows_is_refused_by_name():
    with pytest.raises(ModelError, match="no format 'scroll'; nearest are .*"):
        from_json(b'{"exports": [{"format": "scroll"}]}', Board)


def test_what_is_wrong_in_a_toy_is_named():
    wrong = b'{"pieces": [{"kind": "badge", "id": "b", "style": [{"kind": "hatch", "id": "h", '
    for rest, where in (
        (b'"pitch": "0px"}]}]}', r"less than 1px - at `\$.pieces\[0\].style\[0\].pitch`"),
        (b'"strength": "x"}]}]}', r"at `\$.pieces\[0\].style\[0\].strength`"),
    ):
        with pytest.raises(ModelError, match=where):
            from_json(wrong + rest, Board)


def test_without_their_kinds_toys_are_refused_by_name():
    code = (
        "from anole.core.model import Board, from_json\n"
        'from_json(b\'{"pieces": [{"kind": "badge", "id": "b"}]}\', Board)'
    )
    found = subprocess.run(
        [sys.executable, "-c", code], capture_output=True, text=True, check=False
    )
    assert "'badge' is not a kind of piece; nearest are" in found.stderr


def test_a_style_with_a_hatch_is_kept_and_worn(badge):
    made, _ = add_coat(badge, "b", "hatch")
    library.keep(style_of(made, "b", "Hatched"))
    found = library.find("hatched")
    words, text = add_lettering(Board(), "Ho")
    worn = put_style(words, text, found)
    assert [type(coat) for coat in worn.coated(text).style] == [Hatch, Fill]


def test_the_command_line_dresses_and_draws_a_badge(badge, tmp_path, capsys):
    source, dressed, picture = (tmp_path / n for n in ("in.anole", "out.anole", "out.png"))
    board_file.write(source, board_file.StoredBoard(badge), b"")
    apply = ["apply", "cup gold", str(source), "--piece", "Badge", "-o", str(dressed)]
    assert cli.main(apply) == 0
    assert cli.main(["render", str(dressed), "-o", str(picture)]) == 0
    assert cli.main(["check", str(dressed)]) == 0
    assert "2 pieces" in capsys.readouterr().out
    assert Path(picture).stat().st_size > 1000
    assert board_file.read(dressed).board.coated("b").worn.name == "cup gold"


def test_one_kind_is_registered_once():
    with pytest.raises(ValueError, match="the coat 'Hatch' is registered twice"), lent(HatchKind()):
        pass
    with pytest.raises(ValueError, match="'Badge' is registered twice"), pieces.lent(BadgeKind()):
        pass


@pytest.mark.parametrize("empty", [np.zeros((0, 4)), np.zeros((5, 4)), closed(np.zeros((3, 2)))])
def test_a_shape_without_area_paints_nothing(badge, empty, monkeypatch):
    monkeypatch.setattr(BadgeKind, "chords", lambda *_: empty)
    styled = change_piece(badge, "b", style=(Stroke(id="s"), plain(RED)), width=Length(80))
    found = rgba(styled, transparent=True)
    assert found[..., 3].max() == 0


@pytest.mark.parametrize("wrong", [np.nan, np.inf])
def test_a_shape_of_no_numbers_is_said(badge, wrong, monkeypatch):
    monkeypatch.setattr(BadgeKind, "chords", lambda *_: np.full((4, 4), wrong))
    with pytest.raises(RenderError, match="points that are not numbers"):
        pixels(badge)


def test_a_shape_of_very_many_points_is_drawn_or_refused(badge, monkeypatch):
    turn = np.linspace(0, 2 * np.pi, 1_000_000, endpoint=False)
    many = closed(np.column_stack([160 + 50 * np.cos(turn), 90 + 50 * np.sin(turn)]))
    monkeypatch.setattr(BadgeKind, "chords", lambda *_: many)
    assert tuple(rgba(badge)[90, 160][:3]) == (20, 40, 220)
    monkeypatch.setattr(BadgeKind, "chords", lambda *_: np.zeros((5_000_000, 4)))
    with pytest.raises(RenderError, match="too much to draw"):
        pixels(change_piece(badge, "b", width=Length(101)))


def test_the_box_of_a_coat_lies_in_its_context():
    where = context(closed(np.array([[20.0, 20], [80, 20], [80, 80], [20, 80]])), 100)
    assert HatchKind().box(Hatch(id="h"), where) == where.around(0)


def test_a_piece_is_put_in_whatever_its_ids_are(badge):
    twice, fresh = insert_piece(badge, badge.piece("b"), 1)
    assert [p.id for p in twice.pieces] == ["g", fresh, "b"]
    assert twice.piece(fresh).name == "Badge 2"
