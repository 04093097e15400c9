"""A file with something wrong with it."""

from __future__ import annotations

import copy
import io
import json
import zipfile
from collections.abc import Sequence
from random import Random
from typing import Any

EXTREMES = (
    b"\x00",
    b"\xff",
    b"\x7f\xff\xff\xff",
    b"\xff\xff\xff\xff",
    b"\x80\x00\x00\x00",
    b"\x00" * 8,
)
HOSTILE: tuple[Any, ...] = (
    None, True, -1, 0, 1e308, -1e308, 10**400, "", "x" * 5000, "\x00", "9" * 1000 + "px", "1e999em",
    [], {}, [[[[[]]]]], {"kind": "?"}, "#12345", "core", "-1000000mm",
)  # fmt: skip


def mutated(rng: Random, data: bytes, others: Sequence[bytes]) -> bytes:
    """The bytes changed in one to four places, or cut, or joined with those of another file."""
    out = bytearray(data)
    for _ in range(rng.randint(1, 4)):
        if not out:
            break
        at = rng.randrange(len(out))
        how = rng.randrange(7)
        if how == 0:
            out[at] ^= 1 << rng.randrange(8)
        elif how == 1:
            out[at : at + 4] = rng.choice(EXTREMES)
        elif how == 2:
            del out[at : at + rng.randint(1, 64)]
        elif how == 3:
            out[at:at] = rng.randbytes(rng.randint(1, 16))
        elif how == 4:
            out[at:at] = out[at : at + rng.randint(1, 256)]
        elif how == 5:
            del out[at:]
        else:
            other = rng.choice(others)
            out[at:] = other[rng.randrange(len(other) or 1) :]
    return bytes(out)


def mutated_json(rng: Random, text: bytes) -> bytes:
    """A JSON text with one to three of its values, or keys, replaced."""
    data = json.loads(text)
    for _ in range(rng.randint(1, 3)):
        at, key = _place(rng, data)
        if at is None:
            continue
        if isinstance(at, dict) and rng.random() < 0.15:
            at[rng.choice(["kind", "id", "later", "x" * 300])] = at.pop(key)
        elif rng.random() < 0.1:
            at[key] = [copy.deepcopy(at[key]) for _ in range(rng.choice([2, 300]))]
        else:
            # a copy: what is put in here may be changed in its turn
            at[key] = copy.deepcopy(rng.choice(HOSTILE))
    return json.dumps(data).encode()


def _place(rng: Random, value: Any) -> tuple[Any, Any]:
    """Somewhere in a JSON value: what holds it, and under which key."""
    at, key = None, None
    while isinstance(value, dict | list) and value:
        at, key = value, rng.choice(list(value) if isinstance(value, dict) else range(len(value)))
        value = at[key]
        if rng.random() < 0.25:
            break
    return at, key


def mutated_zip(rng: Random, data: bytes) -> bytes:
    """A container of which one entry is wrong, missing, or there twice."""
    with zipfile.ZipFile(io.BytesIO(data)) as box:
        entries = {name: box.read(name) for name in box.namelist()}
    name = rng.choice(list(entries))
    if name.endswith(".json"):
        entries[name] = mutated_json(rng, entries[name])
    elif rng.random() < 0.2:
        del entries[name]
    else:
        entries[name] = mutated(rng, entries[name], list(entries.values()))
    room = io.BytesIO()
    with zipfile.ZipFile(room, "w") as box:
        for entry, content in entries.items():
            how = rng.choice([zipfile.ZIP_STORED, zipfile.ZIP_DEFLATED, zipfile.ZIP_LZMA])
            box.writestr(
                zipfile.ZipInfo(entry), content, zipfile.ZIP_STORED if entry == "mimetype" else how
            )
    return room.getvalue()
