/** Verbs about what is done over time: simulate, bath. */

import { CATALOGUE } from "../catalogue.js";
import { InputError } from "../errors.js";
import type { Liquid } from "../heat/bathKind.js";
import { bathState, usualTau_s, warmingTo, type BathDoubt, type BathLog, type BathState, type BathTank } from "../heat/bathState.js";
import { bathAfter_C, steelVolume_L, warmingBar_kg, type BathLiquid } from "../heat/bathHeat.js";
import { resolveSteel } from "../plan/catalogue.js";
import { requireAny } from "../schema/checkAll.js";
import { simulate, type PlaceReadings, type Reading } from "../simulate/simulate.js";
import { crackAnswer, profileAnswer } from "./hardness.js";
import { resolveMedium } from "./medium.js";
import { saidNotices, type Said } from "./english.js";

function readingOf(r: Reading) {
  return {
    temperature_C: r.temperature_C,
    hrc: r.hardness_HRC,
    hv: r.hardness_HV,
    ferrite: r.ferrite,
    pearlite: r.pearlite,
    spheroidite: r.spheroidite,
    bainite: r.bainite,
    martensite: r.martensite,
    austenite: r.austenite,
    carbonInSolution_wtpct: r.carbonInSolution_wtpct,
    carbide: r.carbide,
    carbide_um: r.carbide_um,
    astmGrain: r.astmGrain,
    ms_C: r.martensiteStart_C,
    temper_C: r.temper_C,
    magnetic: r.isMagnetic,
  };
}

function placesOf({ surface, centre, edge, spine }: PlaceReadings) {
  return {
    surface: readingOf(surface),
    centre: readingOf(centre),
    ...(edge === null ? {} : { edge: readingOf(edge) }),
    ...(spine === null ? {} : { spine: readingOf(spine) }),
  };
}

export function simulateVerb(input: unknown) {
  const { steel, priorStructure, section, coat, cladding, history } = requireAny("VerbSimulate", input);
  const result = simulate({
    steel: resolveSteel(CATALOGUE, steel),
    prior: priorStructure,
    section,
    coat: coat ?? null,
    cladding: cladding ?? null,
    history: history.map((step, i) => {
      if (step.kind !== "cool") return step;
      const medium = resolveMedium(step.medium, `/history/${i}/medium`);
      if (step.bath_C === undefined && medium.kind === "textbook") {
        throw new InputError({
          code: "missing",
          path: `/history/${i}/bath_C`,
          message: `/history/${i}/bath_C: a textbook boundary needs it`,
        });
      }
      return { ...step, medium, bath_C: step.bath_C ?? (medium.kind === "textbook" ? 25 : medium.usualBath_C) };
    }),
  });
  return {
    steps: result.steps.map(({ kind, end_s, places, decarb_mm, crackRisk }) => ({
      kind,
      end_s,
      ...placesOf(places),
      decarb_mm,
      ...(crackRisk === null ? {} : { crackRisk: crackAnswer(crackRisk) }),
    })),
    ...placesOf(result.end),
    profile: profileAnswer(result.profile),
    decarb_mm: result.decarb_mm,
    grindOff_mm: result.grindOff_mm,
    fractureLook: result.fractureLook,
    notices: saidNotices(result.notices),
  };
}

/** Kept over the piece while it cools, mm; below the flash point a bath should stay, K (common practice, no source). */
const COVER_mm = 25;
const BELOW_FLASH_K = 50;
/** The bar a shop warms its oil with, and how hot (common practice, no source). */
const BAR_kg = 1;
const BAR_C = 800;
const MOST_PIECES = 1000;

function liquidMedium(name: string): Liquid {
  const medium = resolveMedium(name, "/medium");
  if (medium.kind === "textbook" || medium.kind === "air" || medium.kind === "constant") {
    throw new InputError({ code: "unknown-medium", path: "/medium", got: name, message: `/medium: "${name}" is not a liquid bath` });
  }
  return medium;
}

interface Tank {
  readonly kind: "round" | "square";
  readonly width_mm: number;
  readonly depth_mm: number;
  readonly fill_mm: number;
}

function tankArea_mm2({ kind, width_mm }: Tank): number {
  return kind === "round" ? (Math.PI / 4) * width_mm * width_mm : width_mm * width_mm;
}

/** How many more of the last piece fit before the bath is warmer than a limit. */
function piecesBefore(liquid: BathLiquid, volume_L: number, bath_C: number, mass_kg: number, piece_C: number, limit_C: number): number {
  let [count, now_C] = [0, bath_C];
  while (count < MOST_PIECES) {
    const next_C = bathAfter_C(liquid, volume_L, now_C, mass_kg, piece_C);
    if (next_C > limit_C) break;
    now_C = next_C;
    count++;
  }
  return count;
}

/** Walls, floor and surface, m2: of the tank, or of a can as high as it is wide that holds so much. */
function areaOf(tank: Tank | undefined, volume_L: number): number {
  if (tank !== undefined) {
    const around = (tank.kind === "round" ? Math.PI : 4) * tank.width_mm * tank.fill_mm;
    return (2 * tankArea_mm2(tank) + around) / 1e6;
  }
  const width_m = Math.cbrt((4 * volume_L) / 1000 / Math.PI);
  return 1.5 * Math.PI * width_m ** 2;
}

/** @throws InputError for a log that runs backwards, or goes on after now */
function stateOf(tank: BathTank, log: BathLog, began_C: number, now_s = log.at(-1)?.at_s ?? 0, air_C?: number): BathState {
  log.forEach(({ at_s }, i) => {
    const before = log[i - 1]?.at_s ?? 0;
    if (at_s >= before && at_s <= now_s) return;
    const message = `/log/${i}/at_s: ${at_s} s stands between ${before} s and now, ${now_s} s, in no order`;
    throw new InputError({ code: "inconsistent", path: `/log/${i}/at_s`, got: at_s, allowed: `${before} … ${now_s}`, message });
  });
  const began = { at_s: log[0]?.at_s ?? now_s, entry: "read", top_C: began_C, isStirred: true } as const;
  return bathState(tank, [began, ...log], now_s, air_C);
}

