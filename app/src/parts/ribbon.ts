/** The heat line as points: temperature over compressed time, act by act. Pure. */

import { leftOfWay } from "../format/eased.js";
import { watchedOf, type Route, type Step } from "@tembrak/core";
import { isUnderTheChange } from "../words/actWords.js";

export interface RibbonPoint {
  /** 0 ... 1 along the line. */
  readonly x: number;
  readonly temperature_C: number;
  /** Whether the colour is that of glow or, from the first temper on, of oxide. */
  readonly surface: "steel" | "hard" | "oxide";
}

export interface RibbonSpan {
  readonly step: number;
  readonly kind: Step["kind"];
  readonly x0: number;
  readonly x1: number;
  /** Where the heat is reached and where it is left. */
  readonly top0: number;
  readonly top1: number;
  readonly peak_C: number;
  readonly label: string;
}

export interface Ribbon {
  readonly points: readonly RibbonPoint[];
  readonly spans: readonly RibbonSpan[];
}

const COLD_C = 25;
const WARM_C = 45;
const BLACK_C = 380;
/** Room a step takes on the compressed time axis. */
const ROOM: Readonly<Record<Step["kind"], number>> = {
  preheat: 0.5,
  anneal: 1.6,
  normalise: 1,
  harden: 0.78,
  quench: 0.28,
  run: 0.7,
  temper: 1.5,
};
/** Share of a step's room for rising and for holding; the rest is falling. */
const SHARES: Readonly<Record<Step["kind"], readonly [number, number]>> = {
  preheat: [0.6, 0.4],
  anneal: [0.2, 0.2],
  normalise: [0.42, 0.2],
  harden: [0.6, 0.4],
  quench: [0, 0],
  run: [0.5, 0.2],
  temper: [0.16, 0.62],
};

const WORDS: Readonly<Record<Step["kind"], string>> = {
  preheat: "Warm through",
  anneal: "Anneal",
  normalise: "Normalise",
  harden: "Harden",
  quench: "",
  run: "Colour run",
  temper: "Temper",
};
const SAMPLES = 14;

/** The planned line of a route. */
export function ribbonOf({ steps }: Route): Ribbon {
  const total = steps.reduce((sum, { kind }) => sum + ROOM[kind], 0);
  const points: RibbonPoint[] = [{ x: 0, temperature_C: COLD_C, surface: "steel" }];
  const spans: RibbonSpan[] = [];
  let x = 0;
  let at_C = COLD_C;
  let surface: RibbonPoint["surface"] = "steel";
  steps.forEach((step, i) => {
    const room = ROOM[step.kind] / total;
    const [rise, hold] = SHARES[step.kind];
    const [x0, x1] = [x, x + room];
    // Of a run what is looked for, as at the bench and in its steps.
    const peak_C = step.kind === "quench" ? at_C : step.kind === "run" ? watchedOf(step).temperature_C : step.temperature_C;
    const [top0, top1] = [x0 + rise * room, x0 + (rise + hold) * room];
    const from_C = at_C;
    if (step.kind === "temper" || step.kind === "run") surface = "oxide";
    for (let k = 1; k <= SAMPLES && rise > 0; k++) {
      const u = k / SAMPLES;
      // Fast at first, slower as the fire's heat is neared.
      points.push({ x: x0 + u * rise * room, temperature_C: from_C + (peak_C - from_C) * (1 - leftOfWay(u, 2.2)), surface });
    }
    if (hold > 0) points.push({ x: top1, temperature_C: peak_C, surface });
    const next = steps[i + 1];
    // Out of a preheat it goes on rising, out of a hardening heat into the bath.
    if (step.kind !== "harden" && step.kind !== "preheat") {
      const end_C =
        step.kind === "normalise" && step.coolTo === "black" && next?.kind === "normalise"
          ? BLACK_C
          : step.kind === "quench"
            ? COLD_C + 5
            : WARM_C;
      const fall = step.kind === "quench" || step.kind === "run" ? 0.34 : 1;
      for (let k = 1; k <= SAMPLES; k++) {
        const u = k / SAMPLES;
        const left = leftOfWay(u, step.kind === "quench" ? 3 : 2.4);
        points.push({
          x: top1 + u * (x1 - top1) * fall,
          temperature_C: end_C + (peak_C - end_C) * left,
          surface: step.kind === "quench" && u > 0.6 ? "hard" : surface,
        });
      }
      if (step.kind === "quench") {
        surface = "hard";
        points.push({ x: x1, temperature_C: end_C, surface });
      }
      at_C = end_C;
    } else at_C = peak_C;
    // By place: one step may stand in a route twice.
    const isSame = ({ kind }: Step): boolean => kind === step.kind;
    const [count, of] = [steps.slice(0, i + 1).filter(isSame).length, steps.filter(isSame).length];
    const words = isUnderTheChange(step) ? "Hold" : WORDS[step.kind];
    spans.push({
      step: i,
      kind: step.kind,
      x0,
      x1,
      top0,
      top1,
      peak_C,
      label: count === 1 ? (of > 1 ? `${words} 1` : words) : step.kind === "temper" ? `${words} ${count}` : String(count),
    });
    x = x1;
  });
  return { points, spans };
}

/** Temperature and surface of the line at a place along it. */
export function onRibbon({ points }: Ribbon, x: number): RibbonPoint {
  // A route without steps is where it began.
  if (points.length < 2) return { ...points[0]!, x };
  const found = points.findIndex((p) => p.x >= x);
  // Beyond the end it stands where it ended.
  const i = found < 0 ? points.length - 1 : Math.max(1, found);
  const [a, b] = [points[i - 1]!, points[i] ?? points[points.length - 1]!];
  const share = b.x > a.x ? Math.min(1, Math.max(0, (x - a.x) / (b.x - a.x))) : 1;
  return { x, temperature_C: a.temperature_C + share * (b.temperature_C - a.temperature_C), surface: b.surface };
}
