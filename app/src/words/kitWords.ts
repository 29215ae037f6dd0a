/** What an item of the kit is, in words, and which of its fields are asked for. Pure. */

import { CATALOGUE, isLiquid, LIMITS, PRESETS, type Kit, type KitItem, type KitKind, type NewKitItem } from "@tembrak/core";
import { mediumName } from "./actWords.js";
import { showDifference, showLength, showTemperature, type Units } from "../format/show.js";

export type FieldKind =
  "length" | "temperature" | "difference" | "minutes" | "HRC" | "lux" | "pressure" | "number" | "choice" | "flag" | "said" | "files";

export interface Field {
  readonly key: string;
  readonly label: string;
  readonly kind: FieldKind;
  readonly least?: number;
  readonly most?: number;
  readonly options?: readonly (readonly [string, string])[];
  /** Need not be said: nothing, or a nought where that means none, is not stored. */
  readonly isOptional?: boolean;
}

/** What of a draft is stored: what nobody said is left out. */
export function said(kind: KitKind, draft: Readonly<Record<string, unknown>>): Record<string, unknown> {
  const open = new Set(FIELDS[kind].flatMap(({ key, isOptional = false }) => (isOptional ? [key] : [])));
  return Object.fromEntries(Object.entries(draft).filter(([key, value]) => !open.has(key) || (value !== "" && value !== 0)));
}

const within = ([least, most]: readonly [number, number]) => ({ least, most });

const INSIDE: readonly Field[] = [
  { key: "length_mm", label: "Length inside", kind: "length", ...within(LIMITS.chamber.length_mm) },
  { key: "width_mm", label: "Width inside", kind: "length", ...within(LIMITS.chamber.width_mm) },
  { key: "height_mm", label: "Height inside", kind: "length", ...within(LIMITS.chamber.height_mm) },
];
const CONTROLLED: readonly Field[] = [
  { key: "limit_C", label: "Hottest it goes", kind: "temperature", ...within(LIMITS.controlled.limit_C) },
  { key: "offset_C", label: "Truly hotter than it says by", kind: "difference", ...within(LIMITS.controlled.offset_C) },
  { key: "swing_C", label: "Swings up and down by", kind: "difference", ...within(LIMITS.controlled.swing_C) },
  { key: "settle_min", label: "Steady after", kind: "minutes", ...within(LIMITS.controlled.settle_min) },
];

export const LIQUIDS = CATALOGUE.media.filter(isLiquid);

