"""Whether a window can be shown at all: Qt ends the program where it cannot, before anybody can say why."""

from __future__ import annotations

import os
import re
import socket
from pathlib import Path

SECONDS = 3.0
_DISPLAY = re.compile(r"(?P<host>[^:]*):(?P<number>\d{1,5})(\.\d{1,3})?")


def _reaches(family: socket.AddressFamily, address: str | tuple[str, int]) -> bool:
    try:
        with socket.socket(family, socket.SOCK_STREAM) as talk:
            talk.settimeout(SECONDS)
            talk.connect(address)
    except OSError:
        return False
    return True


def _reaches_x(display: str) -> bool:
    found = _DISPLAY.fullmatch(display)
    if found is None:
        # a form that only the server's library knows: let it try
        return True
    host, number = found["host"], int(found["number"])
    if host in ("", "unix"):
        name = f"/tmp/.X11-unix/X{number}"
        return _reaches(socket.AF_UNIX, name) or _reaches(socket.AF_UNIX, f"\0{name}")
    return _reaches(socket.AF_INET, (host, 6000 + number))


def trouble() -> str:
    """Why no window can be shown; "" when one can."""
    if os.environ.get("QT_QPA_PLATFORM", "").partition(":")[0] not in ("", "xcb", "wayland"):
        return ""
    wayland, display = os.environ.get("WAYLAND_DISPLAY", ""), os.environ.get("DISPLAY", "")
    if wayland:
        path = Path(os.environ.get("XDG_RUNTIME_DIR", "/"), wayland)
        if _reaches(socket.AF_UNIX, str(path)):
            return ""
    if display:
        return "" if _reaches_x(display) else f"the display {display} cannot be reached"
    return "there is no display to open a window on; the other commands work without one"
