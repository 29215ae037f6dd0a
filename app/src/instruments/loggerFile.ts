/** Readings out of a file that some logger wrote: which column is what, in which unit, and where it has gaps. Pure. */

import { parseTemperature, type TemperatureUnit } from "@tembrak/core";
import Papa from "papaparse";
import type { InstrumentReading } from "./instrument.js";

export interface LoggerTable {
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
  readonly delimiter: string;
  /** Lines before the table begins, empty ones not counted. */
  readonly from: number;
}

export interface Mapping {
  readonly timeColumn: number;
  readonly temperatureColumn: number;
  readonly unit: TemperatureUnit;
  /** When the file counts from its own start: that moment, ms since 1970. */
  readonly start_ms: number;
}

export interface Guess {
  readonly timeColumn: number;
  readonly temperatureColumn: number;
  readonly unit: TemperatureUnit;
  /** How the unit was found. */
  readonly unitFrom: "header" | "size" | "nothing";
  /** Whether its times count from the start of the file. */
  readonly isElapsed: boolean;
}

/** What a whole file comes to. */
export interface LoggerSum {
  readonly count: number;
  readonly first_ms: number;
  readonly last_ms: number;
  readonly hottest_C: number;
  readonly gaps: number;
  readonly longestGap_ms: number;
  /** Lines that gave no reading, and the first of them with its number. */
  readonly skipped: number;
  readonly firstSkipped: string | null;
  /** So many of its readings as a record has room for, the hottest among them. */
  readonly kept: readonly InstrumentReading[];
}

/** What is asked of a worker. */
export interface LoggerAsked {
  readonly file: File;
  readonly mapping: Mapping;
  readonly from: number;
  readonly most: number;
}
/** What it says: how far it is, and at the end what it found. */
export type LoggerSaid =
  | { readonly type: "share"; readonly share: number }
  | { readonly type: "done"; readonly sum: LoggerSum }
  | { readonly type: "failed"; readonly message: string };

/** Three times the usual pace and more is a gap. */
const GAP_RATIO = 3;
/** No forge work is hotter than this: hotter numbers are Fahrenheit, C. */
const TOO_HOT_C = 1300;

/** The number of a cell without its unit; an empty text where there is none. */
function bare(text: string): string {
  return text
    .trim()
    .replace(/\s*°?\s*[CFcf]$/, "")
    .replace(/(\d),(\d)/, "$1.$2");
}

function isNumber(text: string): boolean {
  const number = bare(text);
  return number !== "" && Number.isFinite(Number(number));
}

function numberOf(text: string): number {
  return Number(bare(text));
}

/** Reads the text as a table. @returns null when it has no two columns and two rows. */
export function readTable(text: string): LoggerTable | null {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ""), { skipEmptyLines: "greedy" });
  const lines = parsed.data;
  // Loggers put their name and serial number first: the table begins where a line has numbers and the one before has not.
  const first = lines.findIndex(
    (line) => line.length > 1 && line.filter(isNumber).length > 0 && line.some((cell) => timeOf(cell) !== null),
  );
  if (first < 0 || lines.length - first < 2) return null;
  const width = lines[first]!.length;
  const before = lines.slice(0, first).findLast((line) => line.length > 1);
  const columns = Array.from({ length: width }, (_, i) => before?.[i]?.trim() ?? `column ${i + 1}`);
  return { columns, rows: lines.slice(first), delimiter: parsed.meta.delimiter, from: first };
}

interface Time {
  readonly ms: number;
  readonly isElapsed: boolean;
}

