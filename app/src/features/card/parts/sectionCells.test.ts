import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, planRoute, runJob, type Piece, type Section, type SectionPicture } from "@tembrak/core";
import { cellsOf, fieldRows, rowsLength_mm } from "./sectionCells.js";
import { sectionRows } from "./sectionRows.js";

function picture(section: Section): SectionPicture {
  const piece: Piece = {
    name: "Piece",
    mark: "1",
    kind: section.shape === "wedge" ? "knife" : "other",
    steel: "1084",
    start: "normalised",
    use: "knife",
    length_mm: 200,
    section,
  };
  const outcome = runJob(CATALOGUE, {
    kind: "section",
    piece,
    route: planRoute(CATALOGUE, piece, "forge"),
    station: null,
    effort: "quick",
  });
  if (outcome.type !== "done") throw new Error(JSON.stringify(outcome));
  return outcome.answer as SectionPicture;
}

const SECTIONS: readonly Section[] = [
  { shape: "wedge", spine_mm: 4, edge_mm: 1, height_mm: 30 },
  { shape: "square", side_mm: 12 },
  { shape: "plate", thickness_mm: 5 },
];

describe("patches of a section", () => {
  for (const section of SECTIONS) {
    it(`${section.shape}: they cover the section once`, () => {
      const p = picture(section);
      const { cells, width_mm, height_mm } = cellsOf(p);
      const area = cells.reduce((sum, c) => sum + (c.kind === "box" ? c.width * c.height : 0), 0);
      const wanted =
        section.shape === "wedge"
          ? (section.height_mm * (section.spine_mm + section.edge_mm)) / 2
          : section.shape === "square"
            ? section.side_mm ** 2
            : width_mm * height_mm;
      expect(area / wanted).toBeCloseTo(1, 6);
      for (const c of cells) {
        if (c.kind !== "box") continue;
        expect(c.x).toBeGreaterThanOrEqual(-1e-9);
        expect(c.x + c.width).toBeLessThanOrEqual(width_mm + 1e-9);
        expect(c.y).toBeGreaterThanOrEqual(-1e-9);
        expect(c.y + c.height).toBeLessThanOrEqual(height_mm + 1e-9);
      }
      expect(new Set(cells.map(({ node }) => node)).size).toBe(p.columns * p.nodes);
    });
  }
  it("round: rings from the outside in, the outermost as large as the bar", () => {
    const { cells, width_mm } = cellsOf(picture({ shape: "round", diameter_mm: 9 }));
    const radii = cells.map((c) => (c.kind === "disc" ? c.radius : 0));
    expect(radii[0]).toBeCloseTo(4.5, 9);
    expect([...radii].sort((a, b) => b - a)).toEqual(radii);
    expect(width_mm).toBeCloseTo(9, 9);
  });
  it("of a blade the thick back lies left, the edge right", () => {
    const p = picture(SECTIONS[0]!);
    const { cells, width_mm } = cellsOf(p);
    const edge = cells.find(({ node }) => node === 0)!;
    expect(edge.kind === "box" && edge.x + edge.width).toBeCloseTo(width_mm, 9);
  });
  it("the line through it begins at back or surface and is as long as the section", () => {
    for (const section of SECTIONS) {
      const p = picture(section);
      const rows = fieldRows(p, p.tempered_HRC);
      for (let i = 1; i < rows.length; i++) expect(rows[i]!.x_mm).toBeGreaterThan(rows[i - 1]!.x_mm);
      expect(rows.at(-1)!.x_mm).toBeLessThanOrEqual(rowsLength_mm(p) + 1e-9);
      const inHardness = sectionRows(p);
      // A square's two lines run through different columns of the quarter; a plate's and a blade's are the same line.
      expect(inHardness).toHaveLength(section.shape === "square" ? p.nodes : rows.length);
      // It is the line of what is said in words: both ends have the mean and the range of the ensemble.
      const [first, last] = section.shape === "wedge" ? [p.thickest, p.working] : [p.working, p.thickest];
      for (const [row, end] of [
        [inHardness[0]!, first],
        [inHardness.at(-1)!, last],
      ] as const) {
        const { mean_HRC, p05_HRC, p95_HRC } = end.tempered;
        expect([row.tempered_HRC, row.low_HRC, row.high_HRC].map((x) => x.toFixed(6))).toEqual(
          [mean_HRC, p05_HRC, p95_HRC].map((x) => x.toFixed(6)),
        );
        expect(row.asQuenched_HRC).toBeCloseTo(end.asQuenched.mean_HRC, 6);
      }
    }
  });
});
