"""What hands and held keys do on the board and beside it: the sheet of keys shows these with the
commands' own."""

from __future__ import annotations

from typing import NamedTuple

from ..shared.shell import Stage


class Gesture(NamedTuple):
    """`what` it does, and `how` it is done."""

    what: str
    how: str


BOTH = (
    Gesture("Move the view", "Space and drag, middle button, wheel"),
    Gesture("Nearer or farther", "Ctrl and wheel"),
    Gesture("What can be done here", "right click"),
    Gesture("Look without leaving", "pointer over a style, a font, a pattern"),
)
NUMBERS = (
    Gesture("Change a number", "drag it or its label, Shift finely; arrow keys"),
    Gesture("Ten steps, a tenth", "Shift, Ctrl with arrow keys"),
    Gesture("Back to the default", "double-click its label"),
    Gesture("Sums and units", "type 2*8px, .1em, 3mm"),
)
GESTURES: dict[Stage, tuple[Gesture, ...]] = {
    Stage.ARRANGE: (
        Gesture("Without the piece", "hold H"),
        Gesture("One more spot of a pool", "double-click beside its spots"),
        Gesture("Place a mark, its size and turn", "click, drag; Esc ends it"),
        Gesture("Size of a mark", "wheel over its middle"),
        Gesture("Into a cluster", "double-click"),
        Gesture("What lies beneath, by turns", "Ctrl and click"),
        Gesture("Type in place", "double-click the words, or Enter"),
        Gesture("Choose one more", "Shift and click"),
        Gesture("Move", "drag, arrow keys, Shift for 10 px"),
        Gesture("Size, stretch", "drag a corner, a side"),
        Gesture("One corner alone", "Ctrl or Alt and drag it"),
        Gesture("Turn in steps of 15°", "Shift and drag the round handle"),
        Gesture("Bend a rail", "drag its middle"),
        Gesture("Wave a rail", "Ctrl or Alt and drag its middle"),
        *BOTH,
        *NUMBERS,
    ),
    Stage.COAT: (
        Gesture("Without the coat", "hold H"),
        Gesture("The coat alone", "hold S"),
        Gesture("As when it was chosen", "hold B"),
        Gesture("Which coat painted this", "Ctrl or Alt and click, or right click"),
        Gesture("Where the strip is cut", "click the board"),
        Gesture("Walk the build-up", "arrow keys up, down"),
        Gesture("Move the coat up, down", "drag it, or Alt with the arrow keys"),
        Gesture("Its far end, its near end", "arrow keys left, right; with Alt"),
        Gesture("Off or on", "Space, or its eye"),
        Gesture("Mix some of a style in", "pull across it on the shelf"),
        Gesture("Throw, aim, bow", "drag its ring on the board"),
        Gesture("A point of curves or levels", "drag it; Page Up, Page Down, arrow keys"),
        Gesture("Hue in the colour field", "Page Up, Page Down"),
        Gesture("Halfway place of a stop", "[ and ], or drag its notch"),
        *BOTH,
        *NUMBERS,
    ),
    Stage.PROOF: NUMBERS,
}
