/** Questions whose answers are pinned: every verb of the command line, over the kinds of steel, section, bath and history there are. */

import { PRESETS } from "../../src/plan/kit.js";
import { SCHOOLS } from "../../src/schema/book.js";
import { WAY_NAMES } from "../../src/schema/verbs.js";
import { BILLHOOK } from "../pieces.js";

export interface Asked {
  readonly verb: string;
  readonly input: unknown;
}

const STEELS = [
  "1045",
  "1084",
  "1095",
  "5160",
  "52100",
  "o1",
  "w2",
  "15n20",
  "80crv2",
  { composition_wtpct: { C: 0.7, Mn: 0.9, Si: 0.3, Cr: 0.6 } },
] as const;
const PRIORS = ["pearlite", "fine-spheroidised", "coarse-spheroidised", "as-forged"] as const;
const SECTIONS = [
  { shape: "plate", thickness_mm: 4 },
  { shape: "round", diameter_mm: 16 },
  { shape: "square", side_mm: 22 },
  { shape: "wedge", spine_mm: 6, edge_mm: 0.8, height_mm: 34 },
] as const;
const BATHS = [
  ["fast-oil", 55],
  ["vegetable-oil", 50],
  ["medium-oil", 60],
  ["water", 30],
  ["brine", 20],
  ["still-air", 20],
] as const;

const hardened: Asked[] = STEELS.flatMap((steel, i) =>
  SECTIONS.filter((_, k) => k % 2 === i % 2).map((section, k) => {
    const [medium, bath_C] = BATHS[(i + k) % BATHS.length]!;
    const input = {
      steel,
      priorStructure: PRIORS[(i + 2 * k) % PRIORS.length],
      section,
      austenitise: { temperature_C: 770 + 15 * ((i + k) % 6), hold_min: [0, 1, 5, 12][k] },
      transfer_s: [0, 1.5, 3, 8][(i + k) % 4],
      quench: { medium, bath_C, agitation: (["none", "mild", "strong"] as const)[i % 3], ...(i % 4 === 3 ? { time_s: 4 + k } : {}) },
    };
    return { verb: "harden", input };
  }),
);

const covered: Asked[] = [
  { coat: { thickness_mm: 2, from_mm: 12 } },
  { cladding: { material: "stainless", core_mm: 2 } },
  { cladding: { material: "mild-steel", core_mm: 1.5 } },
].map((cover) => ({
  verb: "harden",
  input: {
    steel: "w2",
    priorStructure: "pearlite",
    section: SECTIONS[3],
    austenitise: { temperature_C: 790, hold_min: 2 },
    quench: { medium: "water", bath_C: 30, immersion: { kind: "edge", depth_mm: 15 } },
    ...cover,
  },
}));

const histories: Asked[] = [
  [
    { kind: "heat", to_C: 860, rise_min: 5, hold_min: 3 },
    { kind: "cool", medium: "still-air", bath_C: 20, until_C: 450 },
    { kind: "heat", to_C: 815, rise_min: 6, hold_min: 8 },
    { kind: "cool", medium: "fast-oil", bath_C: 55, time_s: 6 },
    { kind: "cool", medium: "still-air" },
    { kind: "heat", to_C: 230, rise_min: 15, hold_min: 60 },
  ],
  [
    { kind: "heat", to_C: 770, hold_min: 20 },
    { kind: "rate", to_C: 600, rate_C_h: 300 },
    { kind: "cool", medium: "still-air" },
  ],
].flatMap((history) => [
  { verb: "simulate", input: { steel: "1084", priorStructure: "as-forged", section: SECTIONS[0], history } },
  { verb: "simulate", input: { steel: "52100", priorStructure: "coarse-spheroidised", section: SECTIONS[3], history } },
]);

const looks: Asked[] = [300, 540, 620, 700, 760, 820, 900, 1000].flatMap((temperature_C) =>
  [5, 50, 800, 30000].map((ambient_lux) => ({ verb: "glow", input: { temperature_C, ambient_lux } })),
);

