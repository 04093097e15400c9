"""Records of a journal: one line each, a checksum and JSON, so that a torn one is known."""

from __future__ import annotations

import zlib
from collections.abc import Iterator
from typing import Any

import msgspec

FORMAT = "anole-journal/1"


def line(record: dict[str, Any]) -> bytes:
    """A record as its line: CRC-32 in 8 hex digits, a space, JSON, a line feed."""
    text = msgspec.json.encode(record)
    return b"%08x %s\n" % (zlib.crc32(text), text)


def records(data: bytes, start: bytes = b"{") -> Iterator[dict[str, Any]]:
    """The records of a file that are whole and start so; torn and damaged lines are passed over."""
    for one in data.split(b"\n"):
        text = one[9:]
        if one[8:9] != b" " or not text.startswith(start):
            continue
        try:
            if int(one[:8], 16) != zlib.crc32(text):
                continue
            record = msgspec.json.decode(text)
        except (ValueError, RecursionError):
            continue
        if isinstance(record, dict):
            yield record


def ranges(numbers: list[int]) -> list[list[int]]:
    """Rising numbers as first and last of each run: 1 2 3 7 -> [[1, 3], [7, 7]]."""
    runs: list[list[int]] = []
    for number in numbers:
        if runs and runs[-1][1] == number - 1:
            runs[-1][1] = number
        else:
            runs.append([number, number])
    return runs
