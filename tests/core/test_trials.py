"""A sample of the trials: python -m tools.trials does all of them."""

from __future__ import annotations

import pytest
from tools.trials import files, kills, seeds, table, windows
from tools.trials.child import outcome, trial
from tools.trials.readers import READERS

from anole.core.files import board_file

OWN = seeds.own()


@pytest.mark.parametrize("kind", READERS)
def test_every_format_has_seeds_that_are_read(kind):
    assert [outcome(kind, data) for data in OWN[kind]] == ["accepted"] * len(OWN[kind])


@pytest.mark.parametrize("kind", READERS)
def test_mutated_files_give_clean_errors_or_are_accepted(kind):
    for number in range(12):
        said = outcome(kind, trial(kind, number, OWN[kind]))
        assert said in ("accepted", "clean", "killed"), (number, said)


def test_a_crash_and_a_raw_error_are_counted():
    """The runner itself, on a reader that dies of one file and stumbles over another."""
    found = files.run("planted", 6, [b"12"], lambda _: None)
    assert found.counts["crash"] == 1
    assert found.counts["raw"] == 1
    assert found.bad == 2
    assert found.files == 6


def test_kills_lose_nothing_that_was_kept():
    board = board_file.read(seeds.DATA / "boards" / "bout-night.anole").board
    found = kills.run(12, board, lambda _: None)
    assert (found.kills, found.broken, found.lost) == (12, 0, 0)
    assert found.steps > 12


def test_a_killed_window_loses_less_than_five_seconds():
    assert windows.run(1, lambda _: None).worst < 5


def test_the_table_says_what_was_found(tmp_path):
    one = files.FileTrials("png", files.Counter(accepted=3, clean=4, killed=1, raw=2), ())
    text = table.table(kills.Kills(9, 0, 1, 77), windows.WindowKills(2, 1.25, 0.5), [one])
    assert "| png | 10 | 5 | 3 | 1 | 0 | 0 | 2 |" in text
    assert "| **all** | 10 | 5 | 3 | 1 | 0 | 0 | 2 |" in text
    path = tmp_path / "a.md"
    path.write_text(f"before\n{table.BEGIN}\nold\n{table.END}\nafter\n")
    table.put(text, path)
    assert path.read_text().startswith("before\n") and path.read_text().endswith("after\n")
    assert "old" not in path.read_text()
