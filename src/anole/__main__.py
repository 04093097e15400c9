"""python -m anole"""

from .entry import main

if __name__ == "__main__":
    main()
