/** Joins runJob to postMessage. All sense is in core. */

import { CATALOGUE, runJob } from "@tembrak/core";

interface Scope {
  onmessage: ((event: { data: unknown }) => void) | null;
  postMessage(message: unknown): void;
}
const scope = globalThis as unknown as Scope;

scope.onmessage = ({ data }) => scope.postMessage(runJob(CATALOGUE, data));
