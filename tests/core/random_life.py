"""Random edits through every operation there is: what a board may live through in years."""

from __future__ import annotations

import importlib
import inspect
import pkgutil
from collections.abc import Callable, Sequence
from random import Random
from typing import Any

import cv2
import msgspec
import numpy as np

from anole.core import edit
from anole.core.coats.registry import KINDS
from anole.core.edit import (
    arranging,
    boards,
    building,
    carrying,
    clipboard,
    clusters,
    coats,
    exports,
    fitting,
    font_files,
    lengths_in_em,
    mixing,
    parts,
    pictures,
    pieces,
    recolouring,
    series,
    stamps,
    style_setting,
    swatches,
    titles,
    varying,
    wearing,
    words,
)
from anole.core.library import styles
from anole.core.model import (
    Board,
    Cluster,
    Coated,
    Colour,
    Export,
    Fill,
    Gradient,
    Ground,
    ImagePaint,
    Length,
    Lettering,
    ModelError,
    Piece,
    Place,
    Placed,
    Pool,
    Pose,
    Position,
    Rail,
    Setting,
    Span,
    Spot,
    Stamps,
    Stroke,
    Style,
    from_builtins,
    to_builtins,
)
from anole.core.model.nesting import every
from anole.core.pieces.registry import ways_to_begin

from . import made_fonts
from .other_values import changed

Operation = Callable[[Random, Board], Board]
LETTERS = "ABgq fi7.ü\nش🏒"
MOST_COATS, MOST_PIECES, MOST_LETTERS = 5, 4, 8
SIDES = (40, 300)
"""px of a side of the board: small, so that thousands of frames can be compared."""
FONTS = (made_fonts.featured(), made_fonts.wide(), made_fonts.variable())
ARTWORK = (
    b'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 60 40"><circle cx="20" cy="20" r="15"/>'
    b'<path d="M30 5h25v30h-9z" fill="#c43" fill-opacity=".7"/></svg>'
)
PICTURE = cv2.imencode(".png", np.arange(300, dtype=np.uint8).reshape(10, 10, 3))[1].tobytes()


def first_board() -> Board:
    style = (Stroke(id="s"), Fill(id="f"))
    title = Lettering(
        id="t", name="Title", text="Ag", size=Length(50), place=Place(x=80, y=45), style=style
    )
    return Board(width=160, height=90, pieces=(Ground(id="g"), title))


def some(rng: Random, board: Board, kind: type) -> Any:
    """A piece of a kind. Raises KeyError when there is none."""
    there = [piece for piece in every(board.pieces) if isinstance(piece, kind)]
    if not there:
        raise KeyError(kind.__name__)
    return rng.choice(there)


def some_coat(rng: Random, board: Board) -> tuple[str, str]:
    worn = [p for p in every(board.pieces) if isinstance(p, Coated) and p.style]
    if not worn:
        raise KeyError("coat")
    piece = rng.choice(worn)
    return piece.id, rng.choice(piece.style).id


def some_ids(rng: Random, board: Board) -> list[str]:
    ids = [piece.id for piece in every(board.pieces) if isinstance(piece, Placed)]
    return rng.sample(ids, rng.randint(0, len(ids)))


def a_name(rng: Random, saved: Sequence[Any]) -> str:
    """The name of one that is saved on the board."""
    if not saved:
        raise KeyError("saved")
    return str(rng.choice(saved).name)


def text(rng: Random) -> str:
    return "".join(rng.choices(LETTERS, k=rng.randint(0, MOST_LETTERS)))


def other(rng: Random, value: msgspec.Struct) -> dict[str, Any]:
    """One field of a struct with another valid value."""
    options = list(changed(value))
    rng.shuffle(options)
    for option in options:
        fields = {
            name: getattr(option, name)
            for name in option.__struct_fields__
            if name != "id" and getattr(option, name) != getattr(value, name)
        }
        try:
            from_builtins(to_builtins(option), type(value))
        except ModelError:
            continue
        if fields and ("size" not in fields or isinstance(fields["size"], Length)):
            return fields
    raise KeyError("other value")


def _change_piece(rng: Random, board: Board) -> Board:
    piece = rng.choice(board.pieces)
    fields = other(rng, piece)
    if len(str(fields.get("text", ""))) > MOST_LETTERS:
        raise KeyError("text")
    return pieces.change_piece(board, piece.id, **fields)


