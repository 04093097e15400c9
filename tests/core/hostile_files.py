"""Files that do harm to whoever reads them, made here."""

from __future__ import annotations

import struct
import zlib


def svg(inside: str, defs: str = "") -> bytes:
    return (
        '<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" '
        f'width="100" height="100"><defs>{defs}</defs>{inside}</svg>'
    ).encode()


def nested_uses(depth: int = 30) -> bytes:
    """Each use draws the one before twice: 2 to the power of `depth` rectangles."""
    parts = ['<g id="a0"><rect width="1" height="1"/></g>']
    for n in range(1, depth):
        use = f'<use xlink:href="#a{n - 1}"/>'
        parts.append(f'<g id="a{n}">{use}{use}</g>')
    return svg(f'<use xlink:href="#a{depth - 1}"/>', "".join(parts))


def nested_groups(depth: int = 100_000) -> bytes:
    """Deeper than any stack."""
    return svg("<g>" * depth + '<rect width="9" height="9"/>' + "</g>" * depth)


def png(width: int, height: int, depth: int = 8, rows: bytes = b"") -> bytes:
    """An RGBA PNG that says it is of that size, with few px in it."""

    def chunk(kind: bytes, data: bytes) -> bytes:
        sum_ = zlib.crc32(kind + data)
        return struct.pack(">I", len(data)) + kind + data + struct.pack(">I", sum_)

    head = struct.pack(">IIBBBBB", width, height, depth, 6, 0, 0, 0)
    data = zlib.compress(rows or bytes(1000))
    return b"\x89PNG\r\n\x1a\n" + chunk(b"IHDR", head) + chunk(b"IDAT", data) + chunk(b"IEND", b"")


def slow_svg(filters: int = 60) -> bytes:
    """Nothing wrong with it but that its noise takes minutes."""
    noise = '<feTurbulence baseFrequency="0.9" numOctaves="10" result="n"/>' * filters
    return svg(
        '<rect width="100" height="100" filter="url(#f)"/>', f'<filter id="f">{noise}</filter>'
    )
