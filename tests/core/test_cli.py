"""The command line, on real files."""

import json
import os

import msgspec
import pytest
from PIL import Image

from anole.cli import main
from anole.core.edit.pieces import change_piece
from anole.core.files import board_file
from anole.core.files.preview import preview
from anole.core.library import styles
from anole.core.model import Fill, Font, Shadow, Style

from .shapes import board


@pytest.fixture
def file(tmp_path):
    path = tmp_path / "night.anole"
    made = board(Shadow(id="h"), Fill(id="f"))
    board_file.write(path, board_file.StoredBoard(made), b"")
    return path


@pytest.mark.parametrize(
    ("options", "size"),
    [([], (320, 180)), (["--scale", "2"], (640, 360)), (["--width", "168"], (168, 94))],
)
def test_render(file, tmp_path, options, size):
    out = tmp_path / "a.png"
    assert main(["render", str(file), "-o", str(out), *options]) == 0
    assert Image.open(out).size == size


@pytest.mark.parametrize("ending", ["jpg", "webp", "avif", "tif", "pdf", "ora", "gif"])
def test_render_writes_every_format_by_its_ending(file, tmp_path, ending):
    out = tmp_path / f"a.{ending}"
    assert main(["render", str(file), "-o", str(out)]) == 0
    assert out.stat().st_size > 500
    if ending not in ("pdf", "ora"):
        assert Image.open(out).size == (320, 180)


def test_render_finds_the_quality_that_fits(file, tmp_path, capsys):
    out = tmp_path / "a.jpg"
    assert main(["render", str(file), "-o", str(out), "--max-bytes", "4000"]) == 0
    assert out.stat().st_size <= 4000
    assert "quality" in capsys.readouterr().out
    assert main(["render", str(file), "-o", str(out), "--max-bytes", "1700"]) == 2
    assert main(["render", str(file), "-o", str(out), "--max-bytes", "1700", "--shrink"]) == 0
    assert out.stat().st_size <= 1700 and Image.open(out).size[0] < 320


def test_render_how_it_was_made(file, tmp_path):
    for ending in ("gif", "webp"):
        out = tmp_path / f"a.{ending}"
        assert main(["render", str(file), "-o", str(out), "--coat-by-coat"]) == 0
        assert Image.open(out).n_frames >= 2
    assert main(["render", str(file), "-o", str(tmp_path / "a.png"), "--coat-by-coat"]) == 2


def test_render_sixteen_bit_and_trimmed(file, tmp_path):
    out = tmp_path / "a.png"
    assert main(["render", str(file), "-o", str(out), "--16", "--trim", "--transparent"]) == 0
    image = Image.open(out)
    assert image.size[0] < 320


@pytest.mark.parametrize("size", [64, 256])
def test_a_thumbnail_is_the_picture_that_the_file_keeps(file, tmp_path, size):
    out = tmp_path / "t.png"
    document = board_file.read(file)
    board_file.write(file, document, preview(document.board))
    assert main(["thumbnail", str(file), str(out), "--size", str(size)]) == 0
    assert Image.open(out).size == (size, round(size * 180 / 320))
    board_file.write(file, document, None)
    assert main(["thumbnail", str(file), str(out), "--size", str(size)]) == 0
    assert Image.open(out).size == (size, round(size * 180 / 320))
    assert main(["thumbnail", str(tmp_path / "none.anole"), str(out)]) == 2


def test_render_transparent(file, tmp_path):
    out = tmp_path / "a.png"
    assert main(["render", str(file), "-o", str(out), "--transparent"]) == 0
    assert Image.open(out).getextrema()[3][0] == 0


def test_apply_puts_a_style_on(file, tmp_path):
    out = tmp_path / "b.anole"
    assert main(["apply", "cup gold", str(file), "--piece", "Words", "-o", str(out)]) == 0
    found = board_file.read(out).board.lettering("words")
    assert styles.digest(found.style) == styles.digest(styles.find("cup gold").coats)


