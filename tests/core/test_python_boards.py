"""Boards made and changed from Python: pieces, coats in place, pictures of them, styles and packs."""

from __future__ import annotations

import io
import runpy
from pathlib import Path

import numpy as np
import pytest
from PIL import Image

import anole
from anole import coats, paints, pieces, shaping
from anole.core.atomic import FileError
from anole.core.library import styles as library
from anole.core.model import Length, ModelError, Place
from anole.core.model.pieces import PIECES

from .drawn_looks import draw

GALLERY = Path(__file__).parents[2] / "examples" / "gallery.py"
STACK = [
    coats.Shadow(lift="0.1em"),
    coats.Stroke(span=("-0.1em", 0), paint="#321"),
    coats.Fill(paint="#fd6"),
]


@pytest.fixture
def board():
    made = anole.new(320, 180)
    made.add(pieces.Ground(paint="#204060"), name="Sky")
    made.add_words("Lap", STACK, name="Title", font="Anton")
    return made


def test_words_have_the_place_size_and_font_that_they_are_given():
    made = anole.new(320, 180)
    name = made.add_words("Lap\nTwo", STACK, font="Pacifico", size=40, at=(100, 60), tracking=20)
    title = made[name]
    assert (title.text, title.font.family, title.size) == ("Lap\nTwo", "Pacifico", Length(40))
    assert title.place == Place(x=100, y=60) and title.tracking == 20 and title.box is None
    seen = np.argwhere(made.render()[..., 3] > 128)
    assert np.abs(seen.mean(0) - (60, 100)).max() < 25
    # without a size they fill the room that there is
    assert made[made.add_words("Lap", STACK)].box is not None


@pytest.mark.parametrize("kind", [one for one in PIECES.members if one != "cluster"])
def test_every_kind_of_piece_can_be_added_named_and_removed(board, kind):
    maker = getattr(pieces, PIECES.members[kind].__name__)
    name = board.add(maker(), name="it")
    assert name == "it" and "it" in board and isinstance(board["it"].value, maker)
    assert (board.pieces[0] == "it") == (kind == "ground")
    assert board.remove("it").pieces == ["Sky", "Title"]


def test_fields_are_read_and_set_in_place(board):
    title = board["Title"]
    title.opacity = 0.5
    title.head = shaping.Rail(camber=0.3)
    title.change(place=(50, 40), tracking=12)
    assert board["Title"].value == title.value
    assert (title.opacity, title.head.camber, title.place.x, title.tracking) == (0.5, 0.3, 50, 12)
    before = board.board
    for wrong, said in (({"opacity": 3}, r"\$\.opacity"), ({"opaque": 1}, "no field 'opaque'")):
        with pytest.raises(ModelError, match=said):
            title.change(**wrong)
    assert board.board is before
    assert "tracking" in dir(title) and "Lap" in repr(title)
    with pytest.raises(AttributeError):
        _ = title.no_such
    with pytest.raises(KeyError, match="there is: Sky, Title"):
        board["Nobody"]


def test_coats_are_read_changed_added_moved_and_taken_off(board):
    stack = board["Title"].coats
    assert [type(coat) for coat in stack.values] == [type(coat) for coat in STACK]
    stack["stroke"].paint = "#ff0000"
    stack[2].change(opacity=0.8, name="face")
    assert stack["face"].opacity == 0.8 and str(stack[1].paint.colour) == "#ff0000"
    # where its kind lies: a shadow below the strokes, a gloss on top
    assert stack.add(coats.Gloss()).value == stack[-1].value
    assert stack.add(coats.Shadow()).value == stack[1].value
    stack[0].move(1)
    stack[0].remove()
    stack.insert(0, coats.Glow())
    assert [type(c).__name__ for c in stack.values] == ["Glow", "Shadow", "Stroke", "Fill", "Gloss"]
    with pytest.raises(KeyError, match="no coat is called 'dream'"):
        stack["dream"]
    stack.clear()
    assert len(stack) == 0
    with pytest.raises(KeyError):
        _ = board["Sky"].coats


def test_a_change_in_place_is_seen(board):
    before = board.render()
    board["Title"].coats["fill"].paint = paints.Pattern(generator="stripes", inks=["#000", "#fff"])
    after = board.render()
    assert (before != after).any(-1).mean() > 0.05
    assert (board.light(bearing=140).render() != after).any()


