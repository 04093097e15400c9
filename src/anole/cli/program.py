"""The commands, and how wrong input is told."""

from __future__ import annotations

import os
import sys
from importlib.metadata import version
from pathlib import Path

import click
import msgspec

from ..core.atomic import FileError, write_bytes
from ..core.edit.boards import as_stored
from ..core.edit.checked import replaced
from ..core.edit.recolouring import in_colours
from ..core.edit.wearing import add_style, put_style
from ..core.failures import RenderError
from ..core.files import board_file, exporting, formats
from ..core.files.preview import preview, small_picture
from ..core.lettering.fonts import find
from ..core.library import styles as library
from ..core.model import Board, Coated, Export, Lettering, ModelError
from ..core.model.schema import json_schema
from ..core.render.export import TooLarge
from ..core.text import short
from . import series, styles
from .parts import PATH, complain, file_argument, only, out_option, piece_named, progress_shown

WRONG, MOST_WIDTH = 2, 32_000
DEBUG = "ANOLE_DEBUG"


class _OpensFiles(click.Group):
    """`anole FILE` opens the window; every other first word is a command."""

    def parse_args(self, ctx: click.Context, args: list[str]) -> list[str]:
        if not args or (args[0] not in self.commands and args[0] not in ("--help", "--version")):
            args = ["open", *args]
        return super().parse_args(ctx, args)


@click.group(cls=_OpensFiles, context_settings={"show_default": True})
@click.version_option(version("anole"), prog_name="anole", message="%(prog)s %(version)s")
def app() -> None:
    """Words in fat type, styled with a stack of live coats. `anole FILE` opens the window."""


app.add_command(styles.styles)
app.add_command(series.series)


@app.command("open", hidden=True)
@click.argument("file", type=PATH, metavar="FILE", required=False)
@click.option("--demo", is_flag=True, help="Open the demo board.")
def open_window(file: Path | None, demo: bool) -> int:
    """Open the window, on a board if one is named."""
    from ..studio import display
    from ..studio.app import run

    trouble = display.trouble()
    if trouble:
        raise FileError(trouble)
    return run(file, demo=demo)


def _scale(board: Board, scale: float | None, width: int | None) -> float:
    if scale is not None and width is not None:
        raise FileError("give --scale or --width, not both")
    if width is not None and not 1 <= width <= MOST_WIDTH:
        raise FileError(f"a width of {short(width, 20)} px is out of range (1 to {MOST_WIDTH})")
    factor = width / board.width if width is not None else 1.0 if scale is None else scale
    if not 0.001 <= factor <= 100:
        raise FileError(f"a scale of {factor:g} is out of range (0.001 to 100)")
    return factor


@app.command()
@file_argument
@out_option
@click.option("--scale", type=float, help="Times the board's size.")
@click.option("--width", type=int, help="Width of the picture in px.")
@click.option("--transparent", is_flag=True, help="Leave grounds out.")
@click.option(
    "--quality",
    type=click.IntRange(1, 100),
    default=90,
    help="Of JPEG, WebP, AVIF; 100 is best.",
)
@click.option(
    "--max-bytes", type=click.IntRange(0), default=0, help="Find the best quality that fits."
)
@click.option("--shrink", is_flag=True, help="Make it smaller where no quality fits.")
@click.option("--trim", is_flag=True, help="To what is painted.")
@click.option("--padding", type=float, default=0.0, help="Board px round what is left.")
@click.option("--16", "deep", is_flag=True, help="A PNG of 16 bit.")
@click.option("--bleed", type=float, default=0.0, help="mm beyond the cut of a PDF.")
@click.option("--marks", is_flag=True, help="Crop marks round a PDF.")
@click.option(
    "--dpi", type=click.FloatRange(0), default=0.0, help="Dots per inch, as the file says."
)
@click.option("--coat-by-coat", "moving", is_flag=True, help="A .gif or .webp of how it was made.")
@click.option("--names", is_flag=True, help="What comes is named at its foot.")
def render(
    file: Path,
    out: tuple[Path, ...],
    scale: float | None,
    width: int | None,
    transparent: bool,
    quality: int,
    max_bytes: int,
    shrink: bool,
    trim: bool,
    padding: float,
    deep: bool,
    bleed: float,
    marks: bool,
    dpi: float,
    moving: bool,
    names: bool,
) -> None:
    """Export a board as its file's ending says: png, jpg, webp, avif, tif, pdf, ora, or gif (coat by
    coat)."""
    path = only(out, *formats.endings())
    board = board_file.read(file).board
    found = formats.by_ending(path.suffix)
    form = found.name if found is not None else ""
    form = "png 16" if deep and form == "png" else form
    if moving:
        only(out, *formats.format_of("coat by coat").endings)
        form = "coat by coat"
    export = replaced(
        Export(
            dpi=dpi,
            format=form,
            scale=_scale(board, scale, width),
            quality=quality,
            most=max_bytes,
            transparent=transparent,
            trim=trim,
            padding=padding,
            bleed=bleed,
            marks=marks,
            names=names,
            width=width or 0,
        )
    )
    if max_bytes and not export.has_quality:
        raise FileError(f"{path.name}: --max-bytes is for JPEG, WebP and AVIF")
    with progress_shown("rendering") as told:
        done = exporting.write(path, board, export, shrink=shrink, progress=told)
    if done.quality is not None and max_bytes:
        print(
            f"{path.name}: quality {done.quality}, {done.size:,} bytes, {done.width} x {done.height} px"
        )
    _say_replaced_fonts(board)


