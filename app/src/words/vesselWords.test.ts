import { describe, expect, it } from "@jest/globals";
import { actsOfRoute, CATALOGUE, planRoute, VESSELS, type Piece, type Route } from "@tembrak/core";
import { actWords } from "./actWords.js";
import { waitWords, type Waiting } from "./benchWords.js";
import { fitSentence } from "./fitWords.js";
import { sinceQuenchWords } from "./testWords.js";
import { doubtWords, PLACE_WORDS, placeKey, type PlaceKey } from "./placeWords.js";
import { steelWords } from "./steelWords.js";
import { keepCaution } from "./vesselWords.js";

const METRIC = { temperature: "C", length: "mm" } as const;
const INCHES = { temperature: "F", length: "in" } as const;
const KNIFE: Piece = {
  name: "Knife",
  mark: "1",
  kind: "knife",
  steel: "1084",
  start: "normalised",
  use: "knife",
  length_mm: 240,
  section: { shape: "wedge", spine_mm: 3, edge_mm: 0.8, height_mm: 28 },
};

describe("a temper that lies in oil, salt or sand, in words", () => {
  const route = (draws: "oven" | "oil" | "salt" | "sand"): Route => planRoute(CATALOGUE, KNIFE, "forge", { way: { draws } });
  const said = (draws: "oven" | "oil" | "salt" | "sand", units: typeof METRIC | typeof INCHES = METRIC): string => {
    const own = route(draws);
    return actsOfRoute(own)
      .filter(({ kind }) => kind === "oven" || kind === "temper")
      .flatMap((act) => {
        const { title, done, why, caution } = actWords(act, { route: own, piece: KNIFE }, units);
        return [title, done, why, caution, ...(act.kind === "oven" ? [ready(act)] : [])];
      })
      .join(" ");
  };
  const ready = (act: Waiting): string => waitWords(act, { gone_s: 0, steel: KNIFE.steel }, METRIC);
  it("no act of it speaks of an oven, and each warns of what can hurt there", () => {
    for (const vessel of VESSELS) {
      for (const units of [METRIC, INCHES]) expect(said(vessel, units)).not.toMatch(/\boven\b/i);
      expect(said(vessel)).toContain(`It is in the ${vessel}`);
    }
    expect(said("oil")).toMatch(/flash.*lid and extinguisher/);
    expect(said("salt")).toMatch(/throws molten salt.*wash it off/i);
    expect(said("oven")).toMatch(/It is in the oven/);
    expect(said("oven").replace("Wipe the oil off", "")).not.toMatch(/\boil\b|\bsand\b/);
  });
  it("each says when it is ready, and what is missing by its name", () => {
    const first = actsOfRoute(route("sand")).find(({ kind }) => kind === "oven") as Waiting;
    expect(ready(first)).toMatch(/^Sand at \d+°, by a thermometer as deep in it as the piece lies$/);
    expect(fitSentence({ place: "oven", item: "salt", what: "missing", ways: [] }, METRIC)).toBe("No salt pot in the kit.");
    expect(keepCaution(undefined)).toMatch(/no oven for food/);
    expect(keepCaution("oil")).toMatch(/^Dry steel only/);
  });
});

describe("what a piece is made of, and where it was tried", () => {
  it("a clad blade is told as its core in what it is clad with; where it is all core, as one steel", () => {
    expect(steelWords(KNIFE)).toBe("1084");
    expect(steelWords({ ...KNIFE, cladding: { material: "stainless", core_mm: 1 } })).toBe("1084 in stainless");
    expect(steelWords({ ...KNIFE, cladding: { material: "mild-steel", core_mm: 3.5 } })).toBe("1084");
  });
  it("every place that can be said is found again by its own words", () => {
    for (const key of Object.keys(PLACE_WORDS) as PlaceKey[]) expect(placeKey(PLACE_WORDS[key].place)).toBe(key);
    expect(doubtWords({ code: "near-tongs", readings: [2] })).toMatch(/^Reading 2 is by the tang/);
    expect(doubtWords({ code: "soft-on-purpose", readings: [1, 2, 4] })).toMatch(/^Readings 1, 2 and 4 are of a part/);
  });
  it("how long since the quench; a file is told to wait for hand-warm, and a hand that was very soon is asked again", () => {
    const at = (gone_s: number, wasFelt: boolean): string => sinceQuenchWords({ gone_s, handWarm_s: 600, wasFelt });
    expect(at(120, false)).toBe("2 min since it went under. By the model it is hand-warm in 8 min: a file says nothing before.");
    expect(at(120, true)).toMatch(/You found it hand-warm; by the model it is not for 8 min/);
    expect(at(400, true)).toBe("7 min since it went under.");
    expect(at(700, false)).toBe("12 min since it went under.");
    expect(sinceQuenchWords({ gone_s: 60, handWarm_s: undefined, wasFelt: false })).toBe("60 s since it went under.");
  });
});
