/** The command line's own English over the codes of core. Temperatures in C. The application has its own words (app/src/words). */

import type { ModelLimit, Notice, TestNotice } from "../notices.js";
import type { FitWay } from "../plan/fit.js";
import type { KitLack } from "../plan/kit.js";
import type { Reason } from "../schema/reasons.js";
import type { CrackReason } from "../simulate/crackRisk.js";
import type { EvidenceKind } from "../simulate/heatBelief.js";
import type { HeatConflict } from "../simulate/heatEstimate.js";

/** A code with its sentence: what the command line prints. */
export interface Said {
  readonly code: string;
  readonly message: string;
}

const BEYOND: Readonly<Record<ModelLimit, string>> = {
  "low-carbon": "The model was made for 0.3 to 1.1 % carbon; below that it is a rough guide.",
  "high-carbon": "The model was made for 0.3 to 1.1 % carbon; above that it is a rough guide.",
  alloy: "More alloy than the model was made for.",
};

function noticeText(notice: Notice): string {
  switch (notice.code) {
    case "outside-source-range":
      return BEYOND[notice.beyond];
    case "uncalibrated-medium":
      return `Nobody measured ${notice.medium.toLowerCase()} for this model: treat the result as a guess.`;
    case "uncalibrated-coat":
      return "Nobody measured the clay for this model, and its own heat is left out: treat what lies under it as a guess.";
    case "uncalibrated-cladding":
      return "The cladding is taken as joined without a gap; it slows the core, and carbon that moves across is left out.";
    case "grain-unknown":
      return "The grain of a forged piece is not known; it is taken as coarse. Normalise first.";
    case "not-austenite":
      return `At ${Math.round(notice.heat_C)} C hardly any of this steel is austenite: it will not harden.`;
    case "part-austenite":
      return `Only ${Math.round(100 * notice.extent)} % of the steel had become austenite.`;
    case "coarse-grain": {
      const where = notice.step === undefined ? "Grain" : `Step ${notice.step}: grain`;
      return `${where} about ASTM ${notice.astmGrain.toFixed(1)}: too hot or too long; normalise before another try.`;
    }
    case "may-fail":
      return `May fail: about ${Math.round(10 * notice.chance)} times in 10 it hardens at the centre.`;
    case "body-draws":
      return `Out with its body still hot: what was left in it draws the end to about ${10 * Math.round(notice.drawn_C / 10)} C: that is counted.`;
    case "steep-wedge":
      return "The taper is steeper than the section model was made for.";
    case "step-limit":
      return "The cooling was followed only part of the way.";
  }
}

function testText(notice: TestNotice): string {
  switch (notice.code) {
    case "too-hot-to-test":
      return "Let it get to hand-warm first: it has not finished hardening. The files were not counted.";
    case "no-prior":
      return "Nothing was predicted, so the answer rests on the test alone.";
    case "inconsistent-files":
      return "A harder file skated than one that bit. Test again on fresh metal.";
    case "soft-skin-possible":
      return "A soft skin may hide hard steel. Grind past the scale and try again before believing a bite.";
    case "too-round":
      return "The round is too small for this scale: the correction is more than 3 HRC.";
    case "too-thin":
      return `Too thin for a Rockwell C test at this hardness: it takes ${notice.least_mm.toFixed(2)} mm. Test the spine or the tang.`;
    case "scattered-readings":
      return `The readings lie ${notice.apart_HRC.toFixed(1)} HRC apart: that is not one hardness. Clean ground steel, away from edges and old dents.`;
    case "beyond-scale":
      return `A reading of ${notice.reading_HRC.toFixed(1)} lies outside what Rockwell C is read from, 20 to 68 HRC.`;
    case "not-as-expected":
      return `About ${notice.expected_HRC.toFixed(0)} HRC was expected: read it once more elsewhere, ground, and the block. What was read counts.`;
    case "few-readings":
      return "Three readings or more, the first after setting up thrown away.";
    case "no-block":
      return "No reference block: the tester itself may be out by a point.";
  }
}

function crackText(reason: CrackReason): string {
  switch (reason.code) {
    case "late-core": {
      const later = reason.lag_s === null ? "" : `, ${reason.lag_s.toFixed(1)} s later`;
      return `The middle swells when the skin is already ${Math.round(100 * reason.martensiteGap)} % ahead in hardening${later}.`;
    }
    case "steep-at-start":
      return `The middle is ${Math.round(reason.difference_K)} C hotter when the skin begins to harden at ${Math.round(reason.martensiteStart_C)} C.`;
    case "rich-martensite":
      return `With ${reason.carbon_wtpct.toFixed(2)} % carbon dissolved, fresh martensite does not give.`;
    case "coarse-grain":
      return `Coarse grain (ASTM ${reason.astmGrain.toFixed(1)}) cracks more easily: normalise first.`;
    case "water":
      return "Water and brine strip heat fast and unevenly; a steel meant for oil may crack.";
    case "corners-not-known":
      return "Holes, corners and coarse scratches are not counted: round and polish them.";
  }
}

export const saidNotices = (notices: readonly Notice[]): Said[] => notices.map((n) => ({ code: n.code, message: noticeText(n) }));
export const saidOfTest = (notices: readonly TestNotice[]): Said[] => notices.map((n) => ({ code: n.code, message: testText(n) }));
export const saidOfCracks = (reasons: readonly CrackReason[]): Said[] => reasons.map((r) => ({ code: r.code, message: crackText(r) }));

const NAMES = {
  glow: "Colour",
  magnet: "The magnet",
  probe: "The probe",
  infrared: "The infrared gun",
  stick: "The temperature stick",
  time: "The time in the fire",
} as const satisfies Record<EvidenceKind, string>;