def _change_coat(rng: Random, board: Board) -> Board:
    piece, coat = some_coat(rng, board)
    return coats.change_coat(board, piece, coat, **other(rng, coats.coat_of(board, piece, coat)))


def _add_coat(rng: Random, board: Board) -> Board:
    piece = some(rng, board, Coated)
    if len(piece.style) >= MOST_COATS:
        raise KeyError("room for a coat")
    kind = rng.choice(list(KINDS.values()))
    return coats.add_coat(board, piece.id, kind.tag)[0]


def _put_style(rng: Random, board: Board) -> Board:
    style = rng.choice(styles.built_in()).style
    few = msgspec.structs.replace(style, coats=style.coats[:MOST_COATS])
    return wearing.put_style(board, some(rng, board, Coated).id, few)


def _add_style(rng: Random, board: Board) -> Board:
    piece = some(rng, board, Coated)
    style = rng.choice(styles.built_in()).style
    few = msgspec.structs.replace(style, coats=style.coats[: max(MOST_COATS - len(piece.style), 0)])
    return wearing.add_style(board, piece.id, few, rng.random() < 0.5)


def _put_mix(rng: Random, board: Board) -> Board:
    style = rng.choice(styles.built_in()).style
    few = msgspec.structs.replace(style, coats=style.coats[:MOST_COATS])
    made = mixing.put_mix(board, some(rng, board, Coated).id, few, rng.random())
    # mixes of mixes grow: as many coats as a style has are enough
    return (
        made
        if all(len(p.style) <= 2 * MOST_COATS for p in every(made.pieces) if isinstance(p, Coated))
        else board
    )


def _add_coats(rng: Random, board: Board) -> Board:
    piece = some(rng, board, Coated)
    if len(piece.style) >= MOST_COATS:
        raise KeyError("room for a coat")
    return wearing.add_coats(board, piece.id, rng.choice(styles.built_in()).style.coats[:1])


def _reach(rng: Random, board: Board) -> Board:
    piece = some(rng, board, Coated)
    old, new = (rng.choice(styles.built_in()).style.coats[:3] for _ in range(2))
    board = wearing.put_style(board, piece.id, Style(name="r", coats=old), styles.digest(old))
    return wearing.reach(board, Style(name="r", coats=new))[0]


def _lengths_in_em(rng: Random, board: Board) -> Board:
    piece = some(rng, board, Coated)
    wide = Span(from_=Position(rng.uniform(-9, -1), "px"), to=Position(0.0, "em"))
    board = _with_coats(
        board, piece, (Stroke(id=f"wide-{rng.random()}", span=wide), *piece.style[:MOST_COATS])
    )
    return lengths_in_em.lengths_in_em(board, piece.id)


def _with_setting(rng: Random, board: Board) -> Board:
    piece = some(rng, board, Coated)
    setting = Setting(
        tracking=rng.uniform(-50, 50),
        foot=Rail(camber=rng.uniform(-0.4, 0.4)),
        pose=rng.choice([None, Pose(turn_y=rng.uniform(-40, 40))]),
    )
    return pieces.with_piece(board, style_setting.with_setting(piece, setting))


def _with_coats(board: Board, piece: Coated, coats: tuple) -> Board:
    return pieces.with_piece(board, msgspec.structs.replace(piece, style=coats))


def _recoloured(rng: Random, board: Board) -> Board:
    piece = some(rng, board, Coated)
    hue = rng.choice([None, rng.uniform(0, 360)])
    return _with_coats(board, piece, recolouring.turned(piece.style, hue))


def _along(rng: Random, board: Board) -> Board:
    piece = some(rng, board, Coated)
    there = varying.knobs(piece.style)
    if not there:
        raise KeyError("knob")
    made = varying.along(piece.style, rng.choice(there), rng.uniform(-1, 1))
    return _with_coats(board, piece, made)


def _shaken(rng: Random, board: Board) -> Board:
    piece = some(rng, board, Coated)
    return _with_coats(board, piece, varying.shaken(piece.style, rng.randrange(100)))


def _an_export(rng: Random, board: Board) -> str:
    if not board.exports:
        raise KeyError("export")
    return rng.choice(board.exports).id


