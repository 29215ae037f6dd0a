/**
 * `npm run bench`: processor time, medians. Where two forms of the same computation are compared they run by turns, so that a
 * busy machine slows both. Measured, never asserted.
 */

import { CATALOGUE, makeDesk, planRoute, predict, runJob, type Job, type Piece, type Route } from "../core/src/index.js";
import { heatingCurve } from "../core/src/kinetics/austenite.js";
import { follow } from "../core/src/kinetics/follow.js";
import { makeStructure } from "../core/src/kinetics/structure.js";
import { resolveSteel } from "../core/src/plan/catalogue.js";
import type { HistoryStep } from "../core/src/schema/history.js";
import type { BodySection } from "../core/src/schema/parts.js";
import { runCourse, type CourseResult, type Form } from "../core/src/simulate/course.js";
import { harden } from "../core/src/simulate/harden.js";
import { hardenPlanOf } from "../core/src/simulate/planOf.js";
import { bodyOf, gridOf, inBath, type AnyMedium, type Resolution } from "../core/src/simulate/section.js";
import { simulate } from "../core/src/simulate/simulate.js";

const median = (times: number[]): number => times.sort((a, b) => a - b)[Math.floor(times.length / 2)]!;

function took_ms(f: () => unknown): number {
  const before = process.cpuUsage();
  f();
  const { user, system } = process.cpuUsage(before);
  return (user + system) / 1000;
}

/** Runs before it is timed: by then the engine has compiled what runs. */
const WARM = 12;

function time(name: string, runs: number, f: () => unknown): void {
  for (let i = 0; i < WARM; i++) f();
  console.log(
    `${median(Array.from({ length: runs }, () => took_ms(f)))
      .toFixed(1)
      .padStart(8)} ms  ${name}`,
  );
}

/** Reference and kernel by turns: `prepare` is not timed. */
function turns<P>(name: string, runs: number, prepare: () => P, run: (prepared: P, form: Form) => unknown): void {
  const times: Record<"reference" | "kernel", number[]> = { reference: [], kernel: [] };
  for (let i = -3; i < runs; i++) {
    for (const form of ["reference", "kernel"] as const) {
      const prepared = prepare();
      const ms = took_ms(() => run(prepared, form));
      if (i >= 0) times[form].push(ms);
    }
  }
  const [slow, quick] = [median(times.reference), median(times.kernel)];
  console.log(
    `${(slow / quick).toFixed(2).padStart(8)} times the reference form  ${name}: ${slow.toFixed(2)} ms, kernel ${quick.toFixed(2)} ms`,
  );
}

const steel = resolveSteel(CATALOGUE, "1084");
const oil = CATALOGUE.medium("fast-oil")!;
const slab = { shape: "plate", thickness_mm: 6 } as const;
const wedge = { shape: "wedge", spine_mm: 6, edge_mm: 1, height_mm: 40 } as const;

interface Hot {
  readonly run: (form: Form) => CourseResult;
}

/** A section at 815 C beside its bath. */
function hot(section: BodySection, resolution: Resolution): Hot {
  const { grid, surface } = gridOf(section, resolution);
  const structure = makeStructure({ nodes: grid.columns * grid.nodes, bar_wtpct: steel.composition_wtpct, prior: "pearlite" });
  follow({ structure, ...heatingCurve({ heat_C: 815, hold_s: 300 }) });
  const bath = { medium: oil, bath_C: 55, agitation: "mild", immersion: { kind: "full" } } as const;
  const surroundings = inBath(section, grid, bath, null);
  return {
    run: (form) =>
      runCourse({
        grid,
        start_C: 815,
        stretches: [{ kind: "exchange", surroundings, duration_s: 60, longestStep_s: 1 }],
        body: bodyOf(structure, grid, null),
        watch: [surface, 0],
        form,
      }),
  };
}

