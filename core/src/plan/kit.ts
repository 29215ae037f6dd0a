/** What a shop can do with the kit it has: which heats, which baths, and a first kit to start from. */

import { PASTE, isLiquid, peakSpeed_W_m2K } from "../heat/bathKind.js";
import type { Draws, HeatedIn, Heating, Piece, School } from "../schema/book.js";
import type { Kit, KitItem, KitKind, Vessel } from "../schema/kit.js";
import type { Catalogue } from "./catalogue.js";
import { lacks } from "./chamber.js";
import { heatingOf } from "./heating.js";

export function kitOf<K extends KitKind>(kit: Kit, kind: K): Extract<KitItem, { kind: K }>[] {
  return kit.filter((item): item is Extract<KitItem, { kind: K }> => item.kind === kind);
}

/** fire: neither forge nor torch. eye: nothing to judge a heat by. salt: no pot that comes to a hardening heat. */
export type KitLack = "kiln" | "fire" | "torch" | "coal" | "salt" | "eye" | "magnet" | "probe";

/** A pot of salt that hardens steel comes to this, C (judgement: the lowest hardening heats are about it). */
const SALT_HARDENS_C = 760;

/** Whether a shop has what a piece is heated in; null where it has. */
function lacksPlace(place: HeatedIn, kit: Kit): KitLack | null {
  const has = (kind: KitKind): boolean => kit.some((item) => item.kind === kind);
  switch (place) {
    case "forge":
      return has("forge") || has("torch") ? null : "fire";
    case "coal":
      return kitOf(kit, "forge").some(({ fuel }) => fuel !== "gas") ? null : "coal";
    case "torch":
      return has("torch") ? null : "torch";
    case "kiln":
      return has("kiln") ? null : "kiln";
    case "salt":
      return kitOf(kit, "oven").some((pot) => pot.holds === "salt" && hottest_C(pot) >= SALT_HARDENS_C) ? null : "salt";
  }
}

/** What a way of heating cannot do without; null when the kit has it, or when nobody has said what the kit is. */
export function missingFor(said: School | Heating, kit: Kit | null): KitLack | null {
  if (kit === null) return null;
  const heating = heatingOf(said);
  const has = (kind: KitKind): boolean => kit.some((item) => item.kind === kind);
  const place = lacksPlace(heating.in, kit);
  if (place !== null) return place;
  switch (heating.by) {
    case "controller":
    case "colour":
      return null;
    case "probe":
      // The thermometer of a pot stands in its salt.
      return heating.in === "salt" || has("probe") || has("infrared") ? null : "probe";
    case "shade":
      return has("magnet") || has("probe") || has("infrared") ? null : "eye";
    case "touch":
    case "pull":
      if (has("magnet")) return null;
      return has("probe") || has("infrared") ? "magnet" : "eye";
  }
}

export type Controlled = Extract<KitItem, { kind: "oven" | "kiln" }>;

/** What can be set to a temper: ovens, then a kiln switched low; or the pots or trays that hold what it is to lie in. */
export function ovensOf(kit: Kit, vessel?: Vessel): Controlled[] {
  const ovens = kitOf(kit, "oven").filter(({ holds }) => holds === vessel);
  return vessel === undefined ? [...ovens, ...kitOf(kit, "kiln")] : ovens;
}

/**
 * From where to where a temper can lie in it, C: oil smokes and may catch fire above; salt is not molten below; sand over a fire is told
 * no further (common practice, no source; nitrate salts from memory). The maker's sheet goes before.
 */
export const VESSEL_C: Readonly<Record<Vessel, readonly [least_C: number, most_C: number]>> = {
  oil: [20, 230],
  salt: [160, 550],
  sand: [20, 400],
};

/** As hot as a chamber truly gets with its dial at the end, C. */
export function hottest_C({ limit_C, offset_C }: Controlled): number {
  return limit_C + offset_C;
}

