"""Write the built-in styles. Every number and colour here was found by eye on our own boards."""

from __future__ import annotations

from anole.core.files.atomic import write_bytes
from anole.core.library.styles import built_in_folder, file_name
from anole.core.model import (
    Coat,
    Colour,
    ColourPaint,
    Fill,
    Glow,
    Gradient,
    Lamp,
    Length,
    Position,
    Shadow,
    Span,
    Stop,
    Stroke,
    Style,
    to_json,
)  # fmt: skip


def span(start: str, end: str) -> Span:
    return Span(Position.parse(start), Position.parse(end))


def colour(text: str) -> ColourPaint:
    return ColourPaint(colour=Colour.parse(text))


def stops(*parts: tuple[float, str]) -> tuple[Stop, ...]:
    return tuple(Stop(at, Colour.parse(text)) for at, text in parts)


def em(value: float) -> Length:
    return Length(value, "em")


DOWN = Lamp(bearing=0, elevation=45, size=0)
HIGH = Lamp(bearing=335, elevation=50, size=1.4)


def title_shout() -> tuple[Coat, ...]:
    stripes = Gradient(
        angle=62, frame="piece", scale=0.045, spread="repeat",
        stops=stops((0, "#fff"), (0.5, "#fff"), (0.5, "#c9bfc4"), (1, "#c9bfc4")),
    )  # fmt: skip
    return (
        Shadow(id="1", name="drop", lift=em(0.075), opacity=0.92, lamp=DOWN,
               paint=colour("#0a1220")),
        Stroke(id="2", name="cream", span=span("-0.062em", "-0.105em"), paint=colour("#fff3dc")),
        Stroke(id="3", name="dark", span=span("0em", "-0.062em"), paint=colour("#1c0b22")),
        Fill(id="4", name="coral over cream", paint=Gradient(
            stops=stops((0, "#ff6a5c"), (0.42, "#ff8f78"), (0.58, "#ffe9bd"), (1, "#ffd98a")))),
        Fill(id="5", name="stripes", blend="multiply", opacity=0.55, paint=stripes),
        Glow(id="6", name="light rim", span=span("0em", "0.045em"), blend="soft-light",
             opacity=0.8, falloff="linear", softness=0.2, paint=colour("#ffffff")),
    )  # fmt: skip


def cup_gold() -> tuple[Coat, ...]:
    gold = Gradient(
        spread="reflect",
        scale=0.5,
        stops=stops((0, "#7a4a08"), (0.3, "#d9991f"), (0.72, "#ffe07a"), (1, "#fffbe0")),
    )
    rim = Gradient(
        stops=stops((0, "#fff6c9"), (0.45, "#b5761a"), (0.55, "#6d3f08"), (1, "#f7d774"))
    )
    return (
        Shadow(id="1", name="close", lift=em(0.1), opacity=0.75, lamp=HIGH, paint=colour("#1a0d02")),
        Glow(id="2", name="warm", span=span("-0.04em", "-0.42em"), opacity=0.55,
             paint=colour("#ff9d2e")),
        Stroke(id="3", name="line", span=span("-0.034em", "-0.048em"), paint=colour("#3d2004")),
        Stroke(id="4", name="rim", span=span("0em", "-0.034em"), paint=rim),
        Fill(id="5", name="folded gold", paint=gold),
        Glow(id="6", name="warm edge", span=span("0em", "0.075em"), blend="multiply", opacity=0.75,
             falloff="ease-in", softness=0.3, paint=colour("#a65a10")),
        Glow(id="7", name="crest", span=span("core", "0.02em"), blend="screen", opacity=0.3,
             hot=0.1, softness=0.5, paint=colour("#fff2c0")),
        Stroke(id="8", name="hairline", span=span("0em", "0.008em"), opacity=0.85,
               paint=colour("#fff4c8")),
    )  # fmt: skip


def rink_tube() -> tuple[Coat, ...]:
    return (
        Glow(id="1", name="far light", span=span("0em", "-0.55em"), opacity=0.5, softness=1,
             paint=colour("#0fb2ff")),
        Glow(id="2", name="far light inside", span=span("0em", "0.3em"), opacity=0.4,
             paint=colour("#0fb2ff")),
        Glow(id="3", name="near light", span=span("0em", "-0.14em"), opacity=0.85,
             paint=colour("#16d6ff")),
        Glow(id="4", name="near light inside", span=span("0em", "0.1em"), opacity=0.8,
             paint=colour("#16d6ff")),
        Stroke(id="5", name="tube", span=span("-0.022em", "0.022em"), paint=colour("#22dcff")),
        Stroke(id="6", name="bright tube", span=span("-0.015em", "0.015em"), opacity=0.8,
               paint=colour("#a8f4ff")),
        Stroke(id="7", name="white core", span=span("-0.008em", "0.008em"), paint=colour("#ffffff")),
    )  # fmt: skip


