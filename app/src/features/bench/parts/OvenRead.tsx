/** What a thermometer in the oven says: while it comes to rest, and while the piece is in it. */

import { dialFor_C, falling, LIMITS, ovenFor, ovensOf, questionHeat, settling } from "@tembrak/core";
import { capital, showDegrees, type Units } from "../../../format/show.js";
import { useKit, useSettings } from "../../../store/useStore.js";
import { fallingWords, settlingWords } from "../../../words/workWords.js";
import { ovenReadWords } from "../../../words/benchWords.js";
import { vesselNoun } from "../../../words/vesselWords.js";
import type { ActProps } from "./ActKey.js";
import { ReadKey } from "./ReadKey.js";

type Props = Omit<ActProps<"oven" | "temper">, "now_ms">;

/** What the readings say together: where it comes to rest, or when a kiln has fallen; the last one alone where they do not tell. */
function readsWords(reads: readonly { at_ms: number; reads_C: number }[], act: Props["act"], isKiln: boolean, units: Units): string | null {
  const first = reads[0];
  if (first === undefined) return null;
  const since = reads.map(({ at_ms, reads_C }) => ({ time_min: (at_ms - first.at_ms) / 60000, reads_C }));
  // The kiln it was hardened in has hours to fall; an oven has minutes to rise. Once the piece is in, each reading stands for itself.
  const falls = act.kind === "oven" && isKiln ? falling(since, act.target_C) : null;
  if (falls !== null) return fallingWords(falls, act.target_C, units);
  const settled = act.kind === "oven" ? settling(since, act.target_C) : null;
  return settled === null
    ? ovenReadWords(reads[reads.length - 1]!.reads_C, act.target_C, units)
    : settlingWords(settled, act.target_C, units);
}

export function OvenRead({ state, act, bench }: Props) {
  const units = useSettings();
  const kit = useKit() ?? null;
  const oven = kit === null ? undefined : ovenFor(ovensOf(kit, act.in), act.target_C, state.piece);
  const isKiln = oven?.kind === "kiln";
  const reads = state.checks.flatMap(({ act: of, reading, at_ms }) =>
    of === act.id && reading.check === "chamber" ? [{ at_ms, reads_C: reading.temperature_C }] : [],
  );
  const words = readsWords(reads, act, isKiln, units);
  return (
    <div className="oven-read">
      {oven === undefined || state.piece.isPractice === true ? null : (
        <p className="drawn from" data-testid="which-oven">
          {oven.name}: dial to {showDegrees(dialFor_C(oven, act.target_C), units)}
        </p>
      )}
      <ReadKey
        what={`${capital(vesselNoun(act.in))} thermometer`}
        limits_C={LIMITS.reading.instrument_C}
        units={units}
        question={(T, unit) => (isKiln ? null : questionHeat("temper", T, unit, act.target_C))}
        isStoring={bench.isStoring}
        onRead={(temperature_C) => bench.check({ check: "chamber", temperature_C })}
      />
      {words === null ? null : <p className="drawn from">{words}</p>}
    </div>
  );
}
