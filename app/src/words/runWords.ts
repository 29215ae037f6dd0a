/** Words for a temper that is drawn by colour: what to do now, how long, and what the colour that was found means. Pure. */

import { COLOUR_NAMES, wetEdge_mm, type ColourName, type Piece, type RunNow, type Route, type RunSource, type Step } from "@tembrak/core";
import { capital, showDuration, showLength, showTemperature, type Units } from "../format/show.js";

type Run = Extract<Step, { kind: "run" }>;

/** Keys at the bench: what anybody can tell apart; two beyond the one wanted, so that too far can be said. @param least so many at least */
export function colourKeys(wanted: ColourName, least = 6): readonly ColourName[] {
  const told = COLOUR_NAMES.filter((name) => name === wanted || (name !== "faint straw" && name !== "light blue"));
  return told.slice(0, Math.max(least, told.indexOf(wanted) + 3));
}

/** What is brought to it, and where it is held. */
export const HEAT_WORDS: Readonly<Record<RunSource, { readonly bring: string; readonly where: string; readonly away: string }>> = {
  torch: { bring: "The torch is on it", where: "Along the back or the body, never on what works; keep it moving", away: "Torch away" },
  "hot-bar": { bring: "It lies on the hot bar", where: "The back or the body on it, what works off it", away: "Off the bar" },
  residual: { bring: "It is out of the bath", where: "Its own heat runs to what works", away: "" },
};

export interface RunWords {
  /** The number, or what stands in its place. */
  readonly big: string;
  readonly what: string;
  readonly range: string;
}

/** So long after the colour should have gone by nobody is asked whether it is there, s (judgement: as near as the model knows it). */
const PAST_s = 5;
/** More than this never come: it is said, %. */
const MAY_NEVER = 0.15;

/** From here on in minutes, s. */
const LONG_s = 100;

function seconds(s: number): string {
  return s === Infinity ? "never" : s < LONG_s ? String(Math.max(0, Math.round(s))) : showDuration(s);
}

/** By the model's own clock, beside an eye that sees it already. */
function moreWords(left_s: number): string {
  if (left_s === Infinity) return "by the model this heat does not bring it there";
  return left_s < 1 ? "by the model too" : `by the model ${showDuration(Math.round(left_s))} more`;
}

/** What the colour is looked for on: only a blade has an edge. */
export function runEnd({ section }: Pick<Piece, "section">): string {
  return section.shape === "wedge" ? "edge" : "working end";
}

/** Where its colour is looked for: at its edge or end, or at a line behind an edge that stands in water. */
export function watchedPlace(piece: Pick<Piece, "section">, run: Pick<Run, "mark"> | null): string {
  return run?.mark === undefined ? runEnd(piece) : "line";
}

/** What is asked for once it is cold. */
export function coldWords(place: string): string {
  return `Cold, in your own light${place === "line" ? "." : ": nothing runs any more. Where there are several, what works counts."}`;
}

/** What stands before a run begins: where it is warmed. @param source what it is warmed by now */
export function whereWords(run: Run | null, source: RunSource, units: Units): string {
  return run?.mark === undefined ? HEAT_WORDS[source].where : wetWords(run, units);
}

function wetWords({ source, mark }: Run, units: Units): string {
  const heat = source === "hot-bar" ? "the back on the bar, bright orange" : "the torch along the back, close";
  return `The edge in water, ${showLength(wetEdge_mm({ mark }), units)} deep; ${heat}`;
}

const BY_WORDS = { torch: "with a torch", "hot-bar": "on a hot bar", residual: "by its own heat" } as const;

/** The act of a run: what to run where, and how. @param run null where the route has none any more */
export function runActWords(run: Run | null, colour: string) {
  const how = run === null ? "slowly" : BY_WORDS[run.source];
  if (run?.mark === undefined)
    return {
      title: `Run it to ${colour}, ${how}`,
      caution: `Thin edges run ahead: past ${colour} there is too far, and is ground back. Steam from the dunk.`,
    };
  return {
    title: `Run the back until the line is ${colour}, ${how}`,
    caution: "Steam from the water the edge stands in, and from the dunk. A colour on the edge itself has made it softer.",
  };
}

/** The run of a step; null where it is none. */
export function runAfter(route: Route | null, step: number): Run | null {
  const own = route?.steps[step];
  return own?.kind === "run" ? own : null;
}

/** What is rubbed bright for it, and marked. */
export function brightenWords(run: Run | null, units: Units): string {
  return run?.mark === undefined
    ? "Rub it bright where the colours have to be seen"
    : `Rub it bright, and scribe a line ${showLength(run.mark.behind_mm, units)} behind the edge`;
}

