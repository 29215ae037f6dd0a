import { afterEach, describe, expect, it } from "@jest/globals";
import { act, cleanup, renderHook, waitFor } from "@testing-library/react";
import { pieceState, type PieceState } from "@tembrak/core";
import { eventsOf, mergeBook, store } from "../../store/db.js";
import { demoEvents } from "../../store/demoBook.js";
import { useBench } from "./useBench.js";

const NOW_ms = Date.UTC(2026, 10, 25, 12);

async function state(id: string): Promise<PieceState> {
  return pieceState(id, await eventsOf(id))!;
}

afterEach(async () => {
  cleanup();
  await store.events.clear();
});

async function bench(id: string) {
  await mergeBook(demoEvents(NOW_ms));
  const shown = await state(id);
  const hook = renderHook(() => useBench(shown));
  // What was asked for is in the store, or was refused.
  const settled = async () => {
    await act(async () => {
      await new Promise((resolve) => setTimeout(resolve, 60));
      await store.events.count();
    });
    await waitFor(() => expect(hook.result.current.isStoring).toBe(false));
  };
  return { shown, hook, settled };
}

describe("taps at the bench", () => {
  it("two presses on one screen end one act, not two", async () => {
    const { shown, hook, settled } = await bench("demo-3");
    const before = shown.doneAt_ms.size;
    act(() => hook.result.current.done());
    await settled();
    act(() => hook.result.current.done());
    await settled();
    expect((await state("demo-3")).doneAt_ms.size).toBe(before + 1);
  });
  it("undo takes back the newest tap that is stored, also one this screen has not shown yet", async () => {
    const { shown, hook, settled } = await bench("demo-3");
    act(() => hook.result.current.done());
    await settled();
    act(() => hook.result.current.undo());
    await settled();
    const after = await state("demo-3");
    expect(after.next?.id).toBe(shown.next?.id);
    expect((await store.events.toArray()).filter(({ kind }) => kind === "withdrawn")).toHaveLength(1);
  });
  it("a check belongs to the act it was tapped in", async () => {
    const { shown, hook, settled } = await bench("demo-4");
    act(() => hook.result.current.check({ check: "magnet", state: "sticks" }));
    await settled();
    const last = (await state("demo-4")).checks.at(-1)!;
    expect([last.act, last.reading]).toEqual([shown.next!.id, { check: "magnet", state: "sticks" }]);
  });
  it("what cannot be stored is said, and nothing is shown as done", async () => {
    const { hook, settled } = await bench("demo-4");
    const before = await store.events.count();
    act(() => hook.result.current.check({ check: "probe", temperature_C: NaN }));
    await settled();
    expect(hook.result.current.trouble).toMatch(/Not stored/);
    expect(await store.events.count()).toBe(before);
  });
});
