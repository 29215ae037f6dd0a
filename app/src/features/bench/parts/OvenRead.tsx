/** What a thermometer in the oven says: while it comes to rest, and while the piece is in it. */

import { LIMITS, questionHeat, settling } from "@tembrak/core";
import { useSettings } from "../../../store/useStore.js";
import { settlingWords } from "../../../words/workWords.js";
import { ovenReadWords } from "../../../words/benchWords.js";
import type { ActProps } from "./ActKey.js";
import { ReadKey } from "./ReadKey.js";

export function OvenRead({ state, act, bench }: Omit<ActProps<"oven" | "temper">, "now_ms">) {
  const units = useSettings();
  const reads = state.checks.flatMap(({ act: of, reading, at_ms }) =>
    of === act.id && reading.check === "chamber" ? [{ at_ms, reads_C: reading.temperature_C }] : [],
  );
  const read_C = reads[reads.length - 1]?.reads_C ?? null;
  // While it comes to its heat; once the piece is in, each reading stands for itself.
  const settled =
    act.kind === "oven" ? settling(reads.map(({ at_ms, reads_C }) => ({ time_min: (at_ms - reads[0]!.at_ms) / 60000, reads_C }))) : null;
  return (
    <div className="oven-read">
      <ReadKey
        what="Oven thermometer"
        start_C={read_C ?? act.target_C}
        limits_C={LIMITS.reading.instrument_C}
        units={units}
        question={(T, unit) => questionHeat("temper", T, unit, act.target_C)}
        isStoring={bench.isStoring}
        onRead={(temperature_C) => bench.check({ check: "chamber", temperature_C })}
      />
      {settled === null ? null : <p className="drawn from">{settlingWords(settled, act.target_C, units)}</p>}
      {read_C === null || settled !== null ? null : <p className="drawn from">{ovenReadWords(read_C, act.target_C, units)}</p>}
    </div>
  );
}
