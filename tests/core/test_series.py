"""Series: tables of every kind read, rows put on a board, files written once each, whatever is wrong."""

from __future__ import annotations

import gc
import os
import random
import signal
import subprocess
import sys
import time
from pathlib import Path

import msgspec
import openpyxl
import pytest
from hypothesis import given
from hypothesis import strategies as st
from PIL import Image

from anole.cli import main
from anole.core.atomic import FileError
from anole.core.files import board_file
from anole.core.model import (
    Board,
    Colour,
    ColourPaint,
    Export,
    Fill,
    FitBox,
    Font,
    Ground,
    Length,
    Lettering,
    Place,
)
from anole.core.model.series import MOST_ROWS, Binding, Series
from anole.core.pieces.registry import coated_kind
from anole.core.series.plan import DONE, planned, setup_of, to_do
from anole.core.series.rows import bindable, bound
from anole.core.series.running import run
from anole.core.series.tables import Table, from_text, read
from anole.core.series.worker import render_row

WORDS = Binding(column="Title", piece="t")


def board(text: str = "Plough") -> Board:
    title = Lettering(
        id="t",
        name="Title",
        text=text,
        size=Length(40),
        place=Place(x=80, y=45),
        box=FitBox(width=140, height=60, fit="shrink"),
        style=(Fill(id="f", paint=ColourPaint(colour=Colour(250, 250, 240))),),
    )
    return Board(width=160, height=90, pieces=(Ground(id="g", name="Wall"), title))


# tables


def test_a_csv_of_any_separator_and_encoding(tmp_path):
    wanted = Table(("Nr", "Titel"), (("1", "Größe, weit"), ("2", 'a "b"')))
    texts = {
        "comma": 'Nr,Titel\r\n1,"Größe, weit"\r\n2,"a ""b"""\r\n',
        "semicolon": 'Nr;Titel\n1;Größe, weit\n\n2;"a ""b"""\n',
        "tab": 'Nr\tTitel\n1\tGröße, weit\n2\t"a ""b"""\n',
    }
    for name, text in texts.items():
        for encoding in ("utf-8", "utf-8-sig", "utf-16", "cp1252"):
            path = tmp_path / f"{name}-{encoding}.csv"
            path.write_bytes(text.encode(encoding))
            assert read(path) == wanted, path.name
        assert from_text(text) == wanted


def test_a_spreadsheet_written_by_another_library(tmp_path):
    book = openpyxl.Workbook()
    sheet = book.active
    for row in (["Nr", "Title", "Empty"], [1, "Plough", None], [2.5, "T-Stop", None], [None] * 3):
        sheet.append(row)
    path = tmp_path / "a.xlsx"
    book.save(path)
    assert read(path) == Table(
        ("Nr", "Title", "Empty"), (("1", "Plough", ""), ("2.5", "T-Stop", ""))
    )


def test_an_open_document_sheet(tmp_path):
    from odf.opendocument import OpenDocumentSpreadsheet
    from odf.table import Table as Sheet
    from odf.table import TableCell, TableRow
    from odf.text import P

    document, sheet = OpenDocumentSpreadsheet(), Sheet(name="Tabelle")
    for cells in (("Nr", "Titel"), ("1", "Größe")):
        row = TableRow()
        for text in cells:
            cell = TableCell(valuetype="string")
            cell.addElement(P(text=text))
            row.addElement(cell)
        sheet.addElement(row)
    document.spreadsheet.addElement(sheet)
    path = tmp_path / "a.ods"
    document.save(str(path))
    assert read(path) == Table(("Nr", "Titel"), (("1", "Größe"),))


@pytest.mark.parametrize(
    ("name", "data", "says"),
    [
        ("a.csv", b"", "is empty"),
        ("a.csv", b"\n\n ,, \n", "is empty"),
        ("a.csv", b"a,b\0c", "not a text"),
        ("a.csv", b"\xff\xfea", "broken"),
        ("a.xlsx", b"PK nonsense", "cannot be read|can be read"),
        ("a.ods", b"", "can be read"),
        ("a.docx", b"x", "not a table"),
        ("a.csv", ("a\n" + "x" * 30_000).encode(), "letters"),
        ("a.csv", (",".join("abc" * 100 for _ in range(300))).encode(), "columns"),
    ],
)
def test_what_is_no_table_is_told(tmp_path, name, data, says):
    path = tmp_path / name
    path.write_bytes(data)
    with pytest.raises(FileError, match=says):
        read(path)


