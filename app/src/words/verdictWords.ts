/** The verdict in sentences: the number, the reason, the next act. */

import { heatPlace } from "./heatPlace.js";
import { endName, zoneName } from "./zoneNames.js";
import {
  backFirst,
  edgeDepth_mm,
  intoOf,
  type BreakLook,
  type CrackRisk,
  type Notice,
  type Prediction,
  type Quench,
  type Route,
  type Section,
  type Share,
  type SpreadCause,
  type ZoneReport,
} from "@tembrak/core";
import { breakWords } from "./breakWords.js";
import { mediumName } from "./actWords.js";
import { noticeWords } from "./noticeWords.js";
import {
  capital,
  showChance,
  showDifference,
  showDuration,
  showHardness,
  showLength,
  showRange,
  showTemperature,
  showThin,
  type Units,
} from "../format/show.js";

export interface VerdictWords {
  readonly headline: string;
  /** All there is to say, in order. */
  readonly reasons: readonly string[];
  /** Those of them that change what one does: whether it lands, what is not sure, what may crack. The rest stands under *Why*. */
  readonly first: readonly string[];
  readonly spread: readonly { readonly label: string; readonly sd_HRC: number; readonly hint: string }[];
}

const NUMBERS = ["no", "one", "two", "three", "four", "five", "six"];

function temperSentence(route: Route, { working, thickest, isEmbrittled, equivalent_C }: Prediction, units: Units): string {
  const cycles = route.steps.filter((step) => step.kind === "temper");
  const run = route.steps.findLast((step) => step.kind === "run");
  const back = showHardness(thickest.tempered.mean_HRC);
  if (cycles.length === 0 && run?.kind === "run" && run.mark !== undefined) {
    const { behind_mm } = run.mark;
    return `The edge stays in water while the back is run to a line ${showLength(behind_mm, units)} behind it: about ${showHardness(working.tempered.mean_HRC)} HRC at the edge, ${back} at the back.`;
  }
  if (cycles.length === 0 && run !== undefined) {
    return `A colour run to about ${showTemperature(run.temperature_C, units)} leaves about ${showHardness(working.tempered.mean_HRC)} HRC${thickest.place === "spine" ? ` at the edge, ${back} at the back` : ""}, if it is dunked in time.`;
  }
  if (cycles.length === 0) return "No temper is planned: it stays brittle.";
  const [first] = cycles;
  const same = cycles.every((c) => c.temperature_C === first!.temperature_C && c.hold_min === first!.hold_min);
  const about = `about ${showHardness(working.tempered.mean_HRC)} HRC`;
  const word = NUMBERS[cycles.length] ?? String(cycles.length);
  const times = cycles.length === 1 ? "Once" : `${word[0]!.toUpperCase()}${word.slice(1)} times`;
  const what = same
    ? `${times} ${showDuration(first!.hold_min * 60)} at ${showTemperature(first!.temperature_C, units)}`
    : cycles.map((c) => `${showDuration(c.hold_min * 60)} at ${showTemperature(c.temperature_C, units)}`).join(", then ");
  const drawn =
    run?.kind === "run" && run.mark !== undefined
      ? ` Then the back is run to a line ${showLength(run.mark.behind_mm, units)} behind the edge, in water: about ${back} there.`
      : "";
  const together = same ? "" : ` Together as much as one hour at ${showTemperature(equivalent_C, units)}.`;
  return `${what}: ${about}.${together}${isEmbrittled ? " Toughness dips here; hardness does not show it." : ""}${drawn}`;
}

/** Hotter than this hard steel is drawn, C (common practice, no source). */
const DRAWS_C = 150;

/** Of a piece with two hard ends the one the headline is not about; "" where there is one. */
function otherEndSentence({ other }: Pick<Prediction, "other">, units: Units): string {
  if (other === null) return "";
  const { mean_HRC, p05_HRC, p95_HRC } = other.tempered;
  const which = other.secondBy_s === null ? "hardened first" : "second in the bath";
  const is = `The ${endName(other.end)}, ${which}: about ${showHardness(mean_HRC)} HRC, ${showRange(p05_HRC, p95_HRC)}.`;
  // Nobody said how much of it is in the fire then: whether it is drawn is not followed.
  if (other.got_C === null) return other.secondBy_s === null ? `${is.slice(0, -1)}, if it stays cool while the other end is heated.` : is;
  if (other.got_C < DRAWS_C) return is;
  return `${is} It gets to about ${showTemperature(other.got_C, units)} while the other end is heated, and is drawn by that: keep it wet.`;
}