export const FIELDS: Readonly<Record<KitKind, readonly Field[]>> = {
  forge: [
    {
      key: "fuel",
      label: "Fuel",
      kind: "choice",
      options: [
        ["gas", "gas"],
        ["coal", "coal"],
        ["charcoal", "charcoal"],
      ],
    },
    { key: "burners", label: "Burners in use", kind: "number", ...within(LIMITS.forge.burners) },
    { key: "isOpenEnded", label: "Open at both ends", kind: "flag" },
    ...INSIDE,
    { key: "chamber_C", label: "Runs at, for heat treating", kind: "temperature", ...within(LIMITS.forge.chamber_C) },
    {
      key: "atmosphere",
      label: "Flame",
      kind: "choice",
      options: [
        ["rich", "rich: soft flame at the mouth"],
        ["neutral", "neutral"],
        ["lean", "lean: sharp and roaring"],
      ],
    },
    { key: "gas_kPa", label: "Gas at that heat", kind: "pressure", isOptional: true, ...within(LIMITS.forge.gas_kPa) },
    { key: "ambient_lux", label: "Light around it", kind: "lux", ...within(LIMITS.forge.ambient_lux) },
  ],
  torch: [{ key: "heats_mm", label: "Heats at once", kind: "length", ...within(LIMITS.torch.heats_mm) }],
  kiln: [
    ...INSIDE,
    ...CONTROLLED,
    { key: "recovery_min", label: "Back after the door in", kind: "minutes", ...within(LIMITS.kiln.recovery_min) },
  ],
  oven: [
    {
      key: "holds",
      label: "The piece lies in",
      kind: "choice",
      isOptional: true,
      options: [
        ["", "air: an oven"],
        ["oil", "oil: a pot"],
        ["salt", "molten salt: a pot"],
        ["sand", "sand: a tray over a heat"],
      ],
    },
    ...INSIDE,
    ...CONTROLLED,
  ],
  bath: [
    { key: "medium", label: "What is in it", kind: "choice", options: LIQUIDS.map(({ id }) => [id, mediumName(id)] as const) },
    {
      key: "tank",
      label: "Tank",
      kind: "choice",
      options: [
        ["round", "round"],
        ["square", "square"],
      ],
    },
    { key: "width_mm", label: "Across inside", kind: "length", ...within(LIMITS.bath.width_mm) },
    { key: "depth_mm", label: "Rim to floor", kind: "length", ...within(LIMITS.bath.depth_mm) },
    { key: "fill_mm", label: "Liquid stands", kind: "length", ...within(LIMITS.bath.fill_mm) },
    {
      key: "madeOf",
      label: "Made of",
      kind: "choice",
      isOptional: true,
      options: [
        ["", "not said"],
        ["metal", "metal"],
        ["plastic", "plastic"],
      ],
    },
    { key: "canTip", label: "Can be knocked over", kind: "said", isOptional: true },
    { key: "hasLid", label: "A metal lid at hand", kind: "said", isOptional: true },
    { key: "heater_W", label: "Heater in it, W (0: none)", kind: "number", isOptional: true, least: 0, most: LIMITS.bath.heater_W[1] },
  ],
  magnet: [],
  probe: [
    { key: "offset_C", label: "Reads too hot by", kind: "difference", ...within(LIMITS.probe.offset_C) },
    { key: "sd_C", label: "One reading is good to", kind: "difference", ...within(LIMITS.probe.sd_C) },
    { key: "limit_C", label: "May go to", kind: "temperature", ...within(LIMITS.probe.limit_C) },
  ],
  infrared: [{ key: "emissivity", label: "Set to", kind: "number", ...within(LIMITS.reading.emissivity) }],
  stick: [{ key: "rated_C", label: "Melts at", kind: "temperature", ...within(LIMITS.reading.melts_C) }],
  files: [{ key: "files_HRC", label: "Which", kind: "files" }],
  tester: [{ key: "bias_HRC", label: "On its block too hard by", kind: "HRC", ...within(LIMITS.tester.bias_HRC) }],
};

export const KIND_WORDS: Readonly<Record<KitKind, string>> = {
  forge: "Forge",
  torch: "Torch",
  kiln: "Kiln",
  oven: "Oven",
  bath: "Bath",
  magnet: "Magnet",
  probe: "Probe and thermometer",
  infrared: "Infrared gun",
  stick: "Temperature stick",
  files: "Hardness files",
  tester: "Hardness tester",
};

/** What the key says that brings one in, where that is more than its name. */
export const ADD_WORDS: Readonly<Partial<Record<KitKind, string>>> = { oven: "Oven, or a pot or tray to temper in" };

export const GROUPS: readonly { readonly name: string; readonly kinds: readonly KitKind[] }[] = [
  { name: "Heat", kinds: ["forge", "torch", "kiln", "oven"] },
  { name: "Baths", kinds: ["bath"] },
  { name: "What tells the heat", kinds: ["magnet", "probe", "infrared", "stick"] },
  { name: "What tells the hardness", kinds: ["files", "tester"] },
];

export const PRESET_WORDS = {
  beginner: ["Gas forge, cooking oil, kitchen oven", "One magnet, one file. Where most people start."],
  kiln: ["Kiln, two oils, hardness files", "Controlled heat, a probe, a proper tank."],
  coal: ["Coal fire, torch, slack tub", "Tools hardened at the end that works."],
} as const;

