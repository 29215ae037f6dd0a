/** Two tabs at one piece: one leads, the others follow what it does. By the browser's own locks, so a closed tab lets go at once. */

import { useEffect, useRef, useState } from "react";

export type Leading = "leads" | "follows" | "asking";

export interface Leader {
  readonly leading: Leading;
  /** Takes the lead from the tab that has it. */
  readonly take: () => void;
}

/** Waited for the lock before it is said that another tab leads, ms. */
const PATIENCE_ms = 1500;

/** One tab's wish to lead. */
class Lead {
  private isOver = false;
  private release: (() => void) | null = null;
  private readonly name: string;
  private readonly tell: (leading: Leading) => void;

  constructor(name: string, tell: (leading: Leading) => void) {
    this.name = name;
    this.tell = tell;
  }

  ask(isTaking: boolean): void {
    const held = (): Promise<void> =>
      new Promise((resolve) => {
        if (this.isOver) return resolve();
        this.release = resolve;
        this.tell("leads");
      });
    navigator.locks.request(this.name, isTaking ? { steal: true } : {}, held).catch(() => {
      // Another tab took the lead: follow it, and be ready should it close.
      if (this.isOver) return;
      this.tell("follows");
      this.ask(false);
    });
  }

  end(): void {
    this.isOver = true;
    this.release?.();
  }
}

export function useLeader(piece: string): Leader {
  const hasLocks = typeof navigator !== "undefined" && "locks" in navigator;
  const [leading, setLeading] = useState<Leading>(hasLocks ? "asking" : "leads");
  const lead = useRef<Lead | null>(null);
  useEffect(() => {
    if (!hasLocks) return;
    const mine = new Lead(`tembrak-bench-${piece}`, setLeading);
    lead.current = mine;
    mine.ask(false);
    const waiting = setTimeout(() => setLeading((now) => (now === "asking" ? "follows" : now)), PATIENCE_ms);
    return () => {
      clearTimeout(waiting);
      mine.end();
    };
  }, [piece, hasLocks]);
  return { leading, take: () => lead.current?.ask(true) };
}
