"""CSS values: the tokens of a gradient, and the numbers among them."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

import tinycss2

Node = Any
TURNS = {"deg": 1.0, "grad": 0.9, "rad": 57.29577951308232, "turn": 360.0}
BLANK = ("whitespace", "comment")


class CssError(ValueError):
    """Text that is no gradient, or one that cannot be carried; the message says why."""


def written(nodes: Sequence[Node]) -> str:
    """The tokens as CSS text."""
    return " ".join(tinycss2.serialize([node]) for node in nodes)


def nodes_of(text: str) -> list[Node]:
    """The tokens of a text, blanks left out. Raises CssError for what is no CSS at all."""
    # a tokeniser closes what is left open at the end: here it is a slip of the pen
    for opening, closing in ("()", "[]", "{}"):
        if text.count(opening) != text.count(closing):
            raise CssError(f"brackets {opening}{closing} do not pair")
    return without_blanks(tinycss2.parse_component_value_list(text))


def without_blanks(nodes: Sequence[Node]) -> list[Node]:
    """The tokens without blanks and comments. Raises CssError where the text is no CSS."""
    for node in nodes:
        if node.type == "error":
            raise CssError(f"this is no CSS: {node.message}")
    return [node for node in nodes if node.type not in BLANK]


def parts_of(nodes: Sequence[Node]) -> list[list[Node]]:
    """Split at commas; a function's own commas are its own."""
    groups: list[list[Node]] = [[]]
    for node in without_blanks(nodes):
        if node == ",":
            groups.append([])
        else:
            groups[-1].append(node)
    return groups


def word(node: Node) -> str:
    """A keyword in lower case; '' for anything else."""
    return str(node.lower_value) if node.type == "ident" else ""


def is_number(node: Node) -> bool:
    """Whether the token is a number, a percentage or a number with a unit."""
    return node.type in ("number", "percentage", "dimension")


def angle(node: Node) -> float | None:
    """Degrees of an angle, or of a plain 0; None for anything else."""
    if node.type == "dimension" and node.lower_unit in TURNS:
        return float(node.value) * TURNS[node.lower_unit]
    return 0.0 if node.type == "number" and node.value == 0 else None


def share(node: Node, round_: bool) -> float:
    """A percentage, an angle of a conic gradient, or 0, as a share. Raises CssError."""
    if node.type == "percentage":
        return float(node.value) / 100
    if node.type == "number" and node.value == 0:
        return 0.0
    turned = angle(node)
    if turned is not None and round_:
        return turned / 360
    wanted = "percent or degrees" if round_ else "percent"
    raise CssError(f"only places in {wanted} can be carried, not {written([node])!r}")
