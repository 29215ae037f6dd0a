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

type Line = readonly { readonly at_mm: number; readonly hardness_HRC: number; readonly tempered_HRC: number }[];

function lineOf({ profile, section }: SectionPicture): Line {
  const line =
    section.shape === "wedge"
      ? profile.filter(({ x_mm }) => x_mm === 0).map((p) => ({ ...p, at_mm: section.height_mm - (p.y_mm ?? 0) }))
      : profile
          .filter(({ y_mm }) => y_mm === null || y_mm === profile[0]!.y_mm)
          .map((p) => ({ ...p, at_mm: section.shape === "square" ? section.side_mm / 2 - p.x_mm : p.x_mm }));
  return line.sort((a, b) => a.at_mm - b.at_mm);
}

export function sectionRows(picture: SectionPicture): SectionRow[] {
  const { working, thickest, section } = picture;
  const line = lineOf(picture);
  const [first, last] = [line[0]!, line[line.length - 1]!];
  const length_mm = Math.max(1e-6, last.at_mm - first.at_mm);
  const [start, end] = section.shape === "wedge" ? [thickest, working] : [working, thickest];
  // The line is of the case as planned, the two ends are known of all its members: it passes through what the ends say of
  // themselves, and between them the difference goes over evenly.
  const between = (at_mm: number, atStart: number, atEnd: number): number =>
    atStart + ((at_mm - first.at_mm) / length_mm) * (atEnd - atStart);
  return line.map(({ at_mm, hardness_HRC, tempered_HRC }) => {
    const shifted = (value: number, of: (end: typeof start) => number, is: (point: Line[number]) => number): number =>
      value + between(at_mm, of(start) - is(first), of(end) - is(last));
    const tempered = (of: (end: typeof start) => number): number => shifted(tempered_HRC, of, (point) => point.tempered_HRC);
    return {
      x_mm: at_mm,
      asQuenched_HRC: shifted(
        hardness_HRC,
        ({ asQuenched }) => asQuenched.mean_HRC,
        (point) => point.hardness_HRC,
      ),
      tempered_HRC: tempered((end) => end.tempered.mean_HRC),
      low_HRC: tempered((end) => end.tempered.p05_HRC),
      high_HRC: tempered((end) => end.tempered.p95_HRC),
    };
  });
}
