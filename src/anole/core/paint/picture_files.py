"""Pictures of strangers: decoded in the helper, and kept for as long as there is room."""

from __future__ import annotations

from collections.abc import Callable

import msgspec
import numpy as np

from .. import assets, isolation
from ..cache import Cache
from ..isolation.client import never
from .decoded import Decoded
from .image_formats import ImageError, ImageFormat

KEPT = Cache(256 << 20)
"""Decoded pictures of the whole process."""


class _Told(msgspec.Struct):
    troubles: tuple[str, ...]
    format: ImageFormat


def decoded(data: bytes, name: str, stop: Callable[[], bool] = never) -> Decoded:
    """The pixels of a file's bytes. Raises ImageError."""
    try:
        meta, arrays = isolation.ask(
            "picture", {"name": name}, [np.frombuffer(data, np.uint8)], stop=stop
        )
        told = msgspec.convert(meta, _Told)
    except isolation.NotYet:
        raise
    except isolation.Refused as error:
        raise ImageError(str(error)) from error
    except (isolation.HelperError, msgspec.ValidationError) as error:
        raise ImageError(f"{name} is not used: {error}") from error
    if len(arrays) != 1 or arrays[0].ndim != 3 or arrays[0].shape[2] != 4 or not arrays[0].size:
        raise ImageError(f"{name} is not a picture that can be read")
    return Decoded(arrays[0], told.troubles, told.format)


def decoded_asset(sha: str, name: str = "", stop: Callable[[], bool] = never) -> Decoded:
    """The pixels of a picture that a board carries, decoded once. Raises ImageError,
    assets.MissingAsset and isolation.NotYet.

    Without a name, as while painting, one that could not be read is not tried again.
    """

    def make() -> Decoded | str:
        try:
            return decoded(assets.get(sha), name or sha[:12], stop)
        except ImageError as error:
            if name:
                raise
            return str(error)

    key = ("decoded", sha, bool(name))
    found = isolation.needed(key, lambda: KEPT.get(key, make))
    if isinstance(found, str):
        raise ImageError(found)
    if name:
        KEPT.get(("decoded", sha, False), lambda: found)
    return found
