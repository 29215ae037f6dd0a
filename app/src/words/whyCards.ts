/** Why each step is as it is, in plain words: one card of at most sixty words. */

import type { Act } from "@tembrak/core";
import { showTemperature, type Units } from "../format/show.js";

/** A card for a step; the heats have one for each purpose. */
export type WhyKey =
  Exclude<Act["kind"], "heat" | "hold"> | "heat-preheat" | "heat-normalise" | "heat-anneal" | "heat-harden" | "hold-long";

export const WHY_CARDS: Readonly<Record<WhyKey, string>> = {
  "heat-preheat":
    "Thin steel follows the fire, thick steel lags. If one part changes while the next is still cold, it swells and shrinks at different times and bends, or cracks. Warmed through just under the change, all of it goes on together.",
  "heat-normalise":
    "Past the change the old, uneven grain is replaced by new, small grain, born at every old boundary at once. In still air it turns to fine pearlite: thin plates of carbide that dissolve in seconds the next time. Too hot, and the new grain grows large again.",
  "heat-anneal":
    "Held near the change and cooled slowly, carbide gathers into round grains in soft iron. It saws and drills well, but round carbide dissolves slowly: a short forge heat after it may leave the steel half hard.",
  "heat-harden":
    "Where it lets go of the magnet the iron takes another form, one that can hold carbon. Only carbon that has dissolved makes it hard. A shade more heat dissolves more; much more lets the grain grow, and coarse steel breaks like glass.",
  "hold-long":
    "Carbide dissolves in time, not at once: pearlite in seconds, round carbide in minutes, with chromium longer. The piece lags behind the chamber, so count from when the piece itself is at heat. Too long in open fire costs skin and grain.",
  "air-cool":
    "While it still glows, the new form is giving way to pearlite. Black, around [500], that is over and it may be heated again. Hand-warm it is over everywhere, also inside and in the tang. In water or wind it would come out hard and uneven.",
  "slow-cool":
    "The slower it passes the change, the further carbon can walk and the coarser and softer it gets. A rate is a difference of temperature and has no zero point: it converts without the 32. Below about [540] nothing more happens.",
  fall: "Going up, the magnet lets go where the steel changes. Coming down it stays changed far below that, and pulls again only when it begins to turn into soft pearlite. So the first pull is the last moment for the bath, not the best.",
  quench:
    "Each steel has a nose: if it lingers near [550] it turns soft. The bath must carry it past in a second or so. At first steam or vapour wraps it; moving breaks that jacket evenly. Below about [200] it turns hard, and slowness is kinder.",
  straighten:
    "Out of the bath much of it is still the form that bends. As it cools under [200], more and more turns to hard martensite and swells. When it resists, stop: what was springy is now glass.",
  "cool-down":
    "Martensite forms by temperature, not by time: each degree colder, a little more. Warm from the bath, part of it has not changed yet. Down to hand-warm, most has. Then temper soon: the strain in it can crack it on the bench.",
  "first-file":
    "A file is about 62 to 65. If it skates, the steel is at least about as hard; if it bites, softer, or you are filing skin that lost its carbon. Try twice, a little deeper. Now it is cheap to go back.",
  oven: "The dial is a promise. A kitchen oven swings, and reads right only when its walls are warm, twenty minutes after its tone. A second thermometer beside the steel tells the truth. Ten degrees are about half a point of hardness.",
  temper:
    "Heat lets the trapped carbon move out into tiny carbides: the strain goes, some hardness with it, and toughness comes. Most happens in the first minutes, the rest over hours. The second temper softens what turned hard while the first cooled.",
  brighten:
    "The temper colours are a film of oxide a few hundred atoms thick, and only show on clean bright steel. A finger mark makes its own colour. Rub it just before, and keep your hands off.",
  run: "The film grows with heat, and also with time: straw after seconds at one heat is straw after an hour at a lower one. Colours run from the warm body to the thin edge, faster at the end. Dunking stops the heat and the film.",
  prove:
    "What was planned is a guess with a spread; what you measure makes it knowledge. Ground bare, three places, both faces. The result goes into the book, and the next piece of this steel starts from it.",
};

/** The card of an act, its heats in the shop's unit: they stand in brackets above, C. */
export function whyOf(act: Act, units: Units): string {
  const key: WhyKey = act.kind === "heat" ? `heat-${act.purpose}` : act.kind === "hold" ? "hold-long" : act.kind;
  return WHY_CARDS[key].replace(/\[(\d+)\]/g, (_, temperature_C: string) => showTemperature(Number(temperature_C), units));
}
