/** A bath of the kit as it stands: what was read of it and what went into it, from its own entries and from the logs of the pieces. */

import { inFire_mm } from "../plan/inFire.js";
import { intoOf, secondDip, type Quench } from "../plan/dips.js";
import { standing, type PieceState } from "../book/state.js";
import { CATALOGUE, formOf } from "../catalogue.js";
import { isLiquid, type Liquid } from "../heat/bathKind.js";
import { bathState, looksAt, type BathHappening, type BathState, type BathTank } from "../heat/bathState.js";
import { cooledMass_kg, mass_kg } from "../plan/fit.js";
import { kitOf } from "../plan/kit.js";
import type { Catalogue } from "../plan/catalogue.js";
import type { BookEvent, Into, Piece } from "../schema/book.js";
import type { Kit, KitItem } from "../schema/kit.js";
import { leftAfter_C } from "../simulate/hardenReadings.js";
import { bathTimes, type BathTimes } from "./bathTimes.js";

export type Bath = Extract<KitItem, { kind: "bath" }>;

/** A bath is as it was read for so long, s, and only if it was stirred: then it may be called right (common practice, no source). */
export const FRESH_s = 600;
/** About its usual heat an oil is neither thick nor slow, K (judgement); water is right from cold to hand-warm, C. */
const GREEN_K = 10;
const WATER_C = [10, 30] as const;
/** So far under its flash point nobody warms an oil, K (common practice, no source): the maker's sheet goes first. */
const BELOW_FLASH_K = 50;
/** What lies further back does not warm it any more, s. */
const COUNTS_s = 12 * 3600;

/** The tank that is meant by a dip: the one it names, while that holds such a bath; else the first of the kit that does. */
export function bathFor(kit: Kit, { medium, bath: named }: Pick<Into, "medium" | "bath">): Bath | undefined {
  const tanks = kitOf(kit, "bath").filter((bath) => bath.medium === medium);
  return tanks.find(({ id }) => id === named) ?? tanks[0];
}

/** Surface of the liquid, mm2. */
export function surface_mm2({ tank, width_mm }: Pick<Bath, "tank" | "width_mm">): number {
  return tank === "round" ? (Math.PI / 4) * width_mm ** 2 : width_mm ** 2;
}

/** Null for what is no liquid. */
export function tankOf(catalogue: Catalogue, bath: Bath): (BathTank & { readonly medium: Liquid }) | null {
  const medium = catalogue.medium(bath.medium);
  if (!isLiquid(medium)) return null;
  const floor = surface_mm2(bath);
  const around = (bath.tank === "round" ? Math.PI : 4) * bath.width_mm * bath.fill_mm;
  return { medium, liquid: medium.liquid, volume_L: (floor * bath.fill_mm) / 1e6, area_m2: (2 * floor + around) / 1e6 };
}

/** From where to where it quenches as it should, and how warm it may be at all, C. */
export function bathBand({ kind, usualBath_C, liquid }: Liquid): {
  readonly low_C: number;
  readonly high_C: number;
  readonly most_C: number;
} {
  const most_C = Math.min(liquid.limit_C, (liquid.flash_C ?? Infinity) - BELOW_FLASH_K);
  if (kind !== "oil") return { low_C: WATER_C[0], high_C: WATER_C[1], most_C };
  return { low_C: usualBath_C - GREEN_K, high_C: Math.min(most_C, usualBath_C + GREEN_K), most_C };
}

export interface BathEntryAt {
  readonly id: string;
  readonly at_ms: number;
  readonly what: BathHappening;
  /** The piece that went in. */
  readonly piece?: string;
}

/**
 * When a piece went into a bath, how much of it gave heat there, and how hot that would have been to give what it gave: out of the first
 * of two, or taken out warm, it had some left. Null while it has not been in.
 */
function dipIn(
  isFirstBath: boolean,
  piece: Piece,
  quench: Quench,
  {
    heat_C,
    heated_mm,
    times,
    done_ms,
  }: { readonly heat_C: number; readonly heated_mm: number | null; readonly times: BathTimes; readonly done_ms: number | undefined },
): { readonly at_ms: number; readonly mass_kg: number; readonly piece_C: number } | null {
  const { medium: first, bath_C, agitation } = intoOf(quench);
  const then = secondDip(quench)?.into.medium;
  const { in_ms, over_ms, out_ms } = times;
  const medium = CATALOGUE.medium(first);
  const isSecond = !isFirstBath;
  const over = then === undefined || then === first ? undefined : over_ms[0];
  const form = formOf(piece);
  if (in_ms === null || medium === undefined)
    return isSecond || done_ms === undefined
      ? null
      : { at_ms: done_ms, mass_kg: cooledMass_kg(piece, form, quench, undefined, heated_mm), piece_C: heat_C };
  const end_ms = over ?? out_ms;
  const bath = { medium, bath_C, agitation, immersion: { kind: "full" } } as const;
  const under_s = end_ms === null ? undefined : (end_ms - in_ms) / 1000;
  const left_C = under_s === undefined ? bath_C : leftAfter_C(piece.section, bath, heat_C, under_s);
  const cooled_kg = cooledMass_kg(piece, form, quench, under_s, heated_mm);
  if (!isSecond) return { at_ms: in_ms, mass_kg: cooled_kg, piece_C: heat_C - (left_C - bath_C) };
  const all_kg = mass_kg(piece, form);
  return over === undefined ? null : { at_ms: over, mass_kg: all_kg, piece_C: heat_C - (cooled_kg / all_kg) * (heat_C - left_C) };
}

