import { describe, expect, it } from "@jest/globals";
import { CATALOGUE, planRoute, predict, type Piece, type Route, type Step } from "@tembrak/core";
import { movedWords } from "./standingWords.js";
import { verdictWords } from "./verdictWords.js";
import { DEFAULT_SETTINGS } from "../store/db.js";
import { BILLHOOK, marked } from "../testing.js";

const route = planRoute(CATALOGUE, BILLHOOK, "forge");
const planned = predict(CATALOGUE, BILLHOOK, route, "quick");
const quenched = (facts: object): Route => ({
  ...route,
  steps: route.steps.map((step) => (step.kind === "quench" ? marked(step, facts) : step)),
});
const moved = (plan: Route, done: Route): string | null =>
  movedWords(
    {
      planned: plan === route ? planned : predict(CATALOGUE, BILLHOOK, plan, "quick"),
      done: predict(CATALOGUE, BILLHOOK, done, "quick"),
      plan,
      route: done,
      steel: BILLHOOK.steel,
    },
    DEFAULT_SETTINGS,
  );
const said = (facts: { readonly transfer_s?: number; readonly bath_s?: number }): string | null => moved(route, quenched(facts));

describe("what moved a piece from its plan", () => {
  it("as planned there is nothing to say, and nothing is said of seconds that changed nothing", () => {
    expect(said({})).toBeNull();
    expect(said({ transfer_s: 1.5, bath_s: 15 })).toBeNull();
  });
  it("too soon out of the bath: the seconds, and which place is how much softer", () => {
    expect(said({ transfer_s: 2, bath_s: 3 })).toMatch(
      /^2 s from fire to bath, out of it after 3 s: .*spine (\d\d|below 20) instead of \d\d HRC\.$/,
    );
  });
  it("what is on its way yet has been out of the fire for so long, and not from fire to bath", () => {
    const done = quenched({ transfer_s: 30 });
    const of = { planned, done: predict(CATALOGUE, BILLHOOK, done, "quick"), plan: route, route: done, steel: BILLHOOK.steel };
    const underway = { step: route.steps.findIndex(({ kind }) => kind === "quench"), is: "on its way", moves: 0 } as const;
    expect(movedWords({ ...of, underway }, DEFAULT_SETTINGS)).toMatch(/^So long out of the fire: .* instead of \d\d/);
    // Of another quench the seconds are over.
    expect(movedWords({ ...of, underway: { ...underway, step: 0 } }, DEFAULT_SETTINGS)).toMatch(/^30 s from fire to bath: /);
    expect(movedWords(of, DEFAULT_SETTINGS)).toMatch(/^30 s from fire to bath: /);
  });
  it("of a piece that was tried since it is what the model makes of it, not what it is", () => {
    const done = quenched({ transfer_s: 2, bath_s: 3 });
    const of = { planned, done: predict(CATALOGUE, BILLHOOK, done, "quick"), plan: route, route: done, steel: BILLHOOK.steel };
    expect(movedWords({ ...of, isTested: true }, DEFAULT_SETTINGS)).toMatch(/: by the model .*instead of/);
  });
  it("what both tempers had alike is said once", () => {
    const hot: Route = { ...route, steps: route.steps.map((step) => (step.kind === "temper" ? { ...step, temperature_C: 320 } : step)) };
    expect(moved(route, hot)).toMatch(/^Oven at 320 °C both times: edge \d\d instead of \d\d/);
  });
  it("a heat that fell: how long it hung, and the way to the bath from its pull", () => {
    const falling: Route = {
      ...route,
      steps: route.steps.map((step) => (step.kind === "harden" ? { ...step, fallTo_C: 675, why: "first-pull" } : step)),
    };
    const done: Route = { ...falling, steps: falling.steps.map((step) => (step.kind === "quench" ? { ...step, transfer_s: 2 } : step)) };
    const fall = { free_s: 60, pulls_s: 300, ended_s: 300 };
    const of = (known: object, way: Route) => predict(CATALOGUE, BILLHOOK, way, "quick", undefined, undefined, known);
    const said = movedWords(
      { planned: of({}, falling), done: of({ fall }, done), plan: falling, route: done, fall, steel: BILLHOOK.steel },
      DEFAULT_SETTINGS,
    );
    expect(said).toMatch(/^300 s in the air, 2 s from the pull to bath: .*spine (\d\d|below 20) instead of \d\d/);
  });
  it("the back under while it glows, or a second bath that never came, is told as what it was", () => {
    const back = quenched({ edgeDepth_mm: 20, then: { after_s: 45 } });
    expect(moved(back, quenched({ edgeDepth_mm: 20, then: { after_s: 3 } }))).toMatch(
      /^The back under after 3 s: .*spine \d\d instead of \d\d HRC\.$/,
    );
    const two = quenched({ then: { after_s: 2, medium: "water" } });
    expect(moved(two, quenched({ bath_s: 2 }))).toMatch(/^Never into the second bath, out of it after 2 s: /);
  });
  it.each([
    [{ then: { after_s: 12 } }, { then: { after_s: 60 } }, 0, /^The back not under yet: /],
    [{ then: { after_s: 12 }, bath_s: 8 }, { then: { after_s: 45 }, bath_s: 60 }, 1, /^The back under after 45 s, still in its bath: /],
    [{ backFirst: { depth_mm: 20, after_s: 4 } }, { backFirst: { depth_mm: 20, after_s: 20 } }, 0, /^Not turned over yet: /],
  ])("what goes on in the bath tells no seconds beside those the bench counts: %j, %j so far", (plan, so, moves, words) => {
    const [planned, done] = [quenched({ edgeDepth_mm: 20, ...plan }), quenched({ edgeDepth_mm: 20, ...so })];
    const underway = { step: route.steps.findIndex(({ kind }) => kind === "quench"), is: "in its bath", moves } as const;
    const of = (to: Route) => predict(CATALOGUE, BILLHOOK, to, "quick");
    const all = { planned: of(planned), done: of(done), plan: planned, route: done, steel: BILLHOOK.steel, underway };
    expect(movedWords(all, DEFAULT_SETTINGS)).toMatch(words);
  });
  it("what is held or in its oven yet tells no time beside the clock of that", () => {
    const at = (kind: Step["kind"]) => route.steps.findIndex((step) => step.kind === kind);
    const long = (kind: Step["kind"]): Route => ({
      ...route,
      steps: route.steps.map((step, i) => (i === at(kind) ? ({ ...step, hold_min: 900 } as Step) : step)),
    });
    const of = { planned, plan: route, steel: BILLHOOK.steel };
    const saidOf = (kind: Step["kind"], is: "held" | "tempered") => {
      const to = long(kind);
      const done = predict(CATALOGUE, BILLHOOK, to, "quick");
      return movedWords({ ...of, done, route: to, underway: { step: at(kind), is, moves: 0 } }, DEFAULT_SETTINGS);
    };
    expect(saidOf("temper", "tempered")).toMatch(/^Still in the oven: /);
    expect(saidOf("harden", "held")).toMatch(/^Still held: /);
    const tempered = long("temper");
    const over = movedWords({ ...of, done: predict(CATALOGUE, BILLHOOK, tempered, "quick"), route: tempered }, DEFAULT_SETTINGS);
    expect(over).toMatch(/^Tempered 15 h/);
  });
  it("of two ends hardened one after the other the first is told too, by its name, and stands in the verdict", () => {
    const hammer: Piece = {
      ...BILLHOOK,
      kind: "hammer",
      use: "hammer-face",
      steel: "w1",
      length_mm: 90,
      section: { shape: "square", side_mm: 28 },
    };
    const plan = planRoute(CATALOGUE, hammer, "forge", { way: { hardens: "ends" } });
    const first = plan.steps.findIndex(({ kind }) => kind === "quench");
    const done = {
      ...plan,
      steps: plan.steps.map((step, i) => (i === first && step.kind === "quench" ? marked(step, { bath_s: 1.2 }) : step)),
    };
    const is = predict(CATALOGUE, hammer, done, "quick");
    expect(is.other).toMatchObject({ end: "working", secondBy_s: null });
    const words = movedWords(
      { planned: predict(CATALOGUE, hammer, plan, "quick"), done: is, plan, route: done, steel: hammer.steel },
      DEFAULT_SETTINGS,
    );
    expect(words).toMatch(/^Out of it after 1\.2 s: working end (\d\d|below 20) instead of \d\d HRC\.$/);
    const { headline, reasons } = verdictWords(is, done, hammer.section, DEFAULT_SETTINGS);
    expect(reasons.join(" ")).toMatch(/The working end, hardened first: about (\d\d|below 20) HRC/);
    expect(headline).toMatch(/^(Other end will be|May fail)/);
  });
  it("slow to the bath is told as soon as it is under", () => {
    expect(said({ transfer_s: 9.04 })).toMatch(/^9 s from fire to bath: edge (\d\d|below 20) instead of \d\d.* HRC\.$/);
  });
});
