"""What a file is, it stays when it is saved; what is no file is neither read nor written."""

from __future__ import annotations

import fcntl
import os
import stat
import time

import pytest

from anole.core import atomic
from anole.core.atomic import FileError, clear_strays, read_bytes, replacing, write_bytes

MODE = stat.S_IMODE


@pytest.fixture
def file(tmp_path):
    path = tmp_path / "a.anole"
    path.write_bytes(b"old")
    return path


@pytest.fixture
def umask():
    """Sets the umask for one test."""
    before = os.umask(0o022)
    yield os.umask
    os.umask(before)


@pytest.mark.parametrize("mode", [0o600, 0o640, 0o664, 0o755])
def test_a_file_keeps_its_mode(file, mode, umask):
    file.chmod(mode)
    umask(0o077)
    write_bytes(file, b"new")
    assert file.read_bytes() == b"new"
    assert MODE(file.stat().st_mode) == mode


@pytest.mark.parametrize(("mask", "mode"), [(0o022, 0o644), (0o077, 0o600), (0o002, 0o664)])
def test_a_new_file_has_what_the_umask_leaves(tmp_path, umask, mask, mode):
    umask(mask)
    write_bytes(tmp_path / "new.anole", b"x")
    assert MODE((tmp_path / "new.anole").stat().st_mode) == mode


@pytest.mark.skipif(os.geteuid() != 0, reason="only root gives files away")
def test_a_file_keeps_its_owner(file):
    os.chown(file, 1234, 2345)
    write_bytes(file, b"new")
    assert (file.stat().st_uid, file.stat().st_gid) == (1234, 2345)


def test_links_are_followed_also_to_what_is_not_there_yet(file, tmp_path):
    (tmp_path / "far").mkdir()
    for name, target in (("to-old", file), ("to-new", tmp_path / "far" / "new.anole")):
        link = tmp_path / name
        link.symlink_to(target)
        write_bytes(link, b"through")
        assert link.is_symlink()
        assert target.read_bytes() == b"through"
        assert not target.is_symlink()


def test_a_ring_of_links_is_refused(tmp_path):
    (tmp_path / "a").symlink_to(tmp_path / "b")
    (tmp_path / "b").symlink_to(tmp_path / "a")
    with pytest.raises(FileError, match="cannot write"):
        write_bytes(tmp_path / "a", b"x")
    with pytest.raises(FileError, match="cannot read"):
        read_bytes(tmp_path / "a", 100)


@pytest.mark.parametrize("length", [200, 255])
def test_names_as_long_as_they_can_be(tmp_path, length):
    path = tmp_path / ("n" * (length - 6) + ".anole")
    write_bytes(path, b"long")
    assert path.read_bytes() == b"long"
    with pytest.raises(FileError, match="name too long"):
        write_bytes(tmp_path / ("n" * 300), b"x")


def test_the_file_is_on_disk_before_its_name_and_the_name_before_the_end(file, monkeypatch):
    done = []
    sync, replace = os.fsync, os.replace
    monkeypatch.setattr(
        os,
        "fsync",
        lambda h: (done.append("dir" if stat.S_ISDIR(os.fstat(h).st_mode) else "file"), sync(h)),
    )
    monkeypatch.setattr(os, "replace", lambda a, b: (done.append("name"), replace(a, b)))
    write_bytes(file, b"new")
    assert done == ["file", "name", "dir"]


def test_what_dead_writers_left_goes_and_what_is_being_written_stays(file, tmp_path):
    for name in (".anole-1.part", ".else-1.part"):
        (tmp_path / name).write_bytes(b"?")
    with replacing(tmp_path / "b.anole") as other:
        other.write(b"half of it")
        write_bytes(file, b"new")
        clear_strays(tmp_path)
        left = {p.name for p in tmp_path.iterdir()}
        assert len(left) == 3 and {".else-1.part", "a.anole"} < left
        other.write(b", and the rest")
    assert (tmp_path / "b.anole").read_bytes() == b"half of it, and the rest"
    assert {p.name for p in tmp_path.iterdir()} == {".else-1.part", "a.anole", "b.anole"}


def test_a_part_taken_for_a_stray_before_it_was_locked_is_made_again(file, tmp_path, monkeypatch):
    lock, calls = fcntl.flock, []

    def late(handle, how):
        if how == fcntl.LOCK_EX and not calls:
            calls.append(how)
            clear_strays(tmp_path)
        lock(handle, how)

    monkeypatch.setattr(fcntl, "flock", late)
    write_bytes(file, b"new")
    assert calls and file.read_bytes() == b"new" and list(tmp_path.iterdir()) == [file]


@pytest.mark.parametrize("step", ["fsync", "replace", "fchmod"])
def test_at_no_step_is_a_writer_taken_for_a_dead_one(file, tmp_path, monkeypatch, step):
    true = getattr(os, step)

    def another_clears_first(*args):
        clear_strays(tmp_path)
        return true(*args)

    monkeypatch.setattr(os, step, another_clears_first)
    write_bytes(file, b"new")
    assert file.read_bytes() == b"new" and list(tmp_path.iterdir()) == [file]


def test_where_there_are_no_locks_strays_go_when_they_are_old(file, tmp_path, monkeypatch):
    def none(*_):
        raise OSError(37, "No locks available")

    monkeypatch.setattr(fcntl, "flock", none)
    old, young = tmp_path / ".anole-1.part", tmp_path / ".anole-2.part"
    old.write_bytes(b"?")
    young.write_bytes(b"?")
    os.utime(old, (time.time() - atomic.STRAY_AFTER - 60,) * 2)
    write_bytes(file, b"new")
    assert not old.exists() and young.exists()


@pytest.mark.parametrize("step", ["fsync", "replace"])
def test_what_fails_leaves_the_old_file_and_no_part(file, tmp_path, monkeypatch, step):
    def fail(*_):
        raise OSError(28, "No space left on device")

    monkeypatch.setattr(os, step, fail)
    with pytest.raises(FileError, match="no space left"):
        write_bytes(file, b"new")
    assert file.read_bytes() == b"old"
    assert [p.name for p in tmp_path.iterdir()] == ["a.anole"]


def test_an_interrupted_write_leaves_no_part(file, tmp_path, monkeypatch):
    def stop(*_):
        raise KeyboardInterrupt

    monkeypatch.setattr(os, "replace", stop)
    with pytest.raises(KeyboardInterrupt):
        write_bytes(file, b"new")
    assert [p.name for p in tmp_path.iterdir()] == ["a.anole"]


def test_folders_pipes_and_devices_are_neither_read_nor_replaced(tmp_path):
    pipe = tmp_path / "pipe"
    os.mkfifo(pipe)
    for path in (tmp_path, pipe, type(tmp_path)("/dev/zero")):
        with pytest.raises(FileError, match="cannot read"):
            read_bytes(path, 100)
        with pytest.raises(FileError, match="not a file"):
            write_bytes(path, b"x")
    assert stat.S_ISFIFO(pipe.lstat().st_mode)


@pytest.mark.skipif(os.geteuid() == 0, reason="root may write everything")
def test_a_write_protected_file_is_left(file):
    file.chmod(0o444)
    with pytest.raises(FileError, match="write-protected"):
        write_bytes(file, b"new")
    assert file.read_bytes() == b"old"


def test_reading_stops_at_the_limit(file):
    assert read_bytes(file, 3) == b"old"
    with pytest.raises(FileError, match="larger than"):
        read_bytes(file, 2)
