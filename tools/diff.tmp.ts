import { CATALOGUE } from "/work/main/core/src/index.js";
import { resolveSteel } from "/work/main/core/src/plan/catalogue.js";
import { runCase } from "/work/main/core/src/simulate/hardenCase.js";
import { nodeHardness_HV } from "/work/main/core/src/kinetics/structure.js";
import { rockwellCFromVickers } from "/work/main/core/src/kinetics/hardness.js";
const cases: any[] = [];
for (const id of ["1045","1075","1084","1095","5160","80crv2","o1","52100"]) for (const [section, res] of [[{shape:"plate",thickness_mm:6},"full"],[{shape:"wedge",spine_mm:6,edge_mm:1,height_mm:40},"coarse"],[{shape:"round",diameter_mm:20},"full"],[{shape:"wedge",spine_mm:8,edge_mm:1,height_mm:60},"full"]] as any) for (const m of ["fast-oil","water","still-air"]) cases.push({steel:resolveSteel(CATALOGUE,id),section,res,m});
let worst=0, hv=0;
for (const {steel,section,res,m} of cases) {
  const plan = { steel, section, prior: "pearlite", heat_C: 820, hold_s: 300, transfer_s: 1.5, medium: CATALOGUE.medium(m)!, bath_C: 40, agitation: "mild", bath_s: 60, immersion: section.shape==="wedge"&&m==="water"?{ kind: "edge", depth_mm: 15 }:{kind:"full"} } as any;
  const [a,b]=(["reference","kernel"] as const).map((form)=>runCase(plan,{resolution:res,form}));
  let d=0; for(let i=0;i<a!.structure.count;i++) d=Math.max(d,Math.abs(rockwellCFromVickers(nodeHardness_HV(a!.structure,i))-rockwellCFromVickers(nodeHardness_HV(b!.structure,i))));
  worst=Math.max(worst,d);
  if (d>1e-6||a!.result.steps!==b!.result.steps) console.log(steel.file.id,section.shape,m,res,a!.result.steps,b!.result.steps,d);
}
console.log(cases.length,"worst HRC",worst);
const steel = resolveSteel(CATALOGUE, "1084");
const base = { steel, prior: "pearlite", heat_C: 815, hold_s: 300, transfer_s: 1.5, medium: CATALOGUE.medium("fast-oil")!, bath_C: 55, agitation: "mild", bath_s: 60, immersion: { kind: "full" } } as const;
for (const [n, section, resolution, k] of [["wedge", { shape: "wedge", spine_mm: 6, edge_mm: 1, height_mm: 40 }, "fine",9], ["plate", { shape: "plate", thickness_mm: 6 }, "full",60], ["coarse", { shape: "wedge", spine_mm: 6, edge_mm: 1, height_mm: 40 }, "coarse",40]] as const) {
  const t: Record<string, number[]> = { reference: [], kernel: [] };
  for (let i = 0; i < k; i++) for (const form of ["reference", "kernel"] as const) { const c0 = process.cpuUsage(); runCase({ ...base, section }, { resolution, form }); const c=process.cpuUsage(c0); t[form]!.push((c.user+c.system)/1000); }
  const med = (a: number[]) => a.sort((x, y) => x - y)[a.length >> 1]!;
  console.log(n, med(t.reference!).toFixed(2), med(t.kernel!).toFixed(2), (med(t.reference!) / med(t.kernel!)).toFixed(2));
}
