"""The table of the trials, as docs/security.md shows it."""

from __future__ import annotations

import datetime
from collections.abc import Mapping, Sequence
from pathlib import Path

from .files import FileTrials
from .kills import Kills
from .memory import Held
from .windows import WindowKills

WORK = {"edits": "random edits in a window", "boards": "boards rendered by one process"}
BEGIN, END = "<!-- trials: begin -->", "<!-- trials: end -->"


def table(
    kills: Kills,
    windows: WindowKills,
    files: Sequence[FileTrials],
    held: Mapping[str, Held] | None = None,
) -> str:
    """Markdown; the last three columns, and the losses, are what must be 0."""
    lines = [
        f"As `python -m tools.trials` found it on {datetime.date.today():%-d %B %Y}:",
        "",
        "| killed amid work | kills | steps kept | files not whole | kept steps lost | seconds lost |",
        "|---|---|---|---|---|---|",
        f"| editing, keeping and saving | {kills.kills:,} | {kills.steps:,} | {kills.broken} | "
        f"{kills.lost} | |",
        f"| windows, a step every 40 ms | {windows.kills} | | | | {windows.worst:.1f} at worst, "
        f"{windows.mean:.1f} on average |",
        "",
        "| mutated files | files | clean errors | accepted | of the errors, helper ended "
        "| crashes | hangs | raw errors |",
        "|---|---|---|---|---|---|---|---|",
    ]
    for one in files:
        lines.append(_row(one.kind, one))
    counts = sum((one.counts for one in files), start=type(files[0].counts)())
    lines.append(_row("**all**", FileTrials("all", counts, ())))
    if held:
        lines += [
            "",
            "| long work, boards of 2000 x 1400 px | MB at the start | after the hundredth | at the end "
            "| at the most |",
            "|---|---|---|---|---|",
        ]
        lines += [
            f"| {one.count:,} {WORK[way]} | {one.start:.0f} | {one.first:.0f} | {one.end:.0f} "
            f"| {one.peak:.0f} |"
            for way, one in held.items()
        ]
    return "\n".join(lines)


def _row(title: str, one: FileTrials) -> str:
    counts = one.counts
    clean = counts["clean"] + counts["killed"]
    cells = [title, one.files, clean, counts["accepted"], counts["killed"]]
    cells += [counts[name] for name in ("crash", "hang", "raw")]
    return "| " + " | ".join(f"{c:,}" if isinstance(c, int) else c for c in cells) + " |"


def put(text: str, path: Path) -> None:
    """Write the table between its marks in a file."""
    whole = path.read_text()
    before, rest = whole.split(BEGIN)
    _, after = rest.split(END)
    path.write_text(f"{before}{BEGIN}\n{text}\n{END}{after}")
