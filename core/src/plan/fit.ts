/** Whether a piece fits the equipment it has to go through, and what else could be done. Pure sums in mm and kg. */

import { isInKiln } from "./heating.js";
import { bathAfter_C } from "../heat/bathHeat.js";
import { isLiquid } from "../heat/bathKind.js";
import type { Into, Piece, Route } from "../schema/book.js";
import type { Kit, KitItem } from "../schema/kit.js";
import type { Section } from "../schema/parts.js";
import { bevelled_mm } from "../shape/bevel.js";
import { breadth_mm, outlineOf } from "../shape/outline.js";
import type { KindFile } from "../schema/kind.js";
import type { Catalogue } from "./catalogue.js";
import { backFirst, edgeDepth_mm, endUnder, intoOf, isLaid, lastOf_s, secondDip, turnsOf, type Quench } from "./dips.js";
import { lacks, ROOM_mm, type Chamber } from "./chamber.js";
import { hottest_C, hottestTemper_C, joinedOvens, kitOf, missingFor, ovensOf } from "./kit.js";
import { inFire_mm, partHeated } from "./inFire.js";
import { planRoute } from "./route.js";
import { wayOf } from "./way.js";

/** Left between the rim and the liquid once the piece is in, and liquid over and under it, mm (common practice, no source). */
const FREEBOARD_mm = 50;
const COVER_mm = 25;
/** Warmest a bath should be made by one piece, above its usual working heat, K (common practice, no source). */
const MOST_RISE_K = 40;

export type FitPlace = "forge" | "kiln" | "oven" | "bath" | "eye";

export type FitProblem = {
  readonly place: FitPlace;
  readonly item: string;
  readonly ways: readonly FitWay[];
} & (
  | { readonly what: "length" | "depth" | "height"; readonly over_mm: number }
  | { readonly what: "weight"; readonly over_K: number }
  | { readonly what: "too-hot"; readonly over_K: number }
  /** Its fire does not get so hot: the hottest heat of the plan, and by how much it is short. */
  | { readonly what: "not-so-hot"; readonly over_K: number; readonly wanted_C: number }
  | { readonly what: "missing" }
);

/** What steel weighs, cold. @source en1993-1-2: 7850 */
const WEIGHS_kg_m3 = 7850;

/** Area of a cross section, mm2. */
export function sectionArea_mm2(section: Section, breadth: number): number {
  switch (section.shape) {
    case "round":
      return (Math.PI / 4) * section.diameter_mm * section.diameter_mm;
    case "square":
      return section.side_mm * section.side_mm;
    case "plate":
      return section.thickness_mm * breadth;
    case "wedge":
      return 0.5 * (section.spine_mm + section.edge_mm) * section.height_mm;
  }
}

/** Round the cross section of a bar, mm. */
export function girth_mm(section: Exclude<Section, { shape: "wedge" }>, breadth: number): number {
  switch (section.shape) {
    case "round":
      return Math.PI * section.diameter_mm;
    case "square":
      return 4 * section.side_mm;
    case "plate":
      return 2 * (section.thickness_mm + breadth);
  }
}

/** Area of a closed outline, mm2. */
function outlineArea_mm2(contour: readonly { readonly x: number; readonly y: number }[]): number {
  let twice = 0;
  contour.forEach((a, i) => {
    const b = contour[(i + 1) % contour.length]!;
    twice += a.x * b.y - b.x * a.y;
  });
  return 0.5 * Math.abs(twice);
}

