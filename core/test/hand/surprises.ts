/**
 * Made-up histories of a shop with the surprises a shop has: what is said right after a reading, a tap or a window, beside what was true. The
 * shops use nothing of the rule they try; how often each thing happens is judgement.
 */

import { CATALOGUE } from "../../src/catalogue.js";
import { oxideName } from "../../src/colour/oxide.js";
import type { FileResult } from "../../src/evidence/belief.js";
import { calibrate } from "../../src/evidence/calibration.js";
import { MILL_FILE_HRC, testVerdict } from "../../src/evidence/storedTest.js";
import { chanceBelow } from "../../src/evidence/verdict.js";
import { ASKED_FROM, chanceLate } from "../../src/hand/tap.js";
import { bathState, type BathHappening, type BathTank } from "../../src/heat/bathState.js";
import { normalQuantile } from "../../src/numerics/normal.js";
import { uniforms } from "../../src/numerics/sampling.js";
import { colourRun, runPlanOf } from "../../src/plan/colourRun.js";
import { planRoute } from "../../src/plan/route.js";
import { outAt } from "../../src/simulate/outAt.js";
import { harden } from "../../src/simulate/harden.js";
import { AS_PLANNED, bathTimes_s, runCase, type HardenPlan, type Variation } from "../../src/simulate/hardenCase.js";
import { fallAfter } from "../../src/simulate/hardenReadings.js";
import type { HardnessTest } from "../../src/schema/book.js";
import { runNow, type ColourSeen } from "../../src/simulate/runNow.js";
import { windowAt } from "../../src/standing/straightening.js";
import { plan, slab, steel } from "../catalogue.js";
import { RUN_CASES } from "../simulate/madeUpRuns.js";

interface Draws {
  readonly even: () => number;
  readonly between: (low: number, high: number) => number;
  readonly normal: (sd: number) => number;
}

function drawsOf(seed: number): Draws {
  const even = uniforms(seed);
  return {
    even,
    between: (low, high) => low + (high - low) * even(),
    normal: (sd) => sd * normalQuantile(0.0005 + 0.999 * even()),
  };
}

const AIR_C = 20;
const READ_SD_K = 1.5;
const TANK: BathTank = { liquid: { density_kg_m3: 870, heatCapacity_J_kgK: 1980 }, volume_L: 20, area_m2: 0.45 };

export interface BathTally {
  readings: number;
  /** Shown within one error of the instrument from what was read; and within two of what was true, misread ones apart. */
  nearRead: number;
  nearTrue: number;
  trueOnes: number;
  /** The range of nine in ten holds the truth, misread ones apart. */
  held: number;
  /** Asked about with nothing planted, and planted ones asked about or named by the second look. */
  quiet: number;
  falselyAsked: number;
  planted: number;
  found: number;
  /** Of the planted ones: both moved and misread, by chance the one hiding the other. */
  twice: number;
  twiceFound: number;
}

/** So often between two looks something happens that nobody logs, or the look is misread; of the misread ones so many of a bath that moved too. */
const HAPPENS = 0.08;
const TWO_AT_ONCE = 1 / 3;
type Happened = "nothing" | "moved" | "misread" | "both";

function isMisread(what: Happened): boolean {
  return what === "misread" || what === "both";
}

