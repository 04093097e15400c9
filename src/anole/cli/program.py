"""The commands, and how wrong input is told."""

from __future__ import annotations

import os
import sys
from importlib.metadata import version
from pathlib import Path
from typing import Annotated, Any

import msgspec
import typer
from typer.core import TyperGroup

from ..core.atomic import FileError, write_bytes
from ..core.edit.boards import as_stored
from ..core.edit.checked import replaced
from ..core.edit.recolouring import in_colours
from ..core.edit.wearing import add_style, put_style
from ..core.failures import RenderError
from ..core.files import board_file, exporting, formats, picture
from ..core.files.preview import preview, small_picture
from ..core.lettering.fonts import find
from ..core.library import styles as library
from ..core.model import Board, Coated, Export, Lettering, ModelError
from ..core.model.schema import json_schema
from ..core.render.export import TooLarge
from ..core.text import short
from . import series, styles
from .parts import FileArgument, OutOption, complain, only, piece_named, progress_shown

WRONG, MOST_WIDTH = 2, 32_000
DEBUG = "ANOLE_DEBUG"


class _OpensFiles(TyperGroup):
    """`anole FILE` opens the window; every other first word is a command."""

    def parse_args(self, ctx: Any, args: list[str]) -> list[str]:
        if not args or (args[0] not in self.commands and args[0] not in ("--help", "--version")):
            args = ["open", *args]
        return super().parse_args(ctx, args)


app = typer.Typer(
    cls=_OpensFiles,
    add_completion=False,
    rich_markup_mode=None,
    pretty_exceptions_enable=False,
    help="Words in fat type, styled with a stack of live coats. `anole FILE` opens the window.",
)
app.add_typer(styles.app, name="styles")
app.command("series")(series.series)


def _version(wanted: bool) -> None:
    if wanted:
        print(f"anole {version('anole')}")
        raise typer.Exit


@app.callback()
def every_command(
    version: Annotated[
        bool,
        typer.Option("--version", callback=_version, is_eager=True, help="Say which one this is."),
    ] = False,
) -> None:
    """What stands before any command."""


@app.command("open", hidden=True)
def open_window(
    file: Annotated[Path | None, typer.Argument(metavar="FILE")] = None,
    demo: Annotated[bool, typer.Option("--demo", help="Open the demo board.")] = False,
) -> None:
    """Open the window, on a board if one is named."""
    from ..studio import display
    from ..studio.app import run

    trouble = display.trouble()
    if trouble:
        raise FileError(trouble)
    raise typer.Exit(run(file, demo=demo))


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
def render(
    file: FileArgument,
    out: OutOption,
    scale: Annotated[float | None, typer.Option(help="Times the board's size.")] = None,
    width: Annotated[int | None, typer.Option(help="Width of the picture in px.")] = None,
    transparent: Annotated[bool, typer.Option("--transparent", help="Leave grounds out.")] = False,
    quality: Annotated[
        int, typer.Option(min=1, max=100, help="Of JPEG, WebP, AVIF; 100 is best.")
    ] = 90,
    max_bytes: Annotated[
        int, typer.Option("--max-bytes", min=0, help="Find the best quality that fits.")
    ] = 0,
    shrink: Annotated[
        bool, typer.Option("--shrink", help="Make it smaller where no quality fits.")
    ] = False,
    trim: Annotated[bool, typer.Option("--trim", help="To what is painted.")] = False,
    padding: Annotated[float, typer.Option(help="Board px round what is left.")] = 0.0,
    deep: Annotated[bool, typer.Option("--16", help="A PNG of 16 bit.")] = False,
    bleed: Annotated[float, typer.Option(help="mm beyond the cut of a PDF.")] = 0.0,
    marks: Annotated[bool, typer.Option("--marks", help="Crop marks round a PDF.")] = False,
    dpi: Annotated[float, typer.Option(min=0, help="Dots per inch that the file says.")] = 0.0,
    moving: Annotated[
        bool, typer.Option("--coat-by-coat", help="A .gif or .webp of how it was made.")
    ] = False,
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
def apply(
    style: Annotated[str, typer.Argument(help="A style's name, or a style file.")],
    file: FileArgument,
    piece: Annotated[str, typer.Option("--piece", metavar="NAME", help="Name or id of a piece.")],
    out: OutOption,
    on_top: Annotated[bool, typer.Option("--on-top", help="Above the coats it wears.")] = False,
    beneath: Annotated[bool, typer.Option("--beneath", help="Beneath them.")] = False,
    colours: Annotated[
        str,
        typer.Option(
            "--colours", metavar="WHOSE", help="style, words, ground, or a hue in degrees."
        ),
    ] = "style",
) -> None:
    """Put a style on a piece; write the board, or its picture."""
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
        picture.write(path, board)
    else:
        board_file.write(path, document._replace(board=as_stored(board)), preview(board))


@app.command()
def thumbnail(
    file: FileArgument,
    out: Annotated[Path, typer.Argument(metavar="OUT", help="The PNG to write.")],
    size: Annotated[
        int, typer.Option("--size", min=1, max=1024, help="px of its longer side.")
    ] = 256,
) -> None:
    """Write a small PNG of a board, as file managers ask for it: the picture that its file keeps."""
    write_bytes(out, small_picture(file, size))


@app.command()
def check(file: FileArgument) -> None:
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
        result: Any = app(arguments, standalone_mode=False, prog_name="anole")
        code = result if isinstance(result, int) else 0
    except (FileError, ModelError, TooLarge, RenderError) as error:
        code = _wrong(str(error))
    except MemoryError:
        code = _wrong("there is not enough memory for a picture of that size")
    except (KeyboardInterrupt, typer.Abort):
        code = 130
    except Exception as error:
        # what is wrong with the words of the command itself; the class is not the same in
        # every typer
        if hasattr(error, "format_message"):
            code = _wrong(error.format_message())
        elif os.environ.get(DEBUG):
            raise
        else:
            code = _wrong(f"{type(error).__name__}: {error} ({DEBUG}=1 shows where)")
    if arguments is None:
        sys.exit(code)
    return code


def _wrong(message: str) -> int:
    complain(message)
    return WRONG
