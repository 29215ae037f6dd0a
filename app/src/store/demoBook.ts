/** The made-up shop of the demo: a small forge that makes tools for a crew restoring reed beds and hedges. */

import {
  CATALOGUE,
  planRoute,
  actsOfRoute,
  requireValid,
  type BathEntry,
  PRESETS,
  type Act,
  type BookEvent,
  type KitItem,
  type Piece,
  type School,
} from "@tembrak/core";
import { newId } from "./db.js";

interface Made {
  readonly piece: Piece;
  readonly school: School;
  /** How many acts are done. */
  readonly done: number;
  /** Minutes ago that the last of them was done. */
  readonly ago_min: number;
  readonly extra?: (
    acts: readonly string[],
    at_ms: (back_min: number) => number,
  ) => readonly (Omit<BookEvent, "id" | "piece"> & Record<string, unknown>)[];
}

const SHOP: readonly Made[] = [
  {
    piece: {
      name: "Hoof knife",
      mark: "1",
      kind: "knife",
      form: "hoof-knife",
      steel: "1095",
      start: "normalised",
      use: "hoof-knife",
      length_mm: 177,
      section: { shape: "wedge", spine_mm: 3.2, edge_mm: 0.8, height_mm: 17 },
    },
    school: "forge",
    done: 0,
    ago_min: 70,
  },
  {
    piece: {
      name: "Bark spud",
      mark: "2",
      kind: "other",
      form: "bark-spud",
      steel: "5160",
      start: "as-forged",
      use: "spade",
      length_mm: 269,
      section: { shape: "wedge", spine_mm: 6, edge_mm: 1.2, height_mm: 86 },
    },
    school: "forge",
    done: 0,
    ago_min: 130,
  },
  {
    piece: {
      name: "Hay knife",
      mark: "3",
      kind: "knife",
      form: "hay-knife",
      steel: "80crv2",
      start: "as-forged",
      use: "chopper",
      length_mm: 566,
      section: { shape: "wedge", spine_mm: 4, edge_mm: 1, height_mm: 76 },
    },
    school: "forge",
    done: 3,
    ago_min: 2.2,
  },
  {
    piece: {
      name: "Froe",
      mark: "4",
      kind: "froe",
      form: "froe",
      steel: "5160",
      start: "as-forged",
      use: "froe",
      length_mm: 314,
      section: { shape: "wedge", spine_mm: 8.5, edge_mm: 1.5, height_mm: 60 },
    },
    school: "forge",
    done: 6,
    ago_min: 5,
    extra: (acts, at) => [
      { kind: "check", act: acts[6]!, at_ms: at(2), reading: { check: "magnet", state: "weak" } },
      { kind: "check", act: acts[6]!, at_ms: at(1), reading: { check: "magnet", state: "free" } },
      { kind: "check", act: acts[6]!, at_ms: at(0.4), reading: { check: "glow", name: "cherry", ambient_lux: 20 } },
    ],
  },
  {
    piece: {
      name: "Reed sickle",
      mark: "5",
      kind: "hook",
      form: "sickle",
      steel: "1084",
      start: "as-forged",
      use: "sickle",
      length_mm: 338,
      section: { shape: "wedge", spine_mm: 4.2, edge_mm: 0.9, height_mm: 28 },
    },
    school: "forge",
    done: 12,
    ago_min: 41,
    extra: (acts, at) => [
      { kind: "check", act: acts[8]!, at_ms: at(47.2), reading: { check: "bath", state: "in" } },
      { kind: "check", act: acts[8]!, at_ms: at(47), reading: { check: "bath", state: "out" } },
      {
        kind: "test",
        act: acts[11]!,
        at_ms: at(41.5),
        test: {
          strokes: [
            { file_HRC: 60, result: "skates" },
            { file_HRC: 65, result: "drags" },
          ],
          readings_HRC: [],
          surface: "as-it-came",
          piece_C: 35,
        },
      },
    ],
  },
  {
    piece: {
      name: "Drawknife",
      mark: "6",
      kind: "drawknife",
      form: "drawknife",
      steel: "o1",
      start: "fine-spheroidised",
      use: "drawknife",
      length_mm: 304,
      section: { shape: "wedge", spine_mm: 6, edge_mm: 1, height_mm: 34 },
    },
    school: "kiln",
    done: 7,
    ago_min: 48,
  },
  {
    piece: {
      name: "Billhook",
      mark: "7",
      kind: "hook",
      form: "billhook",
      steel: "1075",
      start: "as-forged",
      use: "sickle",
      length_mm: 376,
      section: { shape: "wedge", spine_mm: 6.5, edge_mm: 0.9, height_mm: 62 },
    },
    school: "forge",
    done: 15,
    ago_min: 72,
    extra: (acts, at) => [{ kind: "check", act: acts[14]!, at_ms: at(74), reading: { check: "probe", temperature_C: 285 } }],
  },
  {
    piece: {
      name: "Marking awl",
      mark: "8",
      kind: "punch",
      form: "awl",
      steel: "w1",
      start: "normalised",
      use: "punch",
      length_mm: 144,
      section: { shape: "round", diameter_mm: 8 },
    },
    school: "forge",
    done: 10,
    ago_min: 15,
  },
  {
    piece: {
      name: "Small billhook",
      mark: "9",
      kind: "hook",
      form: "billhook",
      steel: "1084",
      start: "as-forged",
      use: "sickle",
      length_mm: 342,
      section: { shape: "wedge", spine_mm: 5, edge_mm: 0.9, height_mm: 54 },
    },
    school: "forge",
    done: 17,
    ago_min: 1560,
    extra: (acts, at) => [
      { kind: "check", act: acts[6]!, at_ms: at(1835), reading: { check: "magnet", state: "free" } },
      {
        kind: "test",
        act: "prove",
        at_ms: at(1561),
        test: {
          strokes: [
            { file_HRC: 50, result: "skates" },
            { file_HRC: 55, result: "drags" },
            { file_HRC: 60, result: "bites" },
          ],
          readings_HRC: [54.5, 55.5, 55],
          blockBias_HRC: 0.4,
          surface: "ground",
          piece_C: 22,
          predicted: { mean_HRC: 54.1, sd_HRC: 2.3 },
        },
      },
      { kind: "note", at_ms: at(1558), text: "Rang true. Ground to 25 degrees a side, for the hedge at the lower sluice." },
      { kind: "finished", at_ms: at(1559) },
    ],
  },
];