/** What a conflict most likely means. */
export function conflictText({ odd, between, reading }: HeatConflict): string {
  if (odd === null) return `${NAMES[between[0]]} and ${NAMES[between[1]].toLowerCase()} cannot both be right. Check a third way.`;
  const side = reading === "high" ? "hotter" : "colder";
  return `${NAMES[odd]} says ${side} than all the rest together. Check it again.`;
}

export const REASON_TEXT: Readonly<Record<Reason, string>> = {
  "evens-forging": "Evens out what forging left.",
  "small-grain": "Makes the grain small again.",
  "last-cooler": "A last, cooler heat: small grain, fine pearlite.",
  "supplied-carbide": "Turns supplied round carbide into pearlite.",
  "was-hard": "Was hard before: back to small grain and pearlite.",
  "once-more": "One more, for even grain.",
  "was-too-hot": "It was too hot: small grain again.",
  "soft-quench": "A soft quench is normalised before another try.",
  "slowly-from-cold": "Slowly from cold: hard steel heated fast cracks.",
  "warms-evenly": "Warmed through first, thick and thin change together.",
  "soft-for-cutting": "Soft, with fine round carbide, to saw and drill.",
  "shade-past": "Past the magnet by a shade.",
  "magnet-only": "To where the magnet lets go and no hotter.",
  "first-pull": "Past the magnet, then falling until it first pulls again.",
  soak: "The soak brings the carbon into solution.",
  "by-colour": "By its colour alone: the middle of what it bears, for an eye errs to both sides.",
  "warm-oil": "Warm oil is thinner and takes heat out faster.",
  "needs-water": "This steel in this thickness needs water.",
  "oil-too-slow": "The oil that is there is too slow for this thickness: water hardens it, and may crack it.",
  "nearest-bath": "The nearest bath in the kit to the one the steel asks for.",
  "other-end": "The other end, the first kept cool.",
  "keeps-heat": "Only the part that works, and out with heat left in the rest.",
  "runs-from-body": "Warmed far from the edge until the colour reaches it.",
  "softens-back": "Tempered already: the back is drawn further, with the edge in water, so that it is tougher.",
  "edge-stays-bare": "The first colour at the edge would be too soft: it stays bare, and a line behind it is watched.",
  "runs-from-heat": "What is left of the heat runs back to the edge.",
  "first-temper": "Takes the brittleness out.",
  "second-temper": "Tempers what turned hard while the first one cooled.",
  "one-more-temper": "Takes more of the brittleness out.",
  "came-out-hard": "It came out harder than wanted.",
  "snap-temper": "A short one, so that it does not lie hard until its own.",
  paste: "The paste clings to the edge and cools it alone; the back stays in the air.",
  plates: "Two cold plates take the heat out of both faces and hold it flat.",
  "clad-core": "The cladding slows the core: a fast oil makes up for it.",
  "clear-of-dip": "Takes the brittleness out, clear of the dip of toughness.",
  "worked-out": "Worked out: of what the shop can do the one that lands it most often, with all that may be off.",
  "oven-ends": "As hot as it can be tempered there: its use wants it hotter.",
  said: "",
};

export const LACK_TEXT: Readonly<Record<KitLack, string>> = {
  torch: "There is no torch in the kit.",
  coal: "There is no forge for coal or charcoal in the kit.",
  salt: "There is no pot of salt in the kit that comes to a hardening heat.",
  probe: "There is no thermometer for such heats in the kit.",
  kiln: "There is no kiln in the kit.",
  fire: "There is no forge and no torch in the kit.",
  eye: "There is no magnet and no thermometer in the kit.",
  magnet: "There is no magnet in the kit.",
};

export const WAY_ON_TEXT: Readonly<Record<FitWay, string>> = {
  "hotter-fire": "More fire: air, fuel, another burner or a smaller chamber.",
  "other-steel": "A steel that hardens from a lower heat.",
  "draw-through": "Draw it to and fro through the fire.",
  "only-working-part": "Heat and quench only the part that works.",
  "longer-fire": "Build a longer fire.",
  "other-shop-fire": "Let a shop with a longer forge or kiln do it.",
  "open-forge": "Heat it in a forge open at both ends.",
  "door-on-part": "Only the working part in, the door closed on it with fibre.",
  "two-pieces": "Make it in two pieces, or shorter.",
  "other-shop-kiln": "Let a shop with a longer kiln do it.",
  "colour-run": "Temper by colour with a torch or a hot bar.",
  "temper-in-kiln": "Temper in the kiln, switched low and checked.",
  "one-bath": "One bath from beginning to end: the second only saves a crack where the first would risk one.",
  "two-ovens": "Two ovens mouth to mouth, doors off, read again as one.",
  "temper-in-tray": "Temper in warmed oil or sand in a long tray.",
  "end-by-end": "One end at a time, twice as long.",
  "edge-trough": "Quench it edge first in a long, shallow trough.",
  "end-as-deep": "Quench only the working end, as deep as the tank takes it.",
  "pipe-tank": "A steel pipe with a welded foot makes a deep tank.",
  "other-shop-bath": "Let a shop with a deeper tank do it.",
  "more-oil": "More oil: a bigger tank or a second one.",
  "cool-between": "Let the bath cool between pieces.",
  "only-hard-part": "Quench only the part that has to be hard.",
  "get-magnet": "A magnet on a wire: where it lets go is a sure mark, whatever the light.",
  "get-probe": "A thermocouple with a long stem reads the steel itself.",
  "hot-in-kiln": "A kiln with a controller needs no eye: heat it there.",
  "aim-harder": "Aim for a harder result: the temper this oven can reach.",
};
