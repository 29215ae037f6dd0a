/** `npm run bench`: medians on this machine. Measured, never asserted. */

import { CATALOGUE, planRoute, predict, runVerb, type Piece } from "../core/src/index.js";
import { resolveSteel } from "../core/src/plan/catalogue.js";
import type { HistoryStep } from "../core/src/schema/history.js";
import { harden } from "../core/src/simulate/harden.js";
import { runCase } from "../core/src/simulate/hardenCase.js";
import { pictureSection } from "../core/src/simulate/sectionPicture.js";
import type { AnyMedium } from "../core/src/simulate/section.js";
import { simulate } from "../core/src/simulate/simulate.js";

function median_ms(name: string, runs: number, f: () => unknown): number {
  for (let i = 0; i < 3; i++) f();
  const times = Array.from({ length: runs }, () => {
    const at = performance.now();
    f();
    return performance.now() - at;
  }).sort((a, b) => a - b);
  const middle = times[Math.floor(runs / 2)]!;
  console.log(`${middle.toFixed(1).padStart(8)} ms  ${name}`);
  return middle;
}

/** Node-steps a second of a run whose steps are known. */
function speed(name: string, nodes: number, steps: number, took_ms: number): void {
  console.log(
    `${((nodes * steps) / took_ms / 1000).toFixed(2).padStart(8)} million node-steps a second  ${name}: ${nodes} nodes, ${steps} steps`,
  );
}

const steel = resolveSteel(CATALOGUE, "1084");
const base = {
  steel,
  prior: "pearlite",
  heat_C: 815,
  hold_s: 300,
  transfer_s: 1.5,
  medium: CATALOGUE.medium("fast-oil")!,
  bath_C: 55,
  agitation: "mild",
  bath_s: 60,
  immersion: { kind: "full" },
} as const;
const piece: Piece = {
  name: "Billhook",
  mark: "7",
  kind: "hook",
  form: "billhook",
  steel: "1075",
  start: "as-forged",
  use: "sickle",
  length_mm: 376,
  section: { shape: "wedge", spine_mm: 6.5, edge_mm: 0.9, height_mm: 62 },
};
const route = planRoute(CATALOGUE, piece, "forge");

console.log(`Node ${process.version}, ${process.arch}`);
const slab = { shape: "plate", thickness_mm: 6 } as const;
const blade = { shape: "wedge", spine_mm: 6, edge_mm: 1, height_mm: 40 } as const;
const air: HistoryStep<AnyMedium> = { kind: "cool", medium: CATALOGUE.medium("still-air")!, bath_C: 20, until_C: 60 };
const heatTo = (to_C: number, hold_min: number, rise_min = 6): HistoryStep<AnyMedium> => ({ kind: "heat", to_C, hold_min, rise_min });
const history: HistoryStep<AnyMedium>[] = [
  ...[870, 840, 790].flatMap((to_C) => [heatTo(to_C, 2), air]),
  heatTo(815, 5),
  { kind: "cool", medium: base.medium, bath_C: 55 },
  ...[200, 200].flatMap((to_C) => [heatTo(to_C, 120, 20), air]),
];

const plate_ms = median_ms("1-D plate, 41 nodes: heat, soak, 60 s quench, no ensemble", 40, () =>
  harden({ ...base, section: slab }, { members: 0 }),
);
median_ms("the same with its ensemble of 24", 15, () => harden({ ...base, section: slab }));
median_ms("1-D, 41 nodes, a whole route: three normalisings, hardening, two tempers", 20, () =>
  simulate({ steel, prior: "as-forged", section: slab, history }),
);
median_ms("2-D wedge, 30 x 10 nodes, no ensemble", 15, () => harden({ ...base, section: blade }, { members: 0 }));
const wedge_ms = median_ms("2-D wedge, 64 x 24 nodes: heat, soak, 60 s quench", 9, () =>
  runCase({ ...base, section: blade }, { resolution: "fine" }),
);
speed("1-D", 41, runCase({ ...base, section: slab }).result.steps, plate_ms);
speed("2-D", 64 * 24, runCase({ ...base, section: blade }, { resolution: "fine" }).result.steps, wedge_ms);
median_ms("the picture through a blade: 64 x 24, its moments, its spread", 7, () =>
  pictureSection(CATALOGUE, { piece, route, station: null, effort: "full" }),
);
median_ms("a station of it, while dragging", 15, () => pictureSection(CATALOGUE, { piece, route, station: 0.6, effort: "quick" }));
median_ms("a blade's whole prediction, as the heat card asks it", 7, () => predict(CATALOGUE, piece, route));
median_ms("the same while a slide moves", 15, () => predict(CATALOGUE, piece, route, "quick"));
const bar: Piece = { ...piece, kind: "punch", form: "punch", use: "punch", section: { shape: "round", diameter_mm: 9 } };
const barRoute = planRoute(CATALOGUE, bar, "forge");
median_ms("a bar's whole prediction (1-D)", 15, () => predict(CATALOGUE, bar, barRoute));
median_ms("the same while a slide moves", 15, () => predict(CATALOGUE, bar, barRoute, "quick"));
median_ms("temper, from the command line's verb", 40, () =>
  runVerb("temper", { steel: "1084", cycles: [{ temperature_C: 200, hold_min: 120 }] }),
);
// Typed arrays and no allocation inside steps: what is left after a hundred quenches is what was there before.
global.gc?.();
const before_MB = process.memoryUsage().heapUsed / 1e6;
for (let i = 0; i < 100; i++) harden({ ...base, section: slab }, { members: 0 });
global.gc?.();
console.log(`${(process.memoryUsage().heapUsed / 1e6 - before_MB).toFixed(1).padStart(8)} MB more of heap after a hundred 1-D quenches`);
