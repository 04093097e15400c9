"""Planes with several places a px, and back to one."""

from __future__ import annotations

import cv2
import numpy as np

from ..arrays import Plane


def finer(plane: Plane, by: int) -> Plane:
    """(by H, by W) float32: between four px; the same plane for 1."""
    if by == 1:
        return plane
    size = (plane.shape[1] * by, plane.shape[0] * by)
    return cv2.resize(np.ascontiguousarray(plane), size, interpolation=cv2.INTER_LINEAR)


def averaged(plane: Plane, by: int) -> Plane:
    """(H / by, W / by) float32: the mean of the places of each px; the same plane for 1."""
    if by == 1:
        return plane
    size = (plane.shape[1] // by, plane.shape[0] // by)
    return cv2.resize(np.ascontiguousarray(plane), size, interpolation=cv2.INTER_AREA)
