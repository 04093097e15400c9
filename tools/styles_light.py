"""Styles of light and softness: rink tube, fog swell, spray halo."""

from __future__ import annotations

from anole.core.model import (
    Coat,
    Fill,
    Gleam,
    Glow,
    Gradient,
    Lamp,
    Moulding,
    Relief,
    Shadow,
    Stroke,
)

from .style_parts import colour, em, span, stops


def rink_tube() -> tuple[Coat, ...]:
    return (
        Glow(
            id="1",
            name="far light",
            span=span("0em", "-0.55em"),
            opacity=0.5,
            softness=1,
            paint=colour("#0fb2ff"),
        ),
        Glow(
            id="2",
            name="far light inside",
            span=span("0em", "0.3em"),
            opacity=0.4,
            paint=colour("#0fb2ff"),
        ),
        Glow(
            id="3",
            name="near light",
            span=span("0em", "-0.14em"),
            opacity=0.85,
            paint=colour("#16d6ff"),
        ),
        Glow(
            id="4",
            name="near light inside",
            span=span("0em", "0.1em"),
            opacity=0.8,
            paint=colour("#16d6ff"),
        ),
        Stroke(id="5", name="tube", span=span("-0.022em", "0.022em"), paint=colour("#22dcff")),
        Stroke(
            id="6",
            name="bright tube",
            span=span("-0.015em", "0.015em"),
            opacity=0.8,
            paint=colour("#a8f4ff"),
        ),
        Stroke(
            id="7", name="white core", span=span("-0.008em", "0.008em"), paint=colour("#ffffff")
        ),
    )


def fog_swell() -> tuple[Coat, ...]:
    upper_left = Lamp(bearing=315, elevation=48, size=1.4)
    return (
        Shadow(
            id="1",
            name="soft",
            lift=em(0.1),
            opacity=0.45,
            paint=colour("#2a3a4a"),
            lamp=upper_left,
        ),
        Glow(
            id="5",
            name="close shade",
            span=span("0em", "-0.03em"),
            opacity=0.45,
            softness=0.9,
            paint=colour("#2a3a4a"),
        ),
        Fill(id="2", name="white", paint=Gradient(stops=stops((0, "#ffffff"), (1, "#e6edf3")))),
        Relief(
            id="3",
            name="swelling",
            span=span("0em", "core"),
            height=em(0.13),
            rounding=1.0,
            moulding=Moulding(profile="round-over"),
            lamp=upper_left,
            ramp=stops(
                (0, "#5d7590f0"),
                (0.3, "#8ea4b8b0"),
                (0.5, "#c8d4de00"),
                (0.5, "#ffffff00"),
                (1, "#ffffffff"),
            ),
            gleam=Gleam(strength=0.35, tightness=14),
        ),
        Glow(
            id="4",
            name="light rim",
            span=span("0em", "0.02em"),
            blend="screen",
            opacity=0.7,
            paint=colour("#ffffff"),
        ),
    )


def spray_halo() -> tuple[Coat, ...]:
    return (
        Glow(
            id="1",
            name="fine mist",
            span=span("-0.02em", "-0.55em"),
            opacity=0.8,
            falloff="ease-out",
            paint=colour("#ffb45c", speckle=1.0),
        ),
        Glow(
            id="2",
            name="dense",
            span=span("0em", "-0.2em"),
            opacity=0.95,
            falloff="linear",
            paint=colour("#ff6a3d", speckle=0.9, seed=7),
        ),
        Stroke(id="3", name="edge", span=span("0em", "-0.012em"), paint=colour("#fff0d6")),
        Fill(id="4", name="face", paint=Gradient(stops=stops((0, "#2a1140"), (1, "#5c1f52")))),
        Glow(
            id="5",
            name="inner mist",
            span=span("0em", "0.09em"),
            opacity=0.9,
            paint=colour("#ff8a5a", speckle=1.0, seed=3),
        ),
    )