/** So likely it may be said outright (judgement: as in the headline). */
const SURE = 0.9;

/** What becomes of the back of a blade whose edge alone hardens. @param chance that the back hardens, 0 ... 1 */
function backWords(quench: Quench, chance: number): string {
  if (backFirst(quench) !== null) return `the back is hard too${chance < SURE ? `, ${showChance(chance)}` : ""}, the middle stays soft`;
  return quench.clay === undefined ? "the back stays tough" : "under its clay the back stays tough";
}

/** How far the last hardening of a piece has come: nothing of it is to come that has been. */
export type DoneSoFar = "nothing" | "quenched" | "tempered";

/** How the end of a piece is spoken of: still to come, come, or no longer to come. */
export type EndTense = "will be" | "is" | "would be";

/** What was found of a piece: its hardness as measured, what its break looked like, and how far it has come. */
export interface Found {
  readonly hardness_HRC: number | null;
  readonly look: BreakLook | null;
  readonly done: DoneSoFar;
  readonly end: EndTense;
}

const NOTHING_FOUND: Found = { hardness_HRC: null, look: null, done: "nothing", end: "will be" };

const TO_COME = {
  tooCold: "It does not harden: at this heat too little of it has changed. Hotter.",
  edgeTooCold: "The edge is too cold when it meets the bath and turns soft; the thicker back would harden.",
  right: "Hardens right through",
  should: "Should harden right through",
  edge: "The edge hardens",
  edgeNot: "The edge does not harden",
  edgeMay: "The edge may harden",
  hardens: "that it hardens",
  does: "that it does",
  fails: "It fails",
  otherwise: " Thinner, or a faster bath.",
  inAir: "It will have begun to turn soft in the air before it meets the bath: no bath hardens that. Sooner into the bath.",
  notAsPlanned: "It will not harden as planned.",
  mayFail: "May fail",
} as const;
type Tense = { readonly [key in keyof typeof TO_COME]: string };
const HAS_BEEN: Tense = {
  tooCold: "It did not harden: at this heat too little of it had changed.",
  edgeTooCold: "The edge was too cold when it met the bath and turned soft; the thicker back hardened.",
  right: "Hardened right through",
  should: "Should have hardened right through",
  edge: "The edge hardened",
  edgeNot: "The edge did not harden",
  edgeMay: "The edge may have hardened",
  hardens: "that it hardened",
  does: "that it did",
  fails: "It failed",
  otherwise: "",
  inAir: "It had begun to turn soft in the air before it met the bath: no bath hardens that. Heat it again, and sooner into the bath.",
  notAsPlanned: "It did not harden as planned.",
  mayFail: "May have failed",
};

function tenseOf(done: DoneSoFar): Tense {
  return done === "nothing" ? TO_COME : HAS_BEEN;
}

/** Chance that the place that works hardened, by the model and by what was tried of it. */
function hardChance({ failChance }: Prediction): number {
  return 1 - failChance;
}

/** Seconds by which the start of the change is passed or missed, as every screen tells them. */
export function spareWords(margin_s: number): string {
  if (!Number.isFinite(margin_s)) return "time";
  return Math.abs(margin_s) < 0.05 ? "a moment" : `${Math.abs(margin_s).toFixed(1)} s`;
}

/** Surely hard by its tests, and rather soft by the model before them. */
const FOUND_HARD = 0.7;
const MODEL_SOFT = 0.4;

