import * as O from "/tmp/old/core/src/index.js";
import * as N from "/work/main/core/src/index.js";
import { runMembers as om } from "/tmp/old/core/src/simulate/hardenSpread.js";
import { runMembers as nm } from "/work/main/core/src/simulate/hardenSpread.js";
import { hardenPlanOf as op } from "/tmp/old/core/src/simulate/predict.js";
import { hardenPlanOf as np } from "/work/main/core/src/simulate/predict.js";
import { simulate as os } from "/tmp/old/core/src/simulate/simulate.js";
import { simulate as ns } from "/work/main/core/src/simulate/simulate.js";
import { resolveSteel } from "/work/main/core/src/plan/catalogue.js";
const piece: N.Piece = { name: "Billhook", mark: "7", kind: "hook", form: "billhook", steel: "1075", start: "as-forged", use: "sickle", length_mm: 376, section: { shape: "wedge", spine_mm: 6.5, edge_mm: 0.9, height_mm: 62 } };
const route = N.planRoute(N.CATALOGUE, piece, "forge");
const oroute = O.planRoute(O.CATALOGUE, piece as any, "forge");
const med = (a: number[]) => a.sort((x, y) => x - y)[a.length >> 1]!;
function turn(n: string, o: () => unknown, k: () => unknown, runs: number) {
  const t: [number[], number[]] = [[], []];
  for (let i = 0; i < runs + 2; i++) [o, k].forEach((f, q) => { const c0 = process.cpuUsage(); f(); const c = process.cpuUsage(c0); if (i > 1) t[q as 0].push((c.user + c.system) / 1000); });
  console.log(n, med(t[0]).toFixed(1), med(t[1]).toFixed(1), (med(t[0]) / med(t[1])).toFixed(2));
}
turn("predict", () => O.predict(O.CATALOGUE, piece as any, oroute), () => N.predict(N.CATALOGUE, piece, route), 9);
const a = op(O.CATALOGUE, piece as any, oroute), b = np(N.CATALOGUE, piece, route);
turn("members", () => om(a, 24, 0, 24), () => nm(b, 24, 0, 24), 9);
const jt = (m: any) => m.runJob;
const base = { kind: "what-if", piece, route, tracks: ["temper", "heat", "thickness"], media: ["fast-oil", "medium-oil", "vegetable-oil", "water"] };
turn("what-if", () => O.runJob(O.CATALOGUE, { ...base, route: oroute }), () => N.runJob(N.CATALOGUE, base), 9);
const steel = resolveSteel(N.CATALOGUE, "1084");
const air: any = { kind: "cool", medium: N.CATALOGUE.medium("still-air")!, bath_C: 20, until_C: 60 };
const heatTo = (to_C: number, hold_min: number, rise_min = 6): any => ({ kind: "heat", to_C, hold_min, rise_min });
const history: any[] = [...[870, 840, 790].flatMap((to_C) => [heatTo(to_C, 2), air]), heatTo(815, 5), { kind: "cool", medium: N.CATALOGUE.medium("fast-oil")!, bath_C: 55 }, ...[200, 200].flatMap((to_C) => [heatTo(to_C, 120, 20), air])];
turn("route 1-D", () => os({ steel: steel as any, prior: "as-forged", section: { shape: "plate", thickness_mm: 6 }, history }), () => ns({ steel, prior: "as-forged", section: { shape: "plate", thickness_mm: 6 }, history }), 15);
