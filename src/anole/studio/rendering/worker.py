"""The thread that renders. The newest request wins; small pictures wait until it is idle."""

from __future__ import annotations

import threading
import time
from collections import OrderedDict
from collections.abc import Callable, Sequence
from typing import Any

import numpy as np
from PyQt6.QtCore import QObject, pyqtSignal
from PyQt6.QtGui import QImage

from ...core.box import Box
from ...core.cache import Cache
from ...core.files.export_target import rendered, target_of
from ...core.files.exporting import DoesNotFit, data_of, is_deep
from ...core.lettering.details import details
from ...core.lettering.fonts import FontFile
from ...core.lettering.stems import stem_of
from ...core.memory import give_back
from ...core.model import Board, Font
from ...core.proof.report import reports
from ...core.proof.sight import PLAIN, seen
from ...core.render.export import part, rgba
from ...core.render.renderer import Cancelled, Renderer, Request
from ...core.render.warm import warm
from ...core.series.rows import BoundRow
from ..look import theme
from ..look.pixel_images import image_of
from ..runtime.left_out import LeftOut
from ..runtime.troubles import TROUBLES, what
from .buffers import Buffers
from .frames import Frame, frame_image, reduced
from .small_pictures import small_picture
from .weighing import FileKey, Weighed, as_read, eight_bit, target_key
from .word_images import tinted, words_coverage

SMALL_CACHE = 112 * 2**20
HALF_CACHE, PROOF_CACHE = 64 * 2**20, 384 * 2**20
REST, LONG_REST = 1.5, 6.0
"""Seconds without work after which memory that was given back goes to the system; and more, after
which what Proof and rough frames keep is given back."""
SLOW_SECONDS, FORGETTING = 0.045, 0.6
"""A frame that took longer is preceded by a rough one; quick ones after it let that be forgotten."""
SHARES, LATE_SECONDS = (2, 4), 0.04
"""A rough frame has half the scale, or a quarter where half is late too."""
LEAST_SCALE = 0.05
STEMS_AT_ONCE = 12
MOST_PROOF = 2560
"""px a proof is rendered at before it is reduced."""


Area = tuple[float, float, float, float]


def _scaled_box(area: Area, scale: float) -> Box:
    """The px of an area of the board, as many as its size says whatever it is rounded from."""
    x0, y0 = round(area[0] * scale), round(area[1] * scale)
    wide, high = ((area[2] - area[0]) * scale, (area[3] - area[1]) * scale)
    return Box(x0, y0, x0 + max(round(wide), 1), y0 + max(round(high), 1))


