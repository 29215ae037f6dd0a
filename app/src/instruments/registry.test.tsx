import { afterEach, describe, expect, it } from "@jest/globals";
import { act, cleanup, render, screen } from "@testing-library/react";
import { FileInstrument, TypedInstrument, type Instrument, type InstrumentReading, type InstrumentState } from "./instrument.js";
import { Instruments, InstrumentsContext, useLatest_C } from "./registry.js";

const read = (at_ms: number, temperature_C: number, of: InstrumentReading["of"] = "piece"): InstrumentReading => ({
  at_ms,
  of,
  temperature_C,
});

/** A logger on a wire that can be pulled. */
class Wire implements Instrument {
  readonly name = "wire";
  onState: ((state: InstrumentState) => void) | undefined;
  onReading: ((reading: InstrumentReading) => void) | undefined;
  listen(onReading: (reading: InstrumentReading) => void, onState?: (state: InstrumentState) => void): () => void {
    [this.onReading, this.onState] = [onReading, onState];
    return () => (this.onReading = undefined);
  }
}

afterEach(cleanup);

describe("instruments side by side", () => {
  it("the newest of a thing counts, whichever gave it and in whatever order they speak", () => {
    const all = new Instruments();
    const [a, b] = [new TypedInstrument(), new TypedInstrument()];
    all.add(a);
    all.add(b);
    a.put(read(2000, 810));
    b.put(read(1000, 700));
    expect(all.newest("piece")?.temperature_C).toBe(810);
    b.put(read(3000, 815));
    expect(all.newest("piece")?.temperature_C).toBe(815);
    expect(all.newest("chamber")).toBeNull();
  });
  it("one that was lost reads nothing any more, until it is back", () => {
    const all = new Instruments();
    const wire = new Wire();
    all.add(wire);
    wire.onReading!(read(1000, 800));
    wire.onState!("lost");
    expect(all.newest("piece")).toBeNull();
    wire.onState!("open");
    expect(all.newest("piece")?.temperature_C).toBe(800);
  });
  it("one that is taken away is not listened to, and what it read goes with it", () => {
    const all = new Instruments();
    const wire = new Wire();
    const leave = all.add(wire);
    const typed = new TypedInstrument();
    all.add(typed);
    typed.put(read(20, 655));
    wire.onReading!(read(1000, 800));
    leave();
    expect(wire.onReading).toBeUndefined();
    expect(all.newest("piece")?.temperature_C).toBe(655);
  });
  it("what was read before an instrument closed is not what it reads now", () => {
    const all = new Instruments();
    all.add(new FileInstrument("file", [read(10, 640), read(20, 655)]));
    expect(all.newest("piece")).toBeNull();
  });
  it("who looks at a thing sees each new reading, and no other thing's", () => {
    const all = new Instruments();
    const probe = new TypedInstrument();
    const Chamber = () => <output>{useLatest_C("chamber") ?? "none"}</output>;
    render(
      <InstrumentsContext value={all}>
        <Chamber />
      </InstrumentsContext>,
    );
    act(() => void all.add(probe));
    act(() => probe.put(read(5, 777)));
    expect(screen.getByRole("status").textContent).toBe("none");
    act(() => probe.put(read(6, 803, "chamber")));
    expect(screen.getByRole("status").textContent).toBe("803");
  });
});
