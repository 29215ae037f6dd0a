/** A section's profile as one line of rows: back to edge of a blade, surface to centre of a bar. Pure. */

import type { SectionPicture } from "@tembrak/core";

export interface SectionRow {
  readonly x_mm: number;
  readonly asQuenched_HRC: number;
  readonly tempered_HRC: number;
  /** Ninety in a hundred lie between. */
  readonly low_HRC: number;
  readonly high_HRC: number;
}

const NINETY = 1.6449;

export function sectionRows({ profile, working, thickest, section }: SectionPicture): SectionRow[] {
  const isBlade = section.shape === "wedge";
  const line = isBlade
    ? profile.filter(({ x_mm }) => x_mm === 0).map((p) => ({ ...p, at_mm: section.height_mm - (p.y_mm ?? 0) }))
    : profile
        .filter(({ y_mm }) => y_mm === null || y_mm === profile[0]!.y_mm)
        .map((p) => ({ ...p, at_mm: section.shape === "square" ? section.side_mm / 2 - p.x_mm : p.x_mm }));
  const ordered = line.sort((a, b) => a.at_mm - b.at_mm);
  const first_mm = ordered[0]!.at_mm;
  const length_mm = Math.max(1e-6, ordered[ordered.length - 1]!.at_mm - first_mm);
  // The spread is known at the two ends; between them it goes over evenly.
  const [start, end] = isBlade ? [thickest.tempered.sd_HRC, working.tempered.sd_HRC] : [working.tempered.sd_HRC, thickest.tempered.sd_HRC];
  const most_HRC = Math.max(working.asQuenched.mean_HRC, thickest.asQuenched.mean_HRC, 66) + 1;
  return ordered.map(({ at_mm, hardness_HRC, tempered_HRC }) => {
    const share = (at_mm - first_mm) / length_mm;
    const sd_HRC = start + share * (end - start);
    return {
      x_mm: at_mm,
      asQuenched_HRC: hardness_HRC,
      tempered_HRC,
      low_HRC: tempered_HRC - NINETY * sd_HRC,
      high_HRC: Math.min(most_HRC, tempered_HRC + NINETY * sd_HRC),
    };
  });
}
