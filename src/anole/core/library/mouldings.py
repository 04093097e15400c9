"""Mouldings that the user kept under names."""

from __future__ import annotations

from ..model.moulding import NamedMoulding
from .named import NamedFile

OWN = NamedFile("mouldings.json", NamedMoulding)
