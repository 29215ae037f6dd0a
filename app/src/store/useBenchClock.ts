/** The clock of the bench for React: kept over a reload, and asked about when the wall clock jumps ahead. */

import { useEffect, useState } from "react";
import { readSettings, writeSettings } from "./db.js";
import { shopClock, type Jump } from "./shopClock.js";

export interface BenchClock {
  readonly now: () => number;
  readonly jump: Jump | null;
  readonly explain: (what: "slept" | "set") => void;
}

function now(): number {
  const before = shopClock.shift;
  const at_ms = shopClock.now_ms();
  if (shopClock.shift !== before) void writeSettings({ clockShift_ms: shopClock.shift }).catch(() => undefined);
  return at_ms;
}

export function useBenchClock(): BenchClock {
  const [, again] = useState(0);
  useEffect(() => {
    void readSettings().then(({ clockShift_ms }) => {
      if (shopClock.shift === 0 && clockShift_ms !== 0) shopClock.resume(clockShift_ms);
    });
  }, []);
  return {
    now,
    jump: shopClock.unexplained(),
    explain: (what) => {
      shopClock.explain(what);
      void writeSettings({ clockShift_ms: shopClock.shift }).catch(() => undefined);
      again((n) => n + 1);
    },
  };
}
