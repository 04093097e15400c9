"""Names for the arrays that the core hands about; y runs downward, the last axis is x."""

from __future__ import annotations

from typing import Any, TypeAlias

import numpy as np
from numpy.typing import NDArray

Plane: TypeAlias = NDArray[np.float32]
"""(H, W) float32: coverage 0..1, a distance in px (+ inside), heights in px."""
Planes: TypeAlias = NDArray[np.float32]
"""(4, H, W) float32: red, green, blue, alpha, 0..1, sRGB-encoded, straight unless said otherwise;
(4, 1, W) or (4, H, 1) where every row or column is the same."""
Chords: TypeAlias = NDArray[np.float64]
"""(m, 4) float64: x0, y0, x1, y1 px; closed outlines, the covered area positive."""
Curves: TypeAlias = NDArray[np.float64]
"""(n, 4, 2) float64: the four points of cubic curves, in em, y down."""
Points: TypeAlias = NDArray[np.float64]
"""(m, 2) float64: x, y."""
Matrix: TypeAlias = NDArray[np.float64]
"""(2, 3), or (3, 3) for a projection: column vectors go in on the right."""
Table: TypeAlias = NDArray[np.float32]
"""Values of a function of one number, at equal steps: (n,), or (4, n) for colours."""
Numbers: TypeAlias = NDArray[np.int32]
"""(H, W) int32: which of some list each px belongs to; -1 where none."""
Mask: TypeAlias = NDArray[np.bool_]
"""(H, W) or (W,) bool."""
Real: TypeAlias = Any
"""A number in a kernel, float32 there; a type checker would not let it meet a float."""
Pixels: TypeAlias = NDArray[np.uint8]
"""(H, W, 4) uint8: red, green, blue, alpha, straight, sRGB-encoded."""
