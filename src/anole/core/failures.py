"""A coat or a piece whose own code fails: the error says which one it was."""

from __future__ import annotations

import functools
import inspect
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from typing import Any, TypeVar

import msgspec

from .isolation import NotYet
from .model import ModelError

K = TypeVar("K")
PASSING = (ModelError, MemoryError, NotYet)
"""Errors that are no fault of the part they come from."""


class RenderError(Exception):
    """`part`, a coat or a piece, could not be rendered or measured; `__cause__` is why."""

    def __init__(self, part: msgspec.Struct, cause: Exception) -> None:
        super().__init__(f"{type(cause).__name__}: {cause}" if str(cause) else type(cause).__name__)
        # a debug stand-in says what it stands for
        self.part: msgspec.Struct = getattr(part, "stands_for", part)


@contextmanager
def blaming(part: msgspec.Struct) -> Iterator[None]:
    """Raise what goes wrong in the block as a RenderError of `part`.

    Wrong values, too little memory, what is not at hand yet, and what was already blamed on a part
    pass.
    """
    try:
        yield
    except (RenderError, *PASSING):
        raise
    except Exception as error:
        raise RenderError(part, error) from error


def answerable(kind: K, protocol: type, first: str) -> K:
    """The same kind; the methods whose first parameter is called `first` in its protocol blame
    that part for what goes wrong in them."""
    for name, method in inspect.getmembers(protocol, inspect.isfunction):
        if list(inspect.signature(method).parameters)[1:2] == [first]:
            setattr(kind, name, _blaming(getattr(kind, name)))
    return kind


def _blaming(method: Callable[..., Any]) -> Callable[..., Any]:
    @functools.wraps(method)
    def call(part: msgspec.Struct, *args: Any, **fields: Any) -> Any:
        # written out, since a context manager would cost more than many of the methods
        try:
            return method(part, *args, **fields)
        except (RenderError, *PASSING):
            raise
        except Exception as error:
            raise RenderError(part, error) from error

    return call
