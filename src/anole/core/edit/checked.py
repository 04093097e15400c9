"""Replacing fields of a model value with the same validation that a file gets."""

from __future__ import annotations

from typing import Any, TypeVar

import msgspec

from ..model import ModelError, from_builtins, to_builtins

T = TypeVar("T", bound=msgspec.Struct)


def replaced(value: T, **fields: Any) -> T:
    """`value` with other fields. Raises ModelError when the result is not valid."""
    try:
        changed = msgspec.structs.replace(value, **fields)
    except TypeError as error:
        raise ModelError(str(error)) from error
    return from_builtins(to_builtins(changed), type(value))