/** What a piece did to a bath: a thermometer that was read for it, and the steel itself. */
function ofPiece(state: PieceState, bath: Bath, kit: Kit): BathEntryAt[] {
  const { route, piece, id } = state;
  const isMeant = (into: Into): boolean => bathFor(kit, into)?.id === bath.id;
  if (route === null || piece.isPractice === true) return [];
  return route.steps.flatMap((step, i): BathEntryAt[] => {
    if (step.kind !== "quench" || !step.dips.some(({ into }) => isMeant(into))) return [];
    const quench = state.acts.find((act) => act.step === i && act.kind === "quench");
    const done_ms = quench === undefined ? undefined : state.doneAt_ms.get(quench.id);
    const times = bathTimes(state, i);
    const heat = route.steps.slice(0, i).findLast((before) => before.kind === "harden");
    const own = new Set(state.acts.filter(({ step: of }) => of <= i).map((act) => act.id));
    const reads = state.checks.flatMap((check): BathEntryAt[] =>
      check.reading.check === "bath-heat" && own.has(check.act) && isMeant(intoOf(step))
        ? [{ id: check.id, at_ms: check.at_ms, what: { entry: "read", top_C: check.reading.temperature_C, isStirred: false } }]
        : [],
    );
    const dip =
      heat?.kind === "harden"
        ? dipIn(isMeant(intoOf(step)), piece, step, {
            heat_C: heat.temperature_C,
            heated_mm: inFire_mm(piece, { steps: [heat] }),
            times,
            done_ms,
          })
        : null;
    if (dip === null) return reads;
    return [
      ...reads,
      {
        id: `${id} ${i}`,
        at_ms: dip.at_ms,
        piece: id,
        what: { entry: "quench", mass_kg: dip.mass_kg, piece_C: dip.piece_C },
      },
    ];
  });
}

/** Everything that happened to a bath, in order. @param entries its own, as they are in the book */
export function bathLog(bath: Bath, kit: Kit, pieces: readonly PieceState[], entries: readonly BookEvent[]): BathEntryAt[] {
  const own = standing(entries).flatMap((event): BathEntryAt[] =>
    event.kind === "bath" ? [{ id: event.id, at_ms: event.at_ms, what: event.log }] : [],
  );
  return [...own, ...pieces.flatMap((state) => ofPiece(state, bath, kit))].sort((a, b) => a.at_ms - b.at_ms);
}

/** What a thermometer said of a bath of the kit, beside what was read for one piece. */
export interface BathRead {
  /** The tank, by its id. */
  readonly bath: string;
  readonly at_ms: number;
  readonly temperature_C: number;
}

/** Of every bath of a kit, oldest first. @param entries of each bath, by its id */
export function bathReads(kit: Kit, entries: ReadonlyMap<string, readonly BookEvent[]>): BathRead[] {
  return kitOf(kit, "bath")
    .flatMap(({ id }) => {
      const log = standing(entries.get(id) ?? []).flatMap((event) =>
        event.kind === "bath" ? [{ ...event.log, at_s: event.at_ms / 1000 }] : [],
      );
      return looksAt(log).map(({ at_s, C }) => ({ bath: id, at_ms: 1000 * at_s, temperature_C: C }));
    })
    .sort((a, b) => a.at_ms - b.at_ms);
}

export interface BathNow extends BathState {
  readonly tank: BathTank & { readonly medium: Liquid };
  readonly band: ReturnType<typeof bathBand>;
  /** which: the last look does not fit, and the next tells; else thick, right, warm, or too near its end by its number; right only while it was read and stirred a moment ago. */
  readonly call: "unread" | "which" | "stale" | "too-cold" | "right" | "warm" | "too-warm";
}

function callOf({ mean_C, read, doubt }: BathState, { low_C, high_C, most_C }: ReturnType<typeof bathBand>): BathNow["call"] {
  if (read === null) return "unread";
  if (doubt?.is === "which" && read.age_s <= FRESH_s) return "which";
  if (mean_C > most_C) return "too-warm";
  if (mean_C < low_C) return "too-cold";
  if (mean_C > high_C) return "warm";
  return read.age_s <= FRESH_s && read.isStirred ? "right" : "stale";
}

/** Null for what is no liquid. @param log as `bathLog` has it */
export function bathNow(catalogue: Catalogue, bath: Bath, log: readonly BathEntryAt[], now_ms: number): BathNow | null {
  const tank = tankOf(catalogue, bath);
  if (tank === null) return null;
  const recent = log.filter(({ at_ms }) => now_ms - at_ms < COUNTS_s * 1000);
  const [state, all] = [recent, log].map((of) =>
    bathState(
      tank,
      of.map(({ at_ms, what }) => ({ ...what, at_s: at_ms / 1000 })),
      now_ms / 1000,
    ),
  );
  const band = bathBand(tank.medium);
  // What counts for its age counts from the day it was filled.
  const now: BathState = { ...state!, quenches: all!.quenches, burns: all!.burns, read: all!.read };
  return { ...now, tank, band, call: callOf(now, band) };
}

/** Why nothing may be quenched in a tank, whatever is in it (common practice, no source). */
export type BathBar = "plastic" | "can-tip" | "no-lid";

export function bathBars(catalogue: Catalogue, bath: Bath): BathBar[] {
  const bars: BathBar[] = [];
  if (bath.madeOf === "plastic") bars.push("plastic");
  if (bath.canTip === true) bars.push("can-tip");
  if (bath.hasLid === false && catalogue.medium(bath.medium)?.kind === "oil") bars.push("no-lid");
  return bars;
}
