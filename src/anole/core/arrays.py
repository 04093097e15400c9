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
Row: TypeAlias = NDArray[np.float32]
"""(n,) float32: one row of a plane, or numbers of one kind."""
Values: TypeAlias = NDArray[np.float64]
"""(n,) float64: numbers of one kind."""
Records: TypeAlias = NDArray[np.float64]
"""(n, k) float64: one a row; what its columns are is said where it is made."""
Vector: TypeAlias = NDArray[np.float64]
"""(3,) or (n, 3) float64: places and directions in space, or colours."""
Colours: TypeAlias = NDArray[Any]
"""(3, ...) float32 or float64, as they come: a colour's numbers along the first axis, or (4, ...)."""
Reals: TypeAlias = NDArray[np.floating[Any]]
"""Of any shape, float32 or float64, as they come."""
Coordinates: TypeAlias = NDArray[np.float64]
"""(H, W), (1, W) or (H, 1) float64: x or y of px."""
Indices: TypeAlias = NDArray[np.int64]
"""(n,) int64: places in some list."""
FloatPixels: TypeAlias = NDArray[np.float32]
"""(H, W, 3 or 4) float32: as Pixels, 0..1."""
Bytes: TypeAlias = NDArray[np.uint8]
"""(n,) or (H, W) uint8."""
DeepPixels: TypeAlias = NDArray[np.unsignedinteger[Any]]
"""(H, W, 4) uint8, or uint16 where a file has 16 bits: as Pixels."""
AnyArray: TypeAlias = NDArray[Any]
"""Of any shape and dtype: handed on as it is."""
Packed: TypeAlias = NDArray[np.uint32]
"""(H, W) uint32: a px's four bytes as one number."""
