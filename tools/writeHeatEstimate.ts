/** `npm run smiths`: two thousand made-up smiths judge a heat; docs/heat-estimate.md says how well the fused estimate does. */

import { writePage } from "./page.js";
import { estimateHeat } from "../core/src/simulate/heatEstimate.js";
import { wholeHeats } from "../core/test/heatNow/wholeHeats.js";
import { askSmiths, makeSmith, singleErrors_K, type Smith } from "../core/test/simulate/smiths.js";

const COUNT = 2000;
const HEATS = 2000;
const smiths = Array.from({ length: COUNT }, (_, i) => makeSmith(100000 + i));
const percent = (share: number): string => `${(100 * share).toFixed(1)} %`;
const has = (kind: string) => (smith: Smith) => smith.evidence.some((e) => e.kind === kind);

function row(name: string, of: readonly Smith[]): string {
  const { count, covered, meanError_K, bestSingleError_K, conflicts } = askSmiths(of);
  const ratio = percent(meanError_K / bestSingleError_K);
  return `| ${name} | ${count} | ${percent(covered)} | ${meanError_K.toFixed(1)} C | ${bestSingleError_K.toFixed(1)} C | ${ratio} | ${percent(conflicts)} |`;
}

/** Mean error when every reading is given the same prior, and the one that is then surest is believed alone, C. */
function surestAlone_K(of: readonly Smith[]): number {
  const errors = of.map(({ evidence, truth_C, magnet_C, wanted_C }) => {
    const alone = evidence.map((e) => estimateHeat({ evidence: [e], magnet: { at_C: magnet_C, sd_C: 8 }, wanted_C }));
    const best = alone.reduce((a, b) => (b.p95_C - b.p05_C < a.p95_C - a.p05_C ? b : a));
    return Math.abs(best.mean_C - truth_C);
  });
  return errors.reduce((a, b) => a + b, 0) / errors.length;
}

const whole = askSmiths(smiths);
const alone = Object.entries(singleErrors_K(smiths)).map(([kind, error_K]) => `| ${kind} | ${error_K.toFixed(1)} C |`);
const surest = surestAlone_K(smiths);

const heats = wholeHeats(HEATS);
const HOLDS = 200;
const holds = wholeHeats(HOLDS, 900000, true);
const KILNS = 300;
const kilns = wholeHeats(KILNS, 600000, false, "kiln");

writePage(
  "heat-estimate.md",
  `# How well the fused temperature does

Written by \`npm run smiths\` (tools/writeHeatEstimate.ts): ${COUNT} made-up smiths, their errors drawn from the notes' error model and the judgements
beside it (core/test/simulate/smiths.ts), which is not the code that estimates: eye's bias 30 C, a glance 18 C at 800 C, adaptation of the eye
0.667 with 0.15, magnet 8 and 6 C, sticks 1 %, an unchecked probe 5 and 6 C, one in ten of them in the flame or lagging, slips two in a hundred.
Nobody measured a real smith here: these figures say that the arithmetic is sound, not that the error model is.

| smiths | number | 90 % range holds the truth | mean error, fused | mean error, best reading they had, at its word | fused against it | said to conflict |
|---|---|---|---|---|---|---|
${row("all", smiths)}
${row("with a probe", smiths.filter(has("probe")))}
${row(
  "without one",
  smiths.filter((s) => !has("probe")(s)),
)}
${row(
  "magnet and eye only",
  smiths.filter((s) => !has("probe")(s) && !has("time")(s) && !has("stick")(s)),
)}

Part of this comes from knowing which heat is wanted. Given that too, believing the surest single reading alone errs by ${surest.toFixed(1)} C:
the fused error is ${percent(whole.meanError_K / surest)} of it.

| one reading at its word | mean error |
|---|---|
${alone.join("\n")}

## Whole heats, in order over time

${HEATS} made-up heats (core/test/heatNow/wholeHeats.ts): a piece rises towards a fire of 900 to 1010 C by a time of 60 to 200 s, stands in the 14 C under
its magnet's point while it takes up as much heat as 100 to 150 C of plain steel, is touched with a magnet,
named by its colour and, in three of ten, probed (a probe 1 to 7 s behind), every 8 to 30 s from 560 C until it is 40 C over its heat; faults as above. Judged by \`heatNow\` up to 4 s after
each look, as the bench does: every reading is taken for what the piece was then, along twelve ways it may be rising and one at which it stands, each weighed by
how well it explains all of them in their order. Conflicts are counted until somebody slipped.

| looks | 90 % range holds the truth | mean error | said to conflict | a planted probe (180 C hot) is named |
|---|---|---|---|---|
| ${heats.looks} | ${percent(heats.covered)} | ${heats.meanError_K.toFixed(1)} C | ${percent(heats.falseConflicts)} | ${percent(heats.plantedNamed)} |

The same of ${HOLDS} holds of up to 400 s: about its heat seven of ten turn their fire to within 30 C of it, the others leave it as it was; every look in the hold.
There a piece rose until it was at heat and goes since wherever its fire may have been set: twenty ways and one at which it stands; the clock of the fire is no witness any more.

| looks | 90 % range holds the truth | mean error | said to conflict | a planted probe (180 C hot) is named |
|---|---|---|---|---|
| ${holds.looks} | ${percent(holds.covered)} | ${holds.meanError_K.toFixed(1)} C | ${percent(holds.falseConflicts)} | ${percent(holds.plantedNamed)} |

The same of ${KILNS} heats in a kiln that is off by 12 C, by a time of 32 to 80 s:

| looks | 90 % range holds the truth | mean error | said to conflict | a planted probe (180 C hot) is named |
|---|---|---|---|---|
| ${kilns.looks} | ${percent(kilns.covered)} | ${kilns.meanError_K.toFixed(1)} C | ${percent(kilns.falseConflicts)} | ${percent(kilns.plantedNamed)} |

Before (ways that did not know of the stop), 80 of these heats and 60 holds: 77.3 %, 28.4 C, 15.1 %, 90 %, and 88.5 %, 21.9 C, 3.2 %, 100 %; now 87.8 %, 26.5 C, 2.4 %, 100 %, and 93.1 %, 20.4 C, 0.4 %, 100 %.
`,
);
console.log(`docs/heat-estimate.md: ${percent(whole.covered)} covered, mean error ${whole.meanError_K.toFixed(1)} C`);
