/** Ways to take a piece through its bath: what each would be for this one, with its seconds by the model, and what comes of it. */

import { PASTE, isLiquid, isWater, peakSpeed_W_m2K } from "../heat/bathKind.js";
import type { Catalogue } from "../plan/catalogue.js";
import {
  allUnder,
  backFirst,
  byTurns,
  edgeDepth_mm,
  edgeUnder,
  endUnder,
  inOtherBath,
  intoOf,
  keepsHeat,
  lastFor,
  lastOf_s,
  secondDip,
  turnsOf,
  type Quench,
} from "../plan/dips.js";
import { planRoute, usualEdgeDepth_mm } from "../plan/route.js";
import { thickness_mm } from "../shape/thickness.js";
import { LIMITS } from "../schema/limits.js";
import type { Dip, Into, Piece, Route } from "../schema/book.js";
import type { Medium } from "../schema/medium.js";
import type { Known } from "../schema/job.js";
import type { CrackLevel } from "./crackRisk.js";
import { BARE_DESK, type Desk } from "./desk.js";
import { bathTimes_s } from "./hardenCase.js";
import { AS_HARD_HRC, airLimit_s, harden, nominalCase, type HardenPlan } from "./harden.js";
import { darkAfter_s } from "./lineFor.js";
import { predict } from "./predict.js";
import { hardenPlanOf, otherEndOf } from "./planOf.js";
import type { Estimate } from "./temperedPlace.js";

export { PASTE };
/** The medium of a catalogue that is no liquid and is pressed on. */
export const PLATES = "metal-plates";

/** plates: pressed between two cold ones. paste: the edge alone pressed into a tray of it. whole, edge: left in. back-after: the back goes under when it is dark. back-first: the back, then turned over for the edge. out-early: then in air. two-baths: then into another. */
export const PATTERNS = [
  "whole",
  "edge",
  "back-after",
  "back-first",
  "out-early",
  "two-baths",
  "clay",
  "by-turns",
  "plates",
  "paste",
] as const;
export type Pattern = (typeof PATTERNS)[number];

/** What a list of dips is called. */
export function patternOf(quench: Quench): Pattern {
  const { medium } = intoOf(quench);
  if (medium === PLATES) return "plates";
  if (medium === PASTE) return "paste";
  if (turnsOf(quench) !== null) return "by-turns";
  if (backFirst(quench) !== null) return "back-first";
  if (quench.clay !== undefined) return "clay";
  const second = secondDip(quench);
  if (second !== null) return second.into.medium !== medium || quench.dips[0]!.under !== "edge" ? "two-baths" : "back-after";
  if (edgeDepth_mm(quench) !== undefined) return "edge";
  return lastOf_s(quench) === null ? "whole" : "out-early";
}

/** What one way makes of a piece. */
export interface PatternTried {
  readonly pattern: Pattern;
  readonly quench: Quench;
  /** At the end of the route. */
  readonly working: Estimate;
  readonly thickest: Estimate;
  /** Of two ends by turns: the one that goes second. */
  readonly other: Estimate | null;
  /** Chance that it hardens where it works, 0 ... 1. */
  readonly chanceHard: number;
  readonly crack: CrackLevel;
  /** Share of martensite in the body as it leaves the last bath, 0 ... 1. */
  readonly martensiteOut: number;
  /** Where hard goes over into soft, up from the edge, mm; null where it does not. */
  readonly line_mm: number | null;
  /** Of two ends by turns: out of the fire the second has to be under by then, s. */
  readonly secondBy_s: number | null;
}

/** Clay as thick as is usual, mm, and from half the height up (common practice, no source). */
const CLAY_mm = 3;
const CLAY_SHARE = 0.5;
/** Oil before water for so long (common practice, no source). */
const OIL_FIRST_s = 3;
/** A way that leaves a place so much softer than all of it under would is none, HRC (judgement). */
const SOFTER_HRC = 8;
/** Nobody is quicker than this between in and out, s. */
const QUICKEST_s = 2;

/** The body's surface stands first among the places a nominal case watches. */
const BODY = 0;

/** As it is without anything special about it. */
function plainQuench({ kind, dips, transfer_s, why, said }: Quench): Quench {
  const [first] = dips;
  return {
    kind,
    dips: allUnder(first!.into, first!.under === "all" && first!.laid === true),
    ...(transfer_s === undefined ? {} : { transfer_s }),
    why,
    ...(said === undefined ? {} : { said }),
  };
}

