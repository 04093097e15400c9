"""Whether anything of a value of the model is painted with what lies beneath."""

from __future__ import annotations

import functools

import msgspec

from ..model import Backdrop, Coat


def has_backdrop(value: object) -> bool:
    """Whether a model value is painted with what lies beneath, anywhere within it."""
    if isinstance(value, Backdrop):
        return True
    if isinstance(value, tuple):
        return any(map(has_backdrop, value))
    if isinstance(value, Coat):
        return _coat_has_backdrop(value)
    return isinstance(value, msgspec.Struct) and _has_in_fields(value)


def _has_in_fields(value: msgspec.Struct) -> bool:
    return any(has_backdrop(getattr(value, name)) for name in value.__struct_fields__)


@functools.lru_cache(4096)
def _coat_has_backdrop(coat: Coat) -> bool:
    return _has_in_fields(coat)