/** An afternoon with a bath of oil: eight looks, five to forty minutes apart, one in three of them with a piece in between that is logged. */
export function bathAfternoons(count: number, seed: number): BathTally {
  const tally: BathTally = {
    readings: 0,
    nearRead: 0,
    nearTrue: 0,
    trueOnes: 0,
    held: 0,
    quiet: 0,
    falselyAsked: 0,
    planted: 0,
    found: 0,
    twice: 0,
    twiceFound: 0,
  };
  for (let n = 0; n < count; n++) {
    const { even, between, normal } = drawsOf(seed + n);
    const tau_s = 6000 * Math.exp(normal(0.3));
    let [T, at_s] = [between(45, 75), 0];
    const log: (BathHappening & { readonly at_s: number })[] = [];
    let isWaiting: Happened | null = null;
    for (let look = 0; look < 8; look++) {
      const gone_s = look === 0 ? 0 : between(300, 2400);
      T = AIR_C + (T - AIR_C) * Math.exp(-gone_s / tau_s);
      at_s += gone_s;
      let what: Happened = "nothing";
      if (look > 0 && even() < HAPPENS) {
        what = even() < 0.7 ? "moved" : even() < TWO_AT_ONCE ? "both" : "misread";
        if (what !== "misread") T = Math.max(15, T + (even() < 0.6 ? -1 : 1) * between(8, 28));
      }
      const read_C = Math.round(T + normal(READ_SD_K) + (isMisread(what) ? (even() < 0.5 ? -1 : 1) * between(12, 45) : 0));
      log.push({ at_s, entry: "read", top_C: read_C, isStirred: true });
      const { mean_C, sd_C, doubt } = bathState(TANK, log, at_s + 1);
      tally.readings++;
      if (Math.abs(mean_C - read_C) <= READ_SD_K) tally.nearRead++;
      if (!isMisread(what)) {
        tally.trueOnes++;
        if (Math.abs(mean_C - T) <= 2 * READ_SD_K) tally.nearTrue++;
        if (Math.abs(mean_C - T) <= 1.645 * sd_C) tally.held++;
      }
      // Asked for a second look, one is taken at once.
      if (isWaiting !== null) {
        if (doubt !== null) tally.found++;
        if (doubt !== null && isWaiting === "both") tally.twiceFound++;
        isWaiting = null;
      } else if (what !== "nothing") {
        tally.planted++;
        if (what === "both") tally.twice++;
        if (doubt !== null && what === "both") tally.twiceFound++;
        if (doubt !== null) tally.found++;
        else isWaiting = what;
      } else if (log.length > 1) {
        tally.quiet++;
        if (doubt !== null) tally.falselyAsked++;
      }
      if (doubt !== null) {
        // Answered: what it was.
        log.push({ at_s: at_s + 2, entry: "because", why: isMisread(what) ? "misread" : "cooled" });
      }
    }
  }
  return tally;
}

export interface OvenTally {
  ovens: number;
  /** Offset within 10 K, late said to be late; and the range of nine in ten. */
  near: number;
  held: number;
  late: number;
}

/** Ovens with a lag, read three times over two hours, their dial moved in between by 10 to 40 K. */
export function movedOvens(count: number, seed: number): OvenTally {
  const tally: OvenTally = { ovens: 0, near: 0, held: 0, late: 0 };
  for (let n = 0; n < count; n++) {
    const { even, between, normal } = drawsOf(seed + n);
    const [offset_K, tau_min] = [normal(12), between(5, 15)];
    let set_C = Math.round(between(170, 240));
    let [T, at_min] = [AIR_C, 0];
    const readings: { time_min: number; set_C: number; second_C: number }[] = [];
    [between(8, 20), between(25, 50), between(25, 60)].forEach((gap_min, i) => {
      const moved_min = i === 0 ? 0 : gap_min * between(0.1, 0.7);
      const on = (min: number): void => void (T = set_C + offset_K + (T - set_C - offset_K) * Math.exp(-min / tau_min));
      on(moved_min);
      if (i > 0) set_C += Math.round((even() < 0.5 ? -1 : 1) * between(10, 40));
      on(gap_min - moved_min);
      at_min += gap_min;
      readings.push({ time_min: at_min, set_C, second_C: Math.round(T + normal(2)) });
    });
    const found = calibrate(readings);
    if (found === null) continue;
    tally.ovens++;
    const off_K = Math.abs(found.offset_C - offset_K);
    if (off_K <= 10) tally.near++;
    if (off_K <= 1.645 * found.offsetSd_C) tally.held++;
    if (found.hasLag) tally.late++;
  }
  return tally;
}

export interface TapTally {
  late: number;
  lateAsked: number;
  timely: number;
  timelyAsked: number;
}

/** Ways to the bath of shops whose habit is known, one tap in fifteen late by 3 to 30 s; one true way in forty is a long one. */
export function lateTaps(count: number, seed: number): TapTally {
  const tally: TapTally = { late: 0, lateAsked: 0, timely: 0, timelyAsked: 0 };
  for (let n = 0; n < count; n++) {
    const { even, between, normal } = drawsOf(seed + n);
    const habit = { usual_s: between(1, 3), sd_ln: 0.3 };
    const way_s = even() < 1 / 40 ? between(4, 9) : habit.usual_s * Math.exp(normal(0.3));
    const isLate = even() < 1 / 15;
    const isAsked = chanceLate(way_s + (isLate ? between(3, 30) : 0), habit) > ASKED_FROM;
    if (isLate) tally.late++;
    else tally.timely++;
    if (isLate && isAsked) tally.lateAsked++;
    if (!isLate && isAsked) tally.timelyAsked++;
  }
  return tally;
}

export interface SeenTally {
  looks: number;
  /** Sent on for more heat after the wanted colour was tapped; and, seen twice, to wait longer than half a minute or half of the run again. */
  sentOn: number;
  sentOnTwice: number;
}

