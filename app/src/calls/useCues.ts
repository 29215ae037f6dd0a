/** Tells cues as they come due, and keeps the screen awake at the bench. */

import { useEffect, useRef, useState } from "react";
import type { Settings } from "../store/db.js";
import { dueCues, type Cue } from "./cues.js";
import { playCue, sayCue } from "./sound.js";

const FLASH_ms = 2500;

/** The cue to flash now; null most of the time. */
export function useCues(cues: readonly Cue[], now_ms: number, wish: Settings["cues"]): Cue | null {
  const last_ms = useRef(now_ms);
  const [flash, setFlash] = useState<Cue | null>(null);
  useEffect(() => {
    const due = dueCues(cues, last_ms.current, now_ms);
    last_ms.current = Math.max(last_ms.current, now_ms);
    const newest = due[due.length - 1];
    if (newest === undefined) return;
    setFlash(newest);
    if (wish !== "flash") playCue(newest.kind);
    if (wish === "speech") sayCue(newest.words);
  }, [cues, now_ms, wish]);
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