/** What an act takes at this forge, min, where its plan does not say. */
const TAKES_min: Readonly<Record<string, number>> = {
  heat: 7,
  "air-cool": 9,
  quench: 0.3,
  straighten: 0.7,
  "cool-down": 5,
  "first-file": 3,
  oven: 3,
  prove: 5,
};

function takes_min(act: Act): number {
  return "hold_s" in act ? act.hold_s / 60 + 0.05 : (TAKES_min[act.kind] ?? 5);
}

/** How long before the last act each earlier one was done, min. */
function backFrom(acts: readonly Act[], index: number, last: number): number {
  return acts.slice(index + 1, last + 1).reduce((sum, act) => sum + takes_min(act), 0);
}

/** What was read of the fast oil of the demo, and a bar that warmed it: how long ago, min. */
const BATH_LOG: readonly (readonly [ago_min: number, log: BathEntry])[] = [
  [58, { entry: "read", top_C: 31, bottom_C: 24, isStirred: false }],
  [52, { entry: "bar", mass_kg: 1.6, bar_C: 820 }],
  [50, { entry: "read", top_C: 56, isStirred: true }],
  [24, { entry: "read", top_C: 50.5, isStirred: true }],
  [4, { entry: "read", top_C: 47.5, isStirred: true }],
];
/** As `demoKit` numbers its items. */
const DEMO_OIL = "demo-kit-3";

/** The demo's events as if it were `now_ms`. Every one is checked like any other. */
export function demoEvents(now_ms: number): BookEvent[] {
  const bath = BATH_LOG.map(([ago_min, log]) => {
    const at_ms = Math.round(now_ms - ago_min * 60000);
    return requireValid("Event", { id: newId(at_ms), piece: DEMO_OIL, at_ms, kind: "bath", log });
  });
  return [...pieceEvents(now_ms), ...bath];
}

function pieceEvents(now_ms: number): BookEvent[] {
  return SHOP.flatMap(({ piece, school, done, ago_min, extra }, n) => {
    const id = `demo-${n + 1}`;
    const route = planRoute(CATALOGUE, piece, school);
    const acts = actsOfRoute(route);
    const at = (back_min: number): number => Math.round(now_ms - back_min * 60000);
    const first_ms = at(ago_min + backFrom(acts, -1, done - 1) + 30);
    const events: Record<string, unknown>[] = [
      { kind: "piece", at_ms: first_ms, definition: piece },
      { kind: "route", at_ms: first_ms + 1000, route },
      ...(done > 0 ? [{ kind: "check", act: acts[0]!.id, at_ms: first_ms + 20 * 60000, reading: { check: "safety" } }] : []),
      ...acts.slice(0, done).map((act, i) => ({ kind: "act-done", act: act.id, at_ms: at(ago_min + backFrom(acts, i, done - 1)) })),
      ...(extra?.(
        acts.map((act) => act.id),
        at,
      ) ?? []),
    ];
    return events.map((event) => requireValid("Event", { ...event, id: newId(event["at_ms"] as number), piece: id }));
  });
}

/** The demo's kit: a kiln, a gas forge that is open at both ends, two oils, a slack tub, and an oven that was checked. */
export function demoKit(): KitItem[] {
  const [, kiln, coal] = PRESETS;
  const tub = coal!.items.filter(({ name }) => name === "Slack tub");
  const items: object[] = [
    ...kiln!.items.map((item) => {
      if (item.kind === "forge")
        return { ...item, notes: "Both burners, 0.3 bar, choke half open. The hot spot is a hand in from the mouth." };
      if (item.kind !== "oven") return item;
      const calibration = [
        { time_min: 5, set_C: 200, second_C: 171 },
        { time_min: 12, set_C: 200, second_C: 196 },
        { time_min: 22, set_C: 200, second_C: 207 },
        { time_min: 40, set_C: 200, second_C: 212 },
      ];
      return { ...item, offset_C: 12, settle_min: 17, calibration };
    }),
    ...tub,
    { kind: "stick", name: "Stick for the kiln", rated_C: 800 },
    { kind: "tester", name: "Bench tester", bias_HRC: 0.4 },
  ];
  return items.map((item, i) => requireValid("KitItem", { ...item, id: `demo-kit-${i + 1}` }));
}
