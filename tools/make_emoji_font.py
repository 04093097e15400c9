"""The emoji font that ships: Noto Color Emoji with its COLR drawings, without the same once more as SVG,
which are four fifths of it.

python -m tools.make_emoji_font FULL.ttf
"""

from __future__ import annotations

import sys

from fontTools.ttLib import TTFont

from anole.core.lettering.emoji import FILE
from anole.core.lettering.fonts import built_in_folder

DOUBLE = "SVG "


def main(path: str) -> None:
    with TTFont(path) as font:
        del font[DOUBLE]
        font.save(built_in_folder() / FILE)


if __name__ == "__main__":
    main(sys.argv[1])
