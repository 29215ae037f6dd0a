/** `npm run bench`: medians on this machine. Measured, never asserted. */

import { CATALOGUE, planRoute, predict, runVerb, type Piece } from "../core/src/index.js";
import { harden } from "../core/src/simulate/harden.js";
import { resolveSteel } from "../core/src/plan/catalogue.js";

function median_ms(name: string, runs: number, f: () => unknown): void {
  for (let i = 0; i < 3; i++) f();
  const times = Array.from({ length: runs }, () => {
    const at = performance.now();
    f();
    return performance.now() - at;
  }).sort((a, b) => a - b);
  console.log(`${times[Math.floor(runs / 2)]!.toFixed(1).padStart(8)} ms  ${name}`);
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
median_ms("1-D plate, 41 nodes: heat, soak, quench, no ensemble", 40, () =>
  harden({ ...base, section: { shape: "plate", thickness_mm: 6 } }, { members: 0 }),
);
median_ms("the same with its ensemble of 24", 15, () => harden({ ...base, section: { shape: "plate", thickness_mm: 6 } }));
median_ms("2-D wedge, 10 x 30 nodes, no ensemble", 15, () =>
  harden({ ...base, section: { shape: "wedge", spine_mm: 6, edge_mm: 1, height_mm: 40 } }, { members: 0 }),
);
median_ms("a blade's whole prediction, as the heat card asks it", 7, () => predict(CATALOGUE, piece, route));
median_ms("temper, from the command line's verb", 40, () =>
  runVerb("temper", { steel: "1084", cycles: [{ temperature_C: 200, hold_min: 120 }] }),
);
