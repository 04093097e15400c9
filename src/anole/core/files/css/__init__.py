"""CSS gradient text in and out (CSS Images 4, section 3)."""

from .reading import parse
from .tokens import CssError
from .writing import text

__all__ = ["CssError", "parse", "text"]
