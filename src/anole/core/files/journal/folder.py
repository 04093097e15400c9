"""Where journals lie: a folder each, locked for as long as somebody writes it."""

from __future__ import annotations

import contextlib
import fcntl
import os
import secrets
import shutil
from pathlib import Path

import platformdirs

LOG, OLD = "steps.log", "steps.old"
LOCK = os.O_RDWR | os.O_CLOEXEC | os.O_NONBLOCK
"""How a lock's file is opened."""
MOST_KEPT = 20
"""Journals that nobody brought back are kept, the newest of them."""


def journals_path() -> Path:
    """$XDG_STATE_HOME/anole/journals"""
    return platformdirs.user_state_path("anole") / "journals"


class JournalFolder:
    """A journal's folder, held by this process until close() or its end. Raises OSError when
    another one holds it, BlockingIOError among them, or when it cannot be made."""

    def __init__(self, path: Path | None = None) -> None:
        self.path = path or journals_path() / secrets.token_hex(8)
        self.path.mkdir(mode=0o700, parents=True, exist_ok=True)
        self._handle = os.open(self.path / "lock", LOCK | os.O_CREAT, 0o600)
        try:
            fcntl.flock(self._handle, fcntl.LOCK_EX | fcntl.LOCK_NB)
        except OSError:
            os.close(self._handle)
            raise

    @property
    def log(self) -> Path:
        """The steps."""
        return self.path / LOG

    @property
    def old_log(self) -> Path:
        """The steps as they were before the log was last written anew."""
        return self.path / OLD

    def asset(self, sha: str) -> Path:
        """A file that the board carries."""
        return self.path / "assets" / sha

    def close(self) -> None:
        """Let go of it; it stays for the next start."""
        if self._handle >= 0:
            os.close(self._handle)
            self._handle = -1

    def remove(self) -> None:
        """Throw it away: what it holds is saved, or not wanted."""
        # the log first: a folder without one is no journal
        with contextlib.suppress(OSError):
            self.log.unlink()
        shutil.rmtree(self.path, ignore_errors=True)
        self.close()


def _is_free(path: Path) -> bool:
    try:
        handle = os.open(path / "lock", LOCK)
    except OSError:
        return False
    try:
        fcntl.flock(handle, fcntl.LOCK_EX | fcntl.LOCK_NB)
    except OSError:
        return False
    finally:
        os.close(handle)
    return True


def folders() -> list[Path]:
    """Journals that nobody holds, the newest first; more than MOST_KEPT are thrown away."""
    with_times = []
    for log in journals_path().glob(f"*/{LOG}"):
        with contextlib.suppress(OSError):
            with_times.append((log.stat().st_mtime_ns, log.parent))
    free = [path for _, path in sorted(with_times, reverse=True) if _is_free(path)]
    for path in free[MOST_KEPT:]:
        with contextlib.suppress(OSError):
            JournalFolder(path).remove()
    return free[:MOST_KEPT]
