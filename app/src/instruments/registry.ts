/** What gives live readings: any number of instruments, each listened to; whoever asks gets the newest of a thing from whichever. */

import { createContext, useContext, useSyncExternalStore } from "react";
import type { Instrument, InstrumentReading, InstrumentState } from "./instrument.js";

type Thing = InstrumentReading["of"];

interface Listened {
  state: InstrumentState;
  readonly newest: Map<Thing, InstrumentReading>;
}

export class Instruments {
  private readonly listened = new Map<Instrument, Listened>();
  private readonly watchers = new Set<() => void>();

  /** Listens to one more. @returns how to take it away: what it read goes with it. */
  add(instrument: Instrument): () => void {
    const own: Listened = { state: "open", newest: new Map() };
    this.listened.set(instrument, own);
    const stop = instrument.listen(
      (reading) => {
        own.newest.set(reading.of, reading);
        this.tell();
      },
      (state) => {
        own.state = state;
        this.tell();
      },
    );
    return () => {
      stop();
      this.listened.delete(instrument);
      this.tell();
    };
  }

  /** The newest reading of a thing by any instrument that is open; null when there is none. */
  newest(of: Thing): InstrumentReading | null {
    const readings = [...this.listened.values()].flatMap(({ state, newest }) => (state === "open" ? (newest.get(of) ?? []) : []));
    return readings.reduce<InstrumentReading | null>((a, b) => (a === null || b.at_ms > a.at_ms ? b : a), null);
  }

  /** Told of every reading and every change of state. @returns how to be told no more. */
  readonly watch = (onChange: () => void): (() => void) => {
    this.watchers.add(onChange);
    return () => this.watchers.delete(onChange);
  };

  private tell(): void {
    for (const watcher of this.watchers) watcher();
  }
}

/** All that are listened to in this window. */
export const InstrumentsContext = createContext(new Instruments());

/** What a thing reads now, C; null while no instrument reads it. */
export function useLatest_C(of: Thing): number | null {
  const all = useContext(InstrumentsContext);
  return useSyncExternalStore(all.watch, () => all.newest(of)?.temperature_C ?? null);
}
