"""Typed numbers: sums and a unit, such as `2*8px`, `.1em`, `3 mm` or `12 + 4`."""

from __future__ import annotations

import ast
import math
import operator
import re
from collections.abc import Callable

_UNIT = re.compile(r"\s*(px|em|pt|mm|in|%|°|deg)\s*$")
_SIGNS: dict[type, Callable[[float, float], float]] = {
    ast.Add: operator.add,
    ast.Sub: operator.sub,
    ast.Mult: operator.mul,
    ast.Div: operator.truediv,
}
LONGEST = 60


def _value(node: ast.expr) -> float:
    if isinstance(node, ast.Constant) and isinstance(node.value, int | float):
        return float(node.value)
    if isinstance(node, ast.UnaryOp) and isinstance(node.op, ast.USub | ast.UAdd):
        value = _value(node.operand)
        return -value if isinstance(node.op, ast.USub) else value
    if isinstance(node, ast.BinOp) and type(node.op) in _SIGNS:
        return _SIGNS[type(node.op)](_value(node.left), _value(node.right))
    raise ValueError("only numbers and + - * / ( )")


def evaluate(text: str) -> tuple[float, str]:
    """The number and its unit ('' when none is given). Raises ValueError."""
    if len(text) > LONGEST:
        raise ValueError("not a number")
    match = _UNIT.search(text)
    unit = match[1] if match else ""
    sum_text = (text[: match.start()] if match else text).replace(",", ".").replace("−", "-")
    if not sum_text.strip():
        raise ValueError("not a number")
    try:
        value = _value(ast.parse(sum_text.strip(), mode="eval").body)
    except (SyntaxError, ZeroDivisionError, RecursionError, OverflowError) as error:
        raise ValueError("not a number") from error
    if not math.isfinite(value):
        raise ValueError("not a number")
    return value, unit
