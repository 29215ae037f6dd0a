import { CATALOGUE } from "/work/main/core/src/index.js";
import { resolveSteel } from "/work/main/core/src/plan/catalogue.js";
import { makeStructure } from "/work/main/core/src/kinetics/structure.js";
import { follow } from "/work/main/core/src/kinetics/follow.js";
import { heatingCurve } from "/work/main/core/src/kinetics/austenite.js";
const steel = resolveSteel(CATALOGUE, "1084");
for (let i=0;i<3000;i++) { const structure = makeStructure({ nodes: 1, bar_wtpct: steel.composition_wtpct, prior: "pearlite" }); follow({ structure, ...heatingCurve({ heat_C: 815, hold_s: 300 }) }); }
