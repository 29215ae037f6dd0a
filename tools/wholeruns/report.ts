/** What whole runs came to, as a page. */

import { cpus, loadavg } from "node:os";
import type { Look, Played } from "./play.js";

const share = (some: number, all: number): string => (all === 0 ? "none" : `${some} of ${all} (${Math.round((100 * some) / all)} %)`);
const number = (x: number | null, digits = 0): string => (x === null || Number.isNaN(x) ? "–" : x.toFixed(digits));

function isHeld({ truth_C, low_C, high_C }: Look): boolean {
  return truth_C >= low_C && truth_C <= high_C;
}
/** Within this of what is wanted a piece is at heat, K: as the bench's own word has it. */
const AT_HEAT_K = 25;
/** Over the heat wanted by more than this a hold has left its heat, K. */
const LEFT_K = 30;

function heatRows(looks: readonly Look[]): string[] {
  const conflicts = looks.filter(({ said }) => /does not fit|contradict|do not fit/.test(said));
  const calls = looks.filter(({ said }) => /^At heat/.test(said));
  const right = calls.filter(({ truth_C, target_C }) => Math.abs(truth_C - target_C) <= AT_HEAT_K);
  const error = looks.reduce((sum, { truth_C, mean_C }) => sum + Math.abs(truth_C - mean_C), 0) / Math.max(1, looks.length);
  const left = looks.filter(({ act, truth_C, target_C }) => act === "hold" && truth_C > target_C + LEFT_K);
  return [
    `| the range of the heat holds the truth | 85 % | ${share(looks.filter(isHeld).length, looks.length)} |`,
    `| mean error of the heat | 20 C | ${number(error)} C |`,
    `| conflicts said of readings that were all honest | 2 % | ${share(conflicts.length, looks.length)} |`,
    `| *at heat* within ${AT_HEAT_K} C | | ${share(right.length, calls.length)} |`,
    `| a hold more than ${LEFT_K} C over, and the look says so | all | ${share(left.filter(({ said }) => /over/.test(said)).length, left.length)} |`,
  ];
}

function runRows(all: readonly Played[]): string[] {
  const warm = all.flatMap(({ handWarm }) => handWarm ?? []);
  const windows = all.flatMap(({ window }) => window ?? []);
  // Locked is right when it is; a time, when it is near.
  const within = windows.filter(({ said_s, true_s, gone_s, isLocked }) =>
    isLocked
      ? true_s !== null && true_s <= 1.5 * gone_s
      : true_s === null
        ? Number.isNaN(said_s)
        : said_s / true_s <= 1.5 && true_s / said_s <= 1.5,
  );
  const last = all.flatMap(({ last: found }) => found ?? []);
  const hits = last.filter(({ low_HRC, high_HRC, tester_HRC }) => tester_HRC >= low_HRC && tester_HRC <= high_HRC);
  const contradictions = all.flatMap(({ contradictions: found }) => found);
  return [
    `| hand-warm is said at 60 C or less | all | ${share(warm.filter(({ then_C }) => then_C <= 60).length, warm.length)} |`,
    `| and no later than twice the time it took | all | ${share(warm.filter(({ said_s, true_s }) => said_s <= 2 * true_s).length, warm.length)} |`,
    `| the end of the window to straighten within a factor of 1.5, or rightly shut | all | ${share(within.length, windows.length)} |`,
    `| of them still open when the piece came out | | ${share(windows.filter(({ isLocked }) => !isLocked).length, windows.length)} |`,
    `| the tester in the last range before it | 10 of 12 | ${share(hits.length, last.length)} |`,
    `| contradictions | 0 | ${contradictions.length} |`,
  ];
}

function runLines({ spec, handWarm, window, last, held, cards, contradictions }: Played): string {
  const said = [
    held === null ? "" : `hold left ${number(held.over_K)} C over, ${held.isCalled ? "said" : "not said"}`,
    window === null
      ? ""
      : `window ${window.isLocked ? `shut at ${number(window.gone_s)} s` : `to ${number(window.said_s)} s`} said, ${number(window.true_s)} s true`,
    handWarm === null
      ? ""
      : `hand-warm said after ${number(handWarm.said_s / 60, 1)} min at ${number(handWarm.then_C)} C, true after ${number(handWarm.true_s / 60, 1)}`,
    last === null
      ? ""
      : `last range ${number(last.low_HRC)} to ${number(last.high_HRC)}, tester ${number(last.tester_HRC, 1)}, true ${number(last.true_HRC, 1)} HRC`,
  ].filter((part) => part !== "");
  const lines = cards.map(({ after, said: card, moved }) => `  - ${after}: ${card}${moved === "" ? "" : ` *${moved}*`}`);
  return [
    `- **${spec.name}** (${spec.steel}, ${spec.spine_mm} mm): ${said.join("; ")}.`,
    ...lines,
    ...contradictions.map((c) => `  - contradiction: ${c}`),
  ].join("\n");
}

export function reportOf(all: readonly Played[], failed: readonly string[], browser: string): string {
  return `# Whole runs

Written by \`npm run wholeruns\` (tools/writeWholeRuns.ts): ${all.length} practice pieces, from cold to a measured verdict, played through the built app in headless
Chromium ${browser.split(".")[0]!} on ${cpus().length} processors (load ${loadavg()[2]!.toFixed(1)} in its last quarter of an hour: simulated time goes on while a page waits). The smith of a run sees what the screen says and what the simulated instruments read; the witness knows what is so. The
simulated shop is the core's own physics, so these runs try whether the screens follow what was done, not whether the physics is right.

| what | wanted | measured |
| --- | --- | --- |
${[...heatRows(all.flatMap(({ looks }) => looks)), ...runRows(all)].join("\n")}
| runs that stopped | 0 | ${failed.length} |

${[...all.map(runLines), ...failed.map((line) => `- stopped: ${line}`)].join("\n")}
`;
}
