"""`anole styles`: the library listed, shown, packed, taken in, and on a contact sheet."""

from __future__ import annotations

import sys
from pathlib import Path
from typing import cast

import click
from rich.console import Console
from rich.table import Table
from rich.text import Text

from ..core import sheets
from ..core.atomic import FileError
from ..core.coats.registry import kind_of
from ..core.files import pack_file, png
from ..core.library import packs
from ..core.library import styles as library
from ..core.library.packs import Clash
from ..core.library.styles import StoredStyle
from ..core.model import Style, to_json
from ..core.render.export import rgba
from ..core.text import short
from .from_picture import from_picture
from .parts import PATH, complain, only, out_option, progress_shown

names_argument = click.argument("names", metavar="[STYLE]...", nargs=-1)
SAMPLE = sheets.SheetLayout(wide=480, high=180)
CLASHES = ("beside", "over", "out")


@click.group(invoke_without_command=True)
@click.pass_context
def styles(context: click.Context) -> None:
    """The library of styles; without another word: list them."""
    if context.invoked_subcommand is None:
        context.invoke(list_styles)


@styles.command("list")
@names_argument
def list_styles(names: tuple[str, ...] = ()) -> None:
    """List the styles of the library, or those that words are found in."""
    kept, troubles = library.library()
    table = Table("style", "coats", "words", "from", box=None)
    for entry in kept:
        if library.is_found(entry.style, " ".join(names)):
            origin = str(entry.path) if entry.own else "built in"
            about = ", ".join(entry.style.words)
            table.add_row(
                Text(short(entry.style.name)),
                str(len(entry.style.coats)),
                Text(short(about)),
                Text(origin),
            )
    Console().print(table)
    for trouble in troubles:
        complain(trouble)


@styles.command()
@click.argument("style", metavar="STYLE")
@click.option("--json", "as_json", is_flag=True, help="The whole style as JSON.")
def show(style: str, as_json: bool) -> None:
    """Say what a style (its name, or its file) is and which coats it has."""
    found = library.find(style)
    if as_json:
        sys.stdout.buffer.write(to_json(found))
        print()
        return
    print(short(found.name))
    for title, text in (
        ("notes", found.notes),
        ("words", ", ".join(found.words)),
        ("author", found.author),
        ("made", found.made),
        ("setting", "brings its rails, tracking and pose" if found.setting else ""),
    ):
        if text:
            print(f"  {title}: {short(text, 400)}")
    for coat in reversed(found.coats):
        off = "" if coat.on else " (off)"
        print(f"  {kind_of(coat).title}: {short(coat.name, 60) or '-'}{off}")


@styles.command("import")
@click.argument("file", type=PATH, metavar="FILE")
@click.option(
    "--taken",
    default="beside",
    metavar="HOW",
    help="Where a name is taken: beside (under the next free name), over, or out.",
)
@click.option("--dry", is_flag=True, help="Only say what would come in.")
def take_in(file: Path, taken: str, dry: bool) -> None:
    """Take the styles of a pack into the library; nothing is written over unless asked."""
    if taken not in CLASHES:
        raise FileError(f"--taken is one of {', '.join(CLASHES)}, not {short(taken, 40)!r}")
    read = pack_file.read_any(file)
    for one in packs.coming_in(read.pack):
        state = "is there already" if one.same else "name is taken" if one.taken else "new"
        print(f"{short(one.style.name)}: {state}")
    for trouble in read.troubles:
        complain(trouble)
    if not dry:
        came = packs.take_in(read.pack, cast("Clash", taken))
        print(f"{len(came)} came in: {short(', '.join(style.name for style in came), 300)}")


@styles.command()
@out_option
@names_argument
@click.option("--name", default="", help="What the pack is called.")
@click.option("--author", default="", help="Who made it.")
@click.option("--licence", default="", help="Such as CC0-1.0.")
def export(
    out: tuple[Path, ...], names: tuple[str, ...], name: str, author: str, licence: str
) -> None:
    """Write styles, and the pictures they paint with, into a pack."""
    path = only(out, pack_file.SUFFIX)
    chosen = _chosen(names, own=True)
    pack = packs.pack_of(chosen, name or path.stem, author=author, licence=licence)
    samples = {}
    with progress_shown("packing") as told:
        for number, style in enumerate(chosen, 1):
            samples[style.name] = png.encode(rgba(sheets.tile_board(style, SAMPLE)), quick=True)
            told(number / len(chosen))
        pack_file.write(path, pack, samples)


@styles.command()
@out_option
@names_argument
@click.option("--text", default="Anole", help="The words on every tile.")
@click.option("--across", type=click.IntRange(1, 12), default=4, help="Tiles in a row.")
@click.option("--pack", type=PATH, help="The styles of a pack.")
def sheet(
    out: tuple[Path, ...], names: tuple[str, ...], text: str, across: int, pack: Path | None
) -> None:
    """Write a contact sheet as PNG or PDF."""
    path = only(out, ".png", ".pdf")
    chosen = list(pack_file.read_any(pack).pack.styles) if pack else _chosen(names)
    layout = sheets.SheetLayout(text=text.strip() or "Anole", across=across)
    with progress_shown("rendering") as told:
        sheets.write(path, chosen, layout, told)


def _chosen(names: tuple[str, ...], own: bool = False) -> list[Style]:
    """Styles by name or by words; without any all, or all of one's own. Raises FileError."""
    kept, _ = library.library()
    if not names:
        found = [entry.style for entry in kept if entry.own or not own]
        if not found:
            raise FileError("there is no style of your own; name the styles that are meant")
        return found
    chosen: dict[str, Style] = {}
    for name in names:
        for style in _named(kept, name):
            chosen[style.name] = style
    return list(chosen.values())


def _named(kept: list[StoredStyle], name: str) -> list[Style]:
    exact = [e.style for e in kept if e.style.name.casefold() == name.casefold()]
    found = exact or [e.style for e in kept if library.is_found(e.style, name)]
    return found or [library.find(name)]


styles.add_command(from_picture)