def test_lists_and_schema(capsysbinary):
    assert main(["styles"]) == 0
    assert b"rink tube" in capsysbinary.readouterr().out
    assert main(["schema"]) == 0
    assert "$defs" in json.loads(capsysbinary.readouterr().out)


@pytest.mark.parametrize("option", [[], ["--on-top"], ["--beneath"], ["--colours", "150"]])
def test_apply_in_other_ways(file, tmp_path, option):
    out = tmp_path / "b.anole"
    assert (
        main(["apply", "title shout", str(file), "--piece", "Words", "-o", str(out), *option]) == 0
    )
    found, style = board_file.read(out).board.lettering("words").style, styles.find("title shout")
    kinds, own = [type(c) for c in style.coats], [Shadow, Fill]
    assert [type(c) for c in found] == {
        "--on-top": own + kinds,
        "--beneath": kinds + own,
    }.get(option[0] if option else "", kinds)


def test_apply_may_write_the_picture(file, tmp_path):
    out = tmp_path / "b.png"
    assert main(["apply", "cup gold", str(file), "--piece", "Words", "-o", str(out)]) == 0
    assert Image.open(out).size == (320, 180)


def test_styles_are_shown_packed_and_taken_in(tmp_path, capsys):
    pack = tmp_path / "season.anolepack"
    assert main(["styles", "show", "cup gold"]) == 0
    assert "Relief: carved to the core" in capsys.readouterr().out
    styles.keep(Style(name="club", notes="for the season", coats=(Fill(id="f"),)))
    assert main(["styles", "export", "club", "cup gold", "-o", str(pack), "--author", "A. W."]) == 0
    styles.remove("club")
    assert main(["styles", "import", str(pack), "--dry"]) == 0
    assert "club: new" in capsys.readouterr().out
    assert main(["styles", "import", str(pack)]) == 0
    assert "1 came in: club" in capsys.readouterr().out
    assert styles.find("club").notes == "for the season"
    assert main(["styles", "list", "season"]) == 0
    assert "club" in capsys.readouterr().out


