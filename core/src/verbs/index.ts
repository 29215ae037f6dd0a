/** The verbs of the command line by name: plain input in, plain answer out, InputError for what makes no sense. */

import { heatNowVerb } from "./heatNow.js";
import { checkBook, type FileReport } from "../book/exchange.js";
import { InputError } from "../errors.js";
import { SCHEMAS, type SchemaName } from "../schema/index.js";
import { makeDesk, type Desk } from "../simulate/desk.js";
import { glowReadVerb, glowVerb, heatEstimateVerb, oxideVerb } from "./colour.js";
import { colourRunVerb } from "./colourRun.js";
import { coolVerb, jominyVerb, thermocoupleVerb, tttVerb } from "./curves.js";
import { bathVerb, simulateVerb } from "./history.js";
import { chooseBathVerb, convertVerb, hardenVerb, lineVerb, verdictVerb } from "./hardness.js";
import { calibrateVerb, fitVerb, warmUpVerb } from "./kit.js";
import { routeVerb } from "./route.js";
import { diagnoseVerb, learnVerb, standingVerb } from "./standing.js";
import { identifyVerb } from "./identify.js";
import { solveVerb } from "./solve.js";
import { dipVerb, fallingVerb, settlingVerb, temperForVerb, temperVerb, warpVerb } from "./tempering.js";
import { soakVerb, steelsVerb, transformationsVerb } from "./steel.js";

interface Verb {
  readonly run: (input: unknown, desk: Desk) => unknown;
  readonly schema: SchemaName;
  readonly about: string;
  /** Verbs that can do without an input. */
  readonly needsInput: boolean;
}

/** More findings than these help nobody. */
const MOST_FINDINGS = 50;

function checkFileVerb(input: unknown): FileReport & { readonly found: number } {
  const { ok, pieces, heats, problems } = checkBook(input);
  return { ok, pieces, heats, found: problems.length, problems: problems.slice(0, MOST_FINDINGS) };
}

