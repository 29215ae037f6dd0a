/** What has been said of a test so far, while it is being made. */

import type { FileResult, HardnessTest, TestPlace } from "@tembrak/core";

export interface TestDraft {
  readonly strokes: ReadonlyMap<number, FileResult>;
  readonly readings: readonly number[];
  /** What is wrong with the first part of the typed readings that is none; null where all are read. */
  readonly unread: string | null;
  /** Where each was made; null, or nothing, where nobody said. */
  readonly places: readonly (TestPlace | null)[];
  readonly blockBias_HRC: number | null;
  readonly surface: HardnessTest["surface"];
  /** Null where nobody said: then as the model has it. */
  readonly isHandWarm: boolean | null;
}

export const EMPTY_TEST: TestDraft = {
  strokes: new Map(),
  readings: [],
  unread: null,
  places: [],
  blockBias_HRC: null,
  surface: "as-it-came",
  isHandWarm: null,
};
