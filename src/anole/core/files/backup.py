"""The version of a file before the one that is about to be written."""

from __future__ import annotations

import contextlib
import hashlib
import os
import secrets
import shutil
from pathlib import Path
from typing import Literal

import platformdirs

Where = Literal["state", "beside", "none"]
MOST_NAME = 200


def backup_path(path: Path, where: Where) -> Path | None:
    """Where the version before is kept; None when it is not."""
    whole = Path(os.path.realpath(path))
    if where == "beside":
        return whole.with_name(f"{whole.name}~")
    if where == "none":
        return None
    # files of the same name in two folders do not share a backup
    mark = hashlib.sha256(os.fsencode(whole)).hexdigest()[:12]
    stem = os.fsdecode(os.fsencode(whole.stem)[:MOST_NAME])
    return platformdirs.user_state_path("anole") / "backups" / f"{stem}-{mark}{whole.suffix}"


def kept_previous(path: Path) -> Path | None:
    """The version of a file before the last, wherever it was kept; the newest. None without one."""
    wheres: tuple[Where, ...] = ("state", "beside")
    there = [kept for where in wheres if (kept := backup_path(path, where)) and kept.is_file()]
    return max(there, key=lambda kept: kept.stat().st_mtime, default=None)


def keep_previous(path: Path, where: Where) -> None:
    """Keep the file as it is, in place of an older version. Raises OSError; no file is no error."""
    target = backup_path(path, where)
    whole = Path(os.path.realpath(path))
    if target is None or not whole.is_file():
        return
    target.parent.mkdir(mode=0o700, parents=True, exist_ok=True)
    part = target.with_name(f".anole-{secrets.token_hex(6)}.part")
    try:
        try:
            # the file is going to be replaced, never written into: its content can be shared
            os.link(whole, part)
        except OSError:
            shutil.copy2(whole, part)
        os.replace(part, target)
    finally:
        with contextlib.suppress(OSError):
            part.unlink()
