/** How far a piece has come along its heat line, 0 ... 1. Pure. */

import type { PieceState } from "@tembrak/core";
import { ribbonOf } from "./ribbon.js";

export function progressOf({ route, acts, doneAt_ms, next, nextSince_ms }: PieceState, now_ms: number): number {
  if (route === null || doneAt_ms.size === 0) return 0;
  if (next === undefined || next.kind === "prove") return 1;
  const span = ribbonOf(route).spans.find(({ step }) => step === next.step);
  if (span === undefined) return 1;
  const same = acts.filter(({ step }) => step === next.step);
  const before = same.findIndex(({ id }) => id === next.id) / same.length;
  if (next.kind === "temper" || next.kind === "hold") {
    const share = nextSince_ms === null ? 0 : Math.min(1, (now_ms - nextSince_ms) / 1000 / Math.max(1, next.hold_s));
    return span.top0 + share * (span.top1 - span.top0);
  }
  if (next.kind === "air-cool") return span.top1 + 0.35 * (span.x1 - span.top1);
  if (next.kind === "oven") return span.x0;
  return span.x0 + (before + 0.5 / same.length) * (span.x1 - span.x0) * 0.9;
}
