"""Fill: paint over the face."""

from __future__ import annotations

from collections.abc import Sequence

from ...box import Box
from ...compose.cover import full
from ...model import Colour, ColourPaint, Fill, Gradient, Grey, Ink, Pattern, Repeat, Tint
from ...model.open_union import tag_of
from ...paint.frames import Frames
from ..context import CoatContext, Overlap, Reads
from ..kind import Cover, PaintedCoat
from ..repeats import repeats

FACES = {
    "colour": "The face in one colour: what is read first.",
    "gradient": "The face runs from colour to colour, which gives it light.",
    "pattern": "The face is made of a material.",
    "image": "The face shows a picture.",
    "backdrop": "The face shows what lies beneath.",
    "letter": "Each letter has a colour of its own.",
}


class FillKind(PaintedCoat[Fill]):
    """The face painted, once or several times moved by chance."""

    struct = Fill
    title, family, about = "Fill", "Face", "paints the face"
    tells = ("paint",)
    mark = '<rect x="2.5" y="2.5" width="11" height="11" rx="2" fill="currentColor" stroke="none"/>'
    coverage_reads = Reads.NOTHING
    covers = True

    def why(self, coat: Fill) -> str:
        if coat.repeat is not None:
            return "The face is laid again and again: the letters echo themselves."
        if coat.opacity < 1 or coat.blend != "normal":
            return "The face is shaded once more, over what is painted already."
        return FACES.get(tag_of(coat.paint), "The face: what is read first.")

    def cover(self, coat: Fill, context: CoatContext, box: Box, overlap: Overlap) -> Cover:
        return Cover(full(box), outside=False, face=True)

    def copies(self, coat: Fill, frames: Frames) -> Sequence[tuple[Fill, Frames]]:
        return repeats(coat, frames)

    def samples(self) -> tuple[Fill, ...]:
        paints = (
            Gradient(),
            Gradient(shape="conic"),
            Gradient(frame="letter"),
            Gradient(shape="edge", angle=30),
            Pattern(generator="leather", angle=20, tone=(Grey(), Tint())),
            Pattern(generator="bricks", tile="mirror", speckle=0.5),
            Pattern(inks=(Ink("letter"), Ink("own"))),
        )
        blends = (Fill(id="sample", blend="soft-light"), Fill(id="sample", blend="hue"))
        repeated = Fill(id="sample", repeat=Repeat(count=2))
        return (*(Fill(id="sample", paint=paint) for paint in paints), *blends, repeated)


def plain(colour: Colour, coat_id: str = "plain") -> Fill:
    """The simplest coat that shows a shape: its face in one colour."""
    return Fill(id=coat_id, paint=ColourPaint(colour=colour))