/** The wanted colour or the one before or after it tapped at any second of any run the bench knows, and a second time four seconds later. */
export function coloursSeen(each: number, seed: number): SeenTally {
  const tally: SeenTally = { looks: 0, sentOn: 0, sentOnTwice: 0 };
  for (const { piece, hardens, source } of RUN_CASES) {
    const runPlan = runPlanOf(CATALOGUE, piece, planRoute(CATALOGUE, piece, "forge", { way: { hardens, draws: source } }));
    const run = colourRun(piece, runPlan);
    const { even } = drawsOf(seed);
    for (let i = 0; i < each; i++) {
      const at_s = 10 + 290 * even();
      const name = oxideName(run.target_nm);
      const seen: ColourSeen[] = [{ name, after_s: at_s }];
      const first = runNow(run, seen, at_s + 0.5);
      const second = runNow(run, [...seen, { name, after_s: at_s + 4 }], at_s + 4.5);
      tally.looks++;
      // The words go by it: seen, one is asked to look again, and never sent for more heat.
      if (first.call !== "stop" && !first.isSeen) tally.sentOn++;
      if (second.call !== "stop" && second.left_s > Math.max(30, 0.5 * at_s)) tally.sentOnTwice++;
    }
  }
  return tally;
}

export interface FileTally {
  failed: number;
  /** Of the failed ones: said with three chances in ten or more to have failed, by one file; by a second one too. */
  failedFound: number;
  failedFoundByTwo: number;
  good: number;
  /** Of the good ones: said with over even chances to have failed, by one file; by a second one too. */
  goodCondemned: number;
  goodCondemnedByTwo: number;
}

/** So many pieces failed for a reason nobody logged; a file slips so often, and so many have a soft skin left by a hasty grinder (judgement). */
const FAILS = 0.08;
const SLIPS = 1 / 30;
const SKINNED = 0.03;
/** What a failed piece is, and what a good one is said to be and is, HRC. */
const SOFT_HRC = [28, 54] as const;
const SAID_HRC = [60, 65] as const;
const SAID_SD_HRC = 1.8;
const FAILED_UNDER_HRC = 57;

/** Pieces fresh from their bath under a mill file, and once more under it or one marked 55 where it bit; the files change where no mark says. */
export function firstFiles(count: number, seed: number): FileTally {
  const tally: FileTally = { failed: 0, failedFound: 0, failedFoundByTwo: 0, good: 0, goodCondemned: 0, goodCondemnedByTwo: 0 };
  for (let n = 0; n < count; n++) {
    const { even, between, normal } = drawsOf(seed + n);
    const hasFailed = even() < FAILS;
    const said_HRC = between(...SAID_HRC);
    const is_HRC = hasFailed ? between(...SOFT_HRC) : said_HRC + normal(SAID_SD_HRC);
    const skin_HRC = even() < SKINNED ? between(4, 12) : 0;
    const worn_HRC = normal(1.2);
    const stroke = (mark_HRC: number, skinned_HRC: number): FileResult => {
      const off_HRC = is_HRC - skinned_HRC - mark_HRC - worn_HRC - normal(0.8);
      if (even() < SLIPS) return even() < 0.5 ? "bites" : "drags";
      return off_HRC > 0.75 ? "skates" : off_HRC < -0.75 ? "bites" : "drags";
    };
    const chance = (strokes: HardnessTest["strokes"]): number => {
      const test: HardnessTest = {
        strokes,
        readings_HRC: [],
        surface: "ground",
        piece_C: 20,
        predicted: { mean_HRC: said_HRC, sd_HRC: SAID_SD_HRC },
      };
      return chanceBelow(testVerdict(test, { shape: "plate", width_mm: 30, thickness_mm: 4 }).belief, FAILED_UNDER_HRC);
    };
    const mill = { file_HRC: MILL_FILE_HRC, result: stroke(60, skin_HRC) };
    const byOne = chance([mill]);
    // Told to grind there and file once more.
    const byTwo = mill.result === "bites" ? chance([mill, { file_HRC: 55, result: stroke(55, skin_HRC / 4) }]) : byOne;
    if (hasFailed) {
      tally.failed++;
      if (byOne >= 0.3) tally.failedFound++;
      if (byTwo >= 0.5) tally.failedFoundByTwo++;
    } else {
      tally.good++;
      if (byOne >= 0.5) tally.goodCondemned++;
      if (byTwo >= 0.5) tally.goodCondemnedByTwo++;
    }
  }
  return tally;
}

export interface BladeTally {
  blades: number;
  /** Called open while over half of it was hard; of them, with another oil or steel than was said. */
  openWhenHard: number;
  ofThemPlanted: number;
  /** Called shut while it was still to stay open for more than a moment. */
  shutWhenOpen: number;
  /** Those that shut at all: the middle of what was said lies within a third of it, or the range of nine in ten holds it. */
  shuts: number;
  third: number;
  held: number;
}

