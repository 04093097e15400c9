"""Whole files to start from: our own, and those in the source packages of well-known libraries."""

from __future__ import annotations

import io
import subprocess
import sys
import tarfile
from collections.abc import Iterator
from pathlib import Path

import msgspec
import numpy as np
import openpyxl
from odf.opendocument import OpenDocumentSpreadsheet
from odf.table import Table, TableCell, TableRow
from odf.text import P
from PIL import Image

from anole.core.files import board_file, pack_file
from anole.core.files.css.writing import text as css_text
from anole.core.files.journal import JournalFolder, JournalWriter, Snapshot
from anole.core.history import History
from anole.core.library import styles
from anole.core.model import Gradient, to_json
from anole.core.model.pack import Pack

DATA = Path(__file__).parents[2] / "src" / "anole" / "data"
PACKAGES = ("pillow", "fonttools")
MOST_SEED, MOST_OF_A_KIND = 300_000, 60
KINDS = {
    ".png": "png", ".jpg": "jpeg", ".webp": "webp", ".tif": "tiff", ".tiff": "tiff",
    ".avif": "avif", ".gif": "gif", ".svg": "svg", ".ttf": "font", ".otf": "font", ".ttc": "font",
    ".woff": "font", ".woff2": "font",
}  # fmt: skip
SVGS = (
    b'<svg xmlns="http://www.w3.org/2000/svg" width="64" height="40"><defs><linearGradient id="a">'
    b'<stop offset="0" stop-color="#f80"/><stop offset="1" stop-color="#08f"/></linearGradient>'
    b'</defs><g transform="rotate(9)"><path d="M4 4 C 20 0 30 30 60 36 Z" fill="url(#a)"/></g></svg>',
    b'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><clipPath id="c"><circle cx="4" '
    b'cy="4" r="3"/></clipPath><rect width="9" height="9" clip-path="url(#c)" '
    b'stroke-dasharray="1 2" stroke="red"/><text x="1" y="8">a</text><use href="#c"/></svg>',
    b'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 30 20" width="2in"><style>.a,g>rect{fill:'
    b'gold;stroke:#123;stroke-width:2px}#b{fill-rule:evenodd!important}</style><symbol id="s" '
    b'viewBox="0 0 9 9"><path id="b" d="M1 1h7v7H1zm2 2h3v3H3z"/></symbol><g transform="skewX(9) '
    b'translate(2 3)"><rect class="a" width="12" height="50%" rx="2"/></g><use href="#s" x="9" '
    b'width="12" height="12"/><text x="15" y="18" text-anchor="middle" font-size="6">A<tspan dy="1" '
    b'style="font-weight:bold;fill:red">b</tspan></text></svg>',
)


def _pictures() -> Iterator[tuple[str, bytes]]:
    rng = np.random.default_rng(4)
    for side in (1, 9, 40):
        image = Image.fromarray(rng.integers(0, 256, (side, side + 3, 4), np.uint8))
        for kind in ("PNG", "JPEG", "WEBP", "TIFF", "AVIF", "GIF"):
            room = io.BytesIO()
            (image.convert("RGB") if kind == "JPEG" else image).save(room, kind)
            yield kind.lower(), room.getvalue()
    deep = Image.fromarray(rng.integers(0, 65536, (7, 5), np.uint16))
    for kind in ("PNG", "TIFF"):
        room = io.BytesIO()
        deep.save(room, kind)
        yield kind.lower(), room.getvalue()


def _journal() -> bytes:
    board = board_file.read(DATA / "boards" / "bout-night.anole").board
    history, folder = History(board), JournalFolder()
    for number in range(5):
        history.push(f"Step {number}", msgspec.structs.replace(board, name=f"{number}"))
    JournalWriter(folder).write(Snapshot(history.steps, history.at, board))
    data = folder.log.read_bytes()
    folder.remove()
    return data


def _pack() -> bytes:
    chosen = tuple(entry.style for entry in styles.built_in()[:6])
    return pack_file.encode(Pack(name="Season", styles=chosen))


def _sheet() -> bytes:
    book, room = openpyxl.Workbook(), io.BytesIO()
    for row in (("Nr", "Title"), (1, "Plough"), (2.5, "T-Stop")):
        book.active.append(row)
    book.save(room)
    return room.getvalue()


def _open_sheet() -> bytes:
    document, sheet = OpenDocumentSpreadsheet(), Table(name="Sheet")
    for words in ("Title", "Plough"):
        row, cell = TableRow(), TableCell(valuetype="string")
        cell.addElement(P(text=words))
        row.addElement(cell)
        sheet.addElement(row)
    document.spreadsheet.addElement(sheet)
    room = io.BytesIO()
    document.write(room)
    return room.getvalue()


def own() -> dict[str, list[bytes]]:
    """Our own files by format."""
    seeds: dict[str, list[bytes]] = {
        "board": [p.read_bytes() for p in sorted((DATA / "boards").glob("*.anole"))],
        "style": [p.read_bytes() for p in sorted((DATA / "styles").glob("*.anolestyle"))],
        "css gradient": [css_text(Gradient()).encode(), css_text(Gradient(shape="conic")).encode()],
        "clipboard": [
            to_json(piece)
            for path in sorted((DATA / "boards").glob("*.anole"))
            for piece in board_file.read(path).board.pieces
        ],
        "journal": [_journal()],
        "settings": [b'{"theme": "light", "recent": ["/a.anole"], "sides": [310, 640, 310]}'],
        "svg": list(SVGS),
        "pack": [_pack()],
        "table": [b'Nr,Title\n1,Plough\n2,"T-Stop, slow"\n', _sheet(), _open_sheet()],
        "odd path": [bytes([how]) + b"a.anole" for how in range(6)],
        "font": [p.read_bytes() for p in sorted((DATA / "fonts").glob("*.ttf"))],
    }
    for kind, data in _pictures():
        seeds.setdefault(kind, []).append(data)
    return seeds


def fetch(folder: Path) -> None:
    """Download the source packages by name, as far as they are not there."""
    folder.mkdir(parents=True, exist_ok=True)
    for package in PACKAGES:
        if not list(folder.glob(f"{package}-*.tar.gz")):
            command = [sys.executable, "-m", "pip", "download", "--quiet", "--no-deps"]
            command += ["--no-binary", ":all:", "--dest", str(folder), package]
            subprocess.run(command, check=False)


def fetched(folder: Path) -> dict[str, list[bytes]]:
    """The files of their test suites by format: small ones, spread over all."""
    found: dict[str, list[tuple[str, bytes]]] = {}
    for package in sorted(folder.glob("*.tar.gz")):
        with tarfile.open(package) as box:
            for member in box:
                kind = KINDS.get(Path(member.name).suffix.lower())
                file = box.extractfile(member) if kind and member.size < MOST_SEED else None
                if kind and file is not None:
                    found.setdefault(kind, []).append((member.name, file.read()))
    spread = {}
    for kind, files in found.items():
        files.sort()
        spread[kind] = [data for _, data in files[:: max(1, len(files) // MOST_OF_A_KIND)]]
    return spread


def all_seeds(folder: Path | None) -> dict[str, list[bytes]]:
    """Our own, and those fetched to a folder."""
    seeds = own()
    for kind, files in fetched(folder).items() if folder else ():
        seeds.setdefault(kind, []).extend(files)
    return seeds
