/** For a step of a route: what others do instead, when one might prefer it, and the route that would be. */

import { schoolOf } from "./heating.js";
import { endUnder, inOtherBath, intoOf, keepsHeat } from "./dips.js";
import { missingFor } from "./kit.js";
import type { TemperatureUnit } from "../quantity.js";
import { SCHOOLS, type Piece, type Route, type School, type Step } from "../schema/book.js";
import type { Kit } from "../schema/kit.js";
import type { Catalogue } from "./catalogue.js";
import { peakSpeed_W_m2K } from "../heat/bathKind.js";
import { planRoute } from "./route.js";
import { thickness_mm } from "../shape/thickness.js";
import { wayOf } from "./way.js";

/** What is done instead. `school-…`: the whole way of heating that school has. */
export type Practice =
  | "once-only"
  | "same-heat"
  | "black-again"
  | "until-held"
  | "faster-bath"
  | "gentler-bath"
  | "second-to-taste"
  | "three-times"
  | `school-${School}`
  | "straight-in"
  | "no-anneal";

export interface OtherPractice {
  readonly practice: Practice;
  /** The bath it is, by its id, where it is another bath. */
  readonly medium?: string;
  readonly route: Route;
}

type Of<K extends Step["kind"]> = Extract<Step, { kind: K }>;

function replaced(route: Route, index: number, ...steps: Step[]): Route {
  return { ...route, steps: [...route.steps.slice(0, index), ...steps, ...route.steps.slice(index + 1)] };
}

function ofNormalise(route: Route, index: number, step: Of<"normalise">): OtherPractice[] {
  const { steps } = route;
  const all = steps.flatMap((s, i) => (s.kind === "normalise" ? [i] : []));
  const others: OtherPractice[] = [];
  if (all.length > 1) {
    others.push({
      practice: "once-only",
      route: { ...route, steps: steps.filter((s, i) => s.kind !== "normalise" || i === all[all.length - 1]) },
    });
    const first = steps[all[0]!] as Of<"normalise">;
    const last = steps[all[all.length - 1]!] as Of<"normalise">;
    if (first.temperature_C !== last.temperature_C) {
      others.push({
        practice: "same-heat",
        route: { ...route, steps: steps.map((s) => (s.kind === "normalise" ? { ...s, temperature_C: last.temperature_C } : s)) },
      });
    }
  }
  const coolTo = step.coolTo === "black" ? "hand-warm" : "black";
  others.push({
    practice: coolTo === "black" ? "black-again" : "until-held",
    route: replaced(route, index, { ...step, coolTo }),
  });
  return others;
}

/** Other baths, each faster or slower than the planned one. */
function ofQuench(catalogue: Catalogue, route: Route, index: number, step: Of<"quench">, kit: Kit | null): OtherPractice[] {
  const own = kit === null ? null : new Set(kit.flatMap((item) => (item.kind === "bath" ? [item.medium] : [])));
  const planned = intoOf(step).medium;
  const speed = (id: string): number => peakSpeed_W_m2K(catalogue.medium(id));
  return catalogue.media
    .filter(({ id }) => id !== planned && speed(id) > 0 && (own === null || own.has(id)))
    .map((medium) => {
      const isFaster = speed(medium.id) > speed(planned);
      return {
        practice: isFaster ? ("faster-bath" as const) : ("gentler-bath" as const),
        medium: medium.id,
        route: replaced(route, index, inOtherBath(step, { medium: medium.id, bath_C: medium.usualBath_C })),
      };
    });
}

function ofTemper(route: Route, index: number, step: Of<"temper">): OtherPractice[] {
  const { steps } = route;
  const rest = steps.filter((s) => s.kind !== "temper");
  const tempers = (times: number, hold_min: number): Step[] => Array.from({ length: times }, () => ({ ...step, hold_min }));
  const isLast = index === steps.findLastIndex(({ kind }) => kind === "temper");
  if (!isLast) return [];
  return [
    {
      practice: "second-to-taste",
      route: { ...route, steps: [...rest, ...tempers(2, 60)] },
    },
    {
      practice: "three-times",
      route: { ...route, steps: [...rest, ...tempers(3, 90)] },
    },
  ];
}

/** What a heat to harden could be instead: the other schools, with everything that goes before them. */
function ofHarden(catalogue: Catalogue, piece: Piece, route: Route, kit: Kit | null, unit: TemperatureUnit): OtherPractice[] {
  const way = wayOf(route);
  return SCHOOLS.filter((school) => school !== schoolOf(route.heating) && missingFor(school, kit) === null).map((school) => ({
    practice: `school-${school}` as const,
    route: planRoute(catalogue, piece, school, { way, kit, unit }),
  }));
}

/** From here a preheat is worth a word, mm (judgement). */
const THICK_mm = 12;

/** Other practices for a step; none where there is nothing to choose. Each can be predicted and taken as it is. */
export function otherPractices(
  catalogue: Catalogue,
  piece: Piece,
  route: Route,
  index: number,
  { kit = null, unit = "C" }: { readonly kit?: Kit | null; readonly unit?: TemperatureUnit } = {},
): OtherPractice[] {
  const step = route.steps[index];
  switch (step?.kind) {
    case "normalise":
      return ofNormalise(route, index, step);
    case "harden":
      return ofHarden(catalogue, piece, route, kit, unit);
    case "quench":
      return endUnder(step) === null && !keepsHeat(step) ? ofQuench(catalogue, route, index, step, kit) : [];
    case "temper":
      return ofTemper(route, index, step);
    case "preheat":
      return thickness_mm(piece.section) < THICK_mm
        ? [
            {
              practice: "straight-in",
              route: { ...route, steps: route.steps.filter((_, i) => i !== index) },
            },
          ]
        : [];
    case "anneal":
      return [
        {
          practice: "no-anneal",
          route: { ...route, steps: route.steps.filter((_, i) => i !== index) },
        },
      ];
    case "run":
    case undefined:
      return [];
  }
}
