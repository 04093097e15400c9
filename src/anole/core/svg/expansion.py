"""How much a file draws once every `use` is carried out: circles and bombs are refused."""

from __future__ import annotations

from xml.etree.ElementTree import Element

from .errors import SvgError
from .parsing import href, local

MOST_DRAWN = 50_000
Ids = dict[str, Element]


def by_id(root: Element) -> Ids:
    """Elements by their id; the first of several."""
    found: Ids = {}
    for element in root.iter():
        name = element.get("id")
        if name:
            found.setdefault(name, element)
    return found


def target(element: Element, ids: Ids) -> Element | None:
    """What a `use` shows."""
    name = href(element)
    return ids.get(name[1:]) if name.startswith("#") else None


def check_expansion(root: Element, ids: Ids) -> None:
    """Raises SvgError where a `use` leads back to itself, or all of them draw too much."""
    known: dict[Element, int] = {}
    open_now: set[Element] = set()

    def count(element: Element) -> int:
        if element in known:
            return known[element]
        if element in open_now:
            raise SvgError("a part of it uses itself, without end")
        open_now.add(element)
        used = target(element, ids) if local(element) == "use" else None
        total = 1 + sum(count(child) for child in element)
        total += count(used) if used is not None else 0
        open_now.discard(element)
        known[element] = total
        if total > MOST_DRAWN:
            raise SvgError(f"it draws more than {MOST_DRAWN:,} parts")
        return total

    try:
        count(root)
    except RecursionError as error:
        raise SvgError("its parts use each other too deep") from error
