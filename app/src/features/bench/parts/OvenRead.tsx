/** What a thermometer in the oven says: while it comes to rest, and while the piece is in it. */

import { LIMITS, questionHeat } from "@tembrak/core";
import { useSettings } from "../../../store/useStore.js";
import { ovenReadWords } from "../../../words/benchWords.js";
import type { ActProps } from "./ActKey.js";
import { ReadKey } from "./ReadKey.js";

export function OvenRead({ state, act, bench }: Omit<ActProps<"oven" | "temper">, "now_ms">) {
  const units = useSettings();
  const last = state.checks.findLast(({ act: of, reading }) => of === act.id && reading.check === "chamber")?.reading;
  const read_C = last?.check === "chamber" ? last.temperature_C : null;
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
      {read_C === null ? null : <p className="drawn from">{ovenReadWords(read_C, act.target_C, units)}</p>}
    </div>
  );
}
