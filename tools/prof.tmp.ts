import { CATALOGUE } from "/work/main/core/src/index.js";
import { resolveSteel } from "/work/main/core/src/plan/catalogue.js";
import { runCase } from "/work/main/core/src/simulate/hardenCase.js";
const steel = resolveSteel(CATALOGUE, "1084");
const base = { steel, prior: "pearlite", heat_C: 815, hold_s: 300, transfer_s: 1.5, medium: CATALOGUE.medium("fast-oil")!, bath_C: 55, agitation: "mild", bath_s: 60, immersion: { kind: "full" } } as const;
const blade = { shape: "wedge", spine_mm: 6, edge_mm: 1, height_mm: 40 } as const;
const slab = { shape: "plate", thickness_mm: 6 } as const;
for (const [n, section, resolution] of [["wedge", blade, "fine"], ["plate", slab, "full"], ["coarse", blade, "coarse"]] as const) {
  const ts: number[] = [];
  let steps = 0;
  for (let i = 0; i < 12; i++) { const t = process.cpuUsage(); const r = runCase({ ...base, section }, { resolution }); const c = process.cpuUsage(t); ts.push((c.user + c.system) / 1000); steps = r.result.steps; }
  ts.sort((a, b) => a - b);
  console.log(n, steps, ts[6]!.toFixed(1));
}