const seen = [
  [{ kind: "glow", name: "medium cherry", ambient_lux: 20 }],
  [
    { kind: "magnet", state: "weak", age_s: 10 },
    { kind: "probe", temperature_C: 755, offset_C: 6, sd_C: 5 },
  ],
  [
    { kind: "infrared", temperature_C: 760, emissivity: 0.95, surface: "scale" },
    { kind: "infrared", temperature_C: 690, emissivity: 0.8, surface: "bright" },
    { kind: "stick", rated_C: 760, hasMelted: true },
    { kind: "stick", rated_C: 820, hasMelted: false },
    { kind: "time", expected_C: 790, sd_C: 30 },
  ],
  [
    { kind: "probe", temperature_C: 930 },
    { kind: "magnet", state: "sticks" },
  ],
  [
    { kind: "magnet", state: "free" },
    { kind: "magnet", state: "sticks" },
    { kind: "glow", name: "salmon", ambient_lux: 300 },
  ],
] as const;
const estimates: Asked[] = seen.flatMap((evidence) =>
  (["heating", "cooling"] as const).map((direction) => ({
    verb: "heat-estimate",
    input: { steel: "1084", direction, evidence, wanted_C: 800, window_C: [786, 814], rate_C_min: 20, eye: { bias_C: 12, sd_C: 18 } },
  })),
);

const kitOf = (id: "beginner" | "kiln" | "coal") => PRESETS.find((p) => p.id === id)!.items.map((item, i) => ({ id: `${i}`, ...item }));
const SHAPES = [
  { kind: "knife", section: SECTIONS[3], length_mm: 640 },
  { kind: "punch", section: SECTIONS[1], length_mm: 150 },
  { kind: "hammer", section: { shape: "square", side_mm: 40 }, length_mm: 120 },
  { kind: "chisel", section: { shape: "plate", thickness_mm: 9 }, length_mm: 220 },
] as const;
const routes: Asked[] = SHAPES.flatMap((piece, i) =>
  SCHOOLS.filter((_, k) => k % 2 === i % 2).flatMap((school, k) => {
    const way = WAY_NAMES.filter((name) => (piece.section.shape === "wedge" ? name !== "face" && name !== "ends" : name !== "edge"))[k]!;
    const start = (["forged", "as-supplied", "reclaimed", "normalised", "hardened"] as const)[(i + k) % 5];
    const use = ["knife", "punch", "hammer-face", "chisel"][i];
    const kit = k % 2 === 0 ? { kit: kitOf((["beginner", "kiln", "coal"] as const)[i % 3]!) } : {};
    const steel = ["1095", "w2", "1045", "5160"][i];
    return [{ verb: "route", input: { steel, piece, start, use, school, way, ...kit } }];
  }),
);

const fits: Asked[] = (["beginner", "kiln", "coal"] as const).flatMap((id) => [
  { verb: "fit", input: { piece: BILLHOOK, school: "forge", kit: kitOf(id) } },
  { verb: "fit", input: { piece: { ...BILLHOOK, length_mm: 1300 }, school: "kiln", kit: kitOf(id) } },
  {
    verb: "fit",
    input: {
      piece: { ...BILLHOOK, kind: "spring", form: "spring", section: { shape: "plate", thickness_mm: 30 } },
      school: "forge",
      way: "face",
      kit: kitOf(id),
    },
  },
]);

const warmed: Asked[] = SHAPES.flatMap(({ kind, section, length_mm }) =>
  (["forge", "kiln"] as const).map((fire) => ({
    verb: "warm-up",
    input: {
      piece: { ...BILLHOOK, kind, form: kind, section, length_mm },
      way: section.shape === "wedge" ? "whole" : "face",
      fire: { kind: fire, fuel: "charcoal", chamber_C: 960, length_mm: fire === "forge" ? 300 : null },
      target_C: 800,
      start_C: 300,
    },
  })),
);

