/** Calls whose results are pinned: predictions, slides, pictures, outlines, and the questions put to what people type. */

import { CATALOGUE, FORMS, formOf } from "../../src/catalogue.js";
import { PRESETS } from "../../src/plan/kit.js";
import { nextTemper } from "../../src/plan/nextTemper.js";
import { planRoute } from "../../src/plan/route.js";
import { drawsFor, hardensFor } from "../../src/plan/way.js";
import { parseDuration, parseLength, parseTemperature, questionHeat, questionLength, type HeatRole } from "../../src/quantity.js";
import { SCHOOLS, STARTS, type Piece } from "../../src/schema/book.js";
import { actsOfRoute } from "../../src/plan/acts.js";
import { mass_kg } from "../../src/plan/fit.js";
import { outlineOf } from "../../src/shape/outline.js";
import { sectionAt } from "../../src/shape/stations.js";
import { predict } from "../../src/simulate/predict.js";
import { bathResponses, response, type Track } from "../../src/simulate/response.js";
import { pictureSection } from "../../src/simulate/sectionPicture.js";
import { zoneReports } from "../../src/simulate/zoneReport.js";
import { PracticeShop } from "../../src/practice/shop.js";
import { BILLHOOK } from "../pieces.js";
import { digest } from "./digest.js";

const PIECES: readonly Piece[] = [
  {
    ...BILLHOOK,
    zones: [
      { zone: "edge", wants: "hard" },
      { zone: "spine", wants: "soft" },
    ],
  },
  {
    ...BILLHOOK,
    kind: "punch",
    form: "punch",
    steel: "w1",
    use: "punch",
    start: "coarse-spheroidised",
    length_mm: 150,
    section: { shape: "round", diameter_mm: 12 },
  },
  {
    ...BILLHOOK,
    kind: "hammer",
    form: "hammer",
    steel: "1045",
    use: "hammer-face",
    length_mm: 120,
    section: { shape: "square", side_mm: 40 },
  },
  {
    ...BILLHOOK,
    kind: "spring",
    form: "spring",
    steel: "5160",
    use: "spring",
    start: "hardened",
    length_mm: 700,
    section: { shape: "plate", thickness_mm: 5 },
  },
];

const TRACKS: readonly Track[] = ["temper", "heat", "thickness"];
const ROLES: readonly HeatRole[] = ["preheat", "anneal", "normalise", "harden", "temper", "run", "bath"];
const TYPED = ["", "4.8", "4.8 mm", "3/16", '1 1/4"', "5 cm", "-3", "0,5", "12 in", "1.5e3", "1 m", "abc"];
const HEATS = ["", "815", "1500 F", "815C", "-300", "1475°f", "abc", "20 c", "700 K"];
const TIMES = ["", "10", "2 h", "1 h 30", "1:30", "90 s", "0:75", "2.5 hours", "5 min", "x"];