/**
 * The oven a temper of a piece is done in: the first that takes it and comes to its heat; where none does, the first that comes to it, or
 * the first: it is said of that one.
 */
export function ovenFor(ovens: readonly Controlled[], temperature_C: number, piece: Piece): Controlled | undefined {
  const reach = ovens.filter((oven) => hottest_C(oven) >= temperature_C);
  return reach.find((oven) => lacks(oven, piece) === null) ?? reach[0] ?? ovens[0];
}

/**
 * The hottest temper of a piece this shop can do in an oven, or in such a vessel, C, by those that take it where any does; null where it has
 * none, or nobody has said, and nothing else ends it.
 */
export function hottestTemper_C(kit: Kit | null, piece: Piece, vessel?: Vessel): number | null {
  const all = kit === null ? [] : ovensOf(kit, vessel);
  const taking = all.filter((oven) => lacks(oven, piece) === null);
  const ovens = taking.length > 0 ? taking : all;
  const ends_C = ovens.length === 0 ? null : Math.max(...ovens.map(hottest_C));
  return vessel === undefined ? ends_C : Math.min(ends_C ?? Infinity, VESSEL_C[vessel][1]);
}

/** At the seam of two ovens nothing heats: what of their length is lost to it, mm, and how much longer they take to settle (judgement). */
const SEAM_mm = 20;
const SETTLES = 1.5;

/**
 * The two longest ovens of a kit mouth to mouth, doors off, as one: as hot as the cooler of the two, as narrow as the narrower, and read by
 * nobody yet, whatever was known of each. Null where there are not two.
 */
export function joinedOvens(kit: Kit): Extract<NewKitItem, { kind: "oven" }> | null {
  const [a, b] = ovensOf(kit)
    .filter((oven) => oven.kind === "oven" && !oven.name.endsWith(JOINED))
    .sort((one, other) => other.length_mm - one.length_mm);
  if (a === undefined || b === undefined) return null;
  return {
    kind: "oven",
    name: `${a.name} and ${b.name}`.slice(0, LONGEST_NAME - JOINED.length) + JOINED,
    length_mm: a.length_mm + b.length_mm - SEAM_mm,
    width_mm: Math.min(a.width_mm, b.width_mm),
    height_mm: Math.min(a.height_mm, b.height_mm),
    limit_C: Math.min(hottest_C(a), hottest_C(b)),
    offset_C: 0,
    swing_C: Math.max(a.swing_C, b.swing_C),
    settle_min: Math.round(SETTLES * Math.max(a.settle_min, b.settle_min)),
  };
}
const JOINED = ", mouth to mouth";
const LONGEST_NAME = 60;

/** Whether a shop can draw a temper this way. A bar is heated in any fire; what is left in the body asks for nothing. */
export function canDraw(draws: Draws, kit: Kit | null): boolean {
  if (kit === null) return true;
  const has = (kind: KitKind): boolean => kit.some((item) => item.kind === kind);
  switch (draws) {
    case "oven":
      return ovensOf(kit).length > 0;
    case "oil":
    case "salt":
    case "sand":
      return ovensOf(kit, draws).length > 0;
    case "torch":
      return has("torch");
    case "hot-bar":
      return has("forge") || has("torch");
    case "residual":
      return true;
  }
}

/**
 * The bath a shop uses where a steel asks for one: that one when it is there, else the nearest in speed. The wanted one when the
 * kit has no liquid bath at all, or nobody has said what it has.
 */