function hardeningSentence(route: Route, prediction: Prediction, section: Section, say: Tense, units: Units): string {
  const { hardening, working, thickest } = prediction;
  const isHard = hardChance(prediction);
  // Hardened again, what came of it is by the last bath.
  const quench = route.steps.findLast((step) => step.kind === "quench");
  const into = quench === undefined ? null : intoOf(quench);
  const bath = into === null ? "the bath" : `${mediumName(into.medium).toLowerCase()} at ${showTemperature(into.bath_C, units)}`;
  const byModel = hardening.chanceHard;
  // What a test speaks against is not said to have hardened, wherever it was tried.
  const chance = isHard < byModel.working ? Math.min(byModel.thickest, isHard) : byModel.thickest;
  const { noseMargin_s: margin, austenite } = hardening;
  const spare = spareWords(margin);
  // What a test found ends the story: what the model had it is no more than what it got wrong.
  if (isHard >= FOUND_HARD && byModel.working < MODEL_SOFT) return "Hard, as its tests say. The model had it soft, and was wrong.";
  if (austenite.extent < 0.5) return say.tooCold;
  const workingIsHard = working.asQuenched.mean_HRC > 50 || working.asQuenched.mean_HRC > 0.9 * thickest.asQuenched.mean_HRC + 6;
  // A tenth of the back turned on the way does not make a soft piece of one whose edge is hard.
  if ((!workingIsHard || isHard < 0.5) && chance < 0.5 && hardening.turnedInAir) return say.inAir;
  if (section.shape === "wedge" && byModel.working < 0.5 && byModel.thickest > byModel.working) {
    return say.edgeTooCold;
  }
  const line = hardening.quenchLine;
  if (quench !== undefined && (edgeDepth_mm(quench) !== undefined || quench.clay !== undefined) && line !== null && workingIsHard) {
    const wide = line.width_mm === null ? "" : `, going soft over ${showLength(line.width_mm, units)}`;
    const back = backWords(quench, chance);
    const sure = isHard < SURE ? `, ${showChance(isHard)} ${say.hardens}` : "";
    return `Edge in ${bath}${sure}: hard up to ${showLength(line.height_mm, units)} above it${wide}; ${back}.`;
  }
  if (chance >= SURE && margin > 0) return `${say.right} in ${bath}, ${spare} to spare at the ${thickest.place}.`;
  if (chance > 0.6 && chance < SURE) {
    const left = margin > 0 ? `${spare} to spare` : "nothing to spare";
    return `${say.should} in ${bath}, ${showChance(chance)} and ${left} at the ${thickest.place}.`;
  }
  if (chance > 0.6) return `${say.should} in ${bath}, with nothing to spare at the ${thickest.place}.`;
  if (section.shape === "wedge" && workingIsHard) {
    const edge = isHard;
    const spine = chance < 0.1 ? "too thick, and stays tough" : `on the brink, ${showChance(chance)} ${say.does}`;
    // No more is promised than the headline above it says.
    if (edge < 1 - SURE) return `${say.edgeNot} in ${bath}; the spine is ${spine}.`;
    if (edge < SURE) return `${say.edgeMay} in ${bath}, ${showChance(edge)}; the spine is ${spine}.`;
    return `${say.edge} in ${bath}; the spine is ${spine}.`;
  }
  // The bath is fast enough as planned: too slow would gainsay the cooling curve.
  if (margin > 0) {
    const left = `${spare} to spare at the ${thickest.place}`;
    if (chance < 0.1) return `${say.fails} in ${bath}, though not for want of speed: ${left}.`;
    return `On the brink in ${bath}: ${showChance(chance)} ${say.hardens} through, ${left}.`;
  }
  // Out with its body still hot, its end is drawn as it comes out of the bath, and had hardened all the same.
  if (hardening.surface.mean_HRC > 50 || byModel.working > 0.5) {
    return `Hard at the surface, softer inside: too slow by ${spare} at the ${thickest.place} in ${bath}.`;
  }
  return `${say.fails} in ${bath}: too slow by ${spare}.${say.otherwise}`;
}

export function headline(prediction: Prediction, { done, end: ends }: Pick<Found, "done" | "end"> = NOTHING_FOUND): string {
  const { working, other } = prediction;
  const say = tenseOf(done);
  const { tempered, place } = working;
  const chance = hardChance(prediction);
  if (chance <= 0.01) return say.notAsPlanned;
  if (tempered.sd_HRC > 4.5 && chance < SURE) return `${say.mayFail}: ${showChance(chance)} ${say.hardens}.`;
  const far = other === null ? "Surface" : capital(endName(other.end === "working" ? "other" : "working"));
  const word = place === "edge" ? "Edge" : far;
  return `${word} ${ends} ${showHardness(tempered.mean_HRC)} HRC, ${showRange(tempered.p05_HRC, tempered.p95_HRC)}.`;
}

