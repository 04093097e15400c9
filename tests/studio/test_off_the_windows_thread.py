"""What takes long is done in another thread than the window's, or is cut to what takes no time."""

from __future__ import annotations

import threading

import msgspec
import numpy as np
import pytest
from PyQt6.QtCore import QMimeData, Qt
from PyQt6.QtGui import QColor, QGuiApplication, QImage

from anole.core.edit.exports import add_export
from anole.core.field import shape_fields
from anole.core.files import export_target
from anole.core.library import styles
from anole.core.model import Board, Export, Fill, Lettering, Picture, to_json
from anole.core.model.series import Series
from anole.core.paint.picture_files import decoded_asset
from anole.core.series import plan
from anole.core.series.tables import Table
from anole.studio.documents import style_library
from anole.studio.exchange import pasting, readable
from anole.studio.exchange.pasted_words import MOST_WORDS
from anole.studio.series import series_page
from anole.studio.shared.shell import Stage

from ..core.shapes import board
from .test_never_waiting import photo

LONG = "Brinnelmarsh Wheelers roll " * 750


@pytest.fixture
def threads(monkeypatch):
    """Notes in which threads a function of a module is called."""

    def watch(module, name: str) -> set[str]:
        seen: set[str] = set()
        plain = getattr(module, name)

        def watched(*args, **fields):
            seen.add(threading.current_thread().name)
            return plain(*args, **fields)

        monkeypatch.setattr(module, name, watched)
        return seen

    return watch


def in_the_window(seen: set[str]) -> bool:
    return threading.main_thread().name in seen


def test_what_a_trimmed_export_shows(open_window, settle, qtbot, threads, tmp_path):
    looked = threads(export_target, "painted_box")
    export = Export(id="e", trim=True, file="{board} {width}")
    window = open_window(add_export(board(Fill(id="f")), export)[0])
    window.show_stage(Stage.PROOF)
    qtbot.waitUntil(lambda: "px" in window.export.pixels.text())
    wide, high = (int(n) for n in window.export.pixels.text().split(" px")[0].split(" × "))
    assert 0 < wide < window.document.board.width and 0 < high < window.document.board.height
    window.writing.all_to(tmp_path, window.document.board.exports)
    qtbot.waitUntil(lambda: any(tmp_path.glob(f"*{wide}*.png")) and window.writing.job is None)
    settle(window)
    assert looked and not in_the_window(looked)


def test_a_series_is_planned(open_window, settle, qtbot, threads, tmp_path):
    named, packed = threads(plan, "file_name"), threads(series_page, "setup_of")
    window = open_window(board(Fill(id="f")))
    table = Table(("Title",), tuple((f"T{n}",) for n in range(6)))
    window.show_page(window.series)
    window.series.show_table(table)
    window.series.render_to(tmp_path / "out", 1)
    qtbot.waitUntil(lambda: window.series.job is None, timeout=60_000)
    assert len(list((tmp_path / "out").glob("*.png"))) == 6
    assert named and packed and not in_the_window(named | packed)


def test_names_that_nothing_fills_are_said_before_anything_is_written(open_window, qtbot, tmp_path):
    series = Series(columns=("Title",), rows=(("One",),), file="{number} {title}")
    window = open_window(msgspec.structs.replace(board(Fill(id="f")), series=series))
    window.show_page(window.series)
    window.series.render_to(tmp_path / "out", 1)
    qtbot.waitUntil(lambda: window.series.job is None)
    assert "{number}" in window.status.text.text() and not (tmp_path / "out").exists()


@pytest.mark.parametrize("clear", [True, False])
def test_a_pasted_picture_is_packed(open_window, settle, qtbot, threads, clear):
    packed = threads(readable, "_packed")
    window, mime = open_window(board(Fill(id="f"))), QMimeData()
    image = QImage(601, 1999, QImage.Format.Format_ARGB32)
    image.fill(QColor(200, 40, 10, 128 if clear else 255))
    mime.setImageData(image)
    QGuiApplication.clipboard().setMimeData(mime)
    pasting.paste(window.session)
    settle(window)
    piece = window.selection.piece
    assert isinstance(piece, Picture)
    pixels = decoded_asset(piece.asset).pixels
    assert pixels.shape == (1999, 601, 4)
    wanted = (200, 40, 10, 128 if clear else 255)
    assert np.abs(pixels.astype(int) - wanted).max() <= 1
    assert packed and not in_the_window(packed)


def test_a_picture_that_comes_as_a_png_is_taken_as_it_is(open_window, settle, threads):
    packed = threads(readable, "_packed")
    window, mime = open_window(board(Fill(id="f"))), QMimeData()
    mime.setData("image/png", photo())
    QGuiApplication.clipboard().setMimeData(mime)
    pasting.paste(window.session)
    settle(window)
    assert isinstance(window.selection.piece, Picture) and not packed


@pytest.mark.parametrize("way", ["board", "field", "typing", "start"])
def test_twenty_thousand_letters_are_cut_and_that_is_said(open_window, settle, qtbot, way):
    window = open_window(board(Fill(id="f"), text="HO"))
    QGuiApplication.clipboard().setText(LONG)
    if way == "board":
        pasting.paste(window.session)
        words = window.selection.lettering.text
    elif way == "field":
        field = window.arrange.section("words").words
        field.selectAll()
        field.paste()
        words = window.selection.lettering.text
    elif way == "typing":
        window.view.setFocus()
        qtbot.keyClick(window.view, Qt.Key.Key_Return)
        qtbot.keyClick(window.view, Qt.Key.Key_V, Qt.KeyboardModifier.ControlModifier)
        words = window.selection.lettering.text
    else:
        window.show_start()
        window.start.words.paste()
        words = window.start.words.toPlainText()
    settle(window)
    assert len(words) == MOST_WORDS
    assert "letters here" in window.status.text.text()


def test_the_core_of_many_letters_is_measured(open_window, settle, qtbot, threads):
    measured = threads(shape_fields, "nearest")
    words = Lettering(id="w", name="W", text=LONG[:400], style=(Fill(id="f"),))
    window = open_window(Board(width=320, height=180, pieces=(words,)))
    measured.clear()
    window.selection.choose("w")
    window.show_stage(Stage.COAT)
    settle(window)
    qtbot.waitUntil(lambda: window.measures.section() is not None, timeout=20_000)
    assert measured and not in_the_window(measured)


@pytest.mark.every_style
def test_many_styles_are_read_and_only_seen_chips_are_made(
    open_window, settle, qtbot, threads, monkeypatch
):
    read = threads(styles, "from_json")
    home = styles.folder()
    home.mkdir(parents=True)
    built_in = styles.built_in()
    read.clear()
    for n in range(style_library.AT_ONCE + 20):
        style = msgspec.structs.replace(built_in[n % 70].style, name=f"own {n}")
        (home / styles.file_name(style.name)).write_bytes(to_json(style))
    window = open_window(board(Fill(id="f")))
    settle(window)
    assert len(window.styles.entries) == style_library.AT_ONCE + 20 + len(built_in)
    assert read == {"anole-background"}
    window.show_stage(Stage.COAT)
    settle(window)
    assert len(window.shelf.chips) < 24
    # another one is read alone
    read.clear()
    count = []
    plain = styles.from_json
    monkeypatch.setattr(styles, "from_json", lambda *a: (count.append(1), plain(*a))[1])
    assert window.shelf.save_as("mine") or window.selection.coated is None
    assert len(count) <= 1