/** In for so long, then whatever follows. */
function firstFor(dips: readonly Dip[], s: number, ...then: readonly Dip[]): Dip[] {
  return [{ ...dips[0]!, until: { is: "seconds", s } }, ...then];
}

/** Between plates for five minutes; thicker than this they do not reach through (common practice, no source; the thickness is judgement). */
const PLATES_s = 300;
const PLATES_mm = 8;

/** The bath this route would have, for what lies between plates or in paste now: the shop's own where it has that, else the first it has. */
function bathInstead({ catalogue, piece, route, media }: Pick<Here, "catalogue" | "piece" | "media"> & { readonly route: Route }): Quench {
  const { steps } = planRoute(catalogue, piece, route.heating);
  const usual = steps.findLast((step): step is Quench => step.kind === "quench")!;
  const asked = intoOf(usual).medium;
  const own =
    media === null || media.includes(asked) ? asked : (media.find((id) => id !== PASTE && isLiquid(catalogue.medium(id))) ?? asked);
  const medium = catalogue.medium(own)!;
  return plainQuench(inOtherBath(usual, { medium: own, bath_C: medium.usualBath_C }));
}

/** Seconds that are tried for a first bath, fewest first, s. */
const TRIED_s = [2, 3, 4, 5, 6, 8, 10, 13, 17, 22, 30, 45];
/** The fewest seconds in the first bath that leave the working place as hard as all of them; null where none do. */
function fewest_s(quench: (s: number) => Quench, { plan, plain, desk }: Here, least_s = 0): number | null {
  const working_HRC = (q: Quench): number => {
    const { edge, surface } = harden(plan(q), { members: 0, resolution: "coarse", desk });
    return (edge ?? surface).mean_HRC;
  };
  const wanted_HRC = working_HRC(plain) - AS_HARD_HRC;
  return TRIED_s.find((s) => s >= least_s && working_HRC(quench(s)) >= wanted_HRC) ?? null;
}

/** A back goes in so far of its height (judgement: the edge's share and a soft middle are left). */
const BACK_SHARE = 0.3;
/** Seconds a back is tried with, fewest first, s. */
const BACK_s = [4, 6, 8, 10, 13, 17, 20, 23, 26, 30];

/**
 * The seconds by which the softer of back and edge gets hardest, where the back goes in first: too short and the heat of the middle
 * draws it before it is hard, too long and the edge has cooled in the air. Null where either is more than SOFTER_HRC behind what it is with all of it under.
 */
function bestBackFirst(quench: (s: number) => Quench, { plan, plain, desk }: Here): Quench | null {
  const bothEnds_HRC = (q: Quench): readonly [number, number] => {
    const { edge, spine, surface } = harden(plan(q), { members: 0, resolution: "coarse", desk });
    return [(edge ?? surface).mean_HRC, (spine ?? surface).mean_HRC];
  };
  const [edge_HRC, back_HRC] = bothEnds_HRC(plain);
  const behind_HRC = (s: number): { readonly edge: number; readonly back: number } => {
    const [edge, back] = bothEnds_HRC(quench(s));
    return { edge: edge_HRC - edge, back: back_HRC - back };
  };
  // The longer, the less the back is behind and the more the edge: halved down to where they cross.
  let [low, high] = [0, BACK_s.length - 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    const { edge, back } = behind_HRC(BACK_s[middle]!);
    if (edge < back) low = middle;
    else high = middle;
  }
  const [sooner, later] = [low, high].map((i) => {
    const { edge, back } = behind_HRC(BACK_s[i]!);
    return { s: BACK_s[i]!, worst: Math.max(edge, back) };
  }) as [{ s: number; worst: number }, { s: number; worst: number }];
  const best = sooner.worst <= later.worst + 0.5 ? sooner : later;
  return best.worst > SOFTER_HRC ? null : quench(best.s);
}

/**
 * The seconds at a time by which the softer of two ends by turns gets hardest, while the second is under before its last moment: too
 * short never gets past the nose, too long lets the other wait. Null where it has no time at all.
 */