const BLADES = [
  ["1084", "fast-oil", 815],
  ["1075", "fast-oil", 820],
  ["80crv2", "fast-oil", 830],
  ["5160", "medium-oil", 845],
  ["1095", "fast-oil", 800],
  ["1084", "vegetable-oil", 815],
] as const;
/** Of the shop that is true, one deviation each (judgement): a convection known to a quarter, and what the model says of its own doubts. */
const TRUE = { bath_ln: 0.15, calm_ln: 0.22, rate_ln: 0.25, start_K: 10, heat_K: 10, thickness: 0.03, carbon: 0.03 };
const ELSE = 1 / 15;
/** Asked so often after it came out, s. */
const ASKED_EVERY_s = 4;
const MOMENT_s = 5;
/** Its surface at its thickest: the first place that is watched. */
const BODY = 0;

/** A plan, and the blade it truly became: when half of its body was hard, s after it went in; infinite where it never is. */
function blade(seed: number): { readonly said: HardenPlan; readonly shut_s: number; readonly out_s: number; readonly isPlanted: boolean } {
  const { even, between, normal } = drawsOf(seed);
  const [name, medium, heat_C] = BLADES[Math.floor(even() * BLADES.length)]!;
  const thickness_mm = between(2.2, name === "5160" ? 7 : 4.6);
  const quick = { steel: name, prior: "fine-spheroidised", section: slab(thickness_mm), heat_C, furnace_s: 720, medium } as const;
  const whole = plan(quick);
  const planned_s = outAt(whole)?.best.at_s ?? 12;
  const out_s = even() < 0.6 ? planned_s : between(6, 16);
  const said = { ...whole, bath_s: out_s };
  const [isOther, isOil] = [even() < ELSE, even() < ELSE];
  const oil = isOil ? CATALOGUE.medium("medium-oil")! : whole.medium;
  const calm = Math.exp(normal(TRUE.calm_ln));
  const truth: HardenPlan = {
    ...said,
    steel: isOther ? steel(name === "1095" ? "1084" : "1095") : said.steel,
    medium: "convection_W_m2K" in oil ? { ...oil, convection_W_m2K: oil.convection_W_m2K * calm } : oil,
  };
  const variation: Variation = {
    ...AS_PLANNED,
    bathRatio: Math.exp(normal(TRUE.bath_ln)),
    rateRatio: Math.exp(normal(TRUE.rate_ln)),
    martensiteStart_K: normal(TRUE.start_K),
    heat_K: normal(TRUE.heat_K),
    thicknessRatio: 1 + normal(TRUE.thickness),
    carbonRatio: 1 + normal(TRUE.carbon),
  };
  const { result } = runCase(truth, { variation, watch: ({ surface }) => [surface] });
  const { time_s, martensite } = fallAfter(result, bathTimes_s(truth, result).in_s, BODY);
  const i = martensite.findIndex((m) => m >= 0.5);
  return { said, shut_s: i < 0 ? Infinity : time_s[i]!, out_s, isPlanted: isOther || isOil };
}

/** Blades out of their bath at their second or another, asked about every few seconds until they are cold. */
export function blades(count: number, seed: number): BladeTally {
  const tally: BladeTally = { blades: 0, openWhenHard: 0, ofThemPlanted: 0, shutWhenOpen: 0, shuts: 0, third: 0, held: 0 };
  for (let n = 0; n < count; n++) {
    const { said, shut_s, out_s, isPlanted } = blade(seed + n);
    const { straighten } = harden(said);
    tally.blades++;
    let [isWrong, isLocked] = [false, false];
    for (let t = out_s + 1; t < 1200; t += ASKED_EVERY_s) {
      const { is } = windowAt(straighten, t);
      if (is === "open" && straighten !== null && t > shut_s) isWrong = true;
      if (is === "shut" && t < shut_s - MOMENT_s && Number.isFinite(shut_s)) isLocked = true;
    }
    if (isWrong) tally.openWhenHard++;
    if (isWrong && isPlanted) tally.ofThemPlanted++;
    if (isLocked) tally.shutWhenOpen++;
    if (straighten === null || !Number.isFinite(shut_s)) continue;
    tally.shuts++;
    const { end, to_s } = straighten;
    if (Math.abs(to_s - shut_s) <= shut_s / 3) tally.third++;
    if (shut_s >= end.p05_s && shut_s <= end.p95_s) tally.held++;
  }
  return tally;
}