class Worker(QObject):
    """`framed` carries the board view's picture, `drawn` a small one under its key."""

    framed = pyqtSignal(object)
    drawn = pyqtSignal(object, QImage)
    targeted = pyqtSignal(object, object)
    weighed = pyqtSignal(object, object)
    reported = pyqtSignal(object, object)
    made = pyqtSignal(object, QImage, tuple)
    worded = pyqtSignal(object, QImage)
    measured = pyqtSignal(object)
    pictured = pyqtSignal(str, object)
    detailed = pyqtSignal(object, object)
    warmed = pyqtSignal(float)

    def __init__(self) -> None:
        super().__init__()
        self._wake = threading.Condition()
        self._request: Request | None = None
        self._jobs: OrderedDict[Any, Callable[[], None]] = OrderedDict()
        self._over = False
        self._busy = True
        self._renderer = Renderer()
        self._small = Renderer(Cache(SMALL_CACHE))
        self._halves = Renderer(Cache(HALF_CACHE))
        self._proof = Renderer(Cache(PROOF_CACHE))
        self.left_out = LeftOut()
        self.left_out.setParent(self)
        self._took = self._half_took = 0.0
        self._buffers = Buffers()
        self._rendered: tuple[object, np.ndarray] | None = None
        self._thread = threading.Thread(target=self._loop, name="anole-render", daemon=True)

    def start(self) -> None:
        self._thread.start()

    def stop(self) -> None:
        """End the thread and wait for it."""
        with self._wake:
            self._over = True
            self._jobs.clear()
            self._wake.notify()
        if self._thread.is_alive():
            self._thread.join()

    def ask(self, request: Request) -> None:
        """Render this next; an older request not yet done is dropped."""
        with self._wake:
            self._request = request
            self._wake.notify()

    def ask_small(
        self,
        key: Any,
        board: Board | Callable[[], Board],
        scale: float | Callable[[Board], float],
        grounds: bool = False,
        area: Area | None = None,
    ) -> None:
        """Render a small picture when there is time; an older one of `key` is dropped. A board
        that takes time to make may be made in the thread. `area` is the part that is wanted, board
        px."""

        def job() -> None:
            made = board() if callable(board) else board
            factor = scale(made) if callable(scale) else scale
            box = None if area is None else _scaled_box(area, factor)
            self.drawn.emit(key, image_of(self._render_small(made, factor, not grounds, box)))

        self._later(key, job)

    def forget(self, kind: str) -> None:
        """Drop what waits under keys that begin so."""
        with self._wake:
            for key in [key for key in self._jobs if key[0] == kind]:
                del self._jobs[key]

    def ask_reduced(
        self, key: str, board: Board, widths: tuple[int, ...], sight: str = PLAIN
    ) -> None:
        """The board as it will be met at several widths: reduced from its own size, and seen so."""

        def job() -> None:
            scale = min(1.0, MOST_PROOF / board.width)
            pixels = self.left_out.tried(
                board,
                lambda sound: rgba(sound, scale, renderer=self._proof, stop=self._is_over),
            )
            for width in widths:
                picture = seen(np.ascontiguousarray(reduced(pixels, width)), sight)
                self.drawn.emit((key, width), image_of(picture))

        self._later((key,), job)

    def ask_row(self, key: Any, make: Callable[[], BoundRow], width: int) -> None:
        """The board of a row of a series, small, and what is wrong with the row."""

        def job() -> None:
            row = make()
            pixels = self._render_small(row.board, width / row.board.width, False)
            self.made.emit(key, image_of(pixels), row.warnings)

        self._later(key, job)

    def ask_report(self, board: Board) -> None:
        """What there is to say of the words on a board."""
        self._later(("report",), lambda: self.reported.emit(board, reports(board)))

    def ask_target(self, key: FileKey) -> None:
        """Which part of its board an export shows, where that must be looked for."""
        self._later(("target",), lambda: self.targeted.emit(key, target_of(*key)))

    def ask_file(self, key: FileKey) -> None:
        """The true bytes of an export, and the picture as it is read back from them."""

        def job() -> None:
            board, export = key
            target = target_of(board, export)
            if self._rendered is None or self._rendered[0] != target_key(target):
                pixels = rendered(target, deep=is_deep(export), stop=self._is_over)
                self._rendered = (target_key(target), pixels)
            pixels = self._rendered[1]
            shown = image_of(eight_bit(pixels))
            try:
                data, quality = data_of(export, pixels, target.dpi, self._is_over)
            except DoesNotFit as error:
                self.weighed.emit(key, Weighed(0, None, None, shown, str(error)))
                return
            read = as_read(export, data)
            self.weighed.emit(key, Weighed(len(data), quality, read, shown, ""))

        self._later(("file",), job)

    def ask_words(self, key: Any, text: str, font: Font, width: int, height: int) -> None:
        """Words in a font as a small picture in the theme's colour; the newest asked comes first."""
        colour = theme.colour("text")

        def job() -> None:
            self.worded.emit(key, tinted(words_coverage(text, font, width, height), colour))

        self._later(("words", key), job)

    def ask_picture(self, sha: str) -> None:
        """A carried picture, small: (h, w, 4) uint8, None where it cannot be read."""
        self._later(("picture", sha), lambda: self.pictured.emit(sha, small_picture(sha)))

    def ask_details(self, file: FontFile) -> None:
        """The axes and features of a font."""
        self._later(("details", file), lambda: self.detailed.emit(file, details(file)))

    def ask_stems(self, files: Sequence[FontFile]) -> None:
        """How thick the stems of many fonts are, some at a time."""
        first, rest = files[:STEMS_AT_ONCE], files[STEMS_AT_ONCE:]

        def job() -> None:
            self.measured.emit({file.family: stem_of(file) for file in first})
            if rest:
                self.ask_stems(rest)

        self._later(("stems",), job)

    def _render_small(
        self, board: Board, scale: float, transparent: bool, box: Box | None = None
    ) -> np.ndarray:
        def rendered(sound: Board) -> np.ndarray:
            if box is None:
                return rgba(
                    sound, scale, transparent=transparent, renderer=self._small, stop=self._is_over
                )
            return part(
                sound, scale, box, transparent=transparent, renderer=self._small, stop=self._is_over
            )

        return self.left_out.tried(board, rendered)

    def _is_over(self) -> bool:
        return self._over

    def _later(self, key: Any, job: Callable[[], None]) -> None:
        with self._wake:
            self._jobs.pop(key, None)
            self._jobs[key] = job
            self._wake.notify()

    @property
    def idle(self) -> bool:
        """Nothing is being rendered and nothing waits."""
        with self._wake:
            return not (self._busy or self._request or self._jobs)

    def _stale(self) -> bool:
        return self._over or self._request is not None

    def _warm(self) -> None:
        try:
            warm(self.warmed.emit)
        except BaseException as error:  # the thread outlives whatever a library throws
            TROUBLES.caught(error, f"The painter could not be prepared: {what(error)}")
        # whatever failed, the first frame makes what it needs
        self.warmed.emit(1.0)

    def _loop(self) -> None:
        self._warm()
        while True:
            with self._wake:
                self._busy = False
            self._rest()
            with self._wake:
                self._wake.wait_for(self._is_wanted)
                self._busy = True
                if self._over:
                    return
                request, self._request = self._request, None
                job = None if request else self._next_job()
            try:
                if request:
                    self._show(request)
                elif job:
                    job[1]()
            except Cancelled:
                continue
            except MemoryError as error:
                TROUBLES.caught(
                    error, "There is not enough memory to show this; try a smaller zoom."
                )
            except BaseException as error:  # the thread outlives whatever a library throws
                TROUBLES.caught(error, f"This board could not be painted: {what(error)}")

    def _rest(self) -> None:
        """Without work what nobody holds goes back to the system, and after a long while what only
        views that come and go need."""
        for seconds, let_go in ((REST, ()), (LONG_REST, (self._proof, self._halves))):
            with self._wake:
                if self._wake.wait_for(self._is_wanted, seconds):
                    return
            # not under the lock, which the window takes to ask for a picture
            for renderer in let_go:
                renderer.release()
            give_back()

    def _is_wanted(self) -> bool:
        return bool(self._over or self._request or self._jobs)

    def _next_job(self) -> tuple[Any, Callable[[], None]]:
        """The oldest job; of words in a list the newest, for that is what is looked at."""
        key = next(iter(self._jobs))
        last = next(reversed(self._jobs))
        if last[0] == "words":
            key = last
        return key, self._jobs.pop(key)

    def _show(self, request: Request) -> None:
        """A frame that takes longer than one can wait is first shown at half its scale."""
        if self._took > SLOW_SECONDS and request.scale > 2 * LEAST_SCALE:
            self.framed.emit(self._sound(request, self._rough))
            if self._stale():
                return
        start = time.perf_counter()
        frame = self._sound(request, self._frame)
        took = time.perf_counter() - start
        # one quick frame proves little: what was slow may be slow again
        self._took = max(took, self._took * FORGETTING)
        self.framed.emit(frame)

    def _sound(self, request: Request, render: Callable[[Request], Frame]) -> Frame:
        """The frame without what fails; it still shows the board that was asked for."""
        frame = self.left_out.tried(
            request.board, lambda board: render(request._replace(board=board))
        )
        return frame._replace(board=request.board)

    def _share(self) -> int:
        """By how much a rough frame is smaller."""
        return SHARES[0] if self._half_took < LATE_SECONDS else SHARES[1]

    def _rough(self, request: Request) -> Frame:
        start, box, share = time.perf_counter(), request.box, self._share()
        small = Box(box.x0 // share, box.y0 // share, -(-box.x1 // share), -(-box.y1 // share))
        rough = request._replace(scale=request.scale / share, window=small)
        planes = self._halves.frame(rough, self._stale)
        pixels = np.zeros((small.height, small.width), np.uint32)
        self._halves.picture(planes, small, False, pixels)
        # what half the scale would take grows with its px
        self._half_took = (time.perf_counter() - start) * (share / SHARES[0]) ** 2
        return Frame(
            frame_image(pixels, request.board), request.board, rough.scale, small, small, pixels
        )

    def _frame(self, request: Request) -> Frame:
        box = request.box
        try:
            planes = self._renderer.frame(request, self._stale)
        except BaseException:
            self._buffers.lost(box)
            raise
        pixels, part = self._buffers.draw(
            box,
            self._renderer.dirty,
            lambda part, into: self._renderer.picture(planes, part, False, into),
        )
        return Frame(
            frame_image(pixels, request.board), request.board, request.scale, box, part, pixels
        )
