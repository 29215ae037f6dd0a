/** What is worth knowing about a result, about a test, and about readings that cannot all be true: in the shop's own units. */

import type { HeatConflict, Notice, TestNotice } from "@tembrak/core";
import { showChance, showHardness, showTemperature, showThin, type Units } from "../format/show.js";

const BEYOND = {
  "low-carbon": "The model was made for 0.3 to 1.1 % carbon; below that it is a rough guide.",
  "high-carbon": "The model was made for up to 1.1 % carbon.",
  alloy: "More alloy than the model was made for.",
} as const satisfies Record<Extract<Notice, { code: "outside-source-range" }>["beyond"], string>;

export function noticeWords(notice: Notice, units: Units): string {
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
      return `At ${showTemperature(notice.heat_C, units)} hardly any of this steel has changed: it will not harden.`;
    case "part-austenite":
      return `Only ${Math.round(100 * notice.extent)} % of the steel had changed.`;
    case "coarse-grain":
      return `Grain about ASTM ${notice.astmGrain.toFixed(1)}: too hot or too long; normalise before another try.`;
    case "may-fail":
      return `May fail: ${showChance(notice.chance)} that it hardens at the thickest place.`;
    case "body-draws":
      return `Out with its body still hot: what was left in it draws the end to about ${showTemperature(10 * Math.round(notice.drawn_C / 10), units)}: that is counted.`;
    case "steep-wedge":
      return "The taper is steeper than the section model was made for.";
    case "step-limit":
      return "The cooling was followed only part of the way.";
  }
}

export function testNoticeWords(notice: TestNotice, units: Units): string {
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
      return `Too thin for a Rockwell C test at this hardness: it takes ${showThin(notice.least_mm, units)}. Test the spine or the tang.`;
    case "scattered-readings":
      return `The readings lie ${notice.apart_HRC.toFixed(1)} HRC apart: that is not one hardness. Clean ground steel, away from edges and old dents.`;
    case "beyond-scale":
      return `${notice.reading_HRC.toFixed(1)} lies outside what Rockwell C can be read from, 20 to 68: is it that number, on that scale?`;
    case "not-as-expected":
      return `About ${showHardness(notice.expected_HRC, 0)} was expected. What was read counts; scale, a thin place or a worn point also read so: once more elsewhere, and on the block.`;
    case "few-readings":
      return "Three readings or more, the first after setting up thrown away.";
    case "no-block":
      return "No reference block: the tester itself may be out by a point.";
  }
}

const WITNESS = {
  glow: "colour",
  magnet: "the magnet",
  probe: "the probe",
  infrared: "the infrared gun",
  stick: "the temperature stick",
  time: "the time in the fire",
} as const satisfies Record<HeatConflict["between"][number], string>;

/** What a conflict most likely means, and what to do about it. */
export function conflictWords({ odd, between, reading }: HeatConflict): string {
  switch (odd) {
    case "probe":
      return reading === "high"
        ? "The probe says hotter than the rest. In the flame, or is it so hot? Touch it to the steel once more."
        : "The probe says colder than the rest. Not caught up, or is it so cold? Hold it on once more, longer.";
    case "infrared":
      return "The gun does not fit the rest: bright steel or loose scale reads cold. Once more, on dull scale.";
    case "glow":
      return "The colour does not fit the rest. Another light than is set, or the wrong word? Look once more, in shade.";
    case "magnet":
      return "The magnet does not fit the rest. Another part of it, or a slip? Once more on the thickest place.";
    case "stick":
      return "The stick does not fit the rest: on scale, or the wrong one? Mark clean steel once more.";
    case "time":
      return reading === "high"
        ? "Colder than so long in the fire should bring. Less fire, or looked at wrongly? Once more."
        : "Hotter than so long in the fire should bring. More fire, or looked at wrongly? Once more.";
    case null: {
      const [a, b] = between.map((kind) => WITNESS[kind]);
      return `${a![0]!.toUpperCase()}${a!.slice(1)} and ${b!} cannot both be right. Once more, or a third way.`;
    }
  }
}