function bestTurns(quench: (s: number) => Quench, { planOther, plan, desk }: Here): Quench | null {
  const working_HRC = (of: HardenPlan): number => {
    const { edge, surface } = harden(of, { members: 0, resolution: "coarse", desk });
    return (edge ?? surface).mean_HRC;
  };
  const first = planOther(quench(TRIED_s[0]!));
  if (first === null) return null;
  const last_s = airLimit_s(first, desk);
  const tried = TRIED_s.flatMap((s) => {
    const other = planOther(quench(s))!;
    return other.transfer_s < last_s ? [{ s, softer: Math.min(working_HRC(plan(quench(s))), working_HRC(other)) }] : [];
  });
  // Of several as good the shortest: it can be kept up.
  const most = Math.max(...tried.map(({ softer }) => softer));
  const best = tried.find(({ softer }) => softer > most - 0.5);
  return best === undefined ? null : quench(best.s);
}

interface Here {
  readonly catalogue: Catalogue;
  readonly piece: Piece;
  /** The baths of the shop; null for all there are. */
  readonly media: readonly string[] | null;
  readonly known: Known;
  readonly desk: Desk;
  /** The step as it stands, and the same without anything special about it. */
  readonly now: Quench;
  readonly plain: Quench;
  readonly plan: (quench: Quench) => HardenPlan;
  /** Of the end that goes second of two by turns; null where there is none. */
  readonly planOther: (quench: Quench) => HardenPlan | null;
}

/** The second bath: water after oil, oil after water, of those the shop has the gentlest. */
function secondMedium({ catalogue, media, plain }: Here): string | null {
  const first = catalogue.medium(intoOf(plain).medium);
  if (!isLiquid(first)) return null;
  return (
    catalogue.media
      .filter((m) => isLiquid(m) && isWater(m) !== isWater(first) && (media === null || media.includes(m.id)))
      .sort((a, b) => peakSpeed_W_m2K(a) - peakSpeed_W_m2K(b))[0]?.id ?? null
  );
}

/** What nothing is moved in. */
function laidOn({ id, usualBath_C }: Medium): Into {
  return { medium: id, bath_C: usualBath_C, agitation: "none" };
}

/** The step for a way to go in; null where this piece, or this shop, has none. */
function quenchFor(pattern: Pattern, here: Here): Quench | null {
  const { piece, now, plain, plan, desk } = here;
  const { section } = piece;
  const into = intoOf(plain);
  const depth_mm = section.shape === "wedge" ? (edgeDepth_mm(now) ?? usualEdgeDepth_mm(section.height_mm)) : null;
  switch (pattern) {
    case "whole":
      return plain;
    case "edge":
      return depth_mm === null ? null : { ...plain, dips: edgeUnder(into, depth_mm) };
    case "back-after": {
      if (depth_mm === null) return null;
      const edge: Quench = { ...plain, dips: edgeUnder(into, depth_mm) };
      const dark_s = Math.max(QUICKEST_s, Math.round(darkAfter_s(plan(edge), desk)));
      return { ...edge, dips: firstFor(edge.dips, dark_s, ...allUnder(into)) };
    }
    case "back-first": {
      if (depth_mm === null || section.shape !== "wedge") return null;
      const back_mm = backFirst(now)?.depth_mm ?? Math.max(LIMITS.quench.depth_mm[0], Math.round(BACK_SHARE * section.height_mm));
      const back: Dip = { under: "back", depth_mm: back_mm, into, until: { is: "cold" } };
      return bestBackFirst((s) => ({ ...plain, dips: firstFor([back], s, ...edgeUnder(into, depth_mm)) }), here);
    }
    case "out-early": {
      const window = harden(plan(plain), { members: 0, resolution: "coarse", desk }).straighten;
      if (window === null) return null;
      const bath_s = fewest_s((s) => lastFor(plain, s), here, window.from_s);
      return bath_s === null ? null : lastFor(plain, bath_s);
    }
    case "two-baths": {
      const medium = secondMedium(here);
      if (medium === null) return null;
      const isWaterFirst = isWater(here.catalogue.medium(into.medium));
      const second = allUnder({ medium, bath_C: here.catalogue.medium(medium)!.usualBath_C, agitation: into.agitation });
      const inBoth = (s: number): Quench => ({ ...plain, dips: firstFor(plain.dips, s, ...second) });
      const after_s = isWaterFirst ? fewest_s(inBoth, here) : OIL_FIRST_s;
      return after_s === null ? null : inBoth(after_s);
    }
    case "clay":
      return section.shape === "wedge"
        ? { ...plain, clay: { thickness_mm: CLAY_mm, from_mm: Math.round(CLAY_SHARE * section.height_mm) } }
        : null;
    case "by-turns": {
      if (section.shape === "wedge") return null;
      const end_mm = Math.max(5, Math.round(Math.min(2 * thickness_mm(section), piece.length_mm / 3)));
      return bestTurns(
        (s) => ({
          ...plain,
          dips: byTurns(into, { end: "working", depth_mm: end_mm, first_s: s, otherDepth_mm: end_mm, second_s: s }),
        }),
        here,
      );
    }
    case "plates": {
      const isFlat = section.shape === "plate" || section.shape === "wedge";
      if (!isFlat || thickness_mm(section) > PLATES_mm || piece.isPractice === true) return null;
      const medium = here.catalogue.medium(PLATES);
      return medium === undefined ? null : { kind: "quench", dips: firstFor(allUnder(laidOn(medium)), PLATES_s), why: "plates" };
    }
    case "paste": {
      const medium = here.catalogue.medium(PASTE);
      if (medium === undefined || depth_mm === null || here.media?.includes(PASTE) !== true) return null;
      return { kind: "quench", dips: edgeUnder(laidOn(medium), depth_mm), why: "paste" };
    }
  }
}

