"""The thread that renders. The newest request wins; small pictures wait until it is idle."""

from __future__ import annotations

import threading
from collections import OrderedDict
from collections.abc import Callable, Iterator
from typing import Any, NamedTuple

from PyQt6.QtCore import QObject, pyqtSignal
from PyQt6.QtGui import QImage

from ...core.arrays import Pixels
from ...core.box import Box
from ...core.memory import give_back
from ...core.model import Board
from ...core.render.compiling import prepare
from ...core.render.export import part, rgba
from ...core.render.renderer import Cancelled, Renderer, Request
from ..look.pixel_images import image_of
from ..runtime.left_out import LeftOut
from ..runtime.troubles import TROUBLES, what
from .frame_maker import FrameMaker

REST, LONG_REST = 1.5, 6.0
"""Seconds without work after which memory that was given back goes to the system; and more, after
which what Proof and rough frames keep is given back."""


Area = tuple[float, float, float, float]


def scaled_box(area: Area, scale: float) -> Box:
    """The px of an area of the board, as many as its size says whatever it is rounded from."""
    x0, y0 = round(area[0] * scale), round(area[1] * scale)
    wide, high = ((area[2] - area[0]) * scale, (area[3] - area[1]) * scale)
    return Box(x0, y0, x0 + max(round(wide), 1), y0 + max(round(high), 1))


Key = tuple[Any, ...]
"""Whose job it is, and which; its first part is what forget() asks for."""

Job = Callable[["Worker"], object]
"""Done in the worker's thread; what it gives is told."""


class Waiting(NamedTuple):
    """A job that waits."""

    run: Callable[[], None]
    newest_first: bool


class Worker(QObject):
    """`framed` carries the board view's picture, `drawn` a small one under its key, `done` what a
    job came to, under its key."""

    framed = pyqtSignal(object)
    drawn = pyqtSignal(object, QImage)
    done = pyqtSignal(object, object)
    warmed = pyqtSignal(float)

    def __init__(self) -> None:
        super().__init__()
        self._wake = threading.Condition()
        self._request: Request | None = None
        self._jobs: OrderedDict[Key, Waiting] = OrderedDict()
        self._over = False
        self._busy = True
        self._small = Renderer()
        self._lent: dict[str, Renderer] = {}
        self.left_out = LeftOut()
        self.left_out.setParent(self)
        self._frames = FrameMaker(self.left_out, self._stale, self.framed.emit)
        self._thread = threading.Thread(target=self._loop, name="anole-render", daemon=True)

    def start(self) -> None:
        """Begin to render, in a thread of its own."""
        self._thread.start()

    def stop(self) -> None:
        """End the thread and wait for it."""
        with self._wake:
            self._over = True
            self._jobs.clear()
            self._wake.notify()
        if self._thread.is_alive():
            self._thread.join()

    def show(self, request: Request) -> None:
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
            box = None if area is None else scaled_box(area, factor)
            self.drawn.emit(key, image_of(self.small(made, factor, not grounds, box)))

        self._later(key, job)

    def forget(self, kind: str) -> None:
        """Drop what waits under keys that begin so."""
        with self._wake:
            for key in [key for key in self._jobs if key[0] == kind]:
                del self._jobs[key]

    def ask(self, key: Key, job: Job, newest_first: bool = False) -> None:
        """Do a job when there is time, and tell what it came to as `done`, of an iterator each thing
        as it comes; an older one of `key` is dropped. newest_first : of jobs like it the last one asked for is done next, as what is seen
        in a list that is scrolled"""

        def run() -> None:
            came_to = job(self)
            if isinstance(came_to, Iterator):
                self._tell_each(key, came_to)
            else:
                self.done.emit(key, came_to)

        self._later(key, run, newest_first)

    def _tell_each(self, key: Key, results: Iterator[object]) -> None:
        """Tell what comes; between two of them a frame goes before, and a newer job in their place."""
        for one in results:
            self.done.emit(key, one)
            with self._wake:
                if key in self._jobs:
                    return
                if self._request is not None:
                    rest = Waiting(lambda: self._tell_each(key, results), newest_first=False)
                    self._jobs[key] = rest
                    self._jobs.move_to_end(key, last=False)
                    return

    # what jobs may use, in the worker's thread

    def renderer(self, name: str) -> Renderer:
        """One for those who ask for it by that name; what it keeps is given back after a long rest."""
        if name not in self._lent:
            self._lent[name] = Renderer()
        return self._lent[name]

    def small(
        self, board: Board, scale: float, transparent: bool, box: Box | None = None
    ) -> Pixels:
        """(H, W, 4) uint8 of a board, or of a box of its px, without what fails."""

        def rendered(sound: Board) -> Pixels:
            if box is None:
                return rgba(
                    sound, scale, transparent=transparent, renderer=self._small, stop=self.is_over
                )
            return part(
                sound, scale, box, transparent=transparent, renderer=self._small, stop=self.is_over
            )

        return self.left_out.tried(board, rendered)

    def is_over(self) -> bool:
        """Whether the window is closing: nobody waits for anything any more."""
        return self._over

    # the thread

    def _later(self, key: Key, run: Callable[[], None], newest_first: bool = False) -> None:
        with self._wake:
            self._jobs.pop(key, None)
            self._jobs[key] = Waiting(run, newest_first)
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
            prepare(self.warmed.emit, self.is_over)
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
                    self._frames.show(request)
                elif job:
                    job.run()
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
        for seconds, let_go in (
            (REST, ()),
            (LONG_REST, (*self._lent.values(), self._frames.halves)),
        ):
            with self._wake:
                if self._wake.wait_for(self._is_wanted, seconds):
                    return
            # not under the lock, which the window takes to ask for a picture
            for renderer in let_go:
                renderer.release()
            give_back()

    def _is_wanted(self) -> bool:
        return bool(self._over or self._request or self._jobs)

    def _next_job(self) -> Waiting:
        """The oldest job; the newest where that is looked at."""
        last = next(reversed(self._jobs))
        key = last if self._jobs[last].newest_first else next(iter(self._jobs))
        return self._jobs.pop(key)
