"""The controls, one for each type of field."""

from . import (  # noqa: F401  each of them adds its control to the table
    backdrop_source,
    choice,
    colour,
    factors,
    inks,
    length,
    moulding,
    number,
    own_lamp,
    paint,
    palette,
    part,
    picture_choice,
    pose_part,
    ramp,
    span,
    stops,
    switch,
    text,
    tone_list,
)
