"""Everything that makes a picture of a board; knows nothing of windows."""

from . import kernel_cache

kernel_cache.mend()
