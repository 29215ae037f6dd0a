/** What the log says of a heat that fell to the first pull of a magnet: touches, and when nobody waited any longer. */

import type { PieceState } from "../book/state.js";
import type { FallSeen } from "../schema/job.js";

/** Nobody waits so long, s. */
const LONGEST_s = 3600;

/** Of the last hardening; undefined where it does not fall, is still in the fire, or nobody has touched it yet. */
export function fallLogOf({ acts, checks, doneAt_ms }: PieceState): FallSeen | undefined {
  const quench = acts.findLastIndex(({ kind }) => kind === "quench");
  const [before, fall] = [acts[quench - 2], acts[quench - 1]];
  const left_ms = before === undefined ? undefined : doneAt_ms.get(before.id);
  if (fall?.kind !== "fall" || left_ms === undefined) return undefined;
  const since_s = (at_ms: number): number => Math.min(LONGEST_s, Math.max(0, (at_ms - left_ms) / 1000));
  const touches = checks.filter(({ act, at_ms, reading }) => act === fall.id && at_ms >= left_ms && reading.check === "magnet");
  const ended_ms = doneAt_ms.get(fall.id);
  const pull = touches.find(({ reading }) => reading.check === "magnet" && reading.state !== "free");
  const free = touches.findLast(({ reading, at_ms }) => {
    return reading.check === "magnet" && reading.state === "free" && at_ms <= (pull?.at_ms ?? Infinity);
  });
  if (ended_ms === undefined && free === undefined && pull === undefined) return undefined;
  return {
    free_s: free === undefined ? 0 : since_s(free.at_ms),
    pulls_s: pull === undefined ? null : since_s(pull.at_ms),
    ended_s: ended_ms === undefined ? null : since_s(ended_ms),
  };
}