/** Weight of a piece, kg: its outline times its mean thickness for a flat piece, its section times its length for a bar. */
export function mass_kg(piece: Piece, form: KindFile): number {
  const { section, length_mm } = piece;
  const isFlat = section.shape === "wedge" || section.shape === "plate";
  const thick_mm =
    section.shape === "wedge" ? 0.5 * (section.spine_mm + section.edge_mm) : section.shape === "plate" ? section.thickness_mm : 0;
  // What the bevel takes off is as much of its length.
  const left = 1 - bevelled_mm(piece) / length_mm;
  const volume_mm3 = isFlat
    ? outlineArea_mm2(outlineOf(piece, form).contour) * thick_mm * left
    : sectionArea_mm2(section, breadth_mm(piece)) * length_mm * left;
  return volume_mm3 * 1e-9 * WEIGHS_kg_m3;
}

/** How fast heat runs through steel that is hot enough to be hardened, m2/s: 27.3 W/mK over 7850 kg/m3 and 650 J/kgK. @source en1993-1-2 */
const DIFFUSES_m2_s = 27.3 / (WEIGHS_kg_m3 * 650);
/** An edge or an end is held so long where nobody says, s (judgement: until a thick one is cold; a bath told too warm hurts nobody). */
const HELD_s = 60;

export type Dipped = Pick<Quench, "dips">;

/**
 * How much of a piece gives its heat to a bath in so many seconds, kg: what is under, and of the hot rest behind it as much as conducts its
 * heat through in that time, 2 sqrt(a t / pi) of it (the half space whose face is kept cold; Carslaw and Jaeger 1959, from memory).
 */
export function cooledMass_kg(
  piece: Piece,
  form: KindFile,
  quench: Dipped,
  under_s = lastOf_s(quench) ?? HELD_s,
  heated_mm: number | null = null,
): number {
  // What stayed out of the fire has nothing to give.
  const hot = heated_mm === null ? 1 : heated_mm / piece.length_mm;
  const all_kg = mass_kg(piece, form) * hot;
  const { section, length_mm } = piece;
  const second = secondDip(quench);
  // All of it goes under in the end, and in the same bath.
  if (second?.under === "all" && second.into.medium === intoOf(quench).medium) return all_kg;
  const behind_mm = 1000 * 2 * Math.sqrt((DIFFUSES_m2_s * under_s) / Math.PI);
  const end = endUnder(quench);
  if (end !== null) {
    const other = turnsOf(quench)?.[1];
    const ends_mm = end.depth_mm + behind_mm + (other === undefined ? 0 : other.depth_mm + behind_mm);
    return mass_kg(piece, form) * Math.min(hot, ends_mm / length_mm);
  }
  const [edge, back] = [edgeDepth_mm(quench), backFirst(quench)?.depth_mm];
  if ((edge === undefined && back === undefined) || section.shape !== "wedge") return all_kg;
  const { edge_mm, spine_mm, height_mm } = section;
  const reach = (depth_mm: number | undefined): number => (depth_mm === undefined ? 0 : Math.min(1, (depth_mm + behind_mm) / height_mm));
  /** Of the section, what lies below a share of its height. */
  const below = (up: number): number => (up * (edge_mm + 0.5 * up * (spine_mm - edge_mm))) / (0.5 * (edge_mm + spine_mm));
  return all_kg * Math.min(1, below(reach(edge)) + 1 - below(1 - reach(back)));
}

/** What goes of a piece, kg, when so much is ground off each face of it: an expectation, scale and cracks left out. */
export function groundOff_kg(piece: Piece, form: KindFile, off_mm: number): number {
  const { section, length_mm } = piece;
  const isFlat = section.shape === "wedge" || section.shape === "plate";
  const area_mm2 = isFlat
    ? 2 * outlineArea_mm2(outlineOf(piece, form).contour)
    : (section.shape === "round" ? Math.PI : 4) * breadth_mm(piece) * length_mm;
  return Math.min(mass_kg(piece, form), area_mm2 * off_mm * 1e-9 * WEIGHS_kg_m3);
}

