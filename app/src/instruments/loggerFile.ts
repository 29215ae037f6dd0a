/** Readings out of a file that some logger wrote: which column is what, in which unit, and where it has gaps. Pure. */

import { parseTemperature, type TemperatureUnit } from "@tembrak/core";
import Papa from "papaparse";
import type { InstrumentReading } from "./instrument.js";

export interface LoggerTable {
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
  readonly delimiter: string;
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

export interface LoggerReadings {
  readonly readings: readonly InstrumentReading[];
  readonly gaps: readonly { readonly from_ms: number; readonly to_ms: number }[];
  /** Lines that gave no reading, with the first of them in words. */
  readonly skipped: number;
  readonly firstSkipped: string | null;
}

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
  return { columns, rows: lines.slice(first), delimiter: parsed.meta.delimiter };
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
  const hottest = Math.max(...cells.filter(isNumber).map(numberOf));
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

/** The readings of a table by a mapping, in the order of time; what makes no sense is left out and counted. */
export function readingsOf({ rows }: LoggerTable, { timeColumn, temperatureColumn, unit, start_ms }: Mapping): LoggerReadings {
  const readings: InstrumentReading[] = [];
  let [skipped, firstSkipped] = [0, null as string | null];
  const skip = (row: readonly string[]): void => {
    firstSkipped ??= row.join(" ");
    skipped++;
  };
  const zero = timeOf(rows[0]?.[timeColumn] ?? "");
  for (const row of rows) {
    const time = timeOf(row[timeColumn] ?? "");
    const cell = (row[temperatureColumn] ?? "").trim();
    const parsed = isNumber(cell) ? parseTemperature(String(numberOf(cell)), unit) : null;
    if (time === null || parsed === null || !parsed.ok || parsed.temperature_C < -50 || parsed.temperature_C > 1400) {
      skip(row);
      continue;
    }
    const at_ms = time.isElapsed ? start_ms + time.ms - (zero?.isElapsed ? zero.ms : 0) : time.ms;
    readings.push({ at_ms: Math.round(at_ms), of: "piece", temperature_C: parsed.temperature_C });
  }
  readings.sort((a, b) => a.at_ms - b.at_ms);
  const steps = readings.slice(1).map(({ at_ms }, i) => at_ms - readings[i]!.at_ms);
  const usual = [...steps].sort((a, b) => a - b)[Math.floor(steps.length / 2)] ?? 0;
  const gaps = steps.flatMap((step, i) =>
    step > GAP_RATIO * usual && usual > 0 ? [{ from_ms: readings[i]!.at_ms, to_ms: readings[i + 1]!.at_ms }] : [],
  );
  return { readings, gaps, skipped, firstSkipped };
}

/** So many readings at most, evenly picked, with the hottest kept: a book is no place for one a second. */
export function thinned(readings: readonly InstrumentReading[], most: number): readonly InstrumentReading[] {
  if (readings.length <= most) return readings;
  const hottest = readings.reduce((a, b) => (b.temperature_C > a.temperature_C ? b : a));
  const stride = readings.length / (most - 1);
  const picked = new Set(Array.from({ length: most - 1 }, (_, i) => readings[Math.floor(i * stride)]!));
  picked.add(hottest);
  return readings.filter((reading) => picked.has(reading));
}
