"""Rules of <style> and of style attributes, carried out: every property an attribute of its element.

CSS Cascading 4, section 6: importance, then specificity, then order; attributes come before rules.
"""

from __future__ import annotations

import re
from xml.etree.ElementTree import Element

import cssselect2
import tinycss2

from .errors import SvgError, SvgTroubles
from .parsing import check_urls, local

MOST_RULES = 5_000
PROPERTIES = frozenset(
    [
        "alignment-baseline",
        "baseline-shift",
        "clip-path",
        "clip-rule",
        "color",
        "color-interpolation",
        "color-interpolation-filters",
        "cx",
        "cy",
        "d",
        "direction",
        "display",
        "dominant-baseline",
        "enable-background",
        "fill",
        "fill-opacity",
        "fill-rule",
        "filter",
        "flood-color",
        "flood-opacity",
        "font-family",
        "font-size",
        "font-stretch",
        "font-style",
        "font-variant",
        "font-weight",
        "height",
        "image-rendering",
        "isolation",
        "letter-spacing",
        "lighting-color",
        "marker-end",
        "marker-mid",
        "marker-start",
        "mask",
        "mask-type",
        "mix-blend-mode",
        "opacity",
        "overflow",
        "paint-order",
        "r",
        "rx",
        "ry",
        "shape-rendering",
        "stop-color",
        "stop-opacity",
        "stroke",
        "stroke-dasharray",
        "stroke-dashoffset",
        "stroke-linecap",
        "stroke-linejoin",
        "stroke-miterlimit",
        "stroke-opacity",
        "stroke-width",
        "text-anchor",
        "text-decoration",
        "text-rendering",
        "transform",
        "unicode-bidi",
        "vector-effect",
        "visibility",
        "width",
        "word-spacing",
        "writing-mode",
        "x",
        "y",
    ]
)
HARMLESS = frozenset(["cursor", "pointer-events", "user-select", "line-height", "white-space", "-"])
"""What changes nothing in a static picture, or nothing that is drawn here."""
_FONT = re.compile(
    r"^(?P<flags>(?:(?:normal|italic|oblique|bold|bolder|lighter|small-caps|\d00)\s+)*)"
    r"(?P<size>[\d.]+[a-z%]*)(?:\s*/\s*\S+)?\s+(?P<family>.+)$",
    re.IGNORECASE,
)
Declared = dict[str, tuple[tuple, str]]


def _font(value: str) -> dict[str, str]:
    """The properties of a `font` shorthand that are drawn."""
    match = _FONT.match(value.strip())
    if match is None:
        return {}
    made = {"font-size": match["size"], "font-family": match["family"]}
    for flag in match["flags"].split():
        if flag in ("italic", "oblique"):
            made["font-style"] = flag
        elif flag[0].isdigit() or flag.startswith("bold") or flag == "lighter":
            made["font-weight"] = flag
    return made


def _declarations(content: object, troubles: SvgTroubles) -> list[tuple[str, str, bool]]:
    """Name, value and importance of each declaration that is drawn."""
    found = []
    for part in tinycss2.parse_declaration_list(content, True, True):
        if part.type == "at-rule":
            troubles.add(f"the rule @{part.at_keyword}")
        if part.type != "declaration":
            continue
        value = tinycss2.serialize(part.value).strip()
        check_urls(value)
        name = part.lower_name
        if name == "font":
            found += [(k, v, part.important) for k, v in _font(value).items()]
        elif "var(" in value or "calc(" in value:
            troubles.add(f"{name}: {value[:30]}")
        elif name in PROPERTIES:
            found.append((name, value, part.important))
        elif name not in HARMLESS and not name.startswith("-"):
            troubles.add(f"the property {name}")
    return found


def _sheets(root: Element) -> str:
    return "\n".join("".join(e.itertext()) for e in root.iter() if local(e) == "style")


def _matcher(root: Element, troubles: SvgTroubles) -> cssselect2.Matcher:
    """The rules of all sheets, to be asked for each element."""
    matcher = cssselect2.Matcher()
    rules = tinycss2.parse_stylesheet(_sheets(root), True, True)
    if len(rules) > MOST_RULES:
        raise SvgError(f"it has more than {MOST_RULES:,} rules of style")
    for rule in rules:
        if rule.type == "at-rule":
            if rule.lower_at_keyword == "import":
                raise SvgError("its style is in another file; only what it holds is drawn")
            if rule.lower_at_keyword not in ("charset", "namespace"):
                troubles.add(f"the rule @{rule.at_keyword}")
        elif rule.type == "qualified-rule":
            declared = _declarations(rule.content, troubles)
            try:
                selectors = cssselect2.compile_selector_list(rule.prelude)
            except cssselect2.SelectorError:
                troubles.add(f"the rule {tinycss2.serialize(rule.prelude).strip()[:30]}")
                continue
            for selector in selectors:
                matcher.add_selector(selector, declared)
    return matcher


def _put(into: Declared, rank: tuple, found: list[tuple[str, str, bool]]) -> None:
    for name, value, important in found:
        own = (important, *rank)
        if name not in into or into[name][0] <= own:
            into[name] = own, value


def cascaded(root: Element, troubles: SvgTroubles) -> None:
    """Write what rules and style attributes say into the elements' attributes. Raises SvgError."""
    matcher = _matcher(root, troubles)
    for wrapper in cssselect2.ElementWrapper.from_xml_root(root).iter_subtree():
        element, declared = wrapper.etree_element, Declared()
        for specificity, order, pseudo, payload in matcher.match(wrapper):
            if pseudo is None:
                _put(declared, (0, specificity, order), payload)
        style = element.attrib.pop("style", "")
        if style:
            _put(declared, (1, (0, 0, 0), 0), _declarations(style, troubles))
        element.attrib.update({name: value for name, (_, value) in declared.items()})
    for parent in root.iter():
        for child in [c for c in parent if local(c) == "style"]:
            parent.remove(child)
