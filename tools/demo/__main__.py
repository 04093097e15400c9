"""Write the demo boards: python -m tools.demo [NAME ...]"""

from __future__ import annotations

import sys
from importlib.resources import files
from pathlib import Path

from anole.core.files import board_file
from anole.core.files.preview import preview

from . import (
    bout_night,
    brine_cup,
    lamps_out,
    learn_to_stop,
    member_badge,
    plank_track,
    season_social,
)

BOARDS = Path(str(files("anole") / "data" / "boards"))
MADE = {
    "bout-night": bout_night.board,
    "brine-and-bearing-cup": brine_cup.board,
    "lamps-out-skate": lamps_out.board,
    "learn-to-stop": learn_to_stop.board,
    "member-badge": member_badge.board,
    "plank-track": plank_track.board,
    "season-social": season_social.board,
}


def main(names: list[str]) -> None:
    """Those named, or all of them."""
    BOARDS.mkdir(parents=True, exist_ok=True)
    for name in names or MADE:
        board = MADE[name]()
        board_file.write(BOARDS / f"{name}.anole", board_file.StoredBoard(board), preview(board))
        print(BOARDS / f"{name}.anole")


if __name__ == "__main__":
    main(sys.argv[1:])
