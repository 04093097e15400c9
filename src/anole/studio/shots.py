"""Pictures of the main views, from the demo, at 1280 x 800."""

from __future__ import annotations

import argparse
import os
import tempfile
import time
from pathlib import Path

from PyQt6.QtWidgets import QApplication, QWidget

from ..core import sheets
from ..core.box import Box
from ..core.edit.coats import change_coat
from ..core.files import board_file, png
from ..core.library.styles import built_in
from ..core.model import Coated, Curves, Fill, Pattern, ToneCoat
from ..core.model.nesting import every
from ..core.render.export import rgba
from .app import DEMO, application
from .controls.choices.picture_choice import PictureChoice
from .controls.paint import PaintControl
from .controls.tones.tone_list import ToneList
from .documents.board_files import demo_folder
from .look.painting import painting
from .main_window.window import Window
from .shared.shell import Stage
from .styles.from_picture.marks import Mark

RIMS = ("cream", "dark")


def settle(window: Window, seconds: float = 60.0) -> None:
    """Let the worker finish all that was asked for."""
    app = QApplication.instance()
    assert app is not None
    end = time.monotonic() + seconds
    quiet = 0
    while quiet < 5 and time.monotonic() < end:
        app.processEvents()
        time.sleep(0.02)
        quiet = quiet + 1 if window.idle else 0
    app.processEvents()


def shoot(widget: QWidget, path: Path) -> None:
    """Write what a widget shows to a file."""
    if not widget.grab().save(str(path)):
        raise SystemExit(f"cannot write {path}")
    print(path)


def _open(window: Window, name: str) -> None:
    window.document.start(window.document.board)
    window.files.open_copy(demo_folder() / name)
    settle(window)


def views(window: Window, out: Path, every: bool = True) -> None:
    """The start page and the three stages of the demo board. `every`: its paints, choices, styles; Coat of
    others; Proof, a series, depth, looks read off pictures."""
    _start(window, out)
    _open(window, DEMO)
    for number, name in ((Stage.ARRANGE, "arrange"), (Stage.COAT, "coat"), (Stage.PROOF, "proof")):
        window.show_stage(number)
        settle(window)
        shoot(window, out / f"{name}.png")
    if every:
        _others(window, out)


def _others(window: Window, out: Path) -> None:
    """All that lies beyond the three stages."""
    window.show_stage(Stage.COAT)
    _choose(window, "Bout", "stripes, a shade darker")
    settle(window)
    _scroll(window, 90)
    shoot(window, out / "coat-pattern.png")
    _choosing(window, out)
    _styles(window, out)
    _scene(window, out)
    _open(window, "brine-and-bearing-cup.anole")
    window.show_stage(Stage.COAT)
    _choose(window, "Cup", "carved to the core")
    settle(window)
    shoot(window, out / "coat-gold.png")
    _built(window, out)
    _proofs(window, out)
    _depth(window, out)
    _sheet(out)
    _looks_taken(window, out)


def _built(window: Window, out: Path) -> None:
    """How the look of the chosen words is built, half of the way."""
    window.do("how built")
    window.unfolded.sheet.walk.go(6)
    settle(window)
    shoot(window, out / "built.png")
    window.leave_beside()


def _proofs(window: Window, out: Path) -> None:
    """Proof: among others on a light page, the file beside the board; the table of a series."""
    _open(window, "learn-to-stop.anole")
    window.show_stage(Stage.PROOF)
    window.proof.show_view("among")
    window.proof.page.setChecked(True)
    settle(window)
    shoot(window, out / "proof-among.png")
    window.proof.page.setChecked(False)
    window.proof.show_view("sizes")
    window.do("series")
    settle(window)
    shoot(window, out / "series.png")
    window.leave_page()


def _sheet(out: Path) -> None:
    """Every built-in style by name."""
    layout = sheets.SheetLayout(text="Wheel", wide=210, high=96, across=6)
    sheets.write(out / "styles.png", [stored.style for stored in built_in()], layout)


def _looks_taken(window: Window, out: Path) -> None:
    """A style read off a picture of another board: as it is found, and with its line pulled."""
    _open(window, "season-social.anole")
    _choose(window, "Social", "rim")
    page = window.style_pages.from_picture
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "last year's bout.png"
        path.write_bytes(png.encode(rgba(board_file.read(demo_folder() / DEMO).board)))
        page.open_file(path)
        settle(window)
        shoot(window, out / "look-taken.png")
        page.picture.marks.box = Box(270, 20, 1000, 330)
        page.picture.marks.line = (300.0, 215.0, 375.0, 215.0)
        page.picture.chosen = Mark.INNER
        page.picture.pulled.emit(True)
        settle(window)
        shoot(window, out / "look-pulled.png")
    window.leave_page()


