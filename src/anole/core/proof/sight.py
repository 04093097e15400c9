"""How others see a picture: without colour, with one of three colour-vision deficiencies, at a glance.

The deficiencies are those of coloraide's filters by the method of G. M. Machado, M. M. Oliveira and
L. A. F. Fernandes, "A Physiologically-based Model for Simulation of Color Vision Deficiency", 2009, at
full severity: one matrix on linear light, which is asked of that library once.
"""

from __future__ import annotations

import functools

import cv2
import numpy as np

from ..arrays import Bytes, Matrix, Pixels, Reals
from ..colour.spaces import to_encoded, to_linear

PLAIN, GREY, GLANCE = "plain", "grey", "glance"
DEFICIENCIES = {"protan": "red-weak", "deutan": "green-weak", "tritan": "blue-weak"}
SIGHTS = (PLAIN, GREY, *DEFICIENCIES, GLANCE)
LUMINANCE = np.array([0.2126, 0.7152, 0.0722])
"""Of linear sRGB (WCAG 2.2, relative luminance)."""
BLUR = 1 / 55
"""Deviation of the blur of a glance, as a share of the picture's width."""


@functools.cache
def deficiency_matrix(kind: str) -> Matrix:
    """(3, 3) on linear sRGB, columns in."""
    from coloraide import Color

    columns = []
    for axis in np.eye(3).tolist():
        seen = Color("srgb-linear", axis).filter(kind, 1, method="machado", space="srgb-linear")
        columns.append(seen.convert("srgb-linear")[:3])
    return np.array(columns).T


@functools.cache
def _linear_of_byte() -> Reals:
    return to_linear(np.arange(256) / 255).astype(np.float32)


def _encoded_bytes(linear: Reals) -> Bytes:
    table = (to_encoded(np.arange(4097) / 4096) * 255 + 0.5).astype(np.uint8)
    return table[(np.clip(linear, 0, 1) * 4096 + 0.5).astype(np.int32)]


def seen(pixels: Pixels, sight: str) -> Pixels:
    """(H, W, 4) uint8 as they are seen; alpha stays. Raises KeyError for an unknown sight."""
    if sight == PLAIN:
        return pixels
    if sight == GLANCE:
        return _blurred(pixels, max(pixels.shape[1] * BLUR, 0.5))
    linear = _linear_of_byte()[pixels[..., :3]]
    if sight == GREY:
        light = linear @ LUMINANCE.astype(np.float32)
        colour = np.repeat(light[..., None], 3, -1)
    elif sight in DEFICIENCIES:
        colour = linear @ deficiency_matrix(sight).T.astype(np.float32)
    else:
        raise KeyError(sight)
    return np.concatenate([_encoded_bytes(colour), pixels[..., 3:]], -1)


def _blurred(pixels: Pixels, sigma: float) -> Pixels:
    """What is clear has no colour that could run into others."""
    planes = pixels.astype(np.float32)
    planes[..., :3] *= planes[..., 3:] / 255
    soft = cv2.GaussianBlur(planes, (0, 0), sigma)
    soft[..., :3] *= 255 / np.maximum(soft[..., 3:], 1e-3)
    return np.rint(np.clip(soft, 0, 255)).astype(np.uint8)


def luminance(pixels: Pixels) -> Reals:
    """(H, W) float32 relative luminance 0..1 of (H, W, 3 or 4) uint8 sRGB (WCAG 2.2)."""
    return _linear_of_byte()[pixels[..., :3]] @ LUMINANCE.astype(np.float32)


def contrast(a: Reals, b: Reals) -> Reals:
    """The contrast ratio of two relative luminances, 1..21 (WCAG 2.2, contrast ratio)."""
    return (np.maximum(a, b) + 0.05) / (np.minimum(a, b) + 0.05)