def test_a_hundred_thousand_rows_are_read_and_one_more_refused(tmp_path):
    path = tmp_path / "a.csv"
    path.write_text("n\n" + "\n".join(str(n) for n in range(MOST_ROWS)))
    start = time.monotonic()
    table = read(path)
    assert len(table.rows) == MOST_ROWS and time.monotonic() - start < 20
    with path.open("a") as file:
        file.write("\n1")
    with pytest.raises(FileError, match="100,000 rows"):
        read(path)


@given(st.lists(st.lists(st.text(max_size=6), min_size=1, max_size=5), max_size=6))
def test_a_table_is_as_wide_as_its_head_with_names_that_differ(rows):
    try:
        table = from_text("\n".join("\t".join(c.replace("\t", " ") for c in row) for row in rows))
    except FileError:
        return
    assert len(set(table.columns)) == len(table.columns)
    assert all(len(row) == len(table.columns) for row in table.rows)


def test_tables_with_bytes_changed_are_read_or_refused(tmp_path):
    chance = random.Random(3)
    book = openpyxl.Workbook()
    for n in range(5):
        book.active.append([n, f"row {n}"])
    path = tmp_path / "a.xlsx"
    book.save(path)
    sound = path.read_bytes()
    for _ in range(60):
        data = bytearray(sound)
        for _ in range(chance.randint(1, 20)):
            data[chance.randrange(len(data))] = chance.randrange(256)
        path.write_bytes(data)
        try:
            read(path)
        except FileError:
            continue


# rows


def test_words_keep_to_their_room(tmp_path):
    for text in ("Ha", "A very long title indeed that goes on and on"):
        made = bound(board(), (WORDS,), {"Title": text}, tmp_path).board
        piece = made.lettering("t")
        assert piece.text.replace("\n", " ") == text
        x0, y0, x1, y1 = coated_kind(piece).ink(piece, made.dpi)
        assert x1 - x0 <= 141 and y1 - y0 <= 64
    free = msgspec.structs.replace(board().lettering("t"), box=None)
    roomless = msgspec.structs.replace(board(), pieces=(free,))
    made = bound(roomless, (WORDS,), {"Title": "Much longer than before"}, tmp_path).board
    x0, _, x1, _ = coated_kind(made.lettering("t")).extent(made.lettering("t"), made)
    a0, _, a1, _ = coated_kind(free).extent(free, roomless)
    assert x1 - x0 <= a1 - a0 + 1


def test_pictures_colours_styles_and_what_is_shown(tmp_path):
    Image.new("RGB", (8, 8), (200, 30, 30)).save(tmp_path / "red.png")
    bindings = (
        Binding(column="Wall", piece="g", sets="picture"),
        Binding(column="Ink", piece="t", sets="colour"),
        Binding(column="On", piece="t", sets="shown"),
    )
    cells = {"Wall": "red.png", "Ink": "rgb(10 20 30)", "On": "no"}
    made = bound(board(), bindings, cells, tmp_path)
    assert not made.warnings
    assert made.board.piece("g").paint.asset == made.board.assets[0].sha
    assert made.board.lettering("t").style[0].paint.colour == Colour(10, 20, 30)
    assert not made.board.lettering("t").shown
    styled = bound(
        board(), (Binding(column="S", piece="t", sets="style"),), {"S": "cup gold"}, tmp_path
    )
    assert styled.board.lettering("t").worn.name == "cup gold"


@pytest.mark.parametrize(
    ("binding", "cell", "says"),
    [
        (Binding(column="Gone", piece="t"), "", "no column"),
        (Binding(column="Title", piece="nobody"), "x", "not there"),
        (Binding(column="Title", piece="g", sets="picture"), "../secret.png", "outside"),
        (Binding(column="Title", piece="g", sets="picture"), "/etc/passwd", "outside"),
        (Binding(column="Title", piece="g", sets="picture"), "none.png", "cannot read"),
        (Binding(column="Title", piece="t", sets="colour"), "mauvish", "mauvish"),
        (Binding(column="Title", piece="t", sets="style"), "tin foil", "no style"),
        (WORDS, "中文", "has no 中 文"),
        (WORDS, "word " * 800, "very small"),
    ],
)
def test_what_is_wrong_with_a_row_is_told_and_the_rest_stays(tmp_path, binding, cell, says):
    (tmp_path.parent / "secret.png").write_bytes(b"x")
    made = bound(board(), (binding,), {"Title": cell}, tmp_path)
    assert any(says in line for line in made.warnings), made.warnings
    assert len(made.board.pieces) == 2


