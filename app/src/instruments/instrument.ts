/** What gives readings to the bench: a logger's stream, a typed number, a file. All alike to whoever listens. */

export interface InstrumentReading {
  /** When, ms since 1970. */
  readonly at_ms: number;
  /** What it touches. */
  readonly of: "piece" | "chamber" | "bath" | "oven";
  readonly temperature_C: number;
}

export type InstrumentState = "open" | "lost" | "closed";

export interface Instrument {
  readonly name: string;
  /** @returns how to stop listening. Readings come in the order of their time. */
  listen(onReading: (reading: InstrumentReading) => void, onState?: (state: InstrumentState) => void): () => void;
}

/** Numbers that somebody types: they go to whoever listens at once. */
export class TypedInstrument implements Instrument {
  readonly name = "typed";
  private readonly listeners = new Set<(reading: InstrumentReading) => void>();

  put(reading: InstrumentReading): void {
    for (const listener of this.listeners) listener(reading);
  }

  listen(onReading: (reading: InstrumentReading) => void, onState?: (state: InstrumentState) => void): () => void {
    this.listeners.add(onReading);
    onState?.("open");
    return () => this.listeners.delete(onReading);
  }
}

/** Readings that were written down before: given all at once, then it is closed. */
export class FileInstrument implements Instrument {
  readonly name: string;
  private readonly readings: readonly InstrumentReading[];

  constructor(name: string, readings: readonly InstrumentReading[]) {
    this.name = name;
    this.readings = readings;
  }

  listen(onReading: (reading: InstrumentReading) => void, onState?: (state: InstrumentState) => void): () => void {
    onState?.("open");
    this.readings.forEach(onReading);
    onState?.("closed");
    return () => undefined;
  }
}

/** A stream of server-sent events, each a message that `read` turns into readings. Comes back by itself when it was lost. */
export class StreamInstrument<M> implements Instrument {
  readonly name: string;
  private readonly url: string;
  private readonly read: (message: unknown) => M | null;
  /** The readings in a message. */
  readonly readingsOf: (message: M) => readonly InstrumentReading[];

  constructor(name: string, url: string, read: (message: unknown) => M | null, readingsOf: (message: M) => readonly InstrumentReading[]) {
    this.name = name;
    this.url = url;
    this.read = read;
    this.readingsOf = readingsOf;
  }

  /** Every message as it came, checked; what does not fit is left out. */
  messages(onMessage: (message: M) => void, onState?: (state: InstrumentState) => void): () => void {
    const source = new EventSource(this.url);
    source.onopen = () => onState?.("open");
    source.onerror = () => onState?.(source.readyState === EventSource.CLOSED ? "closed" : "lost");
    source.onmessage = ({ data }: MessageEvent<string>) => {
      try {
        const message = this.read(JSON.parse(data));
        if (message !== null) onMessage(message);
      } catch {
        onState?.("lost");
      }
    };
    return () => source.close();
  }

  listen(onReading: (reading: InstrumentReading) => void, onState?: (state: InstrumentState) => void): () => void {
    return this.messages((message) => this.readingsOf(message).forEach(onReading), onState);
  }
}
