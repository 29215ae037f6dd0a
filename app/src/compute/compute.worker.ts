/** Joins runJob to postMessage. All sense is in core. */

import { CATALOGUE, makeDesk, rehearse, REHEARSALS, runJob } from "@tembrak/core";
import type { ToWorker } from "./toWorker.js";

interface Scope {
  onmessage: ((event: { data: ToWorker }) => void) | null;
  postMessage(message: unknown): void;
}
const scope = globalThis as unknown as Scope;

let flag: Int32Array | null = null;
let current = 0;
const desk = makeDesk(() => flag !== null && Atomics.load(flag, 0) === current);

/** While the page still loads nobody waits: the first question then meets code that is compiled. Any question ends it. */
function warm(part: number): void {
  if (current > 0 || part >= REHEARSALS) return;
  rehearse(CATALOGUE, part);
  setTimeout(() => warm(part + 1), 0);
}
setTimeout(() => warm(0), 0);

scope.onmessage = ({ data }) => {
  if (data.type === "flag") flag = data.givenUp;
  else {
    current = data.id;
    scope.postMessage(runJob(CATALOGUE, data.job, desk));
  }
};
