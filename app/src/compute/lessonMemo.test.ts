import { afterEach, beforeEach, describe, expect, it, jest } from "@jest/globals";
import type { Lesson } from "@tembrak/core";

const shop = globalThis as { CORE_BUILD?: string };
/** A page that opens with this core in it. */
const opened = (core: string | undefined) => {
  if (core === undefined) delete shop.CORE_BUILD;
  else shop.CORE_BUILD = core;
  jest.resetModules();
  return import("./lessonMemo.js");
};
const lesson = (surprise_HRC: number): Lesson => ({ surprise_HRC, medium: "fast-oil", steel: "1084" }) as Lesson;

beforeEach(() => localStorage.clear());
afterEach(() => void delete shop.CORE_BUILD);

describe("lessons worked out before", () => {
  it("are there at once when the page opens again, by their question; that a test teaches nothing too", async () => {
    const first = await opened("a");
    expect(first.recalledLesson("q")).toBeUndefined();
    first.rememberLesson("q", lesson(1.5));
    first.rememberLesson("none", null);
    const again = await opened("a");
    expect(again.recalledLesson("q")).toEqual(lesson(1.5));
    expect(again.recalledLesson("none")).toBeNull();
    expect(again.recalledLesson("another")).toBeUndefined();
  });
  it("another core works them out anew; what is not built keeps none", async () => {
    (await opened("a")).rememberLesson("q", lesson(1.5));
    expect((await opened("b")).recalledLesson("q")).toBeUndefined();
    localStorage.clear();
    (await opened(undefined)).rememberLesson("q", lesson(1.5));
    expect(localStorage).toHaveLength(0);
  });
  it.each(["{", "null", '{"core":"a","lessons":{}}', '{"core":"a","lessons":[["q",{"surprise_HRC":"x"}],["q"],7]}'])(
    "%s in its place is as if nothing were kept",
    async (spoiled) => {
      localStorage.setItem("tembrak.lessons", spoiled);
      const memo = await opened("a");
      expect(memo.recalledLesson("q")).toBeUndefined();
      memo.rememberLesson("q", lesson(2));
      expect((await opened("a")).recalledLesson("q")).toEqual(lesson(2));
    },
  );
  it("keeps the newest, and goes on where nothing can be kept", async () => {
    const memo = await opened("a");
    for (let i = 0; i < 90; i++) memo.rememberLesson(`q${i}`, lesson(i));
    const again = await opened("a");
    expect([again.recalledLesson("q9"), again.recalledLesson("q10")]).toEqual([undefined, lesson(10)]);
    const full = jest.spyOn(Storage.prototype, "setItem").mockImplementation(() => {
      throw new Error("full");
    });
    again.rememberLesson("new", lesson(1));
    expect(again.recalledLesson("new")).toEqual(lesson(1));
    full.mockRestore();
  });
});
