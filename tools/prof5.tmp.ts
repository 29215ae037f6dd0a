import { CATALOGUE } from "/work/main/core/src/index.js";
import { resolveSteel } from "/work/main/core/src/plan/catalogue.js";
import { runCase } from "/work/main/core/src/simulate/hardenCase.js";
const steel = resolveSteel(CATALOGUE, "1084");
const base = { steel, prior: "pearlite", heat_C: 815, hold_s: 300, transfer_s: 1.5, medium: CATALOGUE.medium("fast-oil")!, bath_C: 55, agitation: "mild", bath_s: 60, immersion: { kind: "full" } } as const;
const blade = { shape: "wedge", spine_mm: 6, edge_mm: 1, height_mm: 40 } as const;
for (let i = 0; i < 1; i++) runCase({ ...base, section: blade }, { resolution: "fine", form: (process.env.FORM ?? "kernel") as "kernel" });
console.log((globalThis as any).C);
