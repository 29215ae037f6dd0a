/** What is worth knowing about a result that was computed all the same: codes with their values. Words are made where they are read. */

export type ModelLimit = "low-carbon" | "high-carbon" | "alloy";

export type Notice =
  | { readonly code: "outside-source-range"; readonly beyond: ModelLimit }
  /** By its name in the catalogue. */
  | { readonly code: "uncalibrated-medium"; readonly medium: string }
  | { readonly code: "uncalibrated-coat" }
  | { readonly code: "uncalibrated-cladding" }
  | { readonly code: "grain-unknown" }
  | { readonly code: "not-austenite"; readonly heat_C: number }
  | { readonly code: "part-austenite"; readonly extent: number }
  /** `step` counts from 1 where there are several. */
  | { readonly code: "coarse-grain"; readonly astmGrain: number; readonly step?: number }
  /** Chance that the thickest place hardens, 0 ... 1. */
  | { readonly code: "may-fail"; readonly chance: number }
  | { readonly code: "steep-wedge" }
  /** What is left in the body heats the hard end once more, so far. */
  | { readonly code: "body-draws"; readonly drawn_C: number }
  | { readonly code: "step-limit" };
export type NoticeCode = Notice["code"];

/** What to mind about a test of hardness. */
export type TestNotice =
  | {
      readonly code:
        "too-hot-to-test" | "no-prior" | "inconsistent-files" | "soft-skin-possible" | "too-round" | "few-readings" | "no-block";
    }
  | { readonly code: "too-thin"; readonly least_mm: number }
  | { readonly code: "scattered-readings"; readonly apart_HRC: number }
  | { readonly code: "beyond-scale"; readonly reading_HRC: number }
  | { readonly code: "not-as-expected"; readonly expected_HRC: number };

/** Carbon and alloy the hardening model was made for, wt%: hardening-note section 1. */
export function beyondModel({ C, Cr, Ni, Mo }: { C: number; Cr: number; Ni: number; Mo: number }): Notice[] {
  const beyond: ModelLimit[] = [];
  if (C < 0.3) beyond.push("low-carbon");
  if (C > 1.1) beyond.push("high-carbon");
  if (Cr > 1.7 || Ni > 2.2 || Mo > 0.6) beyond.push("alloy");
  return beyond.map((which) => ({ code: "outside-source-range", beyond: which }));
}