/** A new item of a kind, as the first of the first kits has it. */
export function blank(kind: KitKind): NewKitItem {
  const like = PRESETS.flatMap(({ items }) => items).find((item) => item.kind === kind);
  if (like !== undefined) return { ...like, name: KIND_WORDS[kind] };
  switch (kind) {
    case "infrared":
      return { kind, name: "Infrared gun", emissivity: 0.95 };
    case "stick":
      return { kind, name: "Temperature stick", rated_C: 800 };
    case "tester":
      return { kind, name: "Bench tester", bias_HRC: 0 };
    default:
      return { kind: "magnet", name: "Magnet" };
  }
}

/** What was checked and found right shows what is true; what nobody checked is told as that elsewhere. */
function signed(difference_K: number, isChecked: boolean, units: Units): string {
  if (Math.abs(difference_K) < 0.5) return isChecked ? "shows what is true" : "taken at its word";
  return `runs ${showDifference(Math.abs(difference_K), units)} ${difference_K > 0 ? "hot" : "cold"}`;
}

/** One line of facts. */
export function factsOf(item: KitItem, units: Units): string {
  const size = (a: number, b: number, c: number): string => `${showLength(a, units)} by ${showLength(b, units)} by ${showLength(c, units)}`;
  switch (item.kind) {
    case "forge":
      return `${item.fuel}, ${item.burners} burner${item.burners === 1 ? "" : "s"}, ${size(item.length_mm, item.width_mm, item.height_mm)}${item.isOpenEnded ? ", open ends" : ""}, about ${showTemperature(item.chamber_C, units)}, ${item.atmosphere} flame`;
    case "torch":
      return `heats ${showLength(item.heats_mm, units)} at once`;
    case "kiln":
    case "oven":
      return `${item.kind === "oven" && item.holds !== undefined ? `${item.holds}, ` : ""}${size(item.length_mm, item.width_mm, item.height_mm)}, to ${showTemperature(item.limit_C, units)}, ${signed(item.offset_C, (item.calibration?.length ?? 0) > 0, units)}, swings ${showDifference(item.swing_C, units)}, steady after ${item.settle_min.toFixed(0)} min${item.kind === "kiln" ? `, back ${item.recovery_min} min after the door` : ""}${item.calibration?.length ? `, ${item.calibration.length} readings` : ", not checked"}`;
    case "bath":
      return `${mediumName(item.medium).toLowerCase()}, ${item.tank}, ${showLength(item.width_mm, units)} across, ${showLength(item.fill_mm, units)} of ${showLength(item.depth_mm, units)} full`;
    case "magnet":
      return "";
    case "probe":
      return `${signed(item.offset_C, false, units).replace("runs", "reads")}, one reading good to ${showDifference(item.sd_C, units)}, to ${showTemperature(item.limit_C, units)}`;
    case "infrared":
      return `set to ${item.emissivity}; lifted scale and bright steel read far too cold`;
    case "stick":
      return `melts at ${showTemperature(item.rated_C, units)}`;
    case "files":
      return `${item.files_HRC.join(", ")} HRC`;
    case "tester":
      return Math.abs(item.bias_HRC) < 0.05
        ? "true on its block"
        : `${Math.abs(item.bias_HRC)} HRC too ${item.bias_HRC > 0 ? "hard" : "soft"} on its block`;
  }
}

/** What is missing for any hardening at all. */
export function lacks(kit: Kit): readonly string[] {
  const has = (...kinds: KitKind[]): boolean => kit.some(({ kind }) => kinds.includes(kind));
  return [
    ...(has("forge", "torch", "kiln") ? [] : ["something to heat it with"]),
    ...(has("bath") ? [] : ["a bath"]),
    ...(has("magnet", "probe", "infrared", "kiln") ? [] : ["a magnet or a thermometer"]),
  ];
}
