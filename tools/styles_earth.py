"""Styles of wood, stone and paper: oak sign, burnt brand, quay granite, marble hall, torn kraft, folded
sheet, letterpress, ember rock."""

from __future__ import annotations

from anole.core.model import Coat, Gleam, Gloss, Grain, Ripple, Thickness, Wear

from .style_parts import (
    colour,
    em,
    fill,
    glow,
    lamp,
    pattern,
    relief,
    run,
    shadow,
    stack,
    stops,
    stroke,
)

WOOD = stops((0, "#2a1204d0"), (0.5, "#2a120400"), (0.5, "#ffe8c000"), (1, "#ffe8c0c0"))
STONE = stops((0, "#000000c0"), (0.5, "#00000000"), (0.5, "#ffffff00"), (1, "#ffffffa0"))


def oak_sign() -> tuple[Coat, ...]:
    """Letters sawn from oak and oiled, standing off the wall."""
    return stack(
        shadow("off the wall", 0.09, "#160a02", opacity=0.75, lamp=lamp(330, 46, 1.0)),
        Thickness(
            id="-",
            name="sawn edge",
            throw_x=em(0.03),
            throw_y=em(0.06),
            paint=colour("#6b3c17"),
            wall_light=0.6,
        ),
        fill("oak", pattern("wood grain", 0.9, "#7a4318", "#b57836", "#dba662", rough=0.5)),
        Grain(
            id="-",
            name="open grain",
            pattern=pattern("wood grain", 0.9, "#000000", "#ffffff", rough=0.5),
            amount=em(0.01),
            ramp=WOOD,
        ),
        relief("rounded edge", "0em", "0.04em", "round-over", 0.035, ramp=WOOD),
    )


def burnt_brand() -> tuple[Coat, ...]:
    """Burnt into a pale board with an iron: black in the middle, brown at the edge."""
    return stack(
        glow("scorched", "0em", "-0.12em", "#5b2a0a", opacity=0.75, blend="multiply", softness=0.9),
        stroke(
            "board",
            "0em",
            "-0.07em",
            pattern("wood grain", 0.8, "#d9a869", "#f0cf98"),
            opacity=0.85,
        ),
        glow("brown of the burn", "0em", "-0.05em", "#5a2a0a", opacity=0.9, softness=0.6),
        fill("char", pattern("wood grain", 0.5, "#0c0503", "#2e1408", rough=0.6)),
        shadow("sunk", 0.05, "#000000", falls="inside", opacity=0.8, lamp=lamp(330, 42, 0.8)),
        stroke("embers", "0em", "0.012em", colour("#ff8a2a", speckle=0.6, seed=3), opacity=0.75),
    )


def quay_granite() -> tuple[Coat, ...]:
    """Dressed stone with a rough face and a sharp arris."""
    return stack(
        shadow("set back", 0.06, "#05080a", opacity=0.75, lamp=lamp(325, 44, 0.9)),
        fill("granite", pattern("stone", 0.5, "#7a8084", "#a9b0b4", "#dde0e0", rough=0.6)),
        fill("flecks", pattern("speckle", 0.3, "#00000000", "#1d2226a0", weight=0.4)),
        Grain(
            id="-",
            name="bush-hammered",
            pattern=pattern("stone", 0.34, "#000000", "#ffffff", rough=0.9),
            amount=em(0.017),
            ramp=STONE,
        ),
        relief("arris", "0em", "0.07em", "chamfer", 0.07, ramp=STONE),
        stroke("joint", "0em", "-0.012em", "#1c2124"),
    )


def marble_hall() -> tuple[Coat, ...]:
    """White marble with grey veins, inlaid with a line of gold."""
    gold = run((0, "#fff0b8"), (0.35, "#c08a2c"), (0.6, "#7a4d10"), (1, "#e8c05c"))
    return stack(
        shadow("soft", 0.06, "#12141c", opacity=0.6, lamp=lamp(330, 50, 1.6)),
        stroke("gold", "0em", "-0.03em", gold),
        relief("gold as a bead", "-0.03em", "0em", "bead", 0.016),
        fill("marble", pattern("marble", 1.1, "#8c919a", "#eceae6", "#ffffff", rough=0.5)),
        relief(
            "polished edge",
            "0em",
            "0.045em",
            "round-over",
            0.04,
            ramp=stops((0, "#4a505cc0"), (0.5, "#8a90a000"), (0.5, "#ffffff00"), (1, "#ffffffe0")),
            gleam=Gleam(strength=0.6, tightness=36),
        ),
        Gloss(id="-", name="window", height=0.44, bend=0.2, inset=em(0.03), opacity=0.28),
    )