def test_a_link_does_not_lead_out_of_the_folder(tmp_path):
    (tmp_path / "in").mkdir()
    Image.new("RGB", (4, 4)).save(tmp_path / "out.png")
    (tmp_path / "in" / "link.png").symlink_to(tmp_path / "out.png")
    bindings = (Binding(column="P", piece="g", sets="picture"),)
    made = bound(board(), bindings, {"P": "link.png"}, tmp_path / "in")
    assert "outside" in made.warnings[0] and not made.board.assets


def test_what_a_column_may_set_is_listed():
    found = bindable(board())
    assert found[0] == ("t", "Title", "words")
    assert ("g", "Wall", "picture") in found and ("t", "Title", "colour") in found


# files


TABLE = Table(("Title", "Nr"), (("One", "1"), ("Two", "2"), ("Two", "2"), ("a/b: c?", "3")))


def plan(out: Path, table: Table = TABLE, pattern: str = "{title} {nr}", **fields):
    setup = setup_of(board(), (WORDS,), out, Export(**fields))
    return setup, planned(setup, board(), table, out, pattern)


def test_names_are_safe_and_each_once(tmp_path):
    _, rows = plan(tmp_path)
    assert [row.path.name for row in rows] == [
        "One 1.png",
        "Two 2.png",
        "Two 2 2.png",
        "a-b- c- 3.png",
    ]
    _, rows = plan(tmp_path, pattern="../{title}", table=Table(("Title",), (("../../x",), ("",))))
    assert all(row.path.parent == tmp_path for row in rows)


def test_every_row_is_written_and_none_twice(tmp_path):
    setup, rows = plan(tmp_path / "out")
    out = tmp_path / "out"
    ends = run(setup, rows, out, jobs=2)
    assert sorted(p.name for p in out.glob("*.png")) == sorted(row.path.name for row in rows)
    assert len(ends) == 4 and not any(done.trouble for done in ends)
    assert len({Image.open(row.path).tobytes() for row in rows}) == 3
    assert run(setup, rows, out) == []
    # a file that is gone, and a row that says something else, are done again
    rows[0].path.unlink()
    changed = Table(TABLE.columns, (*TABLE.rows[:3], ("Four", "3")))
    setup, again = plan(out, changed)
    assert [row.number for row in to_do(again, out)] == [1, 4] or len(to_do(again, out)) == 4


def test_another_board_is_another_series(tmp_path):
    setup, rows = plan(tmp_path)
    run(setup, rows, tmp_path, jobs=1)
    _, rows = plan(tmp_path, width=80)
    assert len(to_do(rows, tmp_path)) == 4


def test_names_with_a_column_that_is_not_there_are_refused_before_anything_is_written(tmp_path):
    table = Table(("Title",), (("One",), ("Two",)))
    with pytest.raises(FileError, match=r"\{number\}.*it has Title: change the names"):
        plan(tmp_path, table, "{number} {title}")
    path, sheet, out = tmp_path / "b.anole", tmp_path / "t.csv", tmp_path / "out"
    board_file.write(path, board_file.StoredBoard(board()), b"")
    sheet.write_text("Title\nOne\n")
    command = ["series", str(sheet), "--board", str(path), "-o", str(out), "--name", "{number}"]
    assert main(command) != 0 and not out.exists()


def test_what_is_wrong_with_every_row_is_said_once(tmp_path, capsys):
    path, sheet, out = tmp_path / "b.anole", tmp_path / "t.csv", tmp_path / "out"
    series = Series(columns=("Colour",), bindings=(Binding(column="Colour", piece="t"),))
    saved = msgspec.structs.replace(board(), series=series)
    board_file.write(path, board_file.StoredBoard(saved), b"")
    sheet.write_text("Title\n" + "\n".join(f"Title {n}" for n in range(6)))
    assert main(["series", str(sheet), "--board", str(path), "-o", str(out), "--jobs", "1"]) == 0
    told = capsys.readouterr().err
    assert told.count("no column “Colour”") == 1 and "6 rows" in told


@pytest.mark.parametrize("address", ["tls://127.0.0.1:1", "nonsense://x", "127.0.0.1:1", " "])
def test_a_cluster_that_is_not_there_is_told(tmp_path, address):
    setup, rows = plan(tmp_path, Table(("Title",), (("One",),)), "{title}")
    with pytest.raises(FileError, match="no cluster answers"):
        run(setup, rows, tmp_path / "out", cluster=address)
    # none is left that the collector would close while another starts
    left = [one.status for one in gc.get_objects() if type(one).__name__ == "Client"]
    assert set(left) <= {"closed", "newly-created"}


