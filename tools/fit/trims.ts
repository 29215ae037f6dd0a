/**
 * Of each listed steel: its hardness when fully hardened is what the model makes of it, and the trim of its temper curve is what
 * then brings it nearest to the steel's own table. Called by fit.ts after the kinetics.
 */

import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";
import { CATALOGUE } from "../../core/src/index.js";
import { rockwellCFromVickers } from "../../core/src/kinetics/hardness.js";
import type { Kinetics } from "../../core/src/kinetics/kinetics.js";
import { nodeHardness_HV } from "../../core/src/kinetics/structure.js";
import { temperedHardness, type TemperSteel } from "../../core/src/kinetics/temper.js";
import { resolveSteel } from "../../core/src/plan/catalogue.js";
import type { SteelFile } from "../../core/src/schema/steel.js";
import { runCase } from "../../core/src/simulate/hardenCase.js";

const folder = join(dirname(fileURLToPath(import.meta.url)), "../../core/data/steels");
/** Thin enough for any steel to harden through, from the middle of its range, soaked. */
const THIN_mm = 2;
const SOAK_s = 1200;
const MOST_TRIM_HRC = 3;
/** How much a point counts, by how well it is remembered. */
const WEIGHTS = { high: 3, medium: 2, low: 1 } as const;

function fullyHard_HRC(file: SteelFile, kinetics: Kinetics): number {
  const [low_C, high_C] = file.austenitise_C.range as [number, number];
  const medium = CATALOGUE.medium("water")!;
  const { structure, places } = runCase(
    {
      steel: resolveSteel(CATALOGUE, file.id),
      prior: "pearlite",
      section: { shape: "plate", thickness_mm: THIN_mm },
      heat_C: 0.5 * (low_C + high_C),
      hold_s: SOAK_s,
      transfer_s: 1,
      medium,
      bath_C: medium.usualBath_C,
      agitation: "mild",
      bath_s: null,
      immersion: { kind: "full" },
    },
    { kinetics },
  );
  return rockwellCFromVickers(nodeHardness_HV(structure, places.surface));
}

function miss(steel: TemperSteel, { temper }: SteelFile): number {
  return (temper.table ?? []).reduce((sum, { temperature_C, hold_min, hardness_HRC, confidence }) => {
    const said = temperedHardness({ steel, cycles: [{ temperature_C, hold_min }] }).hardness_HRC;
    return sum + WEIGHTS[confidence] * (said - hardness_HRC) ** 2;
  }, 0);
}

/** Writes nominal hardness, to half a point, and trim, to a tenth, into the files of all steels that have a table. */
export function writeTrims(kinetics: Kinetics): void {
  for (const name of readdirSync(folder)) {
    const path = join(folder, name);
    const file = JSON.parse(readFileSync(path, "utf8")) as SteelFile;
    if (file.temper.table === undefined) continue;
    const nominal_HRC = Math.round(2 * fullyHard_HRC(file, kinetics)) / 2;
    const base = { ...resolveSteel(CATALOGUE, file.id).temper, nominal_HRC };
    const trims = Array.from({ length: 20 * MOST_TRIM_HRC + 1 }, (_, i) => Math.round(i - 10 * MOST_TRIM_HRC) / 10);
    const errors = trims.map((trim_HRC) => miss({ ...base, trim_HRC }, file));
    const trim_HRC = trims[errors.indexOf(Math.min(...errors))]!;
    const weight = file.temper.table.reduce((sum, { confidence }) => sum + WEIGHTS[confidence], 0);
    const rms = Math.sqrt(Math.min(...errors) / weight);
    console.log(
      `${file.id}: nominal ${nominal_HRC} (was ${file.temper.nominalAsQuenched_HRC}), trim ${trim_HRC}, table within ${rms.toFixed(2)} rms`,
    );
    const temper = { ...file.temper, nominalAsQuenched_HRC: nominal_HRC, trim_HRC, trimKind: "calibrated" as const };
    writeFileSync(path, `${JSON.stringify({ ...file, temper }, null, 2)}\n`);
  }
}