def torn_kraft() -> tuple[Coat, ...]:
    """Brown paper torn by hand, its white fibres at the edge."""
    return stack(
        Ripple(
            id="-",
            name="torn",
            drives="outline",
            by="turbulence",
            amount=em(0.014),
            scale=em(0.07),
            octaves=4.0,
            seed=8,
        ),
        Wear(id="-", name="a little wider", amount=0.0, grow=em(0.014)),
        shadow("laid down", 0.03, "#0e0802", opacity=0.65, lamp=lamp(325, 46, 1.1)),
        fill("fibres", pattern("paper", 0.3, "#e8dcc6", "#fffaf0")),
        stroke("kraft", "0.018em", "core", pattern("paper", 0.7, "#b58a56", "#c99c66", rough=0.5)),
        Grain(
            id="-",
            name="pulp",
            pattern=pattern("paper", 0.3, "#000000", "#ffffff", rough=0.8),
            amount=em(0.0022),
            ramp=stops((0, "#00000070"), (0.5, "#00000000"), (0.5, "#ffffff00"), (1, "#ffffff60")),
        ),
    )


def folded_sheet() -> tuple[Coat, ...]:
    """White paper with creases that catch the light, standing up from the table."""
    folds = run(
        (0, "#ffffff"),
        (0.5, "#c9d4de"),
        (0.5, "#f4f8fb"),
        (1, "#dfe7ee"),
        frame="letter",
        angle=104.0,
    )
    return stack(
        shadow("long and soft", 0.16, "#0e1a28", opacity=0.5, lamp=lamp(318, 44, 2.2)),
        shadow("close", 0.03, "#0e1a28", opacity=0.55, lamp=lamp(318, 46, 0.6)),
        glow("shade at the edge", "0em", "-0.03em", "#1c3044", opacity=0.55, softness=0.9),
        fill("folded", folds),
        stroke("lit edge", "0em", "0.008em", "#ffffff", opacity=0.9),
    )


def letterpress() -> tuple[Coat, ...]:
    """Pressed deep into cotton paper, the ink a little uneven."""
    return stack(
        stroke("paper", "0em", "-0.09em", pattern("paper", 0.3, "#ece6d8", "#fffaf0")),
        glow("the paper's edge", "-0.09em", "-0.075em", "#00000030", softness=1.0),
        fill("ink", "#1f3d63"),
        fill("uneven", pattern("paper", 0.18, "#ffffff38", "#ffffff00", rough=0.9)),
        shadow("sunk", 0.035, "#04101e", falls="inside", opacity=0.85, lamp=lamp(335, 44, 0.5)),
        relief(
            "lower lip",
            "-0.03em",
            "0em",
            "hollow",
            0.03,
            ramp=stops((0, "#6a5a3a80"), (0.5, "#6a5a3a00"), (0.5, "#ffffff00"), (1, "#ffffffff")),
        ),
    )


def ember_rock() -> tuple[Coat, ...]:
    """Cooling stone with fire in its cracks."""
    return stack(
        shadow("heavy", 0.06, "#080202", opacity=0.85, lamp=lamp(330, 45, 0.9)),
        glow("heat", "0em", "-0.4em", "#ff4a12", opacity=0.6, softness=0.9),
        stroke("hot edge", "0em", "-0.018em", "#ff9a2e"),
        fill("fire", run((0, "#ffef9a"), (0.5, "#ff9420"), (1, "#e02a08"))),
        fill(
            "crust",
            pattern("stone", 0.55, "#0c0706", "#2b1813", "#3d241b", rough=0.9),
            opacity=0.93,
        ),
        fill(
            "cracks",
            pattern(
                "marble",
                0.7,
                "#ffcf4a",
                "#ff5a10c0",
                "#ff3a0000",
                "#ff3a0000",
                "#ff3a0000",
                rough=0.9,
            ),
            blend="plus-lighter",
        ),
        relief("broken edge", "0em", "0.06em", "chamfer", 0.06, ramp=STONE, rounding=0.2),
    )