export function bathFromKit(catalogue: Catalogue, wanted: string, kit: Kit | null): { readonly medium: string; readonly isOwn: boolean } {
  const own = kit === null ? [] : kitOf(kit, "bath").map(({ medium }) => medium);
  if (kit === null || own.includes(wanted)) return { medium: wanted, isOwn: kit !== null };
  const asked = catalogue.medium(wanted);
  const near = own
    .flatMap((id) => catalogue.medium(id) ?? [])
    .filter(isLiquid)
    // Its edge alone goes into that, by a way of its own.
    .filter(({ id }) => id !== PASTE)
    .map((medium) => ({
      medium: medium.id,
      far: Math.abs(Math.log(peakSpeed_W_m2K(medium) / Math.max(1, asked ? peakSpeed_W_m2K(asked) : 1))),
    }))
    .sort((a, b) => a.far - b.far);
  const best = near[0];
  return best === undefined ? { medium: wanted, isOwn: false } : { medium: best.medium, isOwn: true };
}

type Bare<T> = T extends KitItem ? Omit<T, "id"> : never;
export type NewKitItem = Bare<KitItem>;

const GAS_FORGE: NewKitItem = {
  kind: "forge",
  name: "Gas forge",
  fuel: "gas",
  isOpenEnded: true,
  burners: 2,
  chamber_C: 950,
  atmosphere: "rich",
  ambient_lux: 20,
  length_mm: 400,
  width_mm: 120,
  height_mm: 120,
};
const KITCHEN_OVEN: NewKitItem = {
  kind: "oven",
  name: "Old kitchen oven",
  length_mm: 420,
  width_mm: 380,
  height_mm: 300,
  limit_C: 260,
  offset_C: 0,
  swing_C: 12,
  settle_min: 25,
};
const MAGNET: NewKitItem = { kind: "magnet", name: "Magnet on a wire" };

export interface Preset {
  readonly id: "beginner" | "kiln" | "coal";
  readonly items: readonly NewKitItem[];
}

/** Three shops to start from (common practice, no source): every figure is to be replaced by the shop's own. */
export const PRESETS: readonly Preset[] = [
  {
    id: "beginner",
    items: [
      GAS_FORGE,
      { kind: "bath", name: "Can of cooking oil", medium: "vegetable-oil", tank: "round", width_mm: 160, depth_mm: 420, fill_mm: 320 },
      KITCHEN_OVEN,
      MAGNET,
      { kind: "files", name: "One good file", files_HRC: [62] },
    ],
  },
  {
    id: "kiln",
    items: [
      {
        kind: "kiln",
        name: "Kiln",
        length_mm: 560,
        width_mm: 180,
        height_mm: 150,
        limit_C: 1100,
        offset_C: 0,
        swing_C: 4,
        settle_min: 15,
        recovery_min: 3,
      },
      GAS_FORGE,
      { kind: "bath", name: "Fast oil", medium: "fast-oil", tank: "square", width_mm: 200, depth_mm: 600, fill_mm: 500 },
      { kind: "bath", name: "Medium oil", medium: "medium-oil", tank: "square", width_mm: 200, depth_mm: 600, fill_mm: 500 },
      { ...KITCHEN_OVEN, name: "Temper oven", swing_C: 8 },
      MAGNET,
      { kind: "probe", name: "Type K probe", offset_C: 0, sd_C: 6, limit_C: 1200 },
      { kind: "files", name: "Hardness files", files_HRC: [45, 50, 55, 60, 65] },
    ],
  },
  {
    id: "coal",
    items: [
      {
        kind: "forge",
        name: "Coal fire",
        fuel: "coal",
        isOpenEnded: true,
        burners: 1,
        chamber_C: 1100,
        atmosphere: "neutral",
        ambient_lux: 20,
        length_mm: 180,
        width_mm: 180,
        height_mm: 120,
      },
      { kind: "torch", name: "Torch", heats_mm: 40 },
      { kind: "bath", name: "Slack tub", medium: "water", tank: "square", width_mm: 400, depth_mm: 450, fill_mm: 380 },
      { kind: "bath", name: "Oil can", medium: "vegetable-oil", tank: "round", width_mm: 200, depth_mm: 420, fill_mm: 320 },
      KITCHEN_OVEN,
      MAGNET,
      { kind: "files", name: "One good file", files_HRC: [62] },
    ],
  },
];
