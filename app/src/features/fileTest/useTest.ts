/** A test while it is being made: strokes, tester readings, the surface. The verdict follows at once. */

import { hardnessVerdict, type Estimate, type FileResult, type HardnessTest, type HardnessVerdict, type Section } from "@tembrak/core";
import { useMemo, useState } from "react";

export interface TestDraft {
  readonly strokes: ReadonlyMap<number, FileResult>;
  readonly readings: readonly number[];
  readonly blockBias_HRC: number | null;
  readonly surface: HardnessTest["surface"];
  readonly isHandWarm: boolean;
}

export const EMPTY_TEST: TestDraft = { strokes: new Map(), readings: [], blockBias_HRC: null, surface: "as-it-came", isHandWarm: true };

/** What stands for "not hand-warm yet" in the record, C. */
const TOO_HOT_C = 60;
const HAND_C = 35;
/** An ordinary mill file is no marked file: its own hardness is not known to better than this, HRC. */
export const MILL_FILE_HRC = 63;
const MILL_SPREAD_HRC = 1;

export interface TestInHand {
  readonly draft: TestDraft;
  readonly setDraft: (draft: TestDraft) => void;
  readonly verdict: HardnessVerdict;
  readonly asEvent: () => HardnessTest;
  readonly isEmpty: boolean;
}

export function useTest(prior: Estimate | undefined, failChance: number, section: Section, isBlade: boolean): TestInHand {
  const [draft, setDraft] = useState<TestDraft>(EMPTY_TEST);
  const verdict = useMemo(() => {
    const { strokes, readings, blockBias_HRC, surface, isHandWarm } = draft;
    return hardnessVerdict({
      ...(prior ? { prior: { mean_HRC: prior.mean_HRC, sd_HRC: prior.sd_HRC, failChance } } : {}),
      strokes: [...strokes].map(([hardness_HRC, result]) => ({
        hardness_HRC,
        result,
        fileSpread_HRC: hardness_HRC === MILL_FILE_HRC ? MILL_SPREAD_HRC : 0,
      })),
      ...(readings.length > 0
        ? {
            rockwell: {
              readings_HRC: readings,
              ...(blockBias_HRC === null ? {} : { blockBias_HRC }),
              ...(section.shape === "round" ? { diameter_mm: section.diameter_mm } : {}),
              ...(isBlade && section.shape === "wedge" ? { thickness_mm: 0.5 * (section.spine_mm + section.edge_mm) } : {}),
            },
          }
        : {}),
      surface,
      piece_C: isHandWarm ? HAND_C : TOO_HOT_C,
    });
  }, [draft, prior, failChance, section, isBlade]);
  const asEvent = (): HardnessTest => ({
    strokes: [...draft.strokes].map(([file_HRC, result]) => ({ file_HRC, result })),
    readings_HRC: [...draft.readings],
    ...(draft.blockBias_HRC === null ? {} : { blockBias_HRC: draft.blockBias_HRC }),
    ...(section.shape === "round" ? { diameter_mm: section.diameter_mm } : {}),
    surface: draft.surface,
    piece_C: draft.isHandWarm ? HAND_C : TOO_HOT_C,
    ...(prior ? { predicted: { mean_HRC: prior.mean_HRC, sd_HRC: prior.sd_HRC, failChance } } : {}),
  });
  return { draft, setDraft, verdict, asEvent, isEmpty: draft.strokes.size === 0 && draft.readings.length === 0 };
}
