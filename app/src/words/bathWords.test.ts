import { describe, expect, it } from "@jest/globals";
import { bathNow, CATALOGUE, type Bath, type BathEntryAt } from "@tembrak/core";
import {
  ageWords,
  bathBefore,
  bathDoubtWords,
  bathLine,
  bathReasonsOf,
  bathTitle,
  entryWords,
  flashWords,
  warmWords,
} from "./bathWords.js";

const C = { temperature: "C", length: "mm" } as const;
const F = { temperature: "F", length: "in" } as const;
const NOW_ms = Date.UTC(2026, 10, 28, 12);
const OIL: Bath = {
  id: "oil",
  name: "Fast oil",
  kind: "bath",
  medium: "fast-oil",
  tank: "round",
  width_mm: 200,
  depth_mm: 600,
  fill_mm: 500,
};
const read = (back_min: number, top_C: number): BathEntryAt => ({
  id: `${back_min}`,
  at_ms: NOW_ms - back_min * 60_000,
  what: { entry: "read", top_C, isStirred: true },
});
const at = (...log: BathEntryAt[]) => bathNow(CATALOGUE, OIL, log, NOW_ms)!;
const HEAVY = { name: "Froe", mass_kg: 1.4, piece_C: 820 };

describe("a bath in words", () => {
  it("the one line on top says what to do", () => {
    expect(bathTitle(at(), undefined, C)).toMatch(/Nobody has read it/);
    expect(bathTitle(at(read(1, 22)), undefined, C)).toBe("Too cold: warm it to 55°");
    expect(bathTitle(at(read(1, 22)), undefined, F)).toBe("Too cold: warm it to 131°");
    expect(bathTitle(at(read(1, 55)), HEAVY, C)).toMatch(/^(One more piece|\d more pieces) like the next, then wait$/);
    expect(bathTitle(at(read(1, 79)), HEAVY, C)).toMatch(/^Too warm: wait/);
    expect(bathTitle(at(read(40, 58)), HEAVY, C)).toMatch(/stir it, read it/);
  });
  it("what the next piece makes of it, how to warm it, and how far it is from its flash", () => {
    expect(bathLine(OIL, at(read(1, 53)), { ...HEAVY, after_C: 81 }, C)).toMatch(
      /^Fast oil, 16 L, falling \d\.\d° a minute.*The froe takes it from 5[23]° to 81°\.$/,
    );
    expect(warmWords(OIL, at(read(1, 53)), C)).toBeNull();
    expect(warmWords({ ...OIL, heater_W: 900 }, at(read(1, 20)), C)).toMatch(/a dry bar of .* (once|twice|\d+ times).*Its heater takes/);
    expect(flashWords(at(read(1, 55)), C)).toMatch(/^Flash near 170°, 11[56]° away; the maker's sheet goes first\.$/);
    expect(bathBefore(at(read(1, 55)), C)).toMatch(/^Bath 5[45]°, \d+ to \d+, read just now, stirred: right$/);
  });
  it("seventy and then forty: forty, which of them it is asks the next look, and nobody says that it is right", () => {
    const now = at(read(2, 70), read(1, 40));
    expect(bathTitle(now, HEAVY, C)).toMatch(/^40°, and (69|70)° was expected: stir it, read it once more$/);
    expect(bathBefore(now, C)).toMatch(/^Bath 40°, 3\d to 4\d, read just now, stirred: read it once more$/);
    expect(bathDoubtWords(now, C)).toMatch(/read 40°. What happened\?$/);
    expect(bathReasonsOf(now)).toEqual(["filled-up", "cooled", "misread"]);
    expect(bathTitle(at(read(3, 70), read(2, 40), read(1, 41)), HEAVY, C)).toBe("Too cold: warm it to 55°");
    expect(bathDoubtWords(at(read(3, 70), read(2, 40), read(1, 70)), C)).toBe(
      "40° fits neither the reading before it nor the one after: it is left out.",
    );
  });
  it("what happened to it, and its age", () => {
    expect(entryWords({ id: "q", at_ms: 0, what: { entry: "quench", mass_kg: 0.4, piece_C: 800 } }, "froe", C)).toMatch(
      /^froe, 400 g, went in$/,
    );
    expect(ageWords({ ...at(read(1, 55)), quenches: 1, burns: 1 }, OIL)).toMatch(/^1 quench, burnt once so far\./);
  });
});
