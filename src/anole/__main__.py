"""python -m anole"""

from .entry import main

main()