/** What else can be done about a piece that does not fit. */
export type FitWay =
  | "draw-through"
  | "only-working-part"
  | "longer-fire"
  | "other-shop-fire"
  | "open-forge"
  | "hotter-fire"
  | "other-steel"
  | "door-on-part"
  | "two-pieces"
  | "other-shop-kiln"
  | "colour-run"
  | "temper-in-kiln"
  | "temper-in-tray"
  | "two-ovens"
  | "end-by-end"
  | "edge-trough"
  | "end-as-deep"
  | "pipe-tank"
  | "other-shop-bath"
  | "one-bath"
  | "more-oil"
  | "cool-between"
  | "only-hard-part"
  | "aim-harder"
  | "get-magnet"
  | "get-probe"
  | "hot-in-kiln";

const WAYS: Readonly<Record<FitPlace, readonly FitWay[]>> = {
  forge: ["draw-through", "only-working-part", "longer-fire", "other-shop-fire"],
  kiln: ["open-forge", "door-on-part", "two-pieces", "other-shop-kiln"],
  oven: ["colour-run", "temper-in-kiln", "temper-in-tray", "end-by-end"],
  bath: ["edge-trough", "end-as-deep", "pipe-tank", "other-shop-bath"],
  eye: ["get-magnet", "get-probe", "hot-in-kiln"],
};
const ONE_BATH_WAYS: readonly FitWay[] = ["one-bath", "pipe-tank", "other-shop-bath"];
const WEIGHT_WAYS: readonly FitWay[] = ["more-oil", "cool-between", "only-hard-part"];
/** Where the fire does not get hot enough. */
const FIRE_WAYS: Readonly<Record<"forge" | "kiln", readonly FitWay[]>> = {
  forge: ["hotter-fire", "hot-in-kiln", "other-shop-fire", "other-steel"],
  kiln: ["open-forge", "other-shop-kiln", "other-steel"],
};
/** A heater that is short of a heat by no more than it wanders is not short of it, K. */
const SHORT_K = 5;

type Heater = Extract<KitItem, { kind: "forge" | "kiln" }>;

/** How hot a fire of the kit gets, C. */
function reach_C(item: Heater): number {
  return item.kind === "kiln" ? hottest_C(item) : item.chamber_C;
}

/** The hottest of its heats, C; null for a plan that has none. */
function hottestHeat_C({ steps }: Route): number | null {
  const heats = steps.flatMap((step) =>
    step.kind === "normalise" || step.kind === "harden" || step.kind === "anneal" || step.kind === "preheat" ? [step.temperature_C] : [],
  );
  return heats.length === 0 ? null : Math.max(...heats);
}

const HOT_WAYS: readonly FitWay[] = ["temper-in-kiln", "colour-run", "aim-harder"];

function chamberProblem(place: FitPlace, item: Chamber, piece: Piece): FitProblem | null {
  const lack = lacks(item, piece);
  return lack === null ? null : { place, item: item.name, ...lack, ways: WAYS[place] };
}

type Bath = Extract<KitItem, { kind: "bath" }>;

export function bathVolume_L({ tank, width_mm, fill_mm }: Bath): number {
  const area_mm2 = tank === "round" ? (Math.PI / 4) * width_mm * width_mm : width_mm * width_mm;
  return (area_mm2 * fill_mm) / 1e6;
}

/** How deep a piece can hang in a tank, mm. */
function usableDepth_mm({ fill_mm, depth_mm }: Bath): number {
  return Math.min(fill_mm, depth_mm - FREEBOARD_mm) - COVER_mm;
}

/** How much of the piece has to be under, mm: all its length hanging, unless only edge or end goes in. */
function under_mm(piece: Piece, quench: Quench): number {
  const end = endUnder(quench);
  if (end !== null) return end.depth_mm;
  const deepest_mm = Math.max(edgeDepth_mm(quench) ?? 0, backFirst(quench)?.depth_mm ?? 0);
  return deepest_mm > 0 ? deepest_mm : isLaid(quench) ? breadth_mm(piece) : piece.length_mm;
}