def _depth(window: Window, out: Path) -> None:
    """The poster: a block in space, and a tone over a wind, its curve on what it acts on."""
    _open(window, "plank-track.anole")
    window.show_stage(Stage.COAT)
    _choose(window, "Evening", "block")
    settle(window)
    shoot(window, out / "coat-depth.png")
    _choose(window, "When", "lamplight")
    piece, coat = window.selection.piece_id, window.selection.coat
    assert piece is not None and isinstance(coat, ToneCoat)
    ops = (*coat.tone, Curves(at_25=0.18, at_75=0.84))
    window.document.apply("Tone", lambda b: change_coat(b, piece, coat.id, tone=ops))
    tone = window.coat.panel(ToneCoat).controls["tone"]
    assert isinstance(tone, ToneList)
    tone.rows[-1].unfold(True)
    _until_counted(window, tone)
    shoot(window, out / "coat-tone.png")


def _until_counted(window: Window, tone: ToneList, seconds: float = 20.0) -> None:
    """Wait for the histogram, which comes a moment after the picture."""
    line, end = tone.rows[-1].line, time.monotonic() + seconds
    while line is not None and not line.bins.any() and time.monotonic() < end:
        settle(window)


def _scene(window: Window, out: Path) -> None:
    """A piece within a cluster; what can be added to it, each on its words."""
    window.show_stage(Stage.ARRANGE)
    board = window.document.board
    window.selection.choose(next(p.id for p in every(board.pieces) if p.id == "night"))
    window.show_stage(Stage.COAT)
    window.beside.show("Coats")
    settle(window)
    tiles = window.beside.sheet.tiles
    tiles.choose(next(n for n, one in enumerate(tiles.additions) if one.id == "coat:relief"))
    settle(window)
    shoot(window, out / "adding.png")
    window.beside.leave()


def _start(window: Window, out: Path) -> None:
    window.show_start()
    window.start.words.setPlainText("ROLLER BOUT Saturday")
    settle(window)
    shoot(window, out / "start.png")
    window.leave_page()


def _styles(window: Window, out: Path) -> None:
    """All styles on the title, and the worn one along two of its numbers."""
    _choose(window, "Title", "cream")
    pages = window.style_pages
    pages.show_all()
    settle(window)
    pages.all.wall.mark("foundry bronze")
    settle(window)
    shoot(window, out / "all-styles.png")
    pages.show_strip()
    strip = pages.strip
    for picker, words in ((strip.first, ("span", "to")), (strip.second, ("hue",))):
        picker.set_value(next(o for o in picker.options if all(w in o for w in words)))
    strip.fill()
    settle(window)
    shoot(window, out / "test-strip.png")
    window.leave_page()


def _choosing(window: Window, out: Path) -> None:
    """The pictures of a choice over its panel, and the finder with a style on the board."""
    _choose(window, "Bout", "stripes, a shade darker")
    settle(window)
    paint = window.coat.panel(Fill).controls["paint"]
    assert isinstance(paint, PaintControl)
    choice = paint.page(Pattern).findChild(PictureChoice)
    assert choice is not None
    choice.unfold()
    assert choice.sheet is not None
    grid = choice.sheet.grid
    grid.point(grid.options.index("bricks"))
    settle(window)
    picture = window.grab()
    with painting(picture) as painter:
        # an offscreen display is smaller than the window, and keeps popups within itself
        under = choice.button
        corner = under.mapTo(window, under.rect().bottomRight()) - choice.sheet.rect().topRight()
        painter.drawPixmap(corner, choice.sheet.grab())
    if not picture.save(str(out / "choose.png")):
        raise SystemExit("cannot write choose.png")
    choice.sheet.hide()
    window.finder.unfold()
    window.finder.field.setText("gold")
    settle(window)
    shoot(window, out / "find.png")
    window.finder.fold()


def _choose(window: Window, piece: str, coat: str) -> None:
    """A coat by name on a piece by name."""
    chosen = next(p for p in every(window.document.board.pieces) if p.name == piece)
    assert isinstance(chosen, Coated)
    window.selection.choose(chosen.id, next(c.id for c in chosen.style if c.name == coat))


def _scroll(window: Window, by: int) -> None:
    bar = window.coat.verticalScrollBar()
    if bar is not None:
        bar.setValue(by)


def main() -> None:
    """Take every view of the demo."""
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--out", type=Path, default=Path("demo-views"))
    out = parser.parse_args().out
    out.mkdir(parents=True, exist_ok=True)
    if not (os.environ.get("DISPLAY") or os.environ.get("WAYLAND_DISPLAY")):
        os.environ.setdefault("QT_QPA_PLATFORM", "offscreen")
    with tempfile.TemporaryDirectory() as home:
        # the pictures show a first start, whoever takes them
        for name in ("XDG_CONFIG_HOME", "XDG_DATA_HOME", "XDG_STATE_HOME"):
            os.environ[name] = home
        app = application()
        window = Window()
        window.resize(1280, 800)
        window.show()
        views(window, out)
        window.leave()
        app.processEvents()


if __name__ == "__main__":
    main()
