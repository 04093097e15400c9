"""Make the dither tile: 64 x 64 ranks of blue noise by void and cluster (R. Ulichney, 1993)."""

from __future__ import annotations

from pathlib import Path

import numpy as np

SIDE, SIGMA = 64, 1.9
OUT = Path(__file__).parents[1] / "src" / "anole" / "data" / "noise.npy"


def bump() -> np.ndarray:
    """A Gaussian around (0, 0) on the torus."""
    at = np.minimum(np.arange(SIDE), SIDE - np.arange(SIDE))
    return np.exp(-(at[:, None] ** 2 + at[None, :] ** 2) / (2 * SIGMA**2))


def shifted(kernel: np.ndarray, spot: tuple[int, int]) -> np.ndarray:
    return np.roll(kernel, spot, (0, 1))


def extreme(energy: np.ndarray, where: np.ndarray, cluster: bool) -> tuple[int, int]:
    """The tightest cluster among set pixels, or the largest void among clear ones."""
    masked = np.where(where, energy, -np.inf if cluster else np.inf)
    flat = masked.argmax() if cluster else masked.argmin()
    return tuple(int(v) for v in np.unravel_index(flat, energy.shape))  # type: ignore[return-value]


def start(kernel: np.ndarray) -> np.ndarray:
    """An even first pattern of a tenth of the pixels."""
    on = np.zeros((SIDE, SIDE), bool)
    on.flat[np.random.default_rng(7).permutation(SIDE * SIDE)[: SIDE * SIDE // 10]] = True
    energy = sum(shifted(kernel, tuple(p)) for p in np.argwhere(on))
    while True:
        tight = extreme(energy, on, True)
        on[tight] = False
        energy = energy - shifted(kernel, tight)
        void = extreme(energy, ~on, False)
        on[void] = True
        energy = energy + shifted(kernel, void)
        if tight == void:
            return on


def ranks() -> np.ndarray:
    kernel = bump()
    first = start(kernel)
    rank = np.zeros((SIDE, SIDE), np.int32)
    on = first.copy()
    energy = sum(shifted(kernel, tuple(p)) for p in np.argwhere(on))
    for value in range(int(first.sum()) - 1, -1, -1):
        tight = extreme(energy, on, True)
        on[tight], rank[tight] = False, value
        energy = energy - shifted(kernel, tight)
    on = first.copy()
    energy = sum(shifted(kernel, tuple(p)) for p in np.argwhere(on))
    for value in range(int(first.sum()), SIDE * SIDE):
        void = extreme(energy, ~on, False)
        on[void], rank[void] = True, value
        energy = energy + shifted(kernel, void)
    return rank


if __name__ == "__main__":
    np.save(OUT, ranks().astype(np.uint16))