def test_killed_in_the_middle_it_goes_on_where_it_was(tmp_path):
    path, table, out = tmp_path / "b.anole", tmp_path / "t.csv", tmp_path / "out"
    board_file.write(path, board_file.StoredBoard(board()), b"")
    table.write_text("Title\n" + "\n".join(f"Title {n}" for n in range(60)))
    command = [
        sys.executable,
        "-m",
        "anole",
        "series",
        str(table),
        "--board",
        str(path),
        "-o",
        str(out),
        "--jobs",
        "1",
    ]
    child = subprocess.Popen(command, start_new_session=True, stderr=subprocess.DEVNULL)
    end = time.monotonic() + 60
    while time.monotonic() < end and len(list(out.glob("*.png"))) < 5:
        time.sleep(0.02)
    os.killpg(child.pid, signal.SIGKILL)
    child.wait()
    # whenever it was killed, this is what it may leave: a part nobody writes to any more
    (out / ".anole-0123456789abcdef.part").write_bytes(b"half a picture")
    finished = (out / DONE).read_text().splitlines()
    there = {
        line.split(" ", 1)[1]: (out / line.split(" ", 1)[1]).stat().st_mtime_ns for line in finished
    }
    assert 4 <= len(there) < 60
    for name in there:
        Image.open(out / name).load()
    assert main(["series", str(table), "--board", str(path), "-o", str(out), "--jobs", "2"]) == 0
    assert len(list(out.glob("*.png"))) == 60
    assert all((out / name).stat().st_mtime_ns == at for name, at in there.items())
    assert not list(out.glob(".anole-*.part"))


def test_a_stop_leaves_what_is_finished(tmp_path):
    table = Table(("Title",), tuple((f"T{n}",) for n in range(30)))
    setup, rows = plan(tmp_path, table, "{title}")
    seen: list[int] = []
    ends = run(
        setup,
        rows,
        tmp_path,
        jobs=1,
        told=lambda *t: seen.append(t[1]),
        stop=lambda: len(seen) >= 3,
    )
    assert 3 <= len(ends) < 30
    assert len(to_do(rows, tmp_path)) == 30 - len(ends)


def test_a_row_that_fails_stops_no_other(tmp_path):
    setup, rows = plan(tmp_path / "out")
    (tmp_path / "out").mkdir()
    rows[1].path.mkdir()
    done = [render_row(setup, row) for row in rows]
    assert [bool(one.trouble) for one in done] == [False, True, False, False]


def test_a_cluster_does_the_same_work(tmp_path):
    from distributed import LocalCluster

    setup, rows = plan(tmp_path / "out")
    with LocalCluster(
        n_workers=1, threads_per_worker=1, processes=False, dashboard_address=None
    ) as cluster:
        ends = run(setup, rows, tmp_path / "out", cluster=cluster.scheduler_address)
    assert len(ends) == 4 and all(done.written for done in ends)
    assert run(setup, rows, tmp_path / "out") == []


def test_no_cluster_at_an_address_is_told(tmp_path):
    setup, rows = plan(tmp_path)
    with pytest.raises(FileError, match="no cluster"):
        run(setup, rows, tmp_path, cluster="tcp://127.0.0.1:1")


def test_the_command_binds_columns_by_name_or_as_it_is_told(tmp_path, capsys):
    path, table, out = tmp_path / "b.anole", tmp_path / "t.csv", tmp_path / "out"
    board_file.write(path, board_file.StoredBoard(board()), b"")
    table.write_text("title,ink\nOne,#ff0000\nTwo,#00ff00\n")
    base = ["series", str(table), "--board", str(path), "-o", str(out), "--jobs", "1"]
    assert (
        main([*base, "--bind", "title=Title", "--bind", "ink=Title:colour", "--format", "webp"])
        == 0
    )
    assert len(list(out.glob("*.webp"))) == 2
    assert "2 of 2 files written" in capsys.readouterr().out
    assert main(base) == 0
    for wrong in (
        ["--bind", "x=Title"],
        ["--bind", "title=Nobody"],
        ["--bind", "title=Title:smell"],
        ["--format", "bmp"],
    ):
        assert main([*base, *wrong]) == 2
    table.write_text("nothing\nx\n")
    assert main(base) == 2


def test_the_font_of_a_row_is_that_of_the_board():
    made = msgspec.structs.replace(board().lettering("t"), font=Font(family="Bangers"))
    whole = msgspec.structs.replace(board(), pieces=(made,))
    found = bound(whole, (WORDS,), {"Title": "X"}, Path()).board
    assert found.lettering("t").font == Font(family="Bangers")