const LOOKS = { flour: "fine as flour", sand: "like fine sand", sugar: "coarse as sugar" } as const;

function grainSentence({ hardening }: Prediction, look: BreakLook | null): string {
  const grain = hardening.austenite.astmGrain;
  if (look !== null) return breakWords(look, hardening.austenite.extent < 0.5 ? null : grain);
  if (hardening.austenite.extent < 0.5) return "";
  const looks = LOOKS[hardening.fractureLook];
  return `Grain about ${grain.toFixed(0)}: ${looks} when broken.`;
}

/** Least skin worth a word, mm. */
const SKIN_mm = 0.05;

function skinSentence({ grindOff_mm }: Prediction, units: Units): string {
  if (grindOff_mm < SKIN_mm) return "";
  return `Grind ${showThin(grindOff_mm, units)} off each face first.`;
}

const RISKS = { some: "Some risk of cracking", high: "High risk of cracking" } as const;

function crackReason({ reasons: [reason] }: CrackRisk, units: Units): string {
  switch (reason?.code) {
    case "late-core":
      return "the middle swells when the skin is already hard";
    case "steep-at-start":
      return `the middle is ${showDifference(reason.difference_K, units)} hotter when the skin begins to harden`;
    case "rich-martensite":
      return "with so much carbon dissolved fresh martensite does not give";
    case "coarse-grain":
      return "the grain is coarse";
    case "water":
      return "water strips heat fast and unevenly";
    case "corners-not-known":
    case undefined:
      return "";
  }
}

/** What is left to be done about a crack. */
const AGAINST_A_CRACK = {
  nothing: "Out when hand-warm, and straight into the temper.",
  quenched: "Straight into the temper.",
  tempered: "Look it over for one.",
} as const;

function crackSentence({ hardening }: Prediction, done: DoneSoFar, units: Units): string {
  const { crackRisk } = hardening;
  if (hardening.austenite.extent < 0.5 || crackRisk.level === "low") return "";
  const why = crackReason(crackRisk, units);
  return `${RISKS[crackRisk.level]}${why === "" ? "" : `: ${why}`}. ${AGAINST_A_CRACK[done]}`;
}

/** Of what was measured, where something was; else of what is expected, with the chance. */
function targetSentence({ target, chanceInTarget, working }: Prediction, found_HRC: number | null): string {
  const mean_HRC = found_HRC ?? working.tempered.mean_HRC;
  const wanted = `${target.isOwn ? "You want" : `${target.name} wants`} ${target.low_HRC} to ${target.high_HRC}`;
  if (mean_HRC > target.high_HRC + 0.5) return `${wanted}: this is harder, and may chip. ${target.why}`;
  if (mean_HRC < target.low_HRC - 0.5) return `${wanted}: this is softer, and tougher. ${target.why}`;
  return found_HRC === null ? `${wanted}: ${showChance(chanceInTarget)} that it lands there.` : `${wanted}: it is there.`;
}

/** What to do about it is worked out with all else, and stands above: two advices beside each other contradict each other. */
function carbonSentence({ hardening, moreCarbon }: Prediction): string {
  if (moreCarbon === null) return "";
  const C = hardening.austenite.solution_wtpct.C.toFixed(2);
  return `The bath is fast enough; the heat is not: only ${C} % carbon dissolved.`;
}

/** The smallest is left out: it moves nothing. */
const SHOWN_CAUSES = 3;
const CAUSES: Readonly<Record<SpreadCause, string>> = {
  "hardening-model": "how well this can be worked out at all",
  "heat-and-steel": "heat, bath, thickness, this bar",
  oven: "oven",
  colour: "what the colour stands for",
  "temper-model": "no two bars temper alike",
};
const CHECKS = {
  "oven-thermometer": "a second thermometer in the oven",
  probe: "a probe on the piece as it leaves the fire",
  tester: "a tester on the piece when it is done",
} as const;
/** A check that leaves nearly all of the spread is not worth a word. */
const WORTH_IT = 0.93;

/** What the check that narrows the largest part would leave; of a part that no check narrows, where it comes from. */
function narrowingWords({ cause, narrowing: { check, leaves_HRC } }: Share, all_HRC: number): string {
  if (leaves_HRC > WORTH_IT * all_HRC) return `most of it comes from: ${CAUSES[cause]}`;
  return `${CHECKS[check]} would leave ± ${leaves_HRC.toFixed(1)} of ± ${all_HRC.toFixed(1)} HRC`;
}

