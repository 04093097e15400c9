"""Pictures that kept styles paint with: their bytes beside the styles, by content."""

from __future__ import annotations

from collections.abc import Sequence
from pathlib import Path

from .. import assets
from ..atomic import FileError, read_bytes, write_bytes
from ..model import Coat
from ..model.named_assets import assets_named
from ..model.pack import MOST_PICTURE


def keep(folder: Path, coats: Sequence[Coat]) -> None:
    """Write the pictures that coats paint with, as far as they are at hand. Raises FileError."""
    for sha in assets_named(coats):
        if assets.has(sha) and not (folder / sha).exists():
            try:
                folder.mkdir(parents=True, exist_ok=True)
            except OSError as error:
                raise FileError(f"cannot make {folder}: {error.strerror}") from error
            write_bytes(folder / sha, _small_enough(assets.get(sha)))


def _small_enough(data: bytes) -> bytes:
    """Raises FileError for what no style may carry."""
    if len(data) > MOST_PICTURE:
        raise FileError(
            f"a picture that the style paints with has {len(data) >> 20} MB; "
            f"{MOST_PICTURE >> 20} are the most that a style carries: use a smaller one"
        )
    return data


def fetch(folder: Path, named: Sequence[str]) -> None:
    """Take in the pictures that the styles of a library paint with, and hold them; what is not there
    or spoilt is left out."""
    for sha in named:
        if assets.has(sha) or len(sha) != 64 or not sha.isalnum():
            continue
        try:
            data = read_bytes(folder / sha, MOST_PICTURE)
        except FileError:
            continue
        if assets.digest(data) == sha:
            assets.put(data)
    assets.hold(f"styles {folder}", named)
