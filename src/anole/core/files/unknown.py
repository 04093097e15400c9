"""Fields that a newer version wrote and this one does not know: kept, and written back."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any


def _keyed(items: Sequence) -> dict[Any, Any]:
    """List entries by their id, or by their place."""
    return {
        item["id"] if isinstance(item, dict) and isinstance(item.get("id"), str) else index: item
        for index, item in enumerate(items)
    }


def leftover(raw: Any, known: Any) -> Any:
    """What `raw` holds beyond `known`, in the same shape; None when nothing."""
    if isinstance(raw, dict) and isinstance(known, dict):
        rest = {
            key: value if key not in known else leftover(value, known[key])
            for key, value in raw.items()
        }
        return {key: value for key, value in rest.items() if value is not None} or None
    if isinstance(raw, list) and isinstance(known, list | tuple):
        own, other = _keyed(raw), _keyed(known)
        rest = {key: leftover(item, other[key]) for key, item in own.items() if key in other}
        return {key: value for key, value in rest.items() if value is not None} or None
    return None


def merged(known: Any, rest: Any) -> Any:
    """`known` with the leftovers put back where their owners still are."""
    if rest is None:
        return known
    if isinstance(known, dict) and isinstance(rest, dict):
        return {
            **known,
            **{k: merged(known[k], v) if k in known else v for k, v in rest.items()},
        }
    if isinstance(known, list | tuple) and isinstance(rest, dict):
        return [merged(item, rest.get(key)) for key, item in _keyed(known).items()]
    return known
