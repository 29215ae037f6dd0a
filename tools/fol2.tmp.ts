import { CATALOGUE } from "/work/main/core/src/index.js";
import { resolveSteel } from "/work/main/core/src/plan/catalogue.js";
import { makeStructure } from "/work/main/core/src/kinetics/structure.js";
import { follow } from "/work/main/core/src/kinetics/follow.js";
import { heatingCurve } from "/work/main/core/src/kinetics/austenite.js";
import { runCourse } from "/work/main/core/src/simulate/course.js";
import { gridOf, inBath, bodyOf } from "/work/main/core/src/simulate/section.js";
const steel = resolveSteel(CATALOGUE, "1084");
const med = (a: number[]) => a.sort((x, y) => x - y)[a.length >> 1]!;
const t: Record<string, number[]> = {};
const time = (n: string, f: () => void) => { const c0 = process.cpuUsage(); f(); const c = process.cpuUsage(c0); (t[n] ??= []).push((c.user + c.system) / 1000); };
for (let r = 0; r < 1500; r++) {
  let structure: any;
  time("make", () => { structure = makeStructure({ nodes: 41, bar_wtpct: steel.composition_wtpct, prior: "pearlite" }); });
  time("follow", () => follow({ structure, ...heatingCurve({ heat_C: 815, hold_s: 300 }) }));
  const places = gridOf({ shape: "plate", thickness_mm: 6 }, "full");
  let sur: any;
  time("bath", () => { sur = inBath({ shape: "plate", thickness_mm: 6 }, places.grid, { medium: CATALOGUE.medium("fast-oil")!, bath_C: 55, agitation: "mild", immersion: { kind: "full" } }, null); });
  for (const form of (["kernel"] as const)) {
    const s = makeStructure({ nodes: 41, bar_wtpct: steel.composition_wtpct, prior: "pearlite" });
    follow({ structure: s, ...heatingCurve({ heat_C: 815, hold_s: 300 }) });
    let steps = 0;
    time("quench " + form, () => { steps = runCourse({ grid: places.grid, start_C: 815, stretches: [{ kind: "exchange", surroundings: sur, duration_s: 60, longestStep_s: 1 }], body: bodyOf(s, places.grid, null), watch: [0, 40], form }).steps; });
    if (r === 0) console.log(steps);
  }
}
for (const [n, a] of Object.entries(t)) console.log(n, med(a).toFixed(3));
