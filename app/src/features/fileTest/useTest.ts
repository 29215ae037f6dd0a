/** A test while it is being made: strokes, tester readings, the surface. The verdict follows at once. */

import { kitOf, testVerdict, type Estimate, type HardnessTest, type HardnessVerdict, type Kit, type Section } from "@tembrak/core";
import { useMemo, useState } from "react";
import { EMPTY_TEST, type TestDraft } from "../../words/testDraft.js";

/** What stands for "not hand-warm yet" in the record, C. */
const TOO_HOT_C = 60;
const HAND_C = 35;

export interface TestInHand {
  readonly draft: TestDraft;
  readonly setDraft: (draft: TestDraft) => void;
  readonly verdict: HardnessVerdict;
  /** As it would be stored. */
  readonly event: HardnessTest;
  readonly isEmpty: boolean;
}

function eventOf(draft: TestDraft, prior: Estimate | undefined, section: Section, isWarm: boolean): HardnessTest {
  const places = draft.readings.map((_, i) => draft.places[i] ?? null);
  return {
    strokes: [...draft.strokes].map(([file_HRC, result]) => ({ file_HRC, result })),
    readings_HRC: [...draft.readings],
    ...(places.every((place) => place === null) ? {} : { places }),
    ...(draft.blockBias_HRC === null ? {} : { blockBias_HRC: draft.blockBias_HRC }),
    ...(section.shape === "round" ? { diameter_mm: section.diameter_mm } : {}),
    surface: draft.surface,
    piece_C: (draft.isHandWarm ?? isWarm) ? HAND_C : TOO_HOT_C,
    ...(prior ? { predicted: { mean_HRC: prior.mean_HRC, sd_HRC: prior.sd_HRC } } : {}),
  };
}

/** Where nothing is tried the piece is what it was taken for. */
function verdictOf(test: HardnessTest, isEmpty: boolean, prior: Estimate | undefined, section: Section): HardnessVerdict {
  return prior === undefined ? testVerdict(test, section) : testVerdict(test, section, isEmpty ? prior.members : prior.against);
}

/** @param prior what the piece is taken for before this test, by earlier tests of it too; @param isWarm whether it should be hand-warm by now */
export function useTest(prior: Estimate | undefined, section: Section, kit: Kit | null, isWarm: boolean): TestInHand {
  // The tester of the kit was tried on its block there.
  const [draft, setDraft] = useState<TestDraft>(() => ({ ...EMPTY_TEST, blockBias_HRC: kitOf(kit ?? [], "tester")[0]?.bias_HRC ?? null }));
  const isEmpty = draft.strokes.size === 0 && draft.readings.length === 0;
  const event = useMemo(() => eventOf(draft, prior, section, isWarm), [draft, prior, section, isWarm]);
  const verdict = useMemo(() => verdictOf(event, isEmpty, prior, section), [event, isEmpty, prior, section]);
  // What is shown is what is stored: rack and record say the same of it later.
  return { draft, setDraft, verdict, event: { ...event, found: verdict.summary }, isEmpty };
}