def test_clusters_are_made_and_dissolved(board):
    board.add(pieces.Stamps(mark="wheel", marks=[{"x": 20, "y": 20}]), name="wheel")
    held = board.cluster(["Title", "wheel"], name="Sign")
    assert held == "Sign" and board.pieces == ["Sky", "Title", "wheel", "Sign"]
    board["Sign"].coats.append(coats.Shadow())
    assert board.dissolve("Sign").pieces == ["Sky", "Title", "wheel"]


def test_a_pictures_file_stands_on_the_board(board, tmp_path):
    path = tmp_path / "badge.png"
    Image.new("RGBA", (40, 20), (200, 30, 60, 255)).save(path)
    name = board.add_picture(path, name="Badge", place=(30, 20))
    assert name == "Badge" and tuple(board.render()[20, 30]) == (200, 30, 60, 255)
    with pytest.raises(FileError):
        board.add_picture(tmp_path / "none.png")


@pytest.mark.parametrize("form", ["png", "tif", "webp", "jpg", "avif"])
def test_its_bytes_are_its_picture(board, form):
    found = np.asarray(
        Image.open(io.BytesIO(board.to_bytes(form, 0.5, quality=100))).convert("RGB")
    )
    off = np.abs(found.astype(int) - board.render(0.5)[..., :3].astype(int))
    assert found.shape == (90, 160, 3) and off.mean() < (
        2.5 if form in ("jpg", "webp", "avif") else 0.01
    )


def test_it_shows_itself_in_pillow_and_in_notebooks(board):
    assert np.array_equal(np.asarray(board.image()), board.render())
    assert Image.open(io.BytesIO(board._repr_png_())).size == (320, 180)
    assert Image.open(io.BytesIO(anole.new(5000, 100)._repr_png_())).size[0] == 1280
    with pytest.raises(FileError, match="export it to a file"):
        board.to_bytes("pdf")
    with pytest.raises(FileError, match="must end in one of"):
        board.to_bytes("txt")


def test_styles_and_packs_go_out_and_come_in(board, tmp_path):
    made = anole.style("brine rim", *STACK, STACK[1], words=["rim"], notes="For dark grounds.")
    assert [coat.id for coat in made.coats] == ["shadow", "stroke", "fill", "stroke-2"]
    anole.write_style(made, tmp_path / "brine.anolestyle")
    assert library.read(tmp_path / "brine.anolestyle") == made
    other = anole.style("other", coats.Fill())
    anole.write_pack([made, other], tmp_path / "two.anolepack")
    assert anole.read_pack(tmp_path / "two.anolepack") == [made, other]
    anole.keep_style(made)
    assert "brine rim" in anole.styles("rim") and board.put_on("Title", "brine rim")
    assert len(board["Title"].coats) == 4
    for write in (anole.write_style, lambda one, path: anole.write_pack([one], path)):
        with pytest.raises(FileError, match="must end in"):
            write(made, tmp_path / "brine.txt")


def test_a_look_is_read_off_a_picture(tmp_path):
    drawn, path = draw(0), tmp_path / "last year.png"
    Image.fromarray(drawn.pixels).reduce(2).save(path)
    look = anole.read_look(path, box=(0, 0, 640, 360), line=tuple(v / 2 for v in drawn.line))
    assert look.style.name == "last year" and look.difference < 0.01
    assert [coat["kind"] for coat in look.coats] == ["stroke", "fill"]
    assert isinstance(look.style.coats[0], coats.Stroke) and 50 < look.cap_height < 250
    Image.new("RGB", (60, 40), "#345").save(path)
    for box in (None, (0, 0, 0, 40)):
        with pytest.raises(FileError, match="last year"):
            anole.read_look(path, box=box)


def test_ten_looks_are_made_from_nothing_in_under_a_hundred_lines():
    assert len(GALLERY.read_text().splitlines()) < 100
    found = runpy.run_path(str(GALLERY))
    seen = found["gallery"]().render(0.25)
    assert len(found["LOOKS"]) == 10
    wide, high = found["WIDE"] // 4, found["HIGH"] // 4
    tiles = [seen[y : y + high, x : x + wide] for y in range(0, 5 * high, high) for x in (0, wide)]
    assert all(tile.std((0, 1)).max() > 25 for tile in tiles)
    assert len({tile.tobytes() for tile in tiles}) == 10
