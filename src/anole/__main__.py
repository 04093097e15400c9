"""python -m anole"""

from .cli import main

main()