def _set_cell(rng: Random, board: Board) -> Board:
    if not series.series_of(board).columns:
        board = series.add_column(board, "Column")
    rows = len(series.series_of(board).rows)
    return series.set_cell(board, rng.randint(0, rows), 0, text(rng) + str(rng.random()))


def _room(board: Board) -> Board:
    if len(list(every(board.pieces))) > MOST_PIECES:
        raise KeyError("room for a piece")
    return board


def _paste(rng: Random, board: Board) -> Board:
    return clipboard.paste(_room(board), clipboard.carried(rng.choice(board.pieces)), 4)[0]


def _paste_coat(rng: Random, board: Board) -> Board:
    piece, coat = some_coat(rng, board)
    target = some(rng, board, Coated)
    if len(target.style) >= MOST_COATS:
        raise KeyError("room for a coat")
    carried = clipboard.carried_coat(coats.coat_of(board, piece, coat))
    return clipboard.paste_coat(board, target.id, carried, None)[0]


def _paste_style(rng: Random, board: Board) -> Board:
    source, target = (some(rng, board, Coated) for _ in range(2))
    return clipboard.paste_style(board, target.id, clipboard.carried(source))


def _insert_coat(rng: Random, board: Board) -> Board:
    piece = some(rng, board, Coated)
    if len(piece.style) >= MOST_COATS:
        raise KeyError("room for a coat")
    sample = rng.choice(rng.choice(list(KINDS.values())).samples())
    return coats.insert_coat(board, piece.id, sample, rng.randint(0, len(piece.style)))[0]


def _duplicate_coat(rng: Random, board: Board) -> Board:
    piece, coat = some_coat(rng, board)
    if len(board.coated(piece).style) >= MOST_COATS:
        raise KeyError("room for a coat")
    return coats.duplicate_coat(board, piece, coat)[0]


def _change_letters(rng: Random, board: Board) -> Board:
    piece = some(rng, board, Lettering)
    fields = rng.choice([{"turn": rng.uniform(-40, 40)}, {"colour": Colour(9, 90, 200)}])
    return words.change_letters(board, piece.id, [rng.randint(0, MOST_LETTERS)], **fields)


def _replace_text(rng: Random, board: Board) -> Board:
    piece = some(rng, board, Lettering)
    start = rng.randint(0, len(piece.text))
    fresh = text(rng)[: max(MOST_LETTERS - start, 0)]
    return words.replace_text(board, piece.id, start, len(piece.text), fresh)


def _free_letters(rng: Random, board: Board) -> Board:
    own = [p for p in board.pieces if isinstance(p, Lettering) and p.letters and p.letters.own]
    if not own:
        raise KeyError("letters of their own")
    return words.free_letters(board, rng.choice(own).id, range(MOST_LETTERS + 1))


def _distribute(rng: Random, board: Board) -> Board:
    ids = [piece.id for piece in every(board.pieces) if isinstance(piece, Placed)]
    return arranging.distribute(board, ids, rng.random() < 0.5)


def _resized(rng: Random, board: Board) -> Board:
    return boards.resize_board(board, rng.randint(*SIDES), rng.randint(*SIDES))


def _crop(rng: Random, board: Board) -> Board:
    x0, y0 = rng.uniform(-20, 40), rng.uniform(-20, 20)
    return boards.crop_board(board, x0, y0, x0 + rng.uniform(40, 200), y0 + rng.uniform(40, 200))


def _picture(rng: Random, board: Board) -> Board:
    board, sha, _ = pictures.add_picture(board, PICTURE, "grey.png")
    ground = some(rng, board, Ground)
    return pieces.change_piece(board, ground.id, paint=ImagePaint(asset=sha))


def _placed_picture(rng: Random, board: Board) -> Board:
    data, name = rng.choice([(PICTURE, "grey.png"), (ARTWORK, "wheel.svg")])
    board, sha, _ = pictures.add_picture(_room(board), data, name)
    return pictures.add_picture_piece(board, sha)[0]


def _opened(rng: Random, board: Board) -> Board:
    cluster = some(rng, board, Cluster)
    place = msgspec.structs.replace(cluster.place, rotation=rng.uniform(-90, 90))
    return clusters.open_cluster(pieces.change_piece(board, cluster.id, place=place), cluster.id)


