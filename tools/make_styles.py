"""Write the built-in styles. Every number and colour here was found by eye on our own boards."""

from __future__ import annotations

from collections.abc import Callable
from typing import NamedTuple

import msgspec

from anole.core.atomic import write_bytes
from anole.core.library.styles import ORDER, SUFFIX, built_in_folder, file_name
from anole.core.model import Coat, Pose, Setting, Style, to_json

from . import (
    styles_cloth,
    styles_depth,
    styles_earth,
    styles_flat,
    styles_light,
    styles_metal,
    styles_night,
    styles_plain,
    styles_play,
    styles_rich,
    styles_surface,
    styles_winter,
)
from .style_grounds import GROUNDS, measured, sentence

AUTHOR, MADE = "Anole", "2026-11-26"


class Entry(NamedTuple):
    """What a style is found by, one line about it, its coats, and how it sets words."""

    words: str
    note: str
    coats: Callable[[], tuple[Coat, ...]]
    setting: Setting | None = None


TURNED = Setting(pose=Pose(turn_y=-24.0, turn_x=9.0))
STYLES = {
    # print and signs
    "plain ink": Entry("plain flat print dark outline readable", "Dark letters that a rim of paper lifts off any ground.", styles_plain.plain_ink),
    "house white": Entry("plain white paint sign readable", "White paint, shaded just enough to stand on light and dark.", styles_plain.house_white),
    "title shout": Entry("flat stripes outline loud cartoon thumbnail", "Flat colour, two bold outlines, a hard shadow: reads at any size.", styles_flat.title_shout),
    "die-cut decal": Entry("sticker vinyl outline blue flat", "A die-cut sticker with a wide white border and a light across it.", styles_plain.die_cut_decal),
    "newsprint pop": Entry("comic dots halftone retro loud print", "A coarse screen of dots in a heavy line, set off to the lower right.", styles_plain.newsprint_pop),
    "sunset parlour": Entry("retro eighties stripes arcade evening", "Evening colours behind bars, in a thin bright rim.", styles_plain.sunset_parlour),
    "off register": Entry("retro print two colours misprint paper", "Two inks out of register on cream.", styles_plain.off_register),
    "low sun": Entry("long shadow flat plain modern", "A flat shade that runs far to the lower right.", styles_plain.low_sun),
    "cut layers": Entry("paper cut layers craft depth", "Sheets of paper cut out one below the other.", styles_plain.cut_layers),
    "school chalk": Entry("chalk board worn school dusty", "Chalk broken by the grain of the board it is drawn on.", styles_plain.school_chalk),
    "lit channel": Entry("retro theatre light sign blue gold show", "A blue tin sign with warm light running in its channel.", styles_plain.lit_channel),
    "hue run": Entry("rainbow colour party gradient", "One run of hues across the whole title.", styles_flat.hue_run),
    "ground in two inks": Entry("picture ground two colours print", "What lies behind the words, remapped to two inks inside them.", styles_flat.ground_in_two_inks),
    # metal
    "cup gold": Entry("gold metal warm trophy luxury engraved", "Deep carved gold with a tube round it: for cups and finals.", styles_metal.cup_gold),
    "foundry bronze": Entry("bronze metal warm cast", "Bronze from the sand, narrow relief, no fuss.", styles_metal.foundry_bronze),
    "wheel steel": Entry("metal steel cold chrome sport", "Bands of light and dark over hard steel.", styles_metal.wheel_steel),
    "worn metal": Entry("metal worn scratches old rust", "Scraped plate with light and shaded edges, dust round it.", styles_metal.worn_metal),
    "brushed rail": Entry("metal brushed gloss cold", "Brushed metal in a dark border, an oval light across it.", styles_metal.brushed_rail),
    "satin silver": Entry("silver metal soft plain luxury thin", "Quiet brushed silver that a thin line of type can wear.", styles_rich.satin_silver),
    "evening chrome": Entry("chrome metal retro eighties horizon", "A bumper with the horizon in it: blue above, sand below.", styles_rich.evening_chrome),
    "rusted enamel": Entry("worn rust enamel sign old retro", "A blue enamel sign, chipped to the rust beneath.", styles_rich.rusted_enamel),
    "stamped tin": Entry("metal red toy retro gloss stamped", "Stamped tin in red paint, its bare edge showing.", styles_rich.stamped_tin),
    "engraver's brass": Entry("engraved brass metal gold plaque sunk", "Cut into a brass plate and filled with black wax.", styles_rich.engravers_brass),
    "rose leaf": Entry("gold rose luxury leaf soft wedding", "Rose-gold leaf laid by hand, its creases left in.", styles_rich.rose_leaf),
    "black tie": Entry("luxury black gold lacquer evening", "Black lacquer with a hairline of gold.", styles_rich.black_tie),
    "gilt emerald": Entry("luxury green jewel gold stone", "A cut green stone in a gold setting.", styles_rich.gilt_emerald),
    "beetle wing": Entry("green violet shimmer rim pattern", "Green and violet that play into each other, as on a beetle's wing, in a bright thin rim.", styles_metal.beetle_wing),
    # light and fire
    "rink tube": Entry("neon tube light night glow hollow", "A hollow tube of cold light over the bare wall.", styles_light.rink_tube),
    "two tubes": Entry("neon tube light night glow warm", "A warm tube with a cold one running inside it.", styles_night.two_tubes),
    "lit window": Entry("light glow warm box shop night", "White acrylic lit from behind, spilling on what is near.", styles_night.lit_window),
    "lamp spill": Entry("light bright bloom glow cold", "So bright that the lens blooms.", styles_night.lamp_spill),
    "scan lines": Entry("screen green retro computer glow", "Green phosphor behind the lines of an old screen.", styles_night.scan_lines),
    "scoreboard": Entry("sport lamps dots score night", "Amber lamps on a black board.", styles_play.scoreboard),
    "polar curtain": Entry("winter sky glow green violet night", "Curtains of green and violet within dark letters.", styles_winter.polar_curtain),
    "forge fire": Entry("fire flames hot orange", "White-hot at the foot, flames drawn upward.", styles_night.forge_fire),
    "heat wave": Entry("fire heat waves summer orange", "Letters that shimmer as over a hot road.", styles_surface.heat_wave),
    "ember rock": Entry("fire stone lava cracks hot", "Cooling stone with fire in its cracks.", styles_earth.ember_rock),
    "spray halo": Entry("spray specks glow street", "Dark letters in a cloud of sprayed specks.", styles_light.spray_halo),
    # sweet and soft
    "candy drop": Entry("sweet gloss pink boiled", "Pink sugar, light above and deep below.", styles_flat.candy_drop),
    "jelly": Entry("sweet glass gloss red", "Set jelly: the ground shows through, bent and tinted.", styles_surface.jelly),
    "iced biscuit": Entry("sweet pink icing bakery party", "Pink icing and sugar strands on a baked edge.", styles_play.iced_biscuit),
    "chocolate bar": Entry("sweet chocolate brown raised", "Milk chocolate from a mould.", styles_play.chocolate_bar),
    "sugar stripe": Entry("sweet winter stripes peppermint red", "Peppermint: red twisted into white.", styles_play.sugar_stripe),
    "party balloon": Entry("sweet party balloon gloss blown", "Foil balloons, tight with air.", styles_play.party_balloon),
    "spring garden": Entry("spring pink flowers soft green", "Petals in a white and a fresh green line.", styles_play.spring_garden),
    "fog swell": Entry("white soft swollen plain cloud", "Soft white that swells out of the ground.", styles_light.fog_swell),
    # wood, stone, paper
    "oak sign": Entry("wood oak raised warm sign", "Letters sawn from oak, standing off the wall.", styles_earth.oak_sign),
    "burnt brand": Entry("wood burnt engraved brown western", "Burnt into a pale board with an iron.", styles_earth.burnt_brand),
    "pushed-up ground": Entry("wood raised ground pressed", "The ground itself pushed up, its own lines bent over the slope.", styles_depth.pushed_up_ground),
    "quay granite": Entry("stone granite rough grey", "Dressed stone with a rough face and a sharp edge.", styles_earth.quay_granite),
    "marble hall": Entry("stone marble luxury white gold", "White marble inlaid with a line of gold.", styles_earth.marble_hall),
    "slate cut": Entry("stone engraved worn sunk slate", "Cut into slate long ago.", styles_surface.slate_cut),
    "torn kraft": Entry("paper torn brown craft", "Brown paper torn by hand, its fibres at the edge.", styles_earth.torn_kraft),
    "folded sheet": Entry("paper white folded soft modern", "White paper with creases, standing up from the table.", styles_earth.folded_sheet),
    "letterpress": Entry("paper print engraved pressed blue", "Pressed deep into cotton paper.", styles_earth.letterpress),
    "water-colour": Entry("water-colour paint paper soft blue", "Washes with blooms and pale edges on rough paper.", styles_surface.water_colour),
    # cloth
    "varsity felt": Entry("fabric felt sport college stitched", "Two layers of felt sewn on a jacket.", styles_cloth.varsity_felt),
    "denim patch": Entry("fabric denim blue stitched", "Blue twill with a seam in orange thread.", styles_cloth.denim_patch),
    "hide and thread": Entry("leather brown stitched padded western", "Thick hide with a pale thread along its edge.", styles_cloth.hide_and_thread),
    "tea towel": Entry("fabric linen checks red kitchen", "Checked linen, ironed.", styles_cloth.tea_towel),
    "field camouflage": Entry("fabric camouflage green outdoor", "Four greens and a stencil's dark line.", styles_cloth.field_camouflage),
    "carbon lap": Entry("sport carbon black speed fabric", "Woven carbon under lacquer, with a red line.", styles_cloth.carbon_lap),
    # glass, ice and water
    "sea glass": Entry("glass green frosted soft water", "Frosted glass worn round by the sea.", styles_winter.sea_glass),
    "clear pane": Entry("glass clear bevel bright", "Thick clear glass with bright bevels.", styles_winter.clear_pane),
    "pond ice": Entry("ice winter cold frost blue", "Blue ice with frost grown over it.", styles_winter.pond_ice),
    "first snow": Entry("winter snow red cold", "Red letters with snow lying on all that faces up.", styles_winter.first_snow),
    "gilt frost": Entry("winter metal pewter gold snow card", "Pewter with a gilt edge and snow blown against it.", styles_winter.gilt_frost),
    "deep pool": Entry("water blue summer pool", "Water with the sun's net of light on it.", styles_winter.deep_pool),
    "floor mirror": Entry("reflection polished cold water floor", "Polished letters over a wet floor.", styles_depth.floor_mirror),
    # solid
    "pier block": Entry("block solid pose warm raised", "Solid letters turned in space, lit from below.", styles_depth.pier_block, TURNED),
    "receding block": Entry("block solid cold depth", "Walls that run to a point far below.", styles_depth.receding_block),
    "toy block": Entry("block solid toy yellow blue loud", "Painted wooden blocks in a bold outline.", styles_play.toy_block),
    "stack of cards": Entry("paper stack copies block", "Card upon card, fanned to the lower right.", styles_depth.stack_of_cards),
    # motion, fright
    "comet wind": Entry("wind speed sport streaks", "Crisp letters with a wind drawn out behind them.", styles_surface.comet_wind),
    "chequered lap": Entry("sport flag checks speed race", "A flag at the finish, copies trailing behind.", styles_play.chequered_lap),
    "night dread": Entry("horror blood red claws night", "Clawed into the dark, wet and running.", styles_night.night_dread),
    "marsh slime": Entry("horror slime green wet", "Green slime that sags from its letters.", styles_night.marsh_slime),
    "grave dust": Entry("horror bone old cracked worn", "Old bone, cracked through, dust blowing off it.", styles_night.grave_dust),
}  # fmt: skip


FIRST = (
    "title shout",
    "cup gold",
    "rink tube",
    "house white",
    "candy drop",
    "wheel steel",
    "die-cut decal",
    "ember rock",
    "toy block",
    "fog swell",
    "newsprint pop",
    "deep pool",
)
"""What is seen first of them; the others follow as they stand above."""


def made(name: str, entry: Entry) -> Style:
    """The style that an entry stands for."""
    return Style(
        name=name,
        words=tuple(entry.words.split()),
        notes=entry.note + sentence(measured().get(name, list(GROUNDS))),
        author=AUTHOR,
        made=MADE,
        setting=entry.setting,
        coats=entry.coats(),
    )


if __name__ == "__main__":
    built_in_folder().mkdir(parents=True, exist_ok=True)
    for old in built_in_folder().glob(f"*{SUFFIX}"):
        old.unlink()
    order = [*FIRST, *(name for name in STYLES if name not in FIRST)]
    write_bytes(
        built_in_folder() / ORDER, msgspec.json.format(msgspec.json.encode(order), indent=1)
    )
    for name, entry in STYLES.items():
        write_bytes(built_in_folder() / file_name(name), to_json(made(name, entry)))
