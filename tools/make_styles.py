"""Write the built-in styles. Every number and colour here was found by eye on our own boards."""

from __future__ import annotations

from anole.core.atomic import write_bytes
from anole.core.library.styles import SUFFIX, built_in_folder, file_name
from anole.core.model import Style, to_json

from .styles_depth import (
    floor_mirror,
    pier_block,
    pressed_plank,
    receding_block,
    stack_of_cards,
)
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
from .styles_surface import comet_wind, heat_wave, jelly, slate_cut, water_colour

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
    "pressed plank": (("wood", "raised", "ground"), pressed_plank),
    "pier block": (("block", "solid", "pose", "warm"), pier_block),
    "receding block": (("block", "solid", "cold"), receding_block),
    "stack of cards": (("paper", "stack", "copies"), stack_of_cards),
    "floor mirror": (("reflection", "polished", "cold"), floor_mirror),
    "jelly": (("sweet", "glass", "gloss"), jelly),
    "comet wind": (("wind", "speed", "sport"), comet_wind),
    "heat wave": (("fire", "heat", "waves"), heat_wave),
    "slate cut": (("stone", "engraved", "worn"), slate_cut),
    "water-colour": (("paint", "paper", "soft"), water_colour),
    "picture in words": (("picture", "ground", "two colours"), picture_in_words),
}

if __name__ == "__main__":
    built_in_folder().mkdir(parents=True, exist_ok=True)
    for old in built_in_folder().glob(f"*{SUFFIX}"):
        old.unlink()
    for name, (words, coats) in STYLES.items():
        style = Style(name=name, words=words, coats=coats())
        write_bytes(built_in_folder() / file_name(name), to_json(style))
