"""Write the built-in styles. Every number and colour here was found by eye on our own boards."""

from __future__ import annotations

from anole.core.atomic import write_bytes
from anole.core.library.styles import SUFFIX, built_in_folder, file_name
from anole.core.model import Style, to_json

from .styles_flat import candy_drop, hue_run, picture_in_words, title_shout
from .styles_light import fog_swell, rink_tube, spray_halo
from .styles_metal import (
    brushed_rail,
    cup_gold,
    fern_print,
    foundry_bronze,
    wheel_steel,
    worn_metal,
)

STYLES = {
    "title shout": (("flat", "stripes", "outline", "loud"), title_shout),
    "cup gold": (("gold", "metal", "warm"), cup_gold),
    "foundry bronze": (("bronze", "metal", "warm"), foundry_bronze),
    "wheel steel": (("metal", "steel", "cold"), wheel_steel),
    "worn metal": (("metal", "worn", "scratches"), worn_metal),
    "brushed rail": (("metal", "brushed", "gloss", "cold"), brushed_rail),
    "fern print": (("green", "print", "rim"), fern_print),
    "rink tube": (("neon", "tube", "night", "light"), rink_tube),
    "fog swell": (("white", "soft", "swollen"), fog_swell),
    "spray halo": (("spray", "specks", "glow"), spray_halo),
    "candy drop": (("sweet", "gloss", "pink"), candy_drop),
    "hue run": (("rainbow", "colour", "party"), hue_run),
    "picture in words": (("picture", "ground", "two colours"), picture_in_words),
}

if __name__ == "__main__":
    built_in_folder().mkdir(parents=True, exist_ok=True)
    for old in built_in_folder().glob(f"*{SUFFIX}"):
        old.unlink()
    for name, (words, coats) in STYLES.items():
        style = Style(name=name, words=words, coats=coats())
        write_bytes(built_in_folder() / file_name(name), to_json(style))
