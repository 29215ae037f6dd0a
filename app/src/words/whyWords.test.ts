import { describe, expect, it } from "@jest/globals";
import {
  CATALOGUE,
  CAUSES,
  LOOK_ANSWERS,
  MISHAPS,
  planRoute,
  type Change,
  type CheckCode,
  type Diagnosed,
  type Remedy,
  type RemedyCode,
} from "@tembrak/core";
import { ANSWER_WORDS, CAUSE_WORDS, changeWords, doneLines, LOOK_WORDS, MISHAP_WORDS, remedyWords } from "./whyWords.js";
import { HAY_KNIFE, marked } from "../testing.js";

const C = { temperature: "C", length: "mm" } as const;
const F = { temperature: "F", length: "in" } as const;
const PLAN = planRoute(CATALOGUE, HAY_KNIFE, "forge");
const LOOKS = Object.keys(LOOK_ANSWERS) as CheckCode[];

describe("why it came out so, in words", () => {
  it("every cause, look, answer and mishap has words, and no two the same", () => {
    const names = CAUSES.map((cause) => CAUSE_WORDS[cause].name);
    expect(new Set(names).size).toBe(CAUSES.length);
    for (const look of LOOKS) {
      expect(LOOK_WORDS[look].title.length).toBeGreaterThan(8);
      const [a, b] = LOOK_ANSWERS[look].map((answer) => ANSWER_WORDS[answer]);
      expect(a).not.toBe(b);
    }
    expect(new Set(MISHAPS.map((what) => MISHAP_WORDS[what])).size).toBe(MISHAPS.length);
  });
  it("the look that goes near steam and breaking steel says so", () => {
    expect(LOOK_WORDS["coupon-in-water"].how).toMatch(/Steam/);
    expect(LOOK_WORDS["broken-coupon"].how).toMatch(/glasses/);
  });
  it("changes speak the unit of the shop", () => {
    const changes: readonly Change[] = [
      { change: "hotter", to_C: 815 },
      { change: "cooler", to_C: 800 },
      { change: "longer", to_min: 3 },
      { change: "bath", medium: "fast-oil", bath_C: 55 },
      { change: "warm-bath", to_C: 55 },
      { change: "quicker" },
      { change: "stay-in" },
      { change: "normalise", at_C: 870 },
    ];
    expect(changes.map((change) => changeWords(change, C))).toEqual([
      "hotter, 815 °C",
      "no hotter than 800 °C",
      "held 3 min",
      "into fast oil at 55 °C",
      "bath warmed to 55 °C",
      "from fire to bath in two seconds",
      "in the bath until it may come out",
      "normalised first, 870 °C",
    ]);
    expect(changes.map((change) => changeWords(change, F)).join(" ")).not.toMatch(/°C/);
  });
  it("a remedy says what and why; how likely it then hardens is its plan's to say", () => {
    const of = (code: RemedyCode, more: Partial<Remedy> = {}) => remedyWords({ code, changes: [], ...more }, C);
    expect(of("harden-again", { changes: [{ change: "quicker" }] })).toEqual({
      title: "Harden it again",
      note: "from fire to bath in two seconds",
    });
    for (const code of ["go-on", "wait-and-test", "grind-and-test", "temper-again", "accept", "find-out-steel", "enough-tries"] as const) {
      expect(of(code).note).not.toMatch(/\d in 10/);
      expect(of(code).title.length).toBeGreaterThan(8);
    }
  });
  it("what was done stands beside what was wanted, and only what was logged", () => {
    const steps = PLAN.steps.map((step) => (step.kind === "quench" ? marked(step, { bath_C: 24, transfer_s: 2.1, bath_s: 9 }) : step));
    const why = { piece: HAY_KNIFE, planned: PLAN, route: { ...PLAN, steps }, known: {}, findings: [], breaks: [] };
    const lines = (facts: Diagnosed["facts"]) => doneLines({ ...why, facts }, C);
    expect(lines([])).toEqual([]);
    expect(lines(["transfer", "bath", "bath-time"])).toEqual([
      { is: "2.1 s to the bath", wanted: "two seconds are usual" },
      { is: expect.stringMatching(/at 24 °C$/), wanted: "wanted 55 °C" },
      { is: "9 s in it", wanted: "" },
    ]);
    const [heat] = lines(["heat"]);
    expect(heat!.wanted).toBe("");
  });
});