def test_a_contact_sheet_has_a_tile_for_each_style(tmp_path):
    png, pdf = tmp_path / "all.png", tmp_path / "all.pdf"
    assert main(["styles", "sheet", "metal", "-o", str(png), "--across", "3", "--text", "Lap"]) == 0
    wide, high = Image.open(png).size
    assert wide == 2 * 24 + 3 * 320 + 2 * 16
    rows = -(-sum(styles.is_found(e.style, "metal") for e in styles.built_in()) // 3)
    assert high == 2 * 24 + rows * 210 + (rows - 1) * 16
    assert main(["styles", "sheet", "-o", str(pdf)]) == 0
    assert pdf.read_bytes().startswith(b"%PDF-")
    assert pdf.read_bytes().count(b"/Type /Page\n") == -(-len(styles.built_in()) // 24)


def test_check_names_a_missing_font(file, capsys):
    made = change_piece(board_file.read(file).board, "words", font=Font(family="Gone Sans"))
    board_file.write(file, board_file.StoredBoard(made), b"")
    assert main(["check", str(file)]) == 0
    said = capsys.readouterr()
    assert "2 pieces, 2 coats" in said.out
    assert "'Gone Sans'" in said.err
    assert "Anton stands in" in said.err


@pytest.mark.parametrize(
    "words",
    [
        ["render", "FILE", "-o", "OUT.txt"],
        ["render", "FILE", "-o", "OUT.png", "--scale", "0"],
        ["render", "FILE", "-o", "OUT.png", "--scale", "abc"],
        ["render", "FILE", "-o", "OUT.png", "--scale", "2", "--width", "9"],
        ["render", "FILE", "-o", "nowhere/OUT.png"],
        ["render", "gone.anole", "-o", "OUT.png"],
        ["render", "FILE"],
        ["apply", "no such style", "FILE", "--piece", "Words", "-o", "OUT.anole"],
        ["apply", "cup gold", "FILE", "--piece", "Nobody", "-o", "OUT.anole"],
        ["check", "OTHER"],
        ["check", "FILE", "--loudly"],
        ["nonsense.anole"],
        ["render", "FILE", "-o", "OUT.png", "-o", "OUT2.png"],
        ["render", "FILE", "-o", "OUT.png", "--width", "9" * 400],
        ["render", "FILE", "-o", "OUT.png", "--width", "-1"],
        ["render", "FILE", "-o", "OUT.png", "--scale", "9" * 400],
        ["render", "FILE", "-o", "OUT.png", "--scale", "nan"],
        ["apply", "cup gold", "FILE", "--piece", "Words", "-o", "OUT.txt"],
        ["apply", "cup gold", "FILE", "--piece", "Words", "-o", "OUT.anole", "--colours", "mauve"],
        [
            "apply",
            "cup gold",
            "FILE",
            "--piece",
            "Words",
            "-o",
            "OUT.anole",
            "--on-top",
            "--beneath",
        ],
        ["styles", "show", "no such style"],
        ["styles", "nonsense"],
        ["styles", "import", "FILE"],
        ["styles", "import", "nowhere.anolepack"],
        ["styles", "import", "FILE", "--taken", "perhaps"],
        ["styles", "export", "-o", "OUT.anolepack"],
        ["styles", "export", "cup gold", "-o", "OUT.zip"],
        ["styles", "sheet", "cup gold", "-o", "OUT.jpg"],
        ["styles", "sheet", "no such style", "-o", "OUT.png"],
        ["apply", "cup gold", "FILE", "--piece", "x" * 5000, "-o", "OUT.anole"],
        ["apply", "y" * 5000, "FILE", "--piece", "Words", "-o", "OUT.anole"],
        ["check", "/dev/zero"],
        ["check", "/dev/null"],
        ["check", "."],
        ["check", "PIPE"],
        ["check", "odd\n\x1b[31m[bold]name.anole"],
        ["z" * 5000],
        ["open", "FILE"],
    ],
)
def test_wrong_input_is_one_line_and_writes_nothing(file, tmp_path, words, capsys, monkeypatch):
    monkeypatch.chdir(tmp_path)
    (tmp_path / "other.anole").write_bytes(b"PK junk")
    os.mkfifo(tmp_path / "PIPE")
    # a display that nobody serves
    monkeypatch.setenv("QT_QPA_PLATFORM", "xcb")
    monkeypatch.setenv("DISPLAY", ":977")
    monkeypatch.delenv("WAYLAND_DISPLAY", raising=False)
    before = sorted(p.name for p in tmp_path.iterdir())
    spelled = [w.replace("FILE", str(file)).replace("OTHER", "other.anole") for w in words]
    assert main(spelled) == 2
    said = capsys.readouterr()
    assert len(said.err.splitlines()) == 1
    assert said.err.startswith("anole: ")
    assert said.err.strip().isprintable()
    assert len(said.err) < 450
    assert sorted(p.name for p in tmp_path.iterdir()) == before


def test_names_are_printed_plainly(file, tmp_path, capsys):
    read = board_file.read(file)
    odd = msgspec.structs.replace(read.board, name="a\x1b[2J[red]b")
    board_file.write(file, read._replace(board=odd), None)
    styles.keep(Style(name="[red]loud[/red] \x1b[31m", coats=(Fill(id="f"),)))
    assert main(["check", str(file)]) == 0
    assert main(["styles"]) == 0
    said = capsys.readouterr().out
    assert "\x1b" not in said
    assert "[red]b" in said
    assert "[red]loud[/red]" in said


def test_it_says_its_version(capsys):
    assert main(["--version"]) == 0
    assert capsys.readouterr().out.startswith("anole ")
