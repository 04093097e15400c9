"""What a desktop reads of us: the entry, the media types, the thumbnailer, the metadata, agreeing."""

from __future__ import annotations

import configparser
import tomllib
from pathlib import Path
from xml.etree import ElementTree

from anole.core.files import board_file, pack_file
from anole.core.library import styles
from anole.core.model import Board
from anole.core.model.nesting import every
from anole.studio.app import application
from anole.studio.documents.board_files import demo_boards

ROOT = Path(__file__).parents[1]
SHARE, ID = ROOT / "share", "org.anole_studio.Anole"
NAMESPACE = "{http://www.freedesktop.org/standards/shared-mime-info}"


def ini(path: Path) -> configparser.ConfigParser:
    parser = configparser.ConfigParser(interpolation=None)
    parser.optionxform = str
    parser.read(path)
    return parser


def test_the_media_types_are_those_that_files_say():
    tree = ElementTree.parse(SHARE / "mime" / "packages" / f"{ID}.xml")
    types = {
        kind.get("type"): kind.find(f"{NAMESPACE}glob").get("pattern")
        for kind in tree.getroot().findall(f"{NAMESPACE}mime-type")
    }
    assert types == {board_file.MEDIA_TYPE: "*.anole", pack_file.MEDIA_TYPE: "*.anolepack"}


def test_the_magic_finds_a_board():
    tree = ElementTree.parse(SHARE / "mime" / "packages" / f"{ID}.xml")
    data = board_file.encode(board_file.StoredBoard(Board()), None)
    match = tree.getroot().find(f"{NAMESPACE}mime-type/{NAMESPACE}magic/{NAMESPACE}match")
    while match is not None:
        value = match.get("value").encode().decode("unicode_escape").encode("latin-1")
        offset = int(match.get("offset"))
        assert data[offset : offset + len(value)] == value
        match = match.find(f"{NAMESPACE}match")


def test_the_entry_the_thumbnailer_and_the_metadata_agree():
    entry = ini(SHARE / "applications" / f"{ID}.desktop")["Desktop Entry"]
    small = ini(SHARE / "thumbnailers" / f"{ID}.thumbnailer")["Thumbnailer Entry"]
    about = ElementTree.parse(SHARE / "metainfo" / f"{ID}.metainfo.xml").getroot()
    assert entry["Icon"] == ID == about.findtext("id")
    assert (SHARE / "icons" / f"{ID}.svg").exists()
    assert set(entry["MimeType"].split(";")) - {""} == {board_file.MEDIA_TYPE, pack_file.MEDIA_TYPE}
    assert board_file.MEDIA_TYPE in small["MimeType"]
    assert small["Exec"].startswith("anole thumbnail %i %o")
    version = tomllib.loads((ROOT / "pyproject.toml").read_text())["project"]["version"]
    assert about.find("releases/release").get("version") == version


def test_everything_of_it_is_in_the_wheel():
    listed = tomllib.loads((ROOT / "pyproject.toml").read_text())["tool"]["setuptools"][
        "data-files"
    ]
    packed = {name for names in listed.values() for name in names}
    there = {str(path.relative_to(ROOT)) for path in SHARE.rglob("*") if path.is_file()}
    assert packed == there


def test_nobodys_marks_but_ours():
    assert ID.split(".")[1] == "anole_studio" and application().desktopFileName() == ID
    boards = [board_file.read(path).board for path in demo_boards()]
    names = {asset.name for board in boards for asset in board.assets}
    assert "club-emblem.svg" in names and not any("wing" in name for name in names)
    for board in boards:
        assert not any("wing" in piece.name.casefold() for piece in every(board.pieces))
    titles = {entry.style.name for entry in styles.built_in()}
    assert set(styles.RENAMED.values()) <= set(titles) and not set(styles.RENAMED) & set(titles)
    # boards and commands of before still find it
    for before, now in styles.RENAMED.items():
        assert styles.find(before).name == now
