/** What was logged, in a few words. Pure. */

import type { BookEvent, PieceState } from "@tembrak/core";
import { actWords } from "./actWords.js";
import { showTemperature, type Units } from "../format/show.js";

const MAGNET = { sticks: "magnet sticks", weak: "magnet weak", free: "magnet lets go" } as const;

export function readingWords(event: BookEvent, state: PieceState, units: Units): string {
  switch (event.kind) {
    case "check":
      switch (event.reading.check) {
        case "magnet":
          return MAGNET[event.reading.state];
        case "glow":
          return `looks ${event.reading.name}`;
        case "probe":
          return `reads ${showTemperature(event.reading.temperature_C, units)}`;
        case "infrared":
          return `gun reads ${showTemperature(event.reading.temperature_C, units)}`;
        case "stick":
          return `${showTemperature(event.reading.rated_C, units)} stick ${event.reading.hasMelted ? "melts" : "does not melt"}`;
        case "bath":
          return event.reading.state === "in" ? "in the bath" : "out of the bath";
        case "straight":
          return event.reading.state;
        case "safety":
          return "safety gone through";
        case "fire":
          return event.reading.state === "in" ? "in the fire" : "out of the fire";
        case "even": {
          const { behind, ahead } = event.reading;
          const told = [...behind.map((zone) => `${zone} behind`), ...ahead.map((zone) => `${zone} ahead`)];
          return told.length === 0 ? "even all over" : told.join(", ");
        }
        case "rehearsal":
          return `the move rehearsed, ${event.reading.took_s.toFixed(1)} s`;
        case "door":
          return event.reading.state === "open" ? "door open" : "door shut";
        case "chamber":
          return `chamber reads ${showTemperature(event.reading.temperature_C, units)}`;
        case "power-off":
          return "power off";
        case "sequence":
          return event.reading.state === "started" ? "hands-free sequence started" : "sequence stopped";
      }
      break;
    case "act-done": {
      const act = state.acts.find(({ id }) => id === event.act);
      return act ? actWords(act, state, units).done.toLowerCase() : "step done";
    }
    case "test":
      return event.test.readings_HRC.length > 0 ? "tester readings" : "file test";
    case "piece":
      return "described";
    case "route":
      return event.route.school === "kiln" ? "planned for the kiln" : "planned for the forge";
    case "note":
      return event.text;
    case "finished":
      return "finished";
    case "withdrawn":
      return "taken back";
  }
  return "";
}
