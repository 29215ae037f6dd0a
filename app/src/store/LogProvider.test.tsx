import { afterEach, describe, expect, it } from "@jest/globals";
import { cleanup, render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { use } from "react";
import { allEvents, store, type NewEvent } from "./db.js";
import { LogContext, LogProvider } from "./LogProvider.js";

const KNIFE = {
  name: "Knife",
  mark: "1",
  kind: "knife",
  steel: "1084",
  start: "normalised",
  use: "knife",
  length_mm: 240,
  section: { shape: "wedge", spine_mm: 3, edge_mm: 0.8, height_mm: 28 },
} as const;

afterEach(async () => {
  cleanup();
  await store.events.clear();
});

function Screen({ events, after }: { events: readonly NewEvent[]; after: (isStored: boolean) => void }) {
  const { write, refusal, dismiss } = use(LogContext);
  return (
    <>
      <button onClick={() => void write("p", events, 1000).then(after)}>keep</button>
      <button onClick={dismiss}>seen</button>
      <output>{refusal ?? "all well"}</output>
    </>
  );
}

function shown(events: readonly NewEvent[]): boolean[] {
  const answers: boolean[] = [];
  render(
    <LogProvider>
      <Screen events={events} after={(isStored) => answers.push(isStored)} />
    </LogProvider>,
  );
  return answers;
}
const press = (name: string): Promise<void> => userEvent.click(screen.getByText(name));
const told = (): string => screen.getByRole("status").textContent;

describe("the one way to write to a log", () => {
  it("what is stored is on disk, and is said to be by the answer alone", async () => {
    const answers = shown([{ kind: "piece", definition: KNIFE }]);
    await press("keep");
    await waitFor(() => expect(answers).toEqual([true]));
    expect(await allEvents()).toHaveLength(1);
    expect(told()).toBe("all well");
  });
  it("what is refused is told, nothing of it is stored, and the telling goes when it was seen", async () => {
    // All or nothing: the second of the two fits no schema.
    const answers = shown([
      { kind: "piece", definition: KNIFE },
      { kind: "note", text: "" },
    ]);
    await press("keep");
    await waitFor(() => expect(answers).toEqual([false]));
    expect(await allEvents()).toEqual([]);
    expect(told()).toMatch(/^Not stored: the browser refused\. Nothing was changed/);
    await press("seen");
    expect(told()).toBe("all well");
  });
  it("a setting or an item of the kit that is refused is told too", async () => {
    function Setting() {
      const { keep, refusal } = use(LogContext);
      return (
        <>
          <button onClick={() => void keep(() => Promise.reject(new Error("full")))}>set</button>
          <output>{refusal ?? "all well"}</output>
        </>
      );
    }
    render(
      <LogProvider>
        <Setting />
      </LogProvider>,
    );
    await press("set");
    await waitFor(() => expect(told()).toMatch(/^Not stored: the browser refused/));
  });
  it("without a provider nothing is claimed to be stored", async () => {
    const answers: boolean[] = [];
    render(<Screen events={[]} after={(isStored) => answers.push(isStored)} />);
    await press("keep");
    await waitFor(() => expect(answers).toEqual([false]));
  });
});