def _carry_picture(rng: Random, board: Board) -> Board:
    return pictures.carry_picture(board, pictures.picture_asset(PICTURE, "grey.png")[0])


def _font(rng: Random, board: Board) -> Board:
    board, file = font_files.add_font(board, rng.choice(FONTS), "plank.ttf")
    piece = some(rng, board, Lettering)
    font = msgspec.structs.replace(piece.font, family=file.family)
    return pieces.change_piece(board, piece.id, font=font)


OPERATIONS: dict[str, Operation] = {
    "moved": lambda r, b: arranging.moved(b, {i: (r.uniform(-9, 9), 3) for i in some_ids(r, b)}),
    "align": lambda r, b: arranging.align(b, some_ids(r, b), r.choice(list(arranging.SHARE))),
    "distribute": _distribute,
    "resize_board": _resized,
    "crop_board": _crop,
    "change_board": lambda r, b: boards.change_board(b, name=text(r), dpi=r.choice([72, 96, 300])),
    "as_stored": lambda r, b: boards.as_stored(b),
    "with_assets": lambda r, b: carrying.with_assets(b, b.pieces[0]),
    "paste": _paste,
    "paste_coat": _paste_coat,
    "paste_style": _paste_style,
    "change_coat": _change_coat,
    "insert_coat": _insert_coat,
    "add_coat": _add_coat,
    "remove_coat": lambda r, b: coats.remove_coat(b, *some_coat(r, b)),
    "duplicate_coat": _duplicate_coat,
    "move_coat": lambda r, b: coats.move_coat(b, *some_coat(r, b), r.randint(-1, 6)),
    "put_style": _put_style,
    "add_style": _add_style,
    "put_mix": _put_mix,
    "add_coats": _add_coats,
    "wear_as": lambda r, b: wearing.wear_as(b, some(r, b, Coated).id, styles.built_in()[0].style),
    "cut_loose": lambda r, b: wearing.cut_loose(b, some(r, b, Coated).id),
    "reach": _reach,
    "with_setting": _with_setting,
    "turned": _recoloured,
    "lengths_in_em": _lengths_in_em,
    "along": _along,
    "shaken": _shaken,
    "fit_to_board": lambda r, b: fitting.fit_to_board(b, some(r, b, Coated).id),
    "fit_all": lambda r, b: fitting.fit_all(b, some_ids(r, b)),
    "carry_font": lambda r, b: font_files.carry_font(
        b, font_files.font_asset(r.choice(FONTS), "p.ttf")[0]
    ),
    "add_font": _font,
    "carry_picture": _carry_picture,
    "add_picture": _picture,
    "change_piece": _change_piece,
    "switch_shaping": lambda r, b: pieces.switch_shaping(
        b, some(r, b, Placed).id, r.choice(["corners", "pose", "rails", "ring", "letters"])
    ),
    "with_piece": lambda r, b: pieces.with_piece(
        b, msgspec.structs.replace(r.choice(b.pieces), locked=r.random() < 0.5)
    ),
    "insert_piece": lambda r, b: pieces.insert_piece(_room(b), r.choice(b.pieces), 0, 5)[0],
    "add_lettering": lambda r, b: pieces.add_lettering(_room(b), text(r), style=(Fill(id="f"),))[0],
    "remove_piece": lambda r, b: pieces.remove_piece(b, some(r, b, Placed).id),
    "remove_pieces": lambda r, b: pieces.remove_pieces(b, some_ids(r, b)[:1]),
    "duplicate_piece": lambda r, b: pieces.duplicate_piece(_room(b), r.choice(b.pieces).id)[0],
    "duplicate_pieces": lambda r, b: pieces.duplicate_pieces(_room(b), some_ids(r, b)[:1])[0],
    "move_in_order": lambda r, b: pieces.move_in_order(b, r.choice(b.pieces).id, r.randint(-1, 9)),
    "pin": lambda r, b: pieces.pin(b, some(r, b, Placed).id, r.choice(["top-left", "bottom"])),
    "save_colour": lambda r, b: swatches.save_colour(b, text(r) or "x", Colour(1, 2, 3)),
    "delete_colour": lambda r, b: swatches.delete_colour(b, a_name(r, b.swatches)),
    "save_gradient": lambda r, b: swatches.save_gradient(b, text(r) or "x", Gradient()),
    "delete_gradient": lambda r, b: swatches.delete_gradient(b, a_name(r, b.gradients)),
    "replace_text": _replace_text,
    "change_letters": _change_letters,
    "free_letters": _free_letters,
    "add_picture_piece": _placed_picture,
    "make_cluster": lambda r, b: clusters.make_cluster(b, some_ids(r, b)[:2])[0],
    "dissolve_cluster": lambda r, b: clusters.dissolve_cluster(b, some(r, b, Cluster).id)[0],
    "open_cluster": _opened,
    "move_into": lambda r, b: clusters.move_into(
        b, some(r, b, Placed).id, r.choice([None, some(r, b, Cluster).id]), r.randint(-1, 4)
    ),
    "clip": lambda r, b: clusters.clip(
        b, [some(r, b, Piece).id], r.choice([None, some(r, b, Coated).id])
    ),
    "add_fresh": lambda r, b: pieces.add_fresh(
        _room(b), r.choice(["pool", "scatter"] * 4 + [way.id for way in ways_to_begin()])
    )[0],
    "add_part": lambda r, b: parts.add_part(
        b, some(r, b, Pool).id, "spots", Spot(x=r.uniform(-50, 250), y=r.uniform(-50, 150))
    )[0],
    "change_part": lambda r, b: parts.change_part(
        b, some(r, b, Pool).id, "spots", r.randrange(3), hardness=r.uniform(0, 0.98), radius=30.0
    ),
    "remove_part": lambda r, b: parts.remove_part(b, some(r, b, Pool).id, "spots", r.randrange(3)),
    "reshuffle": lambda r, b: stamps.reshuffle(b, some(r, b, Stamps).id),
    "add_export": lambda r, b: exports.add_export(b, Export(quality=r.randint(1, 100)))[0],
    "change_export": lambda r, b: exports.change_export(
        b, _an_export(r, b), scale=r.uniform(0.5, 2), format=r.choice(["jpeg", "pdf", "png"])
    ),
    "remove_export": lambda r, b: exports.remove_export(b, _an_export(r, b)),
    "change_series": lambda r, b: series.change_series(b, file=text(r) or "x"),
    "add_column": lambda r, b: series.add_column(b, "Column"),
    "set_cell": _set_cell,
    "remove_rows": lambda r, b: series.remove_rows(_set_cell(r, b), {0}),
    "bind": lambda r, b: series.bind(
        b, "Column", some(r, b, Piece).id, r.choice(["words", "colour", "shown"])
    ),
    "add_title": lambda r, b: titles.add_title(b, text(r) or "A", Style(name="s", coats=()))[0],
    "capitals": lambda r, b: words.capitals(b, some(r, b, Lettering).id),
    "built_to": lambda r, b: building.built_to(b, *some_coat(r, b)),
}
QUERIES = {
    "replaced", "carried", "carried_coat", "between", "colour_between", "matched", "mixed", "coat_of", "natural_place", "style_of", "is_changed", "reach_folder", "series_of", "export_of", "safe_name", "file_name", "slots", "named", "in_colours", "wearers", "setting_of", "mean_hue", "main_hue", "hue_behind",
    "fixed_lengths", "knobs", "shares", "sample_board", "small_render", "distance", "by_likeness",
    "ink", "leaves",
    "font_asset", "taken", "free", "free_name", "picture_asset", "first_words", "extent", "guides",
    "snap", "broken", "renewed", "loses", "best_lines", "next_spot", "next_mark", "changed_part",
    "steps_of", "why",
}  # fmt: skip
"""What changes no board."""


def functions() -> set[str]:
    """Every public function of core/edit."""
    found = set()
    for info in pkgutil.iter_modules(edit.__path__):
        module = importlib.import_module(f"{edit.__name__}.{info.name}")
        for name, function in inspect.getmembers(module, inspect.isfunction):
            if function.__module__ == module.__name__ and not name.startswith("_"):
                found.add(name)
    return found


def lived(rng: Random, board: Board, name: str = "") -> tuple[str, Board]:
    """One random operation, or that of a name; the board itself where it has nothing to work on."""
    name = name or rng.choice(list(OPERATIONS))
    try:
        return name, OPERATIONS[name](rng, board)
    except (KeyError, ModelError):
        return name, board
