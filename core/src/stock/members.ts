/** What a bar may be: a thousand compositions, each from a grade within its limits, with how far the core may be off for it. */

import { normalQuantile } from "../numerics/normal.js";
import { uniforms } from "../numerics/sampling.js";
import { fullComposition, type Composition } from "../kinetics/composition.js";
import { GRADES, gradeOf, SCRAP, type Grade, type Limits } from "./grades.js";

export const MEMBERS = 1000;
const SEED = 4501;
const ELEMENTS = ["C", "Mn", "Si", "Cr", "Ni", "Mo", "V", "W"] as const;
/** How far the rates of a steel and what a bath takes may be off ours, one deviation: logarithm of a ratio (hardening-note section 10). */
const [RATE_LN, BATH_LN] = [0.4, 0.25];
/** A certificate is right to so much of what it says, and to so much at least, wt% (judgement: its last figure). */
const [CERTIFIED, CERTIFIED_wtpct] = [0.03, 0.005];

export interface Member {
  readonly grade: string;
  readonly steel: Composition;
  readonly rateRatio: number;
  /** The same for every bath but water, which errs by itself: deviations. */
  readonly bathRatio: number;
  readonly waterRatio: number;
  /** How much likelier it was before anything was seen than it was drawn. */
  readonly weight: number;
}

function drawn(limits: Limits, uniform: () => number): Composition {
  const of = (element: (typeof ELEMENTS)[number]): number => {
    const [from, to] = limits[element] ?? SCRAP[element];
    // Towards the middle: two throws. A works aims between its limits.
    return from + ((to - from) * (uniform() + uniform())) / 2;
  };
  return fullComposition(Object.fromEntries(ELEMENTS.map((element) => [element, of(element)])));
}

function certified(named: Partial<Composition>, uniform: () => number): Composition {
  return fullComposition(
    Object.fromEntries(
      ELEMENTS.map((element) => {
        const said = named[element];
        const [from, to] = SCRAP[element];
        if (said === undefined) return [element, element === "C" ? 0 : from + (to - from) * uniform()];
        const sd = Math.max(CERTIFIED_wtpct, CERTIFIED * said);
        return [element, Math.max(0, said + sd * normalQuantile(uniform()))];
      }),
    ),
  );
}

/** The grade whose limits a composition keeps, or comes nearest to by what it is off, each element by the width of its limits. */
export function nearestGrade(steel: Composition): string {
  const off = ({ limits }: Grade): number =>
    ELEMENTS.reduce((sum, element) => {
      const [from, to] = limits[element] ?? SCRAP[element];
      const beyond = Math.max(0, from - steel[element], steel[element] - to);
      return sum + (beyond / Math.max(0.03, to - from)) ** 2;
    }, 0);
  return GRADES.filter(({ id }) => id !== "other").reduce((best, grade) => (off(grade) < off(best) ? grade : best)).id;
}

/** How many of so many are of each grade: by shares, every grade that may be at least once. */
function counts(shares: ReadonlyMap<string, number>, members: number): readonly (readonly [string, number])[] {
  return [...shares].filter(([, share]) => share > 0).map(([grade, share]) => [grade, Math.max(2, Math.round(members * share))]);
}

/**
 * @param prior chance of each grade; drawnBy: shares they are drawn by, where another is wanted more closely looked at
 * @param certificate an analysis, in the place of any grade
 */
export function drawMembers(
  prior: ReadonlyMap<string, number>,
  drawnBy: ReadonlyMap<string, number> = prior,
  certificate: Partial<Composition> | null = null,
): Member[] {
  const uniform = uniforms(SEED);
  const normal = (): number => normalQuantile(Math.min(1 - 1e-9, Math.max(1e-9, uniform())));
  const doubts = () => ({
    rateRatio: Math.exp(RATE_LN * normal()),
    bathRatio: Math.exp(BATH_LN * normal()),
    waterRatio: Math.exp(BATH_LN * normal()),
  });
  if (certificate !== null) {
    return Array.from({ length: MEMBERS }, () => {
      const steel = certified(certificate, uniform);
      return { grade: nearestGrade(steel), steel, ...doubts(), weight: 1 / MEMBERS };
    });
  }
  return counts(drawnBy, MEMBERS).flatMap(([grade, count]) =>
    Array.from({ length: count }, () => ({
      grade,
      steel: drawn(gradeOf(grade)!.limits, uniform),
      ...doubts(),
      weight: (prior.get(grade) ?? 0) / count,
    })),
  );
}
