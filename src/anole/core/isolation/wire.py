"""What goes between the two processes: a small header as a packet, bytes in memory that both see."""

from __future__ import annotations

import contextlib
import fcntl
import mmap
import os
import socket
from collections.abc import Sequence
from typing import Any

import msgspec
import numpy as np

from ..arrays import AnyArray

MOST_HEADER = 1 << 17
DTYPES = ("uint8", "uint16", "int32", "float32", "float64")
"""What arrays may be made of."""


class WireError(Exception):
    """The other process has ended, or says what nobody understands."""


class WireBlock(msgspec.Struct):
    """An array within the shared memory."""

    offset: int
    shape: tuple[int, ...]
    dtype: str


class Header(msgspec.Struct):
    """Of a request `task` and `meta`; of an answer `refused` or `meta`; the arrays of both."""

    task: str = ""
    refused: str = ""
    meta: Any = None
    blocks: tuple[WireBlock, ...] = ()


def send(talk: socket.socket, header: Header, arrays: Sequence[AnyArray] = ()) -> None:
    """Send a header and arrays. Raises WireError and OSError."""
    blocks, size = [], 0
    for array in arrays:
        blocks.append(WireBlock(size, array.shape, array.dtype.name))
        size += array.nbytes
    text = msgspec.msgpack.encode(msgspec.structs.replace(header, blocks=tuple(blocks)))
    if len(text) > MOST_HEADER:
        raise WireError("a header is too long")
    with contextlib.ExitStack() as stack:
        handles = []
        if size:
            handle = os.memfd_create("anole", os.MFD_CLOEXEC | os.MFD_ALLOW_SEALING)
            stack.callback(os.close, handle)
            for array in arrays:
                _write(handle, np.ascontiguousarray(array).reshape(-1).view(np.uint8).data)
            handles.append(handle)
        try:
            socket.send_fds(talk, [text], handles)
        except (BrokenPipeError, ConnectionError) as error:
            raise WireError("the other process has ended") from error


def _write(handle: int, data: memoryview) -> None:
    while len(data):
        data = data[os.write(handle, data) :]


def receive(talk: socket.socket) -> tuple[Header, list[AnyArray]]:
    """Wait for a header and its arrays, which are read-only. Raises WireError."""
    try:
        text, handles, _, _ = socket.recv_fds(talk, MOST_HEADER, 1)
    except ConnectionError as error:
        raise WireError("the other process has ended") from error
    try:
        if not text:
            raise WireError("the other process has ended")
        header = msgspec.msgpack.decode(text, type=Header)
        memory = _mapped(handles[0]) if handles else b""
        return header, [_array(block, memory) for block in header.blocks]
    except (msgspec.DecodeError, ValueError) as error:
        raise WireError(f"the other process says what nobody understands: {error}") from error
    finally:
        for handle in handles:
            os.close(handle)


def _mapped(handle: int) -> mmap.mmap:
    # memory that shrank under the reader would end its process
    fcntl.fcntl(handle, fcntl.F_ADD_SEALS, fcntl.F_SEAL_SHRINK)
    return mmap.mmap(handle, 0, prot=mmap.PROT_READ)


def _array(block: WireBlock, memory: mmap.mmap | bytes) -> AnyArray:
    if block.dtype not in DTYPES or block.offset < 0 or any(side < 0 for side in block.shape):
        raise WireError("an array of an unknown kind")
    count = 1
    for side in block.shape:
        count *= side
    if count == 0:
        return np.zeros(block.shape, block.dtype)
    flat = np.frombuffer(memory, block.dtype, count, block.offset)
    return flat.reshape(block.shape)