def candy_drop() -> tuple[Coat, ...]:
    shade = Gradient(stops=stops((0, "#5a003000"), (0.5, "#5a003000"), (0.5, "#5a00308c"),
                                 (1, "#5a003038")))  # fmt: skip
    return (
        Shadow(id="1", name="drop", lift=em(0.11), opacity=0.55, paint=colour("#3a0624"),
               lamp=Lamp(bearing=350, elevation=48, size=0.7)),
        Stroke(id="2", name="syrup", span=span("0em", "-0.045em"), paint=Gradient(
            stops=stops((0, "#b8145e"), (1, "#6b0638")))),
        Fill(id="3", name="light to dark", paint=Gradient(
            stops=stops((0, "#ffa6cf"), (0.55, "#ff4f9b"), (1, "#e0186f")))),
        Fill(id="4", name="lower half", paint=shade, opacity=0.7),
        Shadow(id="5", name="sunk edge", falls="inside", lift=em(0.035), opacity=0.5,
               silhouette="letters", lamp=Lamp(bearing=170, elevation=45, size=1.4),
               paint=colour("#8a0a48")),
        Stroke(id="6", name="bright rim", span=span("0.012em", "0.034em"), blend="overlay",
               opacity=0.9, paint=colour("#ffffff")),
        Glow(id="7", name="inner light", span=span("0.034em", "0.09em"), blend="soft-light",
             opacity=0.55, paint=colour("#ffffff")),
    )  # fmt: skip


def hue_run() -> tuple[Coat, ...]:
    run = Gradient(angle=90, stops=stops(
        (0, "#ff3d6e"), (0.2, "#ff9d1f"), (0.4, "#f6e02c"), (0.6, "#35d07f"), (0.8, "#21a5ff"),
        (1, "#9b4dff")))  # fmt: skip
    light = Gradient(stops=stops((0, "#ffffffd0"), (0.5, "#ffffff20"), (1, "#00000050")))
    return (
        Shadow(id="1", name="hover", lift=em(0.14), opacity=0.5, paint=colour("#0a0618"),
               lamp=Lamp(bearing=0, elevation=55, size=1.6)),
        Stroke(id="2", name="ink", span=span("-0.03em", "-0.06em"), paint=colour("#160c28")),
        Stroke(id="3", name="paper", span=span("0em", "-0.03em"), paint=colour("#ffffff")),
        Fill(id="4", name="run of hues", paint=run),
        Fill(id="5", name="lit from above", paint=light, blend="soft-light"),
    )  # fmt: skip


def wheel_steel() -> tuple[Coat, ...]:
    bands = Gradient(angle=172, stops=stops(
        (0, "#f4f8fb"), (0.16, "#9fb0bd"), (0.3, "#dfe8ee"), (0.47, "#7d8f9d"), (0.5, "#26323c"),
        (0.56, "#5d7080"), (0.74, "#d4dfe6"), (0.86, "#93a4b1"), (1, "#eef3f6")))  # fmt: skip
    rim = Gradient(stops=stops((0, "#ffffff"), (0.5, "#5b6a76"), (1, "#c2ced6")))
    return (
        Shadow(id="1", name="hard", lift=em(0.055), opacity=0.85, paint=colour("#060a0e"),
               lamp=Lamp(bearing=315, elevation=45, size=0)),
        Stroke(id="2", name="plate", span=span("-0.018em", "-0.05em"), paint=colour("#18222b")),
        Stroke(id="3", name="rim", span=span("0em", "-0.018em"), paint=rim),
        Fill(id="4", name="bands", paint=bands),
        Glow(id="5", name="shaded edge", span=span("0em", "0.05em"), blend="multiply",
             opacity=0.65, paint=colour("#33424e"), softness=0.2),
        Stroke(id="6", name="glint", span=span("0em", "0.007em"), opacity=0.8,
               paint=colour("#ffffff")),
    )  # fmt: skip


STYLES = {
    "title shout": (("flat", "stripes", "outline", "loud"), title_shout),
    "cup gold": (("gold", "metal", "warm"), cup_gold),
    "rink tube": (("neon", "tube", "night", "light"), rink_tube),
    "candy drop": (("sweet", "gloss", "pink"), candy_drop),
    "hue run": (("rainbow", "colour", "party"), hue_run),
    "wheel steel": (("metal", "steel", "cold"), wheel_steel),
}

if __name__ == "__main__":
    built_in_folder().mkdir(parents=True, exist_ok=True)
    for name, (words, coats) in STYLES.items():
        numbered = tuple(coats())
        style = Style(name=name, words=words, coats=numbered)
        write_bytes(built_in_folder() / file_name(name), to_json(style))
