"""The helper's loop: one packet in, one packet out, until the program ends."""

from __future__ import annotations

import select
import socket
import sys
from collections.abc import Sequence

from ..arrays import AnyArray
from ..isolation.wire import Header, WireError, receive, send
from ..text import short
from .limits import alarmed, gain_no_rights, limit
from .tasks import READERS, REFUSALS, TASKS

IDLE = 0.1
"""Seconds without work after which the next reader is loaded."""


def _done(header: Header, data: bytes) -> tuple[Header, Sequence[AnyArray]]:
    try:
        meta, arrays = TASKS[header.task](header.meta or {}, data)
        return Header(meta=meta), arrays
    except REFUSALS as error:
        refusal = short(error, 400)
    except MemoryError:
        refusal = "reading it takes more memory than one file may"
    except RecursionError:
        refusal = "its parts lie in each other too deep"
    except BaseException as error:  # whatever a reader stumbles over, a library's panic too
        refusal = f"it cannot be read: {short(error)}"
    return Header(refused=refusal), ()


def serve(talk: socket.socket) -> None:
    """Answer until nobody asks any more. As long as nobody does, readers are loaded one by one."""
    send(talk, Header())
    waiting = list(READERS)
    while True:
        while waiting and not select.select([talk], [], [], IDLE)[0]:
            waiting.pop(0)()
        header, arrays = receive(talk)
        with alarmed():
            answer, found = _done(header, arrays[0].tobytes() if arrays else b"")
        send(talk, answer, found)


def main() -> None:
    """Serve the socket whose number is the first argument."""
    gain_no_rights()
    limit()
    try:
        serve(socket.socket(fileno=int(sys.argv[1])))
    except WireError:
        sys.exit(0)


if __name__ == "__main__":
    main()