function bathProblems(item: Bath, whole: Piece, form: KindFile, route: Route, catalogue: Catalogue): FitProblem[] {
  const problems: FitProblem[] = [];
  // What stayed out of the fire stays out of the bath.
  const piece = partHeated(whole, route);
  const quench = route.steps.findLast((step): step is Quench => step.kind === "quench");
  if (quench === undefined) return [];
  const { name } = item;
  if (isLaid(quench)) {
    // Edge down: its whole length lies across the tank.
    const over_mm = piece.length_mm + 2 * ROOM_mm - item.width_mm;
    if (over_mm > 0) problems.push({ place: "bath", item: name, what: "length", over_mm, ways: WAYS.bath });
  }
  if (!isLaid(quench) || edgeDepth_mm(quench) === undefined) {
    const over_mm = under_mm(piece, quench) - usableDepth_mm(item);
    if (over_mm > 0) problems.push({ place: "bath", item: name, what: "depth", over_mm, ways: WAYS.bath });
  }
  const medium = catalogue.medium(item.medium);
  const heat = route.steps.findLast((step) => step.kind === "harden");
  if (isLiquid(medium) && heat?.kind === "harden") {
    const { bath_C } = intoOf(quench);
    const after_C = bathAfter_C(
      medium.liquid,
      bathVolume_L(item),
      bath_C,
      cooledMass_kg(whole, form, quench, undefined, inFire_mm(whole, route)),
      heat.temperature_C,
    );
    const over_K = after_C - Math.min(medium.liquid.limit_C, bath_C + MOST_RISE_K);
    if (over_K > 0) problems.push({ place: "bath", item: name, what: "weight", over_K, ways: WEIGHT_WAYS });
  }
  return problems;
}

/** The second bath of a quench in two: it has to be there, and to take all of the piece. */
function secondBathProblems(quench: Quench, piece: Piece, kit: Kit, catalogue: Catalogue): readonly FitProblem[] {
  const second = secondDip(quench)?.into.medium;
  if (second === undefined || second === intoOf(quench).medium || !isLiquid(catalogue.medium(second))) return [];
  const baths = kitOf(kit, "bath").filter((item) => item.medium === second);
  if (baths.length === 0) return [{ place: "bath", item: second, what: "missing", ways: ONE_BATH_WAYS }];
  return bestOf(baths, (item) => {
    const over_mm = piece.length_mm - usableDepth_mm(item);
    return over_mm > 0 ? [{ place: "bath", item: item.name, what: "depth", over_mm, ways: WAYS.bath } as const] : [];
  });
}

/** The tanks of a kit that are meant: the one by name where it is there and holds that still, else all that hold it. */
function tanksOf(kit: Kit, { medium, bath }: Into): Bath[] {
  const all = kitOf(kit, "bath").filter((item) => item.medium === medium);
  const named = all.filter(({ id }) => id === bath);
  return named.length > 0 ? named : all;
}

/** The best of several: the one with no problem, else that which lacks least. */
function bestOf<T>(items: readonly T[], problemsOf: (item: T) => readonly FitProblem[]): readonly FitProblem[] {
  const all = items.map(problemsOf);
  const size = (problems: readonly FitProblem[]): number =>
    problems.reduce((sum, p) => sum + ("over_mm" in p ? p.over_mm : "over_K" in p ? 10 * p.over_K : 0), 0);
  return all.sort((a, b) => size(a) - size(b))[0] ?? [];
}

/** How much hotter a temper should be than this route has it, because the oven ends, K; 0 where it does not. */
function shortOfTemper_K(catalogue: Catalogue, piece: Piece, route: Route, kit: Kit): number {
  const tempers = route.steps.flatMap((step) => (step.kind === "temper" ? [step] : []));
  const [first] = tempers;
  if (first === undefined) return 0;
  const over_K = Math.max(...tempers.map(({ temperature_C }) => temperature_C)) - (hottestTemper_C(kit, piece, first.in) ?? Infinity);
  if (over_K > 0 || first.why !== "oven-ends") return Math.max(0, over_K);
  const free = planRoute(catalogue, piece, route.heating, { way: { ...wayOf(route), draws: "oven" } }).steps.find(
    (step) => step.kind === "temper",
  );
  return free?.kind === "temper" ? free.temperature_C - first.temperature_C : 0;
}

