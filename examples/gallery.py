"""Ten looks from nothing, as one picture: `python examples/gallery.py gallery.png`."""

from __future__ import annotations

import sys

import anole
from anole import coats, paints, pieces, shaping

WIDE, HIGH, ACROSS = 640, 320, 2


def rim(outer: float, inner: float, paint: str) -> coats.Stroke:
    return coats.Stroke(span=(f"{-outer}em", f"{-inner}em"), paint=paint)


def paper_and_ink(board: anole.OpenBoard) -> None:
    board.add(pieces.Ground(paint="linear-gradient(180deg, #f4c24f, #e0813a)"))
    face = coats.Fill(paint="linear-gradient(180deg, #fffdf2, #ffe3b3)")
    board.add_words("LAST LAP", [coats.Shadow(lift="0.1em", opacity=0.6), rim(0.11, 0, "#3a1420"), face], font="Anton")


def three_rims(board: anole.OpenBoard) -> None:
    board.add(pieces.Ground(paint=paints.Pattern(generator="rays", inks=["#1c6e72", "#23868a"], count=12, size="900px")))
    rims = [rim(0.2, 0.14, "#123238"), rim(0.15, 0.07, "#f6f0dc"), rim(0.08, 0, "#c8312f")]
    board.add_words("Rink 9", [*rims, coats.Fill(paint="linear-gradient(180deg, #ffe45c 45%, #ff9d2e 55%)")], font="Lilita One", size=170, at=(320, 160))


def tube(board: anole.OpenBoard) -> None:
    board.add(pieces.Ground(paint=paints.Pattern(generator="bricks", inks=["#120d18", "#241828"], size="160px", count=4)))
    halo = coats.Glow(paint="#ff2f92", span=(0, "-0.5em"), blend="screen", opacity=0.9)
    board.add_words("open late", [halo, coats.Fill(paint="#ffd9ec"), coats.Glow(paint="#ff4fa3", span=(0, "0.05em"))], font="Pacifico")


def carved(board: anole.OpenBoard) -> None:
    board.add(pieces.Ground(paint="radial-gradient(circle at 50% 40%, #27406a, #0b1426)"))
    gold = paints.Gradient(stops=["#fff6cf", "#f0bd4c", "#9a5a10"], spread="reflect", scale=0.5)
    relief = coats.Relief(span=(0, "core"), moulding=shaping.Moulding(profile="chamfer"), height="0.2em",
                          ramp=[(0, "#2b0d00d0"), (0.5, "#2b0d0000"), (0.5, "#fffbe000"), (1, "#fffbe0e6")])  # fmt: skip
    board.add_words("CUP", [coats.Shadow(lift="0.08em"), rim(0.05, 0, "#3b2003"), coats.Fill(paint=gold), relief], font="Cinzel")


def block(board: anole.OpenBoard) -> None:
    board.add(pieces.Ground(paint="linear-gradient(180deg, #8fd3e8, #d9f2ee)"))
    walls = coats.Thickness(throw_x="0.14em", throw_y="0.2em", paint="linear-gradient(180deg, #c23b4a, #6d1631)")
    board.add_words("BOUT", [coats.Shadow(lift="0.3em", opacity=0.35), walls, coats.Fill(paint="#ffcf4d"),
                             coats.Gloss(opacity=0.5)], font="Dela Gothic One")  # fmt: skip


def denim(board: anole.OpenBoard) -> None:
    board.add(pieces.Ground(paint=paints.Pattern(generator="paper", inks=["#d9cdb4", "#f1e8d2"], size="300px")))
    cloth = paints.Pattern(generator="denim", inks=["#20355c", "#4a6ea8"], size="0.5em", count=16)
    seam = coats.Stroke(span=("0.035em", "0.05em"), paint="#e8b04a")
    board.add_words("Marsh", [coats.Shadow(lift="0.04em"), coats.Fill(paint=cloth), seam], font="Lilita One")


def on_rails(board: anole.OpenBoard) -> None:
    board.add(pieces.Ground(paint="#34295c"))
    board.add_words("WHEELERS", [rim(0.12, 0.06, "#ffd35c"), rim(0.07, 0, "#1d1538"),
                                 coats.Fill(paint="linear-gradient(180deg, #ff7a59, #d2316f)")], font="Anton", head=shaping.Rail(camber=-0.35), foot=shaping.Rail(camber=0.25))  # fmt: skip


def glass(board: anole.OpenBoard) -> None:
    board.add(pieces.Ground(paint=paints.Pattern(generator="camouflage", inks=["#0d4a52", "#1b7d78", "#7fc4a4", "#e7d9a1"], size="420px")))
    shine = coats.Relief(span=(0, "0.12em"), moulding=shaping.Moulding(profile="round-over"), height="0.1em", gleam=coats.Gleam(strength=1.2))
    board.add_words("Brine", [coats.Shadow(lift="0.06em", opacity=0.5), coats.Glass(), shine], font="Heebo")


def worn(board: anole.OpenBoard) -> None:
    board.add(pieces.Ground(paint=paints.Pattern(generator="planks", inks=["#4b3324", "#8d6742"], size="360px")))
    board.add_words("NO. 9", [coats.Fill(paint="#f3ead6"), coats.Wear(amount=0.12)], font="Anton", opacity=0.92)


def lit_scene(board: anole.OpenBoard) -> None:
    board.add(pieces.Ground(paint="linear-gradient(180deg, #08142c, #1d3c63)"))
    board.add(pieces.Pool(paint="#7fd0ff", blend="screen", spots=[{"x": 320, "y": 150, "radius": 330, "strength": 0.7}]))
    board.add_words("TONIGHT", "candy drop", font="Alfa Slab One")
    board.add(pieces.Stamps(mark="glint", scatter={"count": 40, "size_to": 34.0, "seed": 4}), name="glints")
    board.light(bearing=30)


LOOKS = (paper_and_ink, three_rims, tube, carved, block, denim, on_rails, glass, worn, lit_scene)


def gallery() -> anole.OpenBoard:
    """All looks in rows."""
    sheet = anole.new(WIDE * ACROSS, HIGH * -(-len(LOOKS) // ACROSS))
    for number, make in enumerate(LOOKS):
        board = anole.new(WIDE, HIGH)
        make(board)
        corner = {"x": (number % ACROSS) * WIDE, "y": (number // ACROSS) * HIGH, "anchor": "top-left"}
        sheet.add(pieces.Picture(asset=anole.asset(board.to_bytes("png")), width=WIDE, height=HIGH, place=corner), name=make.__name__)
    return sheet


if __name__ == "__main__":
    gallery().export(sys.argv[1] if len(sys.argv) > 1 else "gallery.png")