const VERBS: Readonly<Record<string, Verb>> = {
  steels: { run: steelsVerb, schema: "VerbSteels", about: "The steels of the catalogue", needsInput: false },
  transformations: {
    run: transformationsVerb,
    schema: "VerbTransformations",
    about: "The temperatures that matter for a steel",
    needsInput: true,
  },
  harden: { run: hardenVerb, schema: "VerbHarden", about: "Heat, soak and quench a section", needsInput: true },
  route: { run: routeVerb, schema: "VerbRoute", about: "The steps for a piece by a school, and what they should give", needsInput: true },
  identify: {
    run: identifyVerb,
    schema: "VerbIdentify",
    about: "What a found bar may be, and the coupon that tells most",
    needsInput: true,
  },
  solve: { run: solveVerb, schema: "VerbSolve", about: "A plan worked out: its ways, its limits, what is worth knowing", needsInput: true },
  simulate: { run: simulateVerb, schema: "VerbSimulate", about: "A section through any thermal history", needsInput: true },
  fit: { run: fitVerb, schema: "VerbFit", about: "Whether a piece fits the shop's kit, and ways on where it does not", needsInput: true },
  "warm-up": { run: warmUpVerb, schema: "VerbWarmUp", about: "When each zone of a piece in a fire is at heat", needsInput: true },
  calibrate: {
    run: calibrateVerb,
    schema: "VerbCalibrate",
    about: "A dial against a second thermometer: offset and lag",
    needsInput: true,
  },
  line: { run: lineVerb, schema: "VerbLine", about: "How deep and how long for a quench line at a wanted height", needsInput: true },
  "choose-bath": { run: chooseBathVerb, schema: "VerbChooseBath", about: "Baths side by side for one piece", needsInput: true },
  soak: { run: soakVerb, schema: "VerbSoak", about: "How long, or how hot, until enough carbon is in solution", needsInput: true },
  bath: { run: bathVerb, schema: "VerbBath", about: "A bath: how it stands by its log, and what hot pieces do to it", needsInput: true },
  ttt: { run: tttVerb, schema: "VerbTtt", about: "Start and end of each change at constant heat", needsInput: true },
  cool: { run: coolVerb, schema: "VerbCool", about: "Cooling of a section or a probe that does not change", needsInput: true },
  jominy: { run: jominyVerb, schema: "VerbJominy", about: "Hardness along an end-quenched bar", needsInput: true },
  thermocouple: { run: thermocoupleVerb, schema: "VerbThermocouple", about: "Type K voltage and temperature", needsInput: true },
  temper: { run: temperVerb, schema: "VerbTemper", about: "Hardness after tempering", needsInput: true },
  "temper-for": { run: temperForVerb, schema: "VerbTemperFor", about: "The heat of a temper that gives a hardness", needsInput: true },
  dip: {
    run: dipVerb,
    schema: "VerbDip",
    about: "Whether tempers lie in the dip of toughness, and the two ways round it",
    needsInput: true,
  },
  "colour-run": {
    run: colourRunVerb,
    schema: "VerbColourRun",
    about: "Which colour is where in a run, and when to stop it",
    needsInput: true,
  },
  warp: { run: warpVerb, schema: "VerbWarp", about: "How far past the line to hold a warp in its next temper", needsInput: true },
  settling: {
    run: settlingVerb,
    schema: "VerbSettling",
    about: "Where an oven comes to rest, and when, by its readings",
    needsInput: true,
  },
  falling: { run: fallingVerb, schema: "VerbFalling", about: "When a kiln has fallen to its temper, by its readings", needsInput: true },
  verdict: { run: verdictVerb, schema: "VerbVerdict", about: "What files and tester readings say", needsInput: true },
  convert: { run: convertVerb, schema: "VerbConvert", about: "Rockwell C, Vickers, Brinell and Rockwell A", needsInput: true },
  glow: { run: glowVerb, schema: "VerbGlow", about: "How hot steel looks in a light", needsInput: true },
  "glow-read": { run: glowReadVerb, schema: "VerbGlowRead", about: "What the name of a glow means in a light", needsInput: true },
  "heat-estimate": {
    run: heatEstimateVerb,
    schema: "VerbHeatEstimate",
    about: "One temperature from colour, magnet, probe, gun, stick and time",
    needsInput: true,
  },
  "heat-now": { run: heatNowVerb, schema: "VerbHeatNow", about: "What a piece in the fire is now, by its log", needsInput: true },
  standing: { run: standingVerb, schema: "VerbStanding", about: "A piece as it stands, by its log", needsInput: true },
  diagnose: {
    run: diagnoseVerb,
    schema: "VerbStanding",
    about: "Why a tested piece came out as it did, and what to do now",
    needsInput: true,
  },
  learn: { run: learnVerb, schema: "Book", about: "What the finished pieces of a book teach of its shop", needsInput: true },
  oxide: { run: oxideVerb, schema: "VerbOxide", about: "The temper colour of clean steel", needsInput: true },
  "check-file": { run: checkFileVerb, schema: "Book", about: "Whether a Tembrak export is sound", needsInput: true },
};

export const VERB_NAMES: readonly string[] = Object.keys(VERBS);

function verbOf(name: string): Verb {
  const verb = Object.hasOwn(VERBS, name) ? VERBS[name] : undefined;
  if (verb !== undefined) return verb;
  throw new InputError({
    code: "unknown-verb",
    path: "",
    got: name,
    allowed: VERB_NAMES.join(", "),
    message: `There is no verb "${name}". There are ${VERB_NAMES.join(", ")}, schema VERB and help.`,
  });
}

export function verbNeedsInput(name: string): boolean {
  return verbOf(name).needsInput;
}

/** @param desk what was simulated before, by this question or another: the plan and what was done of it have much in common */
export function runVerb(name: string, input: unknown, desk: Desk = makeDesk()): unknown {
  return verbOf(name).run(input, desk);
}

/** JSON Schema of a verb's input. */
export function verbSchema(name: string): unknown {
  return SCHEMAS[verbOf(name).schema];
}

/** One verb: what it is for, what it wants and the schema of that. */
export function verbHelpOf(name: string): {
  readonly verb: string;
  readonly about: string;
  readonly needsInput: boolean;
  readonly input: unknown;
} {
  const { about, needsInput, schema } = verbOf(name);
  return { verb: name, about, needsInput, input: SCHEMAS[schema] };
}

export function verbHelp(): readonly { readonly verb: string; readonly about: string }[] {
  return VERB_NAMES.map((verb) => ({ verb, about: VERBS[verb]!.about }));
}
