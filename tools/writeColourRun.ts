/** `npm run runs`: made-up colour runs, each dunked when the bench says so. Writes docs/colour-run.md. */

import { writePage } from "./page.js";
import { RUN_CASES, runsOf } from "../core/test/simulate/madeUpRuns.js";

const EACH = Number(process.argv[2] ?? 100);
const NEAR_K = 10;
let [all, near, never] = [0, 0, 0];
const rows = RUN_CASES.map((one) => {
  const runs = runsOf(one, EACH);
  const off = runs.flatMap(({ off_K }) => (off_K === null ? [] : [off_K])).sort((a, b) => a - b);
  const within = off.filter((o) => Math.abs(o) <= NEAR_K).length;
  const at = (p: number): string => off[Math.min(off.length - 1, Math.floor(p * off.length))]!.toFixed(0);
  const looks = runs.reduce((sum, run) => sum + run.looks, 0) / runs.length;
  all += off.length;
  near += within;
  never += runs.length - off.length;
  const row = `| ${one.name} | ${runs.length - off.length} | ${((100 * within) / off.length).toFixed(0)} % | ${at(0.05)}, ${at(0.5)}, ${at(0.95)} | ${looks.toFixed(0)} |`;
  console.log(row);
  return row;
});
writePage(
  "colour-run.md",
  `# Colour runs stopped by the bench

Written by \`npm run runs\` (tools/writeColourRun.ts, core/test/simulate/madeUpRuns.ts): ${EACH} runs a case, none of them among those the bench knows, drawn
from the same doubts (source, contact, loss, reach, surface; all judgement, beside the constants of core/src/plan/colourRun.ts). The
smith looks every 2 to 5 s until something shows, then about once a second; names it with the eye's error (2.7 nm of film, some 8 C; 3 in
100 wrong altogether); taps what has changed, and what it is when asked to look; hears *stop* and dunks 0.3 to 1 s later. On a hot bar a fresh one is laid
under it when the bench says that it will not come, four minutes after the last at the soonest.

| run | never came | within ${NEAR_K} C of the colour wanted | off it, K: 5, 50, 95 of a hundred | taps |
| --- | ---: | ---: | ---: | ---: |
${rows.join("\n")}

Of ${all} that came to their colour **${((100 * near) / all).toFixed(1)} %** were dunked within ${NEAR_K} C of it (wanted 90); ${never} never came, and the bench says by then
that they may not. What comes out of it is only that the arithmetic holds in a world that is as it believes: nobody timed a real run here.
`,
);
