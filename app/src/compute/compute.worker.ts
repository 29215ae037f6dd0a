/** Joins runJob to postMessage. All sense is in core. */

import { CATALOGUE, makeDesk, runJob } from "@tembrak/core";
import type { ToWorker } from "./toWorker.js";

interface Scope {
  onmessage: ((event: { data: ToWorker }) => void) | null;
  postMessage(message: unknown): void;
}
const scope = globalThis as unknown as Scope;

let flag: Int32Array | null = null;
let current = 0;
const desk = makeDesk(() => flag !== null && Atomics.load(flag, 0) === current);

scope.onmessage = ({ data }) => {
  if (data.type === "flag") flag = data.givenUp;
  else {
    current = data.id;
    scope.postMessage(runJob(CATALOGUE, data.job, desk));
  }
};
