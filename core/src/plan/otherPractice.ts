/** For a step of a route: what others do instead, when one might prefer it, and the route that would be. */

import type { Piece, Route, Step } from "../schema/book.js";
import type { Kit } from "../schema/kit.js";
import type { Catalogue } from "./catalogue.js";
import { planRoute, thickness_mm } from "./route.js";

export interface OtherPractice {
  readonly name: string;
  readonly prefer: string;
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
      name: "Once only",
      prefer: "When the forging heats were few and low: less scale and less skin lost.",
      route: { ...route, steps: steps.filter((s, i) => s.kind !== "normalise" || i === all[all.length - 1]) },
    });
    const first = steps[all[0]!] as Of<"normalise">;
    const last = steps[all[all.length - 1]!] as Of<"normalise">;
    if (first.temperature_C !== last.temperature_C) {
      others.push({
        name: "All at the same heat",
        prefer: "Published tests see no gain in falling heats; one number is easier to hit.",
        route: { ...route, steps: steps.map((s) => (s.kind === "normalise" ? { ...s, temperature_C: last.temperature_C } : s)) },
      });
    }
  }
  const coolTo = step.coolTo === "black" ? "hand-warm" : "black";
  others.push({
    name: coolTo === "black" ? "Back in the fire at black" : "Cool until it can be held",
    prefer: coolTo === "black" ? "Faster, and the change is over by then." : "Nothing is left to guess: all of it has changed.",
    route: replaced(route, index, { ...step, coolTo }),
  });
  return others;
}

/** Other baths, each faster or slower than the planned one. */
function ofQuench(catalogue: Catalogue, route: Route, index: number, step: Of<"quench">, kit: Kit | null): OtherPractice[] {
  const own = kit === null ? null : new Set(kit.flatMap((item) => (item.kind === "bath" ? [item.medium] : [])));
  const speed = (id: string): number => {
    const medium = catalogue.medium(id);
    return medium !== undefined && "peak_W_m2K" in medium ? medium.peak_W_m2K : 0;
  };
  return catalogue.media
    .filter(({ id }) => id !== step.medium && speed(id) > 0 && (own === null || own.has(id)))
    .map((medium) => {
      const isFaster = speed(medium.id) > speed(step.medium);
      return {
        name: `${medium.name} instead`,
        prefer: isFaster
          ? "Harder in thick or shallow steel, at the price of bending and cracks."
          : "Gentler: less bending and fewer cracks, where it still hardens.",
        route: replaced(route, index, { ...step, medium: medium.id, bath_C: medium.usualBath_C }),
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
      name: "One hour, then a second to taste",
      prefer: "When a tester or files are at hand: the second is set by what the first gave.",
      route: { ...route, steps: [...rest, ...tempers(2, 60)] },
    },
    {
      name: "Three times ninety minutes",
      prefer: "For springs and long blades: a little more certainty for half a day.",
      route: { ...route, steps: [...rest, ...tempers(3, 90)] },
    },
  ];
}

/** What a heat to harden could be instead: the other schools, with everything that goes before them. */
function ofHarden(catalogue: Catalogue, piece: Piece, route: Route, kit: Kit | null): OtherPractice[] {
  const way = route.way === undefined ? {} : { way: route.way };
  const names = {
    forge: "A shade past the magnet",
    magnet: "To the magnet and no further",
    falling: "Falling heat",
    kiln: "Kiln and soak",
  } as const;
  const prefer = {
    forge: "When the start is not known to be fine pearlite: the shade is the margin.",
    magnet: "After good normalising: least grain and skin, but no margin.",
    falling: "For small simple tools, without judging colour.",
    kiln: "When every piece has to come out alike, or the steel wants a soak.",
  } as const;
  return (["forge", "magnet", "falling", "kiln"] as const)
    .filter((school) => school !== route.school)
    .map((school) => ({ name: names[school], prefer: prefer[school], route: planRoute(catalogue, piece, school, { ...way, kit }) }));
}

/** From here a preheat is worth a word, mm (judgement). */
const THICK_mm = 12;

/** Other practices for a step; none where there is nothing to choose. Each can be predicted and taken as it is. */
export function otherPractices(catalogue: Catalogue, piece: Piece, route: Route, index: number, kit: Kit | null = null): OtherPractice[] {
  const step = route.steps[index];
  switch (step?.kind) {
    case "normalise":
      return ofNormalise(route, index, step);
    case "harden":
      return ofHarden(catalogue, piece, route, kit);
    case "quench":
      return step.part === undefined && step.leavesHeat !== true ? ofQuench(catalogue, route, index, step, kit) : [];
    case "temper":
      return ofTemper(route, index, step);
    case "preheat":
      return thickness_mm(piece.section) < THICK_mm
        ? [
            {
              name: "Straight into the heat",
              prefer: "Thin and short pieces warm evenly enough.",
              route: { ...route, steps: route.steps.filter((_, i) => i !== index) },
            },
          ]
        : [];
    case "anneal":
      return [
        {
          name: "No anneal",
          prefer: "Before forge hardening: pearlite dissolves at a magnet heat, round carbide does not.",
          route: { ...route, steps: route.steps.filter((_, i) => i !== index) },
        },
      ];
    case "run":
    case undefined:
      return [];
  }
}
