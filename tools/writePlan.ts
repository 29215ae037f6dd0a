/** `npm run plans`: plans worked out against plans read from tables, on 120 pieces of the shop's own making; writes docs/plan.md. */

import { CATALOGUE, InputError, planRoute, PRESETS, solve, type Kit, type Piece, type PlannedWay } from "../core/src/index.js";
import { MAY_FAIL } from "../core/src/solve/weights.js";
import { shopOf } from "../core/src/standing/known.js";
import { writePage } from "./page.js";

const STEELS = CATALOGUE.steels.map(({ id }) => id).filter((id) => id !== "1040");
const SHAPES: readonly Pick<Piece, "kind" | "form" | "use" | "section" | "length_mm">[] = [
  { kind: "knife", form: "hay-knife", use: "knife", length_mm: 200, section: { shape: "wedge", spine_mm: 3, edge_mm: 0.5, height_mm: 30 } },
  { kind: "hook", form: "billhook", use: "chopper", length_mm: 260, section: { shape: "wedge", spine_mm: 7, edge_mm: 1, height_mm: 60 } },
  { kind: "chisel", form: "cold-chisel", use: "chisel", length_mm: 180, section: { shape: "round", diameter_mm: 16 } },
  { kind: "spring", form: "bar", use: "spring", length_mm: 200, section: { shape: "plate", thickness_mm: 4 } },
];

function kitOf(id: string): Kit {
  return PRESETS.find((preset) => preset.id === id)!.items.map((item, i) => ({ ...item, id: `k${i}` })) as Kit;
}

const rows: { today: PlannedWay; surest: PlannedWay; ms: number; canBeHelped: boolean }[] = [];
for (const steel of STEELS) {
  for (const shape of SHAPES) {
    for (const [kit, school] of [
      ["beginner", "forge"],
      ["kiln", "kiln"],
    ] as const) {
      const piece = { name: "Piece", mark: "1", steel, start: "as-forged", ...shape } as Piece;
      const own = kitOf(kit);
      try {
        const route = planRoute(CATALOGUE, piece, school, { kit: own });
        const shop = shopOf(piece, route, own);
        const began = performance.now();
        const { ways, today, waysOn } = solve(CATALOGUE, piece, route, { kit: own, known: shop === undefined ? {} : { shop } });
        rows.push({ today, surest: ways[0]!, ms: performance.now() - began, canBeHelped: waysOn.length > 0 });
      } catch (error) {
        if (!(error instanceof InputError)) throw error;
        process.stderr.write(`${steel} ${shape.use} ${school}: ${error.message}\n`);
      }
    }
  }
}

const mean = (of: (row: (typeof rows)[number]) => number): string => (rows.reduce((sum, row) => sum + of(row), 0) / rows.length).toFixed(2);
const count = (of: (row: (typeof rows)[number]) => boolean): number => rows.filter(of).length;
const ms = rows.map((row) => row.ms).sort((a, b) => a - b);
const line = (name: string, of: (row: (typeof rows)[number]) => PlannedWay): string =>
  `| ${name} | ${mean((row) => of(row).chance)} | ${count((row) => of(row).failChance > MAY_FAIL)} | ${count((row) => of(row).isEmbrittled)} |`;

writePage(
  "plan.md",
  `# Plans worked out

${rows.length} plans as the product makes them (${STEELS.length} steels, four shapes, a beginner's forge with one can of oil and a kiln shop), and what the search makes of the
same kit. Chance: the working place lands where its use wants it, with all that may be off. By the model's own ensemble: it shows that the search finds what
the model holds for better, not that the model is right (docs/validation.md).

| plan | mean chance | more than 1 in 10 to fail | in the dip of toughness |
| --- | --- | --- | --- |
${line("by the tables", ({ today }) => today)}
${line("worked out", ({ surest }) => surest)}

Lower than by the tables, by more than 0.02: ${count(({ today, surest }) => surest.chance < today.chance - 0.02)} (out of the dip, or less cracked or coarse; the table of
weights says so). Of those that may still fail ${count(({ surest, canBeHelped }) => surest.failChance > MAY_FAIL && canBeHelped)} have a way on that helps. One search on one core: half under
${Math.round(ms[Math.floor(ms.length / 2)]!)} ms, nine in ten under ${Math.round(ms[Math.floor(0.9 * ms.length)]!)} ms.
`,
);
