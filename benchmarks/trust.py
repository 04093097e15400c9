"""What safety costs: files read in the helper, steps kept in the journal."""

from __future__ import annotations

import io
from typing import Any

import msgspec
import numpy as np
from PIL import Image

from anole.core import assets, isolation
from anole.core.edit.font_files import add_font
from anole.core.edit.pictures import add_picture
from anole.core.edit.pieces import change_piece
from anole.core.files import board_file
from anole.core.helper.tasks import TASKS
from anole.core.lettering import fonts
from anole.core.model import Board, Lettering
from anole.core.paint.picture_files import KEPT
from anole.studio.documents.document import Document
from anole.studio.documents.journaling import Journaling

from .scenes import title
from .timing import Result, race


def _forgotten() -> None:
    KEPT.clear()
    fonts.let_go(())
    assets.clear()


def _packed() -> bytes:
    """A board that carries a photograph's worth of px and a font."""
    noise = np.random.default_rng(3).integers(0, 256, (1080, 1920, 3), np.uint8)
    room = io.BytesIO()
    Image.fromarray(noise).save(room, "JPEG", quality=85)
    board, _, _ = add_picture(title(), room.getvalue(), "photograph.jpg")
    font = (fonts.built_in_folder() / "Bangers_400Regular.ttf").read_bytes()
    board, _ = add_font(board, font, "carried.ttf")
    return board_file.encode(board_file.StoredBoard(board), None)


def _here(task: str, meta: Any, arrays: list[np.ndarray], **_: object) -> tuple[Any, list]:
    answer, found = TASKS[task](meta, arrays[0].tobytes())
    return msgspec.msgpack.decode(msgspec.msgpack.encode(answer)), list(found)


def opening() -> list[Result]:
    data, ask = _packed(), isolation.ask

    def directly() -> None:
        _forgotten()
        isolation.ask = _here  # type: ignore[assignment]
        try:
            board_file.decode(data, "board")
        finally:
            isolation.ask = ask

    def through_helper() -> None:
        board_file.decode(data, "board")

    through_helper()
    result = race(
        "open a board through the helper",
        through_helper,
        directly,
        "the same in one process",
        1.5,
        before=_forgotten,
    )
    return [result]


def _changed(board: Board, number: int) -> Board:
    words = next(piece for piece in board.pieces if isinstance(piece, Lettering))
    return change_piece(board, words.id, opacity=(number % 97) / 100)


def keeping() -> list[Result]:
    """What a step takes of the interface's thread beside the step itself; 500 steps are there."""
    document = Document(title())
    journaling = Journaling(document)
    journaling.start()
    numbers = iter(range(10**6))
    for _ in range(500):
        document.apply("Step", lambda b: _changed(b, next(numbers)))
    result = race(
        "a step into the journal",
        journaling._stepped,
        lambda: _changed(document.board, next(numbers)),
        "the step itself",
        1.0,
        before=lambda: document.apply("Step", lambda b: _changed(b, next(numbers))),
    )
    journaling.stop(stays=False)
    return [result]
