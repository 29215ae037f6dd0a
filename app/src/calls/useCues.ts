/** Tells cues as they come due, and keeps the screen awake at the bench. */

import { isInWork, type PieceState } from "@tembrak/core";
import { useEffect, useRef, useState } from "react";
import type { Settings } from "../store/db.js";
import type { Cue } from "./cues.js";
import { callsDue } from "./due.js";
import { keepUnheard, type Call } from "./unheard.js";
import { tell } from "./useCalls.js";

const FLASH_ms = 2500;

/**
 * The cue to flash now; null most of the time. What came due while nobody looked at the page is kept until it is heard.
 *
 * @param speed simulated seconds in one of the wall, of a practice piece
 */
export function useCues(state: PieceState, cues: readonly Cue[], now_ms: number, wish: Settings["cues"], speed = 1): Cue | null {
  const last_ms = useRef(now_ms);
  const [flash, setFlash] = useState<Cue | null>(null);
  useEffect(() => {
    const due = callsDue(state, cues, { from_ms: last_ms.current, to_ms: now_ms, speed });
    last_ms.current = Math.max(last_ms.current, now_ms);
    const newest = due.at(-1);
    if (newest === undefined || !isInWork(state)) return;
    setFlash(newest.cue);
    // Who stands before it sees it; what nobody saw is told until somebody says so.
    const isUnseen = ({ late_s }: Call): boolean => late_s > 0 || document.visibilityState === "hidden";
    const fresh = keepUnheard(due.filter(isUnseen));
    tell(
      due.filter((call) => !isUnseen(call) || fresh.includes(call)),
      wish,
    );
  }, [state, cues, now_ms, wish, speed]);
  return flash !== null && now_ms - flash.at_ms < FLASH_ms ? flash : null;
}

export type Awake = "awake" | "may-sleep";

/** Holds a wake lock while the bench is shown; taken again when the page comes back. */
export function useWakeLock(): Awake {
  const [awake, setAwake] = useState<Awake>("may-sleep");
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let isGone = false;
    const take = async (): Promise<void> => {
      if (document.visibilityState !== "visible" || !("wakeLock" in navigator)) return;
      try {
        lock = await navigator.wakeLock.request("screen");
        if (isGone) await lock.release();
        else {
          setAwake("awake");
          lock.addEventListener("release", () => setAwake("may-sleep"));
        }
      } catch {
        setAwake("may-sleep");
      }
    };
    const again = (): void => void take();
    again();
    document.addEventListener("visibilitychange", again);
    return () => {
      isGone = true;
      document.removeEventListener("visibilitychange", again);
      void lock?.release();
    };
  }, []);
  return awake;
}