export const QUESTIONS: readonly Asked[] = [
  ...STEELS.flatMap((steel, i): Asked[] => [
    { verb: "transformations", input: { steel } },
    // The dearest of them: every third steel, and each against its published band beside (docs/validation.md).
    ...(i % 3 === 0 ? [{ verb: "jominy", input: { steel } }] : []),
    { verb: "ttt", input: { steel, astmGrain: 7 } },
    { verb: "soak", input: { steel, priorStructure: "fine-spheroidised", temperature_C: 800, hold_min: 6 } },
    ...[160, 240, 330, 520].map((temperature_C): Asked => ({
      verb: "temper",
      input: {
        steel,
        asQuenched: { hrc: { mean: 63, sd: 1 } },
        retainedAustenite: 0.08,
        cycles: [
          { temperature_C, hold_min: 60 },
          { temperature_C: temperature_C + 12, hold_min: 90 },
        ],
      },
    })),
  ]),
  ...hardened,
  ...covered,
  ...histories,
  ...looks,
  ...estimates,
  ...routes,
  ...fits,
  ...warmed,
  ...Array.from({ length: 26 }, (_, i) => 19 + 2 * i).map((hrc): Asked => ({ verb: "convert", input: { hrc } })),
  ...Array.from({ length: 24 }, (_, i) => 120 + 37 * i).map((hv): Asked => ({ verb: "convert", input: { hv } })),
  ...[170, 205, 230, 255, 285, 310, 350].flatMap((temperature_C) =>
    [0.5, 60, 200].map((hold_min): Asked => ({ verb: "oxide", input: { temperature_C, hold_min, steel: "o1" } })),
  ),
  ...["blood red", "medium cherry", "bright cherry", "salmon", "orange"].map((name): Asked => ({
    verb: "glow-read",
    input: { name, ambient_lux: 120 },
  })),
  ...[-150, -20, 25, 180, 790, 1200].map((temperature_C): Asked => ({
    verb: "thermocouple",
    input: { type: "K", temperature_C, coldJunction_C: 21 },
  })),
  ...[-3, 2.5, 20, 33].map((emf_mV): Asked => ({ verb: "thermocouple", input: { type: "K", emf_mV } })),
  ...(["steel", "nickel", "inconel-600"] as const).flatMap((material) =>
    SECTIONS.map((section): Asked => ({
      verb: "cool",
      input: { section, start_C: 850, medium: "medium-oil", bath_C: 60, agitation: "mild", time_s: 40, material },
    })),
  ),
  {
    verb: "bath",
    input: {
      medium: "fast-oil",
      volume_L: 12,
      bath_C: 45,
      pieces: [
        { mass_kg: 0.6, temperature_C: 815, length_mm: 240 },
        { mass_kg: 1.4, temperature_C: 860 },
      ],
      tank: { kind: "square", width_mm: 180, depth_mm: 500, fill_mm: 380 },
    },
  },
  { verb: "bath", input: { medium: "vegetable-oil", volume_L: 4, bath_C: 20, pieces: [{ mass_kg: 3, temperature_C: 850 }], limit_C: 70 } },
  {
    verb: "verdict",
    input: {
      prior: { mean: 60, sd: 2 },
      files: [
        { hrc: 55, result: "skates" },
        { hrc: 60, result: "drags" },
        { hrc: 65, result: "bites", fileSd: 1 },
      ],
      decarburised: true,
    },
  },
  {
    verb: "verdict",
    input: {
      prior: { mean: 58, sd: 3 },
      rockwell: { readings: [57, 58.5, 57.8], blockBias: 0.6, blockReadings: 5, radius_mm: 7, thickness_mm: 2 },
    },
  },
  ...[8, 12, 15, 18, 21, 24, 30, 36].flatMap((diameter_mm, i): Asked[] =>
    [22, 33, 44, 56, 63].map((hrc) => ({
      verb: "verdict",
      input: { rockwell: { readings: [hrc, hrc + 0.8], radius_mm: diameter_mm / 2, thickness_mm: 0.5 + 0.06 * i } },
    })),
  ),
  {
    verb: "calibrate",
    input: { readings: [5, 15, 30, 50, 80].map((time_min) => ({ time_min, set_C: 200, second_C: 214 - 60 * Math.exp(-time_min / 12) })) },
  },
];
