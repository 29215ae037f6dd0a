/** The fit's report against the constants and the model as they stand: nobody may move one without the other. */

import { describe, expect, it } from "@jest/globals";
import { readFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { a255IdealDiameter_mm } from "../../src/kinetics/hardenability.js";
import { fullComposition, type Composition } from "../../src/kinetics/composition.js";
import { idealDiameter_mm } from "../../src/simulate/idealDiameter.js";
import { KINETICS } from "../../src/kinetics/kinetics.js";

const fit = join(dirname(fileURLToPath(import.meta.url)), "../../../tools/fit");
const read = <T>(name: string): T => JSON.parse(readFileSync(join(fit, name), "utf8")) as T;

interface Reported {
  readonly kind: string;
  readonly name: string;
  readonly wanted: number;
  readonly before: number;
  readonly after: number;
}
interface Report {
  readonly training: readonly Reported[];
  readonly heldBack: readonly Reported[];
  readonly constants: readonly { readonly name: string; readonly fitted: number }[];
}
interface Row {
  readonly kind: string;
  readonly name: string;
  readonly composition_wtpct?: Partial<Composition>;
}
const report = read<Report>("report.json");
const rows = (name: string): readonly Row[] => read<{ rows: readonly Row[] }>(name).rows;

const INCH_mm = 25.4;
const isRatio = ({ kind }: Reported): boolean => kind !== "hardness" && kind !== "half-hardness";
const error = (row: Reported, got: number): number => (isRatio(row) ? Math.log(got / row.wanted) : got - row.wanted);
const rms = (of: readonly Reported[], pick: (row: Reported) => number): number =>
  Math.sqrt(of.reduce((sum, row) => sum + error(row, pick(row)) ** 2, 0) / of.length);

describe("the fit's report", () => {
  it("the constants in use are the fitted ones", () => {
    const used = KINETICS.constants as unknown as Readonly<Record<string, number>>;
    expect(report.constants.length).toBeLessThan(report.training.length / 1.5);
    for (const { name, fitted } of report.constants) expect(used[name]).toBe(fitted);
  });
  it("reports every row, and none is both trained on and held back", () => {
    const names = (of: readonly { kind: string; name: string }[]) => of.map(({ kind, name }) => `${kind} ${name}`);
    expect(names(report.training)).toEqual(names(rows("training.json")));
    expect(names(report.heldBack)).toEqual(names(rows("heldBack.json")));
    expect(names(report.training).filter((name) => names(report.heldBack).includes(name))).toEqual([]);
  });
  for (const kind of ["ideal-diameter", "isothermal", "half-hardness"]) {
    it(`held-back rows of ${kind} came nearer`, () => {
      const of = report.heldBack.filter((row) => row.kind === kind);
      expect(of.length).toBeGreaterThan(2);
      expect(rms(of, ({ after }) => after)).toBeLessThan(rms(of, ({ before }) => before));
    });
  }
  it("the model still says what the report says (two held-back rows, computed again)", () => {
    for (const name of ["5150", "0.75 C with 2 Ni"]) {
      const row = rows("heldBack.json").find((r) => r.name === name)!;
      const steel = fullComposition(row.composition_wtpct!);
      const said = report.heldBack.find((r) => r.name === name)!;
      expect(idealDiameter_mm(steel, 7, KINETICS) / INCH_mm).toBeCloseTo(said.after, 2);
      expect(a255IdealDiameter_mm(steel) / INCH_mm).toBeCloseTo(said.wanted, 2);
    }
  });
});