/** A moment, or a time since the start: 2026-11-25 10:00:03, 10:00:03, 0:03:20, 12.5 (seconds). */
function timeOf(cell: string): Time | null {
  const text = cell.trim();
  const clock = /^(\d{1,3}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?$/.exec(text);
  if (clock) {
    const [, a, b, c] = clock;
    // h:mm:ss, or mm:ss where there are only two.
    const s = c === undefined ? Number(a) * 60 + Number(b) : Number(a) * 3600 + Number(b) * 60 + Number(c.replace(",", "."));
    return { ms: 1000 * s, isElapsed: true };
  }
  if (/^\d{4}-\d{2}-\d{2}/.test(text)) {
    const at_ms = Date.parse(text.includes("T") ? text : text.replace(" ", "T"));
    return Number.isNaN(at_ms) ? null : { ms: at_ms, isElapsed: false };
  }
  return isNumber(text) ? { ms: 1000 * numberOf(text), isElapsed: true } : null;
}

const TIME_WORDS = /time|date|zeit|elapsed|sec|\bs\b|heure|hora/i;
const TEMPERATURE_WORDS = /temp|°|deg|\b[cf]\b|probe|thermo|channel|ch ?\d/i;

/** What the columns most likely are. */
export function guessMapping({ columns, rows }: LoggerTable): Guess {
  const sample = rows.slice(0, 200);
  const share = (i: number, test: (cell: string) => boolean): number => sample.filter((row) => test(row[i] ?? "")).length / sample.length;
  const scoreTime = (i: number): number =>
    share(i, (cell) => timeOf(cell) !== null) +
    (TIME_WORDS.test(columns[i]!) ? 1 : 0) +
    (share(i, (cell) => timeOf(cell) !== null && !isNumber(cell)) > 0.9 ? 1 : 0) -
    (TEMPERATURE_WORDS.test(columns[i]!) ? 1 : 0);
  const indices = columns.map((_, i) => i);
  const timeColumn = indices.reduce((a, b) => (scoreTime(b) > scoreTime(a) ? b : a));
  const scoreTemperature = (i: number): number =>
    i === timeColumn ? -1 : share(i, isNumber) + (TEMPERATURE_WORDS.test(columns[i]!) ? 1 : 0);
  const temperatureColumn = indices.reduce((a, b) => (scoreTemperature(b) > scoreTemperature(a) ? b : a));
  const cells = sample.map((row) => row[temperatureColumn] ?? "");
  const header = `${columns[temperatureColumn]!} ${cells[0] ?? ""}`;
  const hottest = Math.max(...cells.filter(isNumber).map(numberOf), -Infinity);
  const isF = /°\s*F|\bF\b|fahrenheit|degf|_f\b/i.test(header);
  const isC = /°\s*C|\bC\b|celsius|degc|_c\b/i.test(header);
  const unit: TemperatureUnit = isF ? "F" : isC ? "C" : hottest > TOO_HOT_C ? "F" : "C";
  return {
    timeColumn,
    temperatureColumn,
    unit,
    unitFrom: isF || isC ? "header" : hottest > TOO_HOT_C ? "size" : "nothing",
    isElapsed: timeOf(sample[0]?.[timeColumn] ?? "")?.isElapsed ?? true,
  };
}

/** Moments a calendar has, ms since 1970. */
const LATEST_ms = 8.64e15;
/** A line is quoted so far, characters. */
const QUOTED = 80;

/** Takes a file line by line, as far as it has come, and says what it comes to. */
export class LoggerReader {
  private readonly at_ms: number[] = [];
  private readonly heat_C: number[] = [];
  private zero: Time | null = null;
  private lines = 0;
  private skipped = 0;
  private firstSkipped: string | null = null;

  /** @param from lines of the file before the table begins */
  constructor(
    private readonly mapping: Mapping,
    private readonly from: number,
  ) {}

  private skip(row: readonly string[]): void {
    this.firstSkipped ??= `line ${this.lines}, ${row.join(" ").slice(0, QUOTED)}`;
    this.skipped++;
  }

  line(row: readonly string[]): void {
    if (++this.lines <= this.from) return;
    const { timeColumn, temperatureColumn, unit, start_ms } = this.mapping;
    const time = timeOf(row[timeColumn] ?? "");
    this.zero ??= time;
    const cell = (row[temperatureColumn] ?? "").trim();
    const parsed = isNumber(cell) ? parseTemperature(String(numberOf(cell)), unit) : null;
    if (time === null || parsed === null || !parsed.ok || parsed.temperature_C < -50 || parsed.temperature_C > 1400) return this.skip(row);
    const at_ms = Math.round(time.isElapsed ? start_ms + time.ms - (this.zero?.isElapsed === true ? this.zero.ms : 0) : time.ms);
    if (!(at_ms >= 0 && at_ms <= LATEST_ms)) return this.skip(row);
    this.at_ms.push(at_ms);
    this.heat_C.push(parsed.temperature_C);
  }

  /** In the order of time. */
  private order(): readonly number[] {
    const order = this.at_ms.map((_, i) => i);
    const isOrdered = this.at_ms.every((at, i) => i === 0 || at >= this.at_ms[i - 1]!);
    return isOrdered ? order : order.sort((a, b) => this.at_ms[a]! - this.at_ms[b]! || a - b);
  }

  sum(most: number): LoggerSum {
    const order = this.order();
    const at = (k: number): number => this.at_ms[order[k]!]!;
    const steps = order.slice(1).map((_, k) => at(k + 1) - at(k));
    const usual_ms = Float64Array.from(steps).sort()[Math.floor(steps.length / 2)] ?? 0;
    const gaps = usual_ms > 0 ? steps.filter((step) => step > GAP_RATIO * usual_ms) : [];
    const reading = (i: number): InstrumentReading => ({ at_ms: this.at_ms[i]!, of: "piece", temperature_C: this.heat_C[i]! });
    const hottest = order.reduce((a, i) => (a < 0 || this.heat_C[i]! > this.heat_C[a]! ? i : a), -1);
    return {
      count: order.length,
      first_ms: order.length > 0 ? at(0) : 0,
      last_ms: order.length > 0 ? at(order.length - 1) : 0,
      hottest_C: this.heat_C[hottest] ?? 0,
      gaps: gaps.length,
      longestGap_ms: gaps.reduce((a, b) => Math.max(a, b), 0),
      skipped: this.skipped,
      firstSkipped: this.firstSkipped,
      kept: thinned(order, hottest, most).map(reading),
    };
  }
}

/** So many at most, evenly picked, with the hottest kept: a book is no place for one a second. */
function thinned(order: readonly number[], hottest: number, most: number): readonly number[] {
  if (order.length <= most) return order;
  const stride = order.length / (most - 1);
  const picked = new Set(Array.from({ length: most - 1 }, (_, i) => order[Math.floor(i * stride)]!));
  picked.add(hottest);
  return order.filter((i) => picked.has(i));
}

/** Reads a whole file, a piece at a time. @param onShare told how much of it is read, 0 ... 1 */
export function sumFile(file: File, mapping: Mapping, from: number, most: number, onShare: (share: number) => void): Promise<LoggerSum> {
  return new Promise((resolve, reject) => {
    const reader = new LoggerReader(mapping, from);
    Papa.parse<string[]>(file, {
      skipEmptyLines: "greedy",
      chunk: ({ data, meta }) => {
        for (const row of data) reader.line(row);
        onShare(Math.min(1, meta.cursor / Math.max(1, file.size)));
      },
      complete: () => resolve(reader.sum(most)),
      error: (error) => reject(error),
    });
  });
}
