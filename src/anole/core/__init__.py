"""Everything that makes a picture of a board; knows nothing of windows."""

from . import kernel_cache

kernel_cache.mend()

from .files import formats  # noqa: E402, F401  boards that are read name them