const hook: Piece = {
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
const punch: Piece = { ...hook, kind: "punch", form: "punch", use: "punch", section: { shape: "round", diameter_mm: 9 } };
const routeOf = (piece: Piece): Route => planRoute(CATALOGUE, piece, "forge");

console.log(`Node ${process.version}, ${process.arch}; bundled as the pages are`);
// First what a page does, as a page does it: the reference form beside it would slow the calls that both go through.
const air: HistoryStep<AnyMedium> = { kind: "cool", medium: CATALOGUE.medium("still-air")!, bath_C: 20, until_C: 60 };
const heatTo = (to_C: number, hold_min: number, rise_min = 6): HistoryStep<AnyMedium> => ({ kind: "heat", to_C, hold_min, rise_min });
const history: HistoryStep<AnyMedium>[] = [
  ...[870, 840, 790].flatMap((to_C) => [heatTo(to_C, 2), air]),
  heatTo(815, 5),
  { kind: "cool", medium: oil, bath_C: 55 },
  ...[200, 200].flatMap((to_C) => [heatTo(to_C, 120, 20), air]),
];
for (const [what, piece] of [
  ["a blade", hook],
  ["a bar", punch],
] as const) {
  const route = routeOf(piece);
  const job = (kind: Partial<Job>, to: Route = route): unknown => ({ piece, route: to, ...kind });
  time(`${what}'s whole prediction, nothing remembered`, 9, () => predict(CATALOGUE, piece, route));
  time(`the same while a slide moves`, 15, () => predict(CATALOGUE, piece, route, "quick"));
  const whatIf = {
    kind: "what-if",
    tracks: ["temper", "heat", "thickness"],
    media: ["fast-oil", "medium-oil", "vegetable-oil", "water"],
  } as const;
  time(`${what}'s what-if in full, nothing remembered`, 9, () => runJob(CATALOGUE, job(whatIf as unknown as Partial<Job>)));
  time(`${what}'s picture: fine, with its moments and its spread`, 7, () =>
    runJob(CATALOGUE, job({ kind: "section", station: null, effort: "full" })),
  );
  const desk = makeDesk();
  const full: Partial<Job> = { kind: "predict", effort: "full" };
  runJob(CATALOGUE, job(full), desk);
  let slid_C = 180;
  const slide = (kind: Partial<Job>) => (): unknown => {
    slid_C += 0.5;
    const to = { ...route, steps: route.steps.map((s) => (s.kind === "temper" ? { ...s, temperature_C: slid_C } : s)) };
    return runJob(CATALOGUE, job(kind, to), desk);
  };
  time(`temper slide of ${what}, remembered: prediction`, 40, slide(full));
  time(`temper slide of ${what}, remembered: what-if`, 20, slide(whatIf as unknown as Partial<Job>));
}

time("whole route, 1-D, 41 nodes: three normalisings, hardening, two tempers", 20, () =>
  simulate({ steel, prior: "as-forged", section: slab, history }),
);
turns(
  "1-D quench, 41 nodes, 60 s",
  60,
  () => hot(slab, "full"),
  (h, form) => h.run(form),
);
turns(
  "wedge 64 x 24, 60 s",
  11,
  () => hot(wedge, "fine"),
  (h, form) => h.run(form),
);
turns(
  "a blade's hardening with its ensemble of 48",
  9,
  () => hardenPlanOf(CATALOGUE, hook, routeOf(hook)),
  (plan, form) => harden(plan, { form }),
);

/** What a run leaves behind for the collector, MB: nothing is collected between the two readings. */
function garbage_MB(f: () => unknown): number {
  global.gc?.();
  const before = process.memoryUsage();
  f();
  const after = process.memoryUsage();
  return (after.heapUsed - before.heapUsed + after.arrayBuffers - before.arrayBuffers) / 1e6;
}
for (const form of ["reference", "kernel"] as const) {
  const { run } = hot(wedge, "fine");
  console.log(
    `${garbage_MB(() => run(form))
      .toFixed(1)
      .padStart(8)} MB left behind by a 64 x 24 quench, ${form}`,
  );
}
global.gc?.();
const before_MB = process.memoryUsage().heapUsed / 1e6;
for (let i = 0; i < 1000; i++) hot(slab, "full").run("kernel");
global.gc?.();
console.log(`${(process.memoryUsage().heapUsed / 1e6 - before_MB).toFixed(2).padStart(8)} MB more of heap after a thousand 1-D quenches`);