/** Each by its name: a function of nothing, so that one that is red can be run alone. */
export const SCENARIOS: Readonly<Record<string, () => unknown>> = {
  "routes of every shape, way, school and start": () =>
    PIECES.map((piece) =>
      SCHOOLS.map((school) =>
        hardensFor(piece.section).flatMap((hardens) =>
          drawsFor(hardens).map((draws) =>
            STARTS.map((start) =>
              planRoute(CATALOGUE, { ...piece, start }, school, { way: { hardens, draws } })
                .steps.map((s) => JSON.stringify(s))
                .join(),
            ),
          ),
        ),
      ),
    )
      .flat(3)
      .map((text, i) => `${i} ${text.length} ${[...text].reduce((sum, c, k) => (sum * 31 + c.charCodeAt(0) * (k + 1)) % 1e9, 7)}`),
  acts: () => PIECES.map((piece) => actsOfRoute(planRoute(CATALOGUE, piece, "kiln")).map((act) => JSON.stringify(act))),
  predictions: () => PIECES.map((piece) => predict(CATALOGUE, piece, planRoute(CATALOGUE, piece, "forge"), "quick")),
  "zones of a blade": () => zoneReports(PIECES[0]!, predict(CATALOGUE, PIECES[0]!, planRoute(CATALOGUE, PIECES[0]!, "kiln"), "quick")),
  slides: () =>
    PIECES.slice(0, 2).map((piece) => TRACKS.map((track) => response(CATALOGUE, piece, planRoute(CATALOGUE, piece, "kiln"), track).points)),
  baths: () =>
    PIECES.map((piece) =>
      bathResponses(CATALOGUE, piece, planRoute(CATALOGUE, piece, "forge"), ["fast-oil", "vegetable-oil", "water", "no-such"]),
    ),
  pictures: () =>
    PIECES.slice(0, 2).map((piece, i) =>
      pictureSection(CATALOGUE, {
        kind: "section",
        piece,
        route: planRoute(CATALOGUE, piece, "forge"),
        station: i === 0 ? 0.4 : null,
        effort: "quick",
      } as never),
    ),
  outlines: () =>
    FORMS.map((form) => {
      const piece: Piece = { ...BILLHOOK, kind: form.kind, form: form.id, length_mm: form.usualLength_mm, section: form.usualSection };
      return {
        outline: outlineOf(piece, form),
        mass_kg: mass_kg(piece, formOf(piece)),
        sections: [0.1, 0.5, 0.9].map((s) => sectionAt(piece, form, s)),
      };
    }),
  "next tempers": () =>
    [54, 57, 60, 63].flatMap((measured_HRC) =>
      [52, 58, 61].map((target_HRC) =>
        nextTemper({
          steel: { ...CATALOGUE.steel("1084")!.temper, nominal_HRC: 65 } as never,
          asQuenched_HRC: 64,
          done: [{ temperature_C: 190, hold_min: 120 }],
          measured_HRC,
          measuredSd_HRC: 1,
          target_HRC,
          hold_min: 120,
        }),
      ),
    ),
  "what people type": () =>
    [
      ...TYPED.flatMap((text) => (["mm", "in"] as const).map((unit) => parseLength(text, unit))),
      ...HEATS.flatMap((text) => (["C", "F"] as const).map((unit) => parseTemperature(text, unit))),
      ...TIMES.map((text) => parseDuration(text)),
    ].map((read) => JSON.stringify(read)),
  "what is asked about": () =>
    [
      ...ROLES.flatMap((role) =>
        [-5, 60, 150, 240, 330, 420, 480, 560, 640, 700, 760, 815, 900, 1000, 1150, 1250].flatMap((T) =>
          (["C", "F"] as const).map((unit) => questionHeat(role, T, unit)?.code ?? "none"),
        ),
      ),
      ...(["thickness", "height", "length"] as const).flatMap((role) =>
        [0.1, 0.3, 0.8, 2, 8, 40, 90, 150, 316, 700, 2000].map((mm) => questionLength(role, mm)?.code ?? "none"),
      ),
    ]
      .join(" ")
      .split(/(?<=(?:\S+ ){16})/),
  "a run in the simulated shop": () => {
    const { section, ...rest } = BILLHOOK;
    const shop = new PracticeShop(CATALOGUE, {
      seed: 11,
      speed: 10,
      epoch_ms: 5,
      ambient_lux: 20,
      pieces: [{ id: "p", piece: { ...rest, section, start: "normalised" } }],
      medium: "fast-oil",
      bath_C: 55,
      volume_L: 12,
      forge_C: 960,
      kiln_C: 820,
      oven_C: 190,
    });
    const stations = [
      ["forge", 150],
      ["air", 3],
      ["bath", 14],
      ["air", 400],
      ["oven", 3000],
      ["kiln", 60],
      ["rack", 20],
    ] as const;
    return stations.map(([to, s]) => {
      shop.command({ do: "move", piece: "p", to });
      shop.advance(s);
      return {
        now_ms: shop.now_ms,
        reading: JSON.stringify(digest(shop.read())),
        truth: digest(shop.truth("p")),
        magnet: shop.ask({ ask: "magnet", piece: "p" }),
      };
    });
  },
  "three shops to start from": () => PRESETS.map(({ id, items }) => ({ id, items: items.map((item) => JSON.stringify(item)) })),
};
