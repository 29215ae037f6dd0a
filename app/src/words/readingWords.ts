/** What was logged, in a few words. Pure. */

import { PLACE_OF_HEAT } from "./schools.js";
import { BREAK_WORDS } from "./breakWords.js";
import { ANSWER_WORDS, MISHAP_WORDS } from "./whyWords.js";
import { FATE_WORDS } from "./fateWords.js";
import { CLAMP_WORDS, OUTCOME_WORDS, PROOF_WORDS, proofHow, STRAIGHTENER_WORDS } from "./workWords.js";
import type { BookEvent, Check, PieceState, Quench, Section } from "@tembrak/core";
import { heatPlace } from "./heatPlace.js";
import { actWords } from "./actWords.js";
import { bathTapWords } from "./patternWords.js";
import { runAfter, runEnd, watchedPlace } from "./runWords.js";
import { zoneName } from "./zoneNames.js";
import { showLength, showTemperature, showThin, type Units } from "../format/show.js";

const MAGNET = { sticks: "magnet sticks", weak: "magnet weak", free: "magnet lets go" } as const;

interface Of {
  /** Of the act of a run the place its colour is looked for; null elsewhere. */
  readonly run: string | null;
  /** The bath step it belongs to; null elsewhere. */
  readonly quench: Quench | null;
  /** What it is heated in. */
  readonly place: string;
}

/** A look, a reading or a tap. */
function checkWords(reading: Check, section: Section, units: Units, { run, quench, place }: Of): string {
  switch (reading.check) {
    case "magnet":
      return MAGNET[reading.state];
    case "glow":
      return `looks ${reading.name}`;
    case "probe":
      return `reads ${showTemperature(reading.temperature_C, units)}`;
    case "infrared":
      return `gun reads ${showTemperature(reading.temperature_C, units)}`;
    case "stick":
      return `${showTemperature(reading.rated_C, units)} stick ${reading.hasMelted ? "melts" : "does not melt"}`;
    case "bath":
      return bathTapWords(reading.state, quench);
    case "bath-heat":
      return `bath reads ${showTemperature(reading.temperature_C, units)}`;
    case "straight":
      return reading.state;
    case "safety":
      return "safety gone through";
    case "fire":
      if (run !== null) return reading.state === "in" ? "the heat is on it" : "the heat is off it";
      return `${reading.state === "in" ? "in" : "out of"} ${place}`;
    case "even": {
      const { behind, ahead } = reading;
      const told = [
        ...behind.map((zone) => `${zoneName(zone, section)} behind`),
        ...ahead.map((zone) => `${zoneName(zone, section)} ahead`),
      ];
      return told.length === 0 ? "even all over" : told.join(", ");
    }
    case "turned":
      return `the fire turned ${reading.state}`;
    case "rehearsal":
      return `the move rehearsed, ${reading.took_s.toFixed(1)} s`;
    case "door":
      return reading.state === "open" ? "door open" : "door shut";
    case "chamber":
      return `chamber reads ${showTemperature(reading.temperature_C, units)}`;
    case "too-hot":
      return "too hot, by eye";
    case "finding":
      return ANSWER_WORDS[reading.answer].toLowerCase();
    case "mishap":
      return MISHAP_WORDS[reading.what].toLowerCase();
    case "temper-colour":
      return `${reading.at === "edge" ? "the edge itself" : `the ${run ?? runEnd({ section })}`} is ${reading.name}`;
    case "bath-as-is":
      return `gone on with the bath at ${showTemperature(reading.temperature_C, units)}`;
    case "dunked":
      return "dunked";
    case "straightened":
      return `straightened: ${STRAIGHTENER_WORDS[reading.how].name.toLowerCase()}`;
    case "warp":
      return `${showThin(reading.bow_mm, units)} off the line over ${showLength(reading.over_mm, units)}`;
    case "clamped":
      return `${CLAMP_WORDS[reading.how].toLowerCase()}, ${showThin(reading.past_mm, units)} past the line`;
    case "proof":
      return `${PROOF_WORDS[reading.of].name.toLowerCase()}${proofHow(reading, units)}: ${OUTCOME_WORDS[reading.outcome].toLowerCase()}`;
    case "mark":
      return "its mark was read";
    case "fresh-bar":
      return "a fresh hot bar";
    case "grain":
      return `break of ${reading.of === "coupon" ? "a coupon" : "the piece"} like ${BREAK_WORDS[reading.look].name.toLowerCase()}`;
    case "power-off":
      return "power off";
    case "sequence":
      return reading.state === "started" ? "hands-free sequence started" : "sequence stopped";
  }
}

/** The bath step of an act; null where it has none. */
function quenchIn({ acts, route }: PieceState, id: string): Quench | null {
  const step = route?.steps[acts.find((act) => act.id === id)?.step ?? -1];
  return step?.kind === "quench" ? step : null;
}

/** Where the colour of a run is looked for; null of another act. */
function watchedIn({ piece, acts, route }: PieceState, id: string): string | null {
  if (!id.endsWith("-run")) return null;
  const act = acts.find((one) => one.id === id);
  return watchedPlace(piece, act === undefined ? null : runAfter(route, act.step));
}

export function readingWords(event: BookEvent, state: PieceState, units: Units): string {
  switch (event.kind) {
    case "check":
      return checkWords(event.reading, state.piece.section, units, {
        run: watchedIn(state, event.act),
        quench: quenchIn(state, event.act),
        place: heatPlace(state.route),
      });
    case "act-done": {
      const act = state.acts.find(({ id }) => id === event.act);
      return act ? actWords(act, state, units).done.toLowerCase() : "step done";
    }
    case "test":
      return event.test.readings_HRC.length > 0 ? "tester readings" : "file test";
    case "piece":
      return "described";
    case "route":
      return `planned for the ${PLACE_OF_HEAT[event.route.heating.in].name.toLowerCase()}`;
    case "note":
      return event.text;
    case "finished":
      return "finished";
    case "fate":
      return FATE_WORDS[event.fate].is.toLowerCase();
    case "bath":
      return "of a bath";
    case "corrected":
      return "its time put right";
    case "withdrawn":
      return "taken back";
  }
}
