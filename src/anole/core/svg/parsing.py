"""Bytes to a tree of elements; what could reach beyond the file is refused."""

from __future__ import annotations

import re
from typing import Any
from xml.etree.ElementTree import Element, TreeBuilder
from xml.parsers import expat

from .errors import SvgError

SVG, XLINK = "http://www.w3.org/2000/svg", "http://www.w3.org/1999/xlink"
MOST_ELEMENTS, DEEPEST, MOST_BYTES = 50_000, 200, 32 << 20
LINKING = frozenset({"use", "image", "feImage", "textPath", "mpath", "pattern", "linearGradient"})
"""Elements whose href is drawn; that of an `a` is only a link."""
_URL = re.compile(r"url\(\s*['\"]?\s*([^'\")\s]*)", re.IGNORECASE)
_PICTURE = re.compile(r"data:image/(png|jpe?g|gif|webp)[;,]", re.IGNORECASE)


def local(element: Element) -> str:
    """An element's name without its namespace; '' for one that is not SVG."""
    space, _, name = element.tag.rpartition("}")
    return name if space in ("{" + SVG, "") else ""


def href(element: Element) -> str:
    """What it refers to, by the new attribute or the old one."""
    found = element.get("href")
    return (element.get("{" + XLINK + "}href", "") if found is None else found).strip()


def check_urls(text: str) -> None:
    """Raises SvgError when a value names anything outside the file."""
    for target in _URL.findall(text):
        if not target.startswith("#") and not _PICTURE.match(target):
            raise SvgError(f"it draws on another file ({target[:40]}); only what it holds is drawn")


class _Reader:
    """Handlers of the XML parser; they build the tree and count."""

    def __init__(self) -> None:
        self.builder = TreeBuilder()
        self.count = self.depth = 0

    def _named(self, name: str) -> str:
        return "{" + name if "}" in name else name

    def start(self, name: str, attributes: dict[str, str]) -> None:
        self.count, self.depth = self.count + 1, self.depth + 1
        if self.count > MOST_ELEMENTS:
            raise SvgError(f"it has more than {MOST_ELEMENTS:,} elements")
        if self.depth > DEEPEST:
            raise SvgError("its elements lie in each other too deep")
        self.builder.start(self._named(name), {self._named(k): v for k, v in attributes.items()})

    def end(self, name: str) -> None:
        self.depth -= 1
        self.builder.end(self._named(name))

    def entity(self, *_: Any) -> None:
        raise SvgError("it declares entities, which are not read; save it without them")


def parsed(data: bytes) -> Element:
    """The root of an SVG in any encoding that XML knows. Raises SvgError."""
    if len(data) > MOST_BYTES:
        raise SvgError(f"it has more than {MOST_BYTES >> 20} MB")
    reader = _Reader()
    parser = expat.ParserCreate(namespace_separator="}")
    parser.buffer_text = True
    parser.StartElementHandler, parser.EndElementHandler = reader.start, reader.end
    parser.CharacterDataHandler = reader.builder.data
    parser.EntityDeclHandler = reader.entity
    try:
        parser.Parse(data, True)
        root = reader.builder.close()
    except expat.ExpatError as error:
        raise SvgError(f"it is not well-formed XML ({error})") from error
    if local(root) != "svg":
        raise SvgError("it is XML, but no SVG")
    for element in root.iter():
        _check(element)
    return root


def _check(element: Element) -> None:
    name = local(element)
    if name == "script":
        raise SvgError("it holds a script; save it without")
    for key, value in element.attrib.items():
        if key.lower().startswith("on"):
            raise SvgError(f"it holds a script ({key}); save it without")
        check_urls(value)
    target = href(element)
    if name in LINKING and target and not target.startswith("#") and not _PICTURE.match(target):
        what = target[:40] if not target.startswith("data:") else target.partition(",")[0][:40]
        raise SvgError(f"it draws on another file ({what}); only what it holds is drawn")