@app.command()
@click.argument("style", metavar="STYLE")
@file_argument
@click.option("--piece", required=True, metavar="NAME", help="Name or id of a piece.")
@out_option
@click.option("--on-top", is_flag=True, help="Above the coats it wears.")
@click.option("--beneath", is_flag=True, help="Beneath them.")
@click.option(
    "--colours", default="style", metavar="WHOSE", help="style, words, ground, or a hue in degrees."
)
def apply(
    style: str,
    file: Path,
    piece: str,
    out: tuple[Path, ...],
    on_top: bool,
    beneath: bool,
    colours: str,
) -> None:
    """Put a style (its name, or its file) on a piece; write the board, or its picture."""
    path = only(out, ".anole", ".png")
    if on_top and beneath:
        raise FileError("give --on-top or --beneath, not both")
    document = board_file.read(file)
    target = piece_named(document.board, piece)
    chosen = in_colours(document.board, target.id, library.find(style), colours)
    if on_top or beneath:
        board = add_style(document.board, target.id, chosen, beneath)
    else:
        board = put_style(document.board, target.id, chosen, library.digest(chosen.coats))
    if path.suffix.lower() == ".png":
        exporting.write(path, board, Export())
    else:
        board_file.write(path, document._replace(board=as_stored(board)), preview(board))


@app.command()
@file_argument
@click.argument("out", type=PATH, metavar="OUT")
@click.option("--size", type=click.IntRange(1, 1024), default=256, help="px of its longer side.")
def thumbnail(file: Path, out: Path, size: int) -> None:
    """Write a small PNG of a board, as file managers ask for it: the picture that its file keeps."""
    write_bytes(out, small_picture(file, size))


@app.command()
@file_argument
def check(file: Path) -> None:
    """Read a board and say what is in it, or what is wrong with it."""
    board = board_file.read(file).board
    coats = sum(len(piece.style) for piece in board.pieces if isinstance(piece, Coated))
    size = f"{board.width} x {board.height} px"
    print(f"{short(board.name)}: {size}, {len(board.pieces)} pieces, {coats} coats")
    _say_replaced_fonts(board)


def _say_replaced_fonts(board: Board) -> None:
    for piece in board.pieces:
        if isinstance(piece, Lettering):
            file, found = find(piece.font)
            if not found:
                complain(
                    f"the font {piece.font.family!r} of {piece.name or piece.id!r} is "
                    f"missing; {file.family} stands in for it"
                )


@app.command()
def schema() -> None:
    """Print the JSON schema of boards and styles."""
    sys.stdout.buffer.write(msgspec.json.format(msgspec.json.encode(json_schema()), indent=1))
    print()


def main(arguments: list[str] | None = None) -> int:
    """Run the command line; wrong input is one line on stderr and exit code 2."""
    try:
        result = app.main(arguments, prog_name="anole", standalone_mode=False)
        code = result if isinstance(result, int) else 0
    except (FileError, ModelError, TooLarge, RenderError) as error:
        code = _wrong(str(error))
    except click.ClickException as error:
        code = _wrong(error.format_message())
    except MemoryError:
        code = _wrong("there is not enough memory for a picture of that size")
    except (KeyboardInterrupt, click.Abort):
        code = 130
    except Exception as error:
        if os.environ.get(DEBUG):
            raise
        code = _wrong(f"{type(error).__name__}: {error} ({DEBUG}=1 shows where)")
    if arguments is None:
        sys.exit(code)
    return code


def _wrong(message: str) -> int:
    complain(message)
    return WRONG