/** Notices worth a sentence of their own beside the verdict. */
export function noticeSentences(notices: readonly Notice[], units: Units): readonly string[] {
  return notices.filter(({ code }) => code !== "may-fail").map((notice) => noticeWords(notice, units));
}

const WANTS = { hard: "hard", medium: "medium", soft: "soft", untreated: "left as it is" } as const;

/** Of a piece with only a part of it in the fire: how far it is hard, and from where it stays as it was. */
export function mouthSentence({ mouth }: Pick<Prediction, "mouth">, section: Section, place: string, units: Units): string {
  if (mouth === null) return "";
  const from = section.shape === "wedge" ? "its tip" : "the end that works";
  if (mouth.hardTo_mm < 1) return `With ${showLength(mouth.inFire_mm, units)} in ${place} nothing of it is hot enough: more of it in.`;
  const [hard, left] = [Math.round(mouth.hardTo_mm), Math.round(mouth.asItWasFrom_mm)].map((mm) => showLength(mm, units));
  return `${showLength(mouth.inFire_mm, units)} of it in ${place}, from ${from}: hot enough to harden for ${hard}, and from ${left} on it stays as it was. A file finds the line between.`;
}

/** Each zone that was asked for: wanted, expected, and whether the two meet. */
export function zoneSentences(reports: readonly ZoneReport[], section: Section): readonly string[] {
  return reports.map(({ zone, wants, wanted_HRC, expected, chance, isLeft }) => {
    const plain = zoneName(zone, section);
    const name = `${plain[0]!.toUpperCase()}${plain.slice(1)}`;
    const is = `${showHardness(expected.mean_HRC)} HRC, ${showRange(expected.p05_HRC, expected.p95_HRC)}`;
    if (isLeft && (wants === "hard" || wants === "medium"))
      return `${name} wanted ${WANTS[wants]}, and out of the fire: it stays as it was.`;
    if (isLeft) return `${name} out of the fire: it stays as it was.`;
    if (wanted_HRC === null || chance === null) return `${name} left as it is: keep it out of fire and bath, or it will be ${is}.`;
    return `${name} wanted ${WANTS[wants]}, ${wanted_HRC[0]} to ${wanted_HRC[1]}: ${is}, ${showChance(chance)} that it is.`;
  });
}

export function verdictWords(
  prediction: Prediction,
  route: Route,
  section: Section,
  units: Units,
  zones: readonly ZoneReport[] = [],
  found: Found = NOTHING_FOUND,
): VerdictWords {
  const isToCome = found.done === "nothing";
  const isSure = hardChance(prediction) >= SURE && prediction.hardening.chanceHard.thickest >= SURE;
  const said: readonly (readonly [sentence: string, isFirst: boolean])[] = [
    [hardeningSentence(route, prediction, section, tenseOf(found.done), units), !isSure],
    [isToCome ? carbonSentence(prediction) : "", true],
    [temperSentence(route, prediction, units), route.steps.every(({ kind }) => kind !== "temper" && kind !== "run")],
    [otherEndSentence(prediction, units), true],
    [targetSentence(prediction, found.hardness_HRC), true],
    [mouthSentence(prediction, section, heatPlace(route), units), true],
    ...zoneSentences(zones, section).map((sentence) => [sentence, true] as const),
    [crackSentence(prediction, found.done, units), true],
    [`${grainSentence(prediction, found.look)} ${skinSentence(prediction, units)}`.trim(), found.look !== null],
    ...noticeSentences(prediction.notices, units).map((sentence) => [sentence, true] as const),
  ];
  const spoken = said.filter(([sentence]) => sentence !== "");
  return {
    headline: headline(prediction, found),
    reasons: spoken.map(([sentence]) => sentence),
    first: spoken.filter(([, isFirst]) => isFirst).map(([sentence]) => sentence),
    spread: prediction.spread.slice(0, SHOWN_CAUSES).map((share) => ({
      label: CAUSES[share.cause],
      hint: narrowingWords(share, prediction.working.tempered.sd_HRC),
      sd_HRC: share.sd_HRC,
    })),
  };
}
