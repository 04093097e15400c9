"""A hand at a real display: events by way of XTEST, as a mouse and a keyboard make them."""

from __future__ import annotations

import ctypes
import ctypes.util
import time

LEFT, MIDDLE, RIGHT, UP, DOWN = 1, 2, 3, 4, 5
"""Buttons; a wheel's notches are two of them."""
HELD = {"ctrl": "Control_L", "shift": "Shift_L", "alt": "Alt_L"}
PAUSE = 0.012
"""Seconds between two events: a hand is no faster."""


class Hand:
    """Acts on the display that DISPLAY names; from any thread, but from one alone."""

    def __init__(self) -> None:
        self._x = ctypes.CDLL("libX11.so.6")
        self._test = ctypes.CDLL("libXtst.so.6")
        self._x.XOpenDisplay.restype = ctypes.c_void_p
        self._x.XStringToKeysym.restype = ctypes.c_ulong
        self._x.XKeysymToKeycode.argtypes = [ctypes.c_void_p, ctypes.c_ulong]
        self._x.XFlush.argtypes = [ctypes.c_void_p]
        unsigned, whole = ctypes.c_uint, ctypes.c_int
        self._test.XTestFakeMotionEvent.argtypes = [
            ctypes.c_void_p, whole, whole, whole, ctypes.c_ulong
        ]  # fmt: skip
        for fake in (self._test.XTestFakeButtonEvent, self._test.XTestFakeKeyEvent):
            fake.argtypes = [ctypes.c_void_p, unsigned, whole, ctypes.c_ulong]
        self._display = self._x.XOpenDisplay(None)
        if not self._display:
            raise OSError("no display can be reached")

    def _sent(self) -> None:
        self._x.XFlush(self._display)
        time.sleep(PAUSE)

    def move(self, x: int, y: int) -> None:
        """To a point of the screen, px."""
        self._test.XTestFakeMotionEvent(self._display, -1, x, y, 0)
        self._sent()

    def button(self, number: int, down: bool) -> None:
        self._test.XTestFakeButtonEvent(self._display, number, int(down), 0)
        self._sent()

    def click(self, x: int, y: int, number: int = LEFT, times: int = 1) -> None:
        """At a point, with the wheel too."""
        self.move(x, y)
        for _ in range(times):
            self.button(number, True)
            self.button(number, False)

    def drag(self, start: tuple[int, int], end: tuple[int, int], steps: int = 7) -> None:
        """Pull with the left button."""
        self.move(*start)
        self.button(LEFT, True)
        for n in range(1, steps + 1):
            self.move(*(a + (b - a) * n // steps for a, b in zip(start, end, strict=True)))
        self.button(LEFT, False)

    def key(self, chord: str) -> None:
        """A key by its name in X, with what is held: "a", "Return", "ctrl+shift+z"."""
        held, _, last = chord.rpartition("+")
        self.hold(held, True)
        self._key(last, True)
        self._key(last, False)
        self.hold(held, False)

    def hold(self, keys: str, down: bool) -> None:
        """Hold or let go of "ctrl", "ctrl+shift", or none."""
        held = [one for one in keys.split("+") if one]
        for one in held if down else reversed(held):
            self._key(HELD[one], down)

    def _key(self, name: str, down: bool) -> None:
        self._test.XTestFakeKeyEvent(self._display, self._code(name), int(down), 0)
        self._sent()

    def type(self, text: str) -> None:
        """Lower-case letters, digits and spaces."""
        for letter in text:
            self.key("space" if letter == " " else letter)

    def _code(self, name: str) -> int:
        symbol = self._x.XStringToKeysym(name.encode())
        code = self._x.XKeysymToKeycode(self._display, symbol) & 0xFF
        if not code:
            raise ValueError(f"no key makes {name}")
        return code