/** With a heater of so many watts, s; null where it never gets there. */
function heaterOf(bath: BathTank, state: BathState | null, bath_C: number, to_C: number, heater_W: number, air_C?: number): number | null {
  const now = { mean_C: bath_C, tau_s: state?.tau_s ?? usualTau_s(bath) };
  return warmingTo(bath, now, to_C, BAR_C, BAR_kg, heater_W, air_C).heater_s;
}

function doubtSaid({ is, expected_C, read_C }: BathDoubt): Said {
  const [read, expected] = [`${Math.round(read_C)} C`, `${Math.round(expected_C)} C`];
  switch (is) {
    case "moved":
      return {
        code: "bath-moved",
        message: `Read ${read} where all that is logged makes ${expected}: filled up, warmed, or a piece that is not logged?`,
      };
    case "which":
      return {
        code: "bath-which",
        message: `Read ${read}, and ${expected} was expected: stir it and read it once more. Until then what was read last counts.`,
      };
    case "slip":
      return { code: "bath-slip", message: `The reading of ${read} fits neither the one before nor the one after: it is left out.` };
  }
}

export function bathVerb(input: unknown) {
  const { medium: name, volume_L, bath_C: said_C, tank, pieces, limit_C, log, now_s, air_C, heater_W } = requireAny("VerbBath", input);
  const medium = liquidMedium(name);
  const { liquid } = medium;
  const notices: Said[] = [];
  const bath = { liquid, volume_L, area_m2: areaOf(tank, volume_L) };
  const state = log === undefined ? null : stateOf(bath, log, said_C, now_s, air_C);
  const bath_C = state?.mean_C ?? said_C;
  const limit = limit_C ?? liquid.limit_C;
  const flash_C = liquid.flash_C;
  if (tank !== undefined) {
    const held_L = (tankArea_mm2(tank) * tank.fill_mm) / 1e6;
    if (tank.fill_mm > tank.depth_mm) {
      throw new InputError({ code: "out-of-range", path: "/tank/fill_mm", got: tank.fill_mm, allowed: `0 … ${tank.depth_mm}` });
    }
    if (Math.abs(held_L / volume_L - 1) > 0.2) {
      notices.push({ code: "inconsistent-volume", message: `The tank filled so high holds ${held_L.toFixed(1)} L, not ${volume_L} L.` });
    }
  }
  if (state?.doubt) notices.push(doubtSaid(state.doubt));
  let now_C = bath_C;
  const answers = pieces.map(({ mass_kg, temperature_C, length_mm }, i) => {
    if (temperature_C <= now_C) {
      throw new InputError({
        code: "bath-hotter-than-steel",
        path: `/pieces/${i}/temperature_C`,
        got: temperature_C,
        allowed: `above ${Math.round(now_C)}`,
      });
    }
    const before_C = now_C;
    now_C = bathAfter_C(liquid, volume_L, now_C, mass_kg, temperature_C);
    const level_mm = tank === undefined ? null : tank.fill_mm + (1e6 * steelVolume_L(mass_kg)) / tankArea_mm2(tank);
    if (tank !== undefined && level_mm! > tank.depth_mm) {
      notices.push({ code: "overflows", message: `Piece ${i + 1} raises the bath over the rim of the tank.` });
    }
    return {
      rise_C: now_C - before_C,
      bath_C: now_C,
      ...(level_mm === null || length_mm === undefined ? {} : { covered: length_mm + COVER_mm <= level_mm }),
    };
  });
  const last = pieces[pieces.length - 1]!;
  if (now_C > limit)
    notices.push({ code: "too-warm", message: `Ends at ${Math.round(now_C)} C, above ${limit} C: let it cool, or use more oil.` });
  if (medium.kind === "oil") {
    if (flash_C !== undefined && now_C > flash_C - BELOW_FLASH_K) {
      notices.push({
        code: "near-flash",
        message: "Too near the flash point: lid and extinguisher ready, no water; the maker's sheet goes first.",
      });
    }
    if (flash_C === undefined) notices.push({ code: "flash-unknown", message: "No flash point is known: the maker's sheet goes first." });
    notices.push({
      code: "dry-steel",
      message: "Warm oil only with a dry bar or an electric heater, never over a flame. Water under hot oil boils over.",
    });
  }
  const to_C = Math.max(bath_C, medium.usualBath_C);
  const barMass_kg = warmingBar_kg(liquid, volume_L, bath_C, to_C, BAR_C);
  return {
    pieces: answers,
    piecesBeforeLimit: piecesBefore(liquid, volume_L, bath_C, last.mass_kg, last.temperature_C, limit),
    limit_C: limit,
    flashMargin_C: flash_C === undefined ? null : flash_C - now_C,
    warmUp: {
      to_C,
      barMass_kg,
      bar_C: BAR_C,
      dips: Math.ceil(barMass_kg / BAR_kg),
      ...(heater_W === undefined ? {} : { heater_s: heaterOf(bath, state, bath_C, to_C, heater_W, air_C) }),
    },
    ...(state === null
      ? {}
      : {
          state: {
            bath_C: state.mean_C,
            sd_C: state.sd_C,
            tau_s: state.tau_s,
            pairs: state.tauFrom,
            readAgo_s: state.read?.age_s ?? null,
            quenches: state.quenches,
            burns: state.burns,
          },
        }),
    notices,
  };
}
