import { describe, expect, it } from "@jest/globals";
import type { Guess } from "./loggerFile.js";
import { FileInstrument, TypedInstrument, type InstrumentReading } from "./instrument.js";
import { guessMapping, LoggerReader, readTable } from "./loggerFile.js";

const START_ms = Date.UTC(2026, 10, 25, 9);
const read = (text: string) => {
  const table = readTable(text)!;
  const guess = guessMapping(table);
  return { table, guess, ...sumOf(table.rows, guess) };
};
function sumOf(rows: readonly (readonly string[])[], guess: Pick<Guess, "timeColumn" | "temperatureColumn" | "unit">, most = 400) {
  const reader = new LoggerReader({ ...guess, start_ms: START_ms }, 0);
  rows.forEach((row) => reader.line(row));
  const sum = reader.sum(most);
  return { ...sum, readings: sum.kept };
}

describe("a logger's file", () => {
  it("semicolons, decimal commas, Fahrenheit in the header: found without help (1500 F is 815.6 C)", () => {
    const { table, guess, readings } = read("Logger X;serial 12\nTime;Temp (°F)\n0:00:00;1490,0\n0:00:10;1500,0\n0:00:20;1498,5\n");
    expect(table.delimiter).toBe(";");
    expect(guess).toMatchObject({ timeColumn: 0, temperatureColumn: 1, unit: "F", unitFrom: "header", isElapsed: true });
    expect(readings[1]!.temperature_C).toBeCloseTo(815.56, 1);
    expect(readings[1]!.at_ms).toBe(START_ms + 10_000);
  });
  it("no unit anywhere, but too hot for Celsius: Fahrenheit, and it says it went by size", () => {
    expect(read("t,value\n0,1420\n5,1475\n10,1480\n").guess).toMatchObject({ unit: "F", unitFrom: "size" });
    expect(read("t,value\n0,700\n5,780\n10,801\n").guess).toMatchObject({ unit: "C", unitFrom: "nothing" });
  });
  it("dates are kept as they are, and the column of the temperature need not be the second", () => {
    const { guess, readings } = read(
      "date,humidity,Temperature C\n2026-11-25T09:00:00Z,40,20\n2026-11-25T09:00:05Z,40,25\n2026-11-25T09:00:10Z,41,31\n",
    );
    expect(guess).toMatchObject({ temperatureColumn: 2, isElapsed: false });
    expect(readings[2]).toEqual({ at_ms: START_ms + 10_000, of: "piece", temperature_C: 31 });
  });
  it("a gap is named, lines without sense are counted and the first is told", () => {
    const { gaps, longestGap_ms, skipped, firstSkipped, readings } = read(
      "s,C\n0,700\n10,710\n20,OPEN\n30,730\n40,740\n200,750\n210,760\n",
    );
    expect(skipped).toBe(1);
    expect(firstSkipped).toBe("line 3, 20 OPEN");
    expect(readings).toHaveLength(6);
    expect([gaps, longestGap_ms]).toEqual([1, 160_000]);
  });
  it("what is no table is said to be none", () => {
    expect(readTable("hello\nworld\n")).toBeNull();
    expect(readTable("")).toBeNull();
  });
  it("thinning keeps the hottest and the order, of 300,000 readings too, and in any order they come", () => {
    const at = (i: number): string[] => [String(i), i === 3333 ? "900" : "20"];
    const guess = { timeColumn: 0, temperatureColumn: 1, unit: "C" } as const;
    const many = sumOf(
      Array.from({ length: 300_000 }, (_, i) => at(299_999 - i)),
      guess,
      100,
    );
    expect(many.count).toBe(300_000);
    expect(many.readings.length).toBeLessThanOrEqual(101);
    expect(many.hottest_C).toBe(900);
    expect(many.readings.some(({ temperature_C }) => temperature_C === 900)).toBe(true);
    expect(many.readings.every(({ at_ms }, i) => i === 0 || at_ms > many.readings[i - 1]!.at_ms)).toBe(true);
  });
  it("a time no calendar has is refused with its line", () => {
    const guess = { timeColumn: 0, temperatureColumn: 1, unit: "C" } as const;
    const { count, skipped, firstSkipped } = sumOf(
      [
        ["0", "700"],
        ["9e15", "710"],
        ["-99999999999", "720"],
        ["20", "730"],
      ],
      guess,
    );
    expect([count, skipped, firstSkipped]).toEqual([2, 2, "line 2, 9e15 710"]);
  });
});

describe("instruments are alike to whoever listens", () => {
  it("typed and filed readings arrive by the same call, until one stops listening", () => {
    const reading: InstrumentReading = { at_ms: 5, of: "piece", temperature_C: 800 };
    const heard: InstrumentReading[] = [];
    new FileInstrument("f", [reading]).listen((r) => heard.push(r));
    const typed = new TypedInstrument();
    const stop = typed.listen((r) => heard.push(r));
    typed.put(reading);
    stop();
    typed.put(reading);
    expect(heard).toEqual([reading, reading]);
  });
});
