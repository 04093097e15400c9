"""Pictures for the demo boards, made of numbers: a rink hall with its lamps."""

from __future__ import annotations

import io

import numpy as np
from PIL import Image


def _noise(rng: np.random.Generator, shape: tuple[int, int], cells: tuple[int, int]) -> np.ndarray:
    """Smooth noise in 0..1."""
    small = rng.random(cells).astype(np.float32)
    image = Image.fromarray((small * 255).astype(np.uint8)).resize(
        shape[::-1], Image.Resampling.BICUBIC
    )
    return np.asarray(image, np.float32) / 255


def rink_hall(width: int = 1280, height: int = 720) -> bytes:
    """A wooden rink seen from its edge, dark stands behind, lamps over it; as a JPEG."""
    rng = np.random.default_rng(17)
    y, x = np.mgrid[:height, :width].astype(np.float32)
    u, v = x / width, y / height
    horizon = 0.46
    floor = np.clip((v - horizon) / (1 - horizon), 0, 1)
    depth = 1 / (floor + 0.06)
    across = (u - 0.5) * depth * 1.2
    plank = np.floor(across * 14)
    tone = 0.82 + 0.18 * np.sin(plank * 12.9898) * np.cos(plank * 4.1)
    gap = np.abs(across * 14 - plank - 0.5) > 0.485
    grain = _noise(rng, (height, width), (height // 3, 40))
    wood = np.stack([0.62 * tone, 0.39 * tone, 0.21 * tone], -1) * (0.8 + 0.4 * grain[..., None])
    wood[gap] *= 0.55
    stands = np.stack([0.05 + 0 * u, 0.08 + 0.03 * v, 0.13 + 0.06 * v], -1)
    rows = (np.sin((v - 0.1) * 95) > 0.72) & (v < horizon)
    stands[rows] += 0.03
    crowd = (_noise(rng, (height, width), (90, 260)) > 0.66) & (v > 0.18) & (v < horizon - 0.03)
    stands[crowd] += (0.035, 0.03, 0.05)
    image = np.where((v > horizon)[..., None], wood, stands)
    light = np.zeros((height, width, 3), np.float32)
    for n, at in enumerate((0.12, 0.37, 0.63, 0.88)):
        colour = np.array([(1.0, 0.78, 0.5), (0.6, 0.85, 1.0)][n % 2], np.float32)
        lamp = np.exp(-(((u - at) / 0.018) ** 2 + ((v - 0.07) / 0.02) ** 2))
        glow = np.exp(-(((u - at) / 0.12) ** 2 + ((v - 0.07) / 0.16) ** 2))
        cone = np.exp(-(((u - at) / (0.02 + 0.16 * np.clip(v - 0.07, 0, 1))) ** 2)) * np.clip(
            1 - v, 0, 1
        )
        shine = np.exp(-(((u - at) / (0.05 + 0.1 * floor)) ** 2)) * floor * (1 - floor) ** 1.2 * 2.2
        light += (1.4 * lamp + 0.4 * glow + 0.22 * cone * (v > 0.07))[..., None] * colour
        image = image * (1 + 1.3 * shine[..., None] * colour)
    rim = 1 - 0.55 * ((2 * u - 1) ** 2 + (2 * v - 1) ** 2) / 2
    final = np.clip((image * 0.8 + light) * rim[..., None], 0, 1) ** 0.9
    room = io.BytesIO()
    Image.fromarray((final * 255 + 0.5).astype(np.uint8)).save(room, "JPEG", quality=88)
    return room.getvalue()
