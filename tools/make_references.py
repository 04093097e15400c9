"""Write the reference pictures of the built-in styles. Look at what changed before keeping them."""

from __future__ import annotations

from PIL import Image
from tests.core.styled import STYLES
from tests.core.test_reference_pictures import FOLDER, KINDS, drawn, path_of

if __name__ == "__main__":
    FOLDER.mkdir(exist_ok=True)
    for old in FOLDER.glob("*.png"):
        old.unlink()
    for style in STYLES:
        for kind in KINDS:
            Image.fromarray(drawn(style, kind)).save(path_of(style, kind), optimize=True)