function ovenProblems(catalogue: Catalogue, piece: Piece, route: Route, kit: Kit): readonly FitProblem[] {
  const temper = route.steps.findLast((step) => step.kind === "temper");
  if (temper?.kind !== "temper") return [];
  const ovens: readonly Chamber[] = ovensOf(kit, temper.in);
  if (ovens.length === 0) return [{ place: "oven", item: temper.in ?? "oven", what: "missing", ways: WAYS.oven }];
  const short_K = shortOfTemper_K(catalogue, piece, route, kit);
  // Two of them, mouth to mouth, where that is long enough.
  const joined = temper.in === undefined ? joinedOvens(kit) : null;
  const ways: readonly FitWay[] = joined !== null && lacks({ ...joined, id: "" }, piece) === null ? ["two-ovens", ...WAYS.oven] : WAYS.oven;
  return bestOf(ovens, (item) => {
    const found = chamberProblem("oven", item, piece);
    if (found !== null) return [{ ...found, ways }];
    return short_K > 0 ? [{ place: "oven", item: item.name, what: "too-hot", over_K: short_K, ways: HOT_WAYS } as const] : [];
  });
}

/**
 * Everything on a route that a piece does not fit, by the best item of each kind the shop has, with at least three ways on.
 * Nothing when nobody has said what the kit is.
 * Freeboard, cover and room: common practice, no source.
 */
export function fitProblems(catalogue: Catalogue, piece: Piece, form: KindFile, route: Route, kit: Kit | null): FitProblem[] {
  if (kit === null) return [];
  const problems: FitProblem[] = [];
  const place: "kiln" | "forge" = isInKiln(route) ? "kiln" : "forge";
  const heaters: readonly Heater[] = place === "kiln" ? kitOf(kit, "kiln") : kitOf(kit, "forge");
  const isTorch = place === "forge" && heaters.length === 0 && kitOf(kit, "torch").length > 0;
  if (heaters.length === 0 && !isTorch) problems.push({ place, item: place, what: "missing", ways: WAYS[place] });
  problems.push(
    ...bestOf(heaters, (item) => {
      const found = chamberProblem(place, item, partHeated(piece, route));
      const wanted_C = hottestHeat_C(route);
      const over_K = wanted_C === null ? 0 : wanted_C - reach_C(item);
      return [
        ...(found === null ? [] : [found]),
        ...(wanted_C !== null && over_K > SHORT_K
          ? [{ place, item: item.name, what: "not-so-hot", over_K, wanted_C, ways: FIRE_WAYS[place] } as const]
          : []),
      ];
    }),
  );
  const quench = route.steps.findLast((step) => step.kind === "quench");
  const into = quench?.kind === "quench" ? intoOf(quench) : null;
  if (into !== null && isLiquid(catalogue.medium(into.medium))) {
    const baths = tanksOf(kit, into);
    if (baths.length === 0) problems.push({ place: "bath", item: into.medium, what: "missing", ways: WAYS.bath });
    else problems.push(...bestOf(baths, (item) => bathProblems(item, piece, form, route, catalogue)));
  }
  if (quench?.kind === "quench") problems.push(...secondBathProblems(quench, piece, kit, catalogue));
  const lack = missingFor(route.heating, kit);
  if (lack === "eye" || lack === "magnet") problems.push({ place: "eye", item: lack, what: "missing", ways: WAYS.eye });
  problems.push(...ovenProblems(catalogue, piece, route, kit));
  return problems;
}
