"""What the trade calls things: other words that the finder answers to, by the id of what they lead to.

A command's id is its own; a coat's, a tone's, a paint's, a mark's, a pattern's and a format's is its
kind and its name; a field's is that of its struct and its name, or of any struct that has one so
called.
"""

from __future__ import annotations

_TABLE = {
    # coats
    "coat:stroke": "outline, border, contour, rim, inline",
    "coat:shadow": "drop shadow, inner shadow, cast shadow, long shadow",
    "coat:relief": "bevel, emboss, chisel, engrave, carve",
    "coat:thickness": "extrude, extrusion, 3d, block letters, depth",
    "coat:mirror": "reflection",
    "coat:glow": "halo, outer glow, inner glow, neon",
    "coat:sheen": "satin",
    "coat:gloss": "shine, highlight",
    "coat:sparkle": "lens flare, glitter, flares",
    "coat:grain": "roughness, rough",
    "coat:ripple": "displace, displacement map, distort, turbulence",
    "coat:streak": "motion blur, wind",
    "coat:copies": "repeat, echo",
    "coat:wear": "distress, grunge, scratched, erode",
    "coat:glass": "refraction, frosted",
    "coat:press": "pressed, letterpress, deboss",
    "coat:tone": "colour correction, adjustment",
    # paints, tones, patterns, marks
    "paint:pattern": "texture",
    "paint:image": "texture, picture fill",
    "tone:levels": "brightness, contrast, gamma, black point",
    "tone:curves": "curve",
    "tone:perceptual": "hue, saturation, chroma, vibrance",
    "tone:tint": "colorize, colourize",
    "tone:blur": "soften, gaussian blur",
    "tone:speckle": "noise, film grain",
    "tone:invert": "negative",
    "tone:grey": "grayscale, greyscale, black and white, desaturate",
    "tone:ink-ramp": "gradient map, duotone",
    "tone:flats": "posterise, posterize",
    "tone:cdl": "lift gamma gain, slope offset power, colour grading",
    "pattern:rays": "light rays, sunburst rays, god rays",
    "mark:confetti": "party",
    "scatter": "snow, confetti, particles, rain",
    "stamps": "stamp, brush, sticker",
    # pieces
    "words": "text, title, type, emoji",
    "picture": "image, photo, logo, svg, import, icon",
    "rim": "vignette",
    "pool": "spotlight, light leak",
    "wash": "adjustment layer, filter",
    "choose ground": "background",
    "ground picture": "background image",
    "pieces list": "layer, layers",
    # the words' fields
    "field:tracking": "kerning, letter spacing, letterspacing",
    "field:leading": "line spacing, line height",
    "field:font": "typeface, typography",
    "field:font.weight": "bold, heavy, light",
    "field:font.italic": "oblique",
    "capitals": "uppercase, caps, all caps",
    "field:head": "arc, arch, curve text, warp, bend",
    "field:pose": "perspective, tilt in space",
    "field:corners": "distort corners, four corners",
    "field:skew": "skew, shear, lean",
    "field:rotation": "rotate, angle",
    "field:size": "scale, font size, bigger",
    "field:align": "justify, text align",
    # the board
    "field:board.width": "resize, canvas size, dimensions",
    "field:board.dpi": "dpi, ppi, pixel density",
    "crop": "trim",
    # blending
    "field:blend": "blend mode, multiply, screen, overlay",
    "field:opacity": "transparency, alpha",
    # exports
    "export:jpeg": "jpg, save as jpg, save as jpeg",
    "export:png": "save as png",
    "export:pdf": "print",
    "export:coat by coat": "gif, animation, animated",
    "field:export.transparent": "transparent background, no background, alpha channel",
    "field:export.most": "compress, file size, kilobytes",
    "field:export.bleed": "crop marks",
    # commands
    "flip across": "flip, flip horizontal, mirrored",
    "flip down": "flip vertical, upside down",
    "clip": "mask, clipping mask",
    "cluster": "group, merge",
    "dissolve": "ungroup",
    "copy": "copy style",
    "paste-style": "paste style",
    "undo": "back",
    "steps": "history, undo history",
    "zoom in": "zoom, magnify",
    "dress": "theme, dark mode, light mode",
    "keys": "shortcuts, help, hotkeys, keyboard",
    "pick colour": "eyedropper, color picker, colour picker, dropper",
    "saved colours": "swatches, palette",
    "series": "batch, csv, spreadsheet, table, data merge",
    "all styles": "preset, presets, template, library",
    "proof": "color blind, colour blind, legibility, preview, thumbnail size, readable",
    "test strip": "variations, random, variants",
    "reshuffle": "randomise, shuffle",
    "export all": "batch export",
    "top": "bring to front",
    "foot": "send to back",
    "raise": "move up, bring forward",
    "lower": "move down, send backward",
    "quit": "exit",
    "save-as": "save as, save a copy",
    "import pack": "install styles",
    # choices of menus, by their menu
    "choice:Line up": "align, distribute, center, centre",
    "choice:New board for": "new document, new file",
    "choice:Recent boards": "recent, recently opened",
    "choice:Demo boards": "demo, template, example, sample",
    "choice:When saving, the version before": "settings, preferences, options, backup",
    # hands
    "hand:As when it was chosen": "before after, compare",
    "hand:Mix some of a style in": "mix styles, blend styles",
    "hand:Move": "guides, snap, grid, snapping, thirds, margins",
    "hand:Where the strip is cut": "ruler, measure",
    "none:sharpen": "sharpen, unsharp mask",
}
TRADE_WORDS = {
    key: tuple(phrase.strip() for phrase in phrases.split(",")) for key, phrases in _TABLE.items()
}
"""Lower-case phrases by the id of what they lead to."""
