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
  private readonly readingsOf: (message: M) => readonly InstrumentReading[];
  private readonly told = new Set<(message: M) => void>();
  private readonly minded = new Set<(state: InstrumentState) => void>();
  private source: EventSource | null = null;

  constructor(name: string, url: string, read: (message: unknown) => M | null, readingsOf: (message: M) => readonly InstrumentReading[]) {
    this.name = name;
    this.url = url;
    this.read = read;
    this.readingsOf = readingsOf;
  }

  /** Every message as it came, checked; what does not fit is left out. However many listen, it is one connection. */
  messages(onMessage: (message: M) => void, onState?: (state: InstrumentState) => void): () => void {
    this.told.add(onMessage);
    if (onState !== undefined) this.minded.add(onState);
    this.source ??= this.connect();
    return () => {
      this.told.delete(onMessage);
      if (onState !== undefined) this.minded.delete(onState);
      if (this.told.size > 0) return;
      this.source?.close();
      this.source = null;
    };
  }

  private connect(): EventSource {
    const source = new EventSource(this.url);
    const say = (state: InstrumentState): void => this.minded.forEach((onState) => onState(state));
    source.onopen = () => say("open");
    source.onerror = () => say(source.readyState === EventSource.CLOSED ? "closed" : "lost");
    source.onmessage = ({ data }: MessageEvent<string>) => {
      try {
        const message = this.read(JSON.parse(data));
        if (message !== null) this.told.forEach((onMessage) => onMessage(message));
      } catch {
        say("lost");
      }
    };
    return source;
  }

  listen(onReading: (reading: InstrumentReading) => void, onState?: (state: InstrumentState) => void): () => void {
    return this.messages((message) => this.readingsOf(message).forEach(onReading), onState);
  }
}
