"""Embedding levels of a line (Unicode Bidirectional Algorithm), through python-bidi."""

from __future__ import annotations

from bidi import algorithm

_KNOWN = {"": "L", "LRI": "ON", "RLI": "ON", "FSI": "ON", "PDI": "ON"}
"""Unassigned characters run rightward; isolates, which the library does not know, are neutral."""


def levels(text: str) -> tuple[int, list[int]]:
    """The base level and one level a character; odd levels run from right to left."""
    if text.isascii():  # no character of ASCII runs leftward
        return 0, [0] * len(text)
    base = algorithm.get_base_level(text)
    storage = algorithm.get_empty_storage()
    storage["base_level"] = base
    storage["base_dir"] = ("L", "R")[base]
    algorithm.get_embedding_levels(text, storage)
    for at, char in enumerate(storage["chars"]):
        char["at"] = at
        char["type"] = _KNOWN.get(char["type"], char["type"])
    algorithm.explicit_embed_and_overrides(storage)
    algorithm.resolve_weak_types(storage)
    algorithm.resolve_neutral_types(storage, False)
    algorithm.resolve_implicit_levels(storage, False)
    # the algorithm drops explicit controls; they take the base level here and draw nothing
    found = [base] * len(text)
    for char in storage["chars"]:
        found[char["at"]] = char["level"]
    # L1: blanks at the end of the line go back to the base level
    for at in range(len(text) - 1, -1, -1):
        if not text[at].isspace():
            break
        found[at] = base
    return base, found


def visual_order(run_levels: list[int]) -> list[int]:
    """Places of runs from left to right (rule L2): reverse every stretch at each level."""
    order = list(range(len(run_levels)))
    for level in range(max(run_levels, default=0), 0, -1):
        start = None
        for at in range(len(order) + 1):
            inside = at < len(order) and run_levels[order[at]] >= level
            if inside and start is None:
                start = at
            elif not inside and start is not None:
                order[start:at] = reversed(order[start:at])
                start = None
    return order