/** What comes of a quench as it stands in a route, roughly: coarse in space, few members. @throws InputError as `predict` */
export function tryPattern(
  catalogue: Catalogue,
  piece: Piece,
  route: Route,
  index: number,
  quench: Quench,
  known: Known = {},
  desk: Desk = BARE_DESK,
): PatternTried {
  const tried: Route = { ...route, steps: route.steps.map((step, i) => (i === index ? quench : step)) };
  const { working, thickest, other, hardening } = predict(catalogue, piece, tried, "quick", undefined, desk, known);
  const plan = hardenPlanOf(catalogue, piece, tried, known);
  const { result } = nominalCase(plan, "coarse", { desk });
  const out = result.curve.time_s.findIndex((t) => t >= bathTimes_s(plan, result).out_s - 1e-9);
  return {
    pattern: patternOf(quench),
    quench,
    working: working.tempered,
    thickest: thickest.tempered,
    other: other?.tempered ?? null,
    chanceHard: hardening.chanceHard.working,
    crack: hardening.crackRisk.level,
    martensiteOut: result.curve.martensite[BODY]![out < 0 ? result.curve.time_s.length - 1 : out]!,
    line_mm: hardening.quenchLine?.height_mm ?? null,
    secondBy_s: other?.secondBy_s ?? null,
  };
}

/**
 * Every way this piece can go through the bath of a quench of its route; the one that is planned as it is planned.
 *
 * @param index of the quench in the route @throws InputError as `predict`
 * @source hardening-note (calibrated): seconds by the model's own window and darkening; thickness of clay, turns, oil before water: common practice, no source
 */
export function patternsFor(
  catalogue: Catalogue,
  piece: Piece,
  route: Route,
  index: number,
  { media, known = {} }: { readonly media?: readonly string[] | undefined; readonly known?: Known | undefined } = {},
  desk: Desk = BARE_DESK,
): PatternTried[] {
  const now = route.steps[index];
  // What is drawn by its own heat comes out by what its body looks like: that is a way of its own.
  if (now?.kind !== "quench" || keepsHeat(now)) return [];
  const plain =
    intoOf(now).medium === PLATES || intoOf(now).medium === PASTE
      ? bathInstead({ catalogue, piece, route, media: media ?? null })
      : plainQuench(now);
  const withQuench = (quench: Quench): Route => ({ ...route, steps: route.steps.map((step, i) => (i === index ? quench : step)) });
  const plan = (quench: Quench): HardenPlan => hardenPlanOf(catalogue, piece, withQuench(quench), known);
  const planOther = (quench: Quench): HardenPlan | null => {
    const other = otherEndOf(piece, withQuench(quench));
    return other === null ? null : hardenPlanOf(catalogue, piece, other, known);
  };
  const here: Here = { catalogue, piece, media: media ?? null, known, desk, now, plain, plan, planOther };
  // Of two heats for two ends each has its own bath: taken by turns they would be one.
  const isOneOfTwo = route.steps.filter(({ kind }) => kind === "quench").length > 1;
  const planned = endUnder(now) !== null && turnsOf(now) === null ? null : patternOf(now);
  return PATTERNS.flatMap((pattern) => {
    if (isOneOfTwo && pattern === "by-turns") return [];
    const quench = pattern === planned ? now : quenchFor(pattern, here);
    return quench === null ? [] : [tryPattern(catalogue, piece, route, index, quench, known, desk)];
  });
}
