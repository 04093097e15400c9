"""What the built-in fonts say of themselves, written beside them: no start has to read them all."""

from __future__ import annotations

import msgspec

from anole.core.lettering.font_reading import read_font
from anole.core.lettering.fonts import MEASURES, built_in_folder


def table() -> dict[str, object]:
    """Measures by file name."""
    paths = sorted(built_in_folder().glob("*.ttf"))
    return {path.name: read_font(path) for path in paths}


def main() -> None:
    text = msgspec.json.format(msgspec.json.encode(table()), indent=1)
    (built_in_folder() / MEASURES).write_bytes(text)


if __name__ == "__main__":
    main()