/** What the edge does meanwhile, by the model: it is in water. */
export function edgeWords(edge_C: number, units: Units): string {
  return `The edge, in its water, is at about ${showTemperature(edge_C, units)} by the model: it stays bare`;
}

/** What glows beside a colour drowns it: a straw looks bare beside an orange bar (common practice, no source). */
export function glareWords(source: RunSource): string {
  if (source === "residual") return "";
  return `, ${source === "hot-bar" ? "the glowing bar" : "the flame"} shaded with the hand`;
}

/** What more heat is, where it does not come to its colour. */
const MORE_HEAT: Readonly<Record<RunSource, string>> = {
  "hot-bar": "the bar has cooled, lay it on a fresh one",
  torch: "more heat, slowly",
  residual: "a torch, or a hot bar",
};

/** A bar that was laid under it a moment ago has not cooled: what else there is. */
const FRESH_BAR = "flatter on it, or a hotter bar";
/** Where water takes what heat comes. */
const LESS_WATER = "more heat, or the edge out of the water for a moment";

/** @param isFresh a fresh bar was just laid under it @param isWet its edge stands in water */
export function runWords(now: RunNow, wanted: ColourName, source: RunSource, isFresh = false, isWet = false): RunWords {
  const more = isWet ? LESS_WATER : isFresh ? FRESH_BAR : MORE_HEAT[source];
  if (now.call === "stop") return { big: "0", what: `Stop: it is ${wanted}`, range: "dunk it whole, at once" };
  if (now.isSeen)
    return {
      big: "?",
      what: `You see ${wanted} or past it`,
      range: `stop, if you are sure; ${moreWords(now.left_s)}`,
    };
  if (now.call === "look" && now.window_s[1] < -PAST_s)
    return { big: "!", what: `By the model it is past ${wanted}`, range: "dunk it, or tap what you see if it is not" };
  if (now.call === "look") return { big: "?", what: `Look: is it ${wanted}?`, range: "by the model it should be; tap what you see" };
  if (now.left_s === Infinity) return { big: "–", what: `It may not come to ${wanted} by this heat`, range: `tap what you see; ${more}` };
  // The first is in the unit of the second, or names its own.
  const isMixed = now.from_s < LONG_s && (now.left_s >= LONG_s || (now.to_s >= LONG_s && now.to_s !== Infinity));
  const range = `between ${seconds(now.from_s)}${isMixed ? " s" : ""} and ${seconds(now.to_s)}`;
  const never = now.never > MAY_NEVER ? `; ${Math.round(10 * now.never)} in 10 that it does not: ${more}` : "";
  return now.left_s < 100
    ? { big: seconds(now.left_s), what: "seconds until stop", range: `${range}${never}` }
    : { big: String(Math.round(now.left_s / 60)), what: "minutes until stop, about", range: `${range}${never}` };
}

/** What was found at a line behind an edge in water: it speaks of the back. */
function foundAtLine(found: ColourName, wanted: ColourName, by: number): string {
  if (by < 0) return `${capital(found)} at the line, short of ${wanted}: the back is less tough. It can be run again.`;
  return by === 0
    ? `${capital(found)} at the line, as wanted.`
    : `${capital(found)} at the line, past ${wanted}: less of it is hard. A bare edge is as hard as it was.`;
}

/**
 * Of two looks that cannot both be right: a colour does not go back while it runs. Null where there are none.
 * @param seen in order
 */
export function backWords(seen: readonly { readonly name: ColourName }[]): string | null {
  const at = ({ name }: { readonly name: ColourName }): number => COLOUR_NAMES.indexOf(name);
  const [before, last] = seen.slice(-2);
  if (before === undefined || last === undefined || at(last) >= at(before)) return null;
  return `${capital(before.name)} a moment ago, ${last.name} now: a colour does not go back. Undo the one that was not so`;
}

/** What the colour that was found after the dunk means beside the one wanted. */
export function foundWords(
  found: ColourName,
  wanted: ColourName,
  place = "edge",
): { readonly words: string; readonly isShort: boolean; readonly isPast: boolean } {
  const by = COLOUR_NAMES.indexOf(found) - COLOUR_NAMES.indexOf(wanted);
  if (place === "line") return { words: foundAtLine(found, wanted, by), isShort: by < 0, isPast: by > 0 };
  if (by === 0) return { words: `${capital(found)}, as wanted.`, isShort: false, isPast: false };
  if (by < 0)
    return { words: `${capital(found)}, short of ${wanted}: harder and more brittle. It can be run again.`, isShort: true, isPast: false };
  return {
    words: `${capital(found)}, past ${wanted}: softer. Grind back to where it is ${wanted}, keep it as it is, or harden again.`,
    isShort: false,
    isPast: true,
  };
}
