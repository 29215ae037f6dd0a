import { describe, expect, it } from "@jest/globals";
import {
  actsOfRoute,
  CATALOGUE,
  destressStep,
  makeDesk,
  planRoute,
  predict,
  questionHeat,
  resolveSteel,
  STARTS,
  subCriticalStep,
  type Piece,
  type Route,
} from "@tembrak/core";
import { actWords, mediumName } from "./actWords.js";
import { steelFacts, stepSource } from "./sources.js";
import { WHY_CARDS, whyOf } from "./whyCards.js";
import { spareWords, verdictWords, type DoneSoFar, mouthSentence } from "./verdictWords.js";
import { marked } from "../testing.js";

/** Remembered or not the bytes are the same (desk.test.ts). */
const desk = makeDesk();

const METRIC = { temperature: "C", length: "mm" } as const;
const INCHES = { temperature: "F", length: "in" } as const;
const knife: Piece = {
  name: "Knife",
  mark: "1",
  kind: "knife",
  steel: "1084",
  start: "normalised",
  use: "knife",
  length_mm: 240,
  section: { shape: "wedge", spine_mm: 3, edge_mm: 0.8, height_mm: 28 },
};

function verdict(change: Partial<Piece>, alter: (route: Route) => Route = (r) => r) {
  const piece = { ...knife, ...change };
  const route = alter(planRoute(CATALOGUE, piece, "forge"));
  return verdictWords(predict(CATALOGUE, piece, route, "full", undefined, desk), route, piece.section, METRIC);
}

const inBath =
  (medium: string, bath_C: number) =>
  (route: Route): Route => ({ ...route, steps: route.steps.map((s) => (s.kind === "quench" ? marked(s, { medium, bath_C }) : s)) });
const atHeat =
  (temperature_C: number) =>
  (route: Route): Route => ({ ...route, steps: route.steps.map((s) => (s.kind === "harden" ? { ...s, temperature_C } : s)) });

describe("a part of a piece in the fire, in a sentence", () => {
  const mouth = { inFire_mm: 166, hardTo_mm: 134.3, asItWasFrom_mm: 141.2, farEnd_C: 80 };
  const blade = { shape: "wedge", spine_mm: 4, edge_mm: 1, height_mm: 30 } as const;
  it("says how far it is hard and from where it stays as it was, in whole millimetres; all of it in says nothing", () => {
    expect(mouthSentence({ mouth }, blade, "the fire", METRIC)).toBe(
      "166 mm of it in the fire, from its tip: hot enough to harden for 134 mm, and from 141 mm on it stays as it was. A file finds the line between.",
    );
    expect(mouthSentence({ mouth }, { shape: "round", diameter_mm: 12 }, "the kiln", METRIC)).toMatch(
      /^166 mm of it in the kiln, from the end that works/,
    );
    expect(mouthSentence({ mouth: null }, blade, "the fire", METRIC)).toBe("");
  });
  it("too little in to get hot is said as that", () => {
    expect(mouthSentence({ mouth: { ...mouth, hardTo_mm: 0 } }, blade, "the fire", METRIC)).toMatch(
      /nothing of it is hot enough: more of it in/,
    );
  });
});

describe("the verdict in sentences", () => {
  it("a thin blade in its oil: hardens right through, with seconds to spare, and what the tempers give", () => {
    const { headline, reasons } = verdict({});
    expect(headline).toMatch(/^Edge will be \d\d HRC, \d\d to \d\d\.$/);
    expect(reasons[0]).toMatch(/^Hardens right through in fast oil at 55 °C, \d+\.\d s to spare at the spine\.$/);
    expect(reasons.join(" ")).toMatch(/Two times 2 h at \d{3} °C: about \d\d HRC\./);
    expect(reasons.join(" ")).toMatch(/General knife wants 58 to 61: \d in 10 that it lands there/);
  });
  it("seconds to spare are told by tenths, less is a moment, and where nothing soft ever comes there is time", () => {
    expect([2.04, -0.26, 0.049, Infinity].map(spareWords)).toEqual(["2.0 s", "0.3 s", "a moment", "time"]);
  });
  it("tempers that are not alike are added up: a cooler later one adds next to nothing", () => {
    const after = (second_C: number): string =>
      verdict({}, (route) => {
        let tempers = 0;
        const steps = route.steps.map((step) =>
          step.kind === "temper" ? { ...step, temperature_C: tempers++ === 0 ? 210 : second_C } : step,
        );
        return { ...route, steps };
      }).reasons.join(" ");
    const together = (said: string): number => Number(/Together as much as one hour at (\d+)/.exec(said)![1]);
    // Two hours at 210 by Hollomon-Jaffe are an hour at about 219 (P = K (C + log t), C 16.4 for 0.84 % C): by hand.
    expect(Math.abs(together(after(150)) - 219)).toBeLessThanOrEqual(2);
    expect(together(after(240))).toBeGreaterThan(240);
    expect(after(210)).not.toMatch(/Together/);
  });
  it("under clay it is the clay that keeps the back tough, not its thickness", () => {
    const clayed = (route: Route): Route => ({
      ...route,
      steps: route.steps.map((s) => (s.kind === "quench" ? { ...s, clay: { thickness_mm: 3, from_mm: 23 } } : s)),
    });
    const { reasons } = verdict({ section: { shape: "wedge", spine_mm: 5, edge_mm: 0.8, height_mm: 45 } }, clayed);
    expect(reasons[0]).toMatch(/^Edge in fast oil at 55 °C: hard up to 2\d(\.\d)? mm above it.*; under its clay the back stays tough\.$/);
  });
  it("of a blade that goes in by its back first the back is told hard, and the middle soft", () => {
    const turned = (route: Route): Route => ({
      ...route,
      steps: route.steps.map((s) => (s.kind === "quench" ? marked(s, { edgeDepth_mm: 20, backFirst: { depth_mm: 18, after_s: 20 } }) : s)),
    });
    const { reasons } = verdict({ steel: "80crv2", section: { shape: "wedge", spine_mm: 6, edge_mm: 3, height_mm: 60 } }, turned);
    expect(reasons[0]).toMatch(
      /^Edge in fast oil at 55 °C.*: hard up to \d+(\.\d)? mm above it.*; the back is hard too.*, the middle stays soft\./,
    );
  });
  it("hardened again in another bath, it is that bath that is told", () => {
    const again = (route: Route): Route => {
      const at = route.steps.findIndex(({ kind }) => kind === "harden");
      return { ...route, steps: [...route.steps, ...inBath("water", 25)(route).steps.slice(at)] };
    };
    expect(verdict({}, again).reasons[0]).toMatch(/in water at 25 °C/);
  });
  it("too slow a bath: it says which place fails and by how much", () => {
    const { reasons } = verdict({ section: { shape: "plate", thickness_mm: 12 } }, inBath("slow-oil", 55));
    expect(reasons[0]).toMatch(/It fails in slow oil at 55 °C: too slow by \d+\.\d s|Hard at the surface, softer inside/);
  });
  it("soft by its tests though its bath is fast enough: it is not said to have been too slow, for its cooling curve is not", () => {
    const piece: Piece = { ...knife, section: { shape: "plate", thickness_mm: 3 } };
    const route = planRoute(CATALOGUE, piece, "forge");
    const planned = predict(CATALOGUE, piece, route, "full", undefined, desk);
    expect(planned.hardening.noseMargin_s).toBeGreaterThan(0);
    const said = (failChance: number): string =>
      verdictWords({ ...planned, failChance }, route, piece.section, METRIC, [], {
        hardness_HRC: null,
        look: null,
        done: "tempered",
        end: "is",
      }).reasons[0]!;
    expect(said(0.98)).toMatch(/^It failed in fast oil at 55 °C, though not for want of speed: \d\.\d s to spare at the centre\.$/);
    expect(said(0.5)).toMatch(/^On the brink in fast oil at 55 °C: 5 in 10 that it hardened through, \d\.\d s to spare at the centre\.$/);
  });
  it("too long in the air is not put down to the bath", () => {
    const late = (route: Route): Route => ({
      ...route,
      steps: route.steps.map((s) => (s.kind === "quench" ? { ...s, transfer_s: 60 } : s)),
    });
    const plate = { section: { shape: "plate", thickness_mm: 3 } } as const;
    expect(verdict(plate, late).reasons[0]).toMatch(/^It will have begun to turn soft in the air before it meets the bath/);
    expect(verdict(plate).reasons[0]).not.toMatch(/in the air/);
  });
  it("a piece that hardens all the same is not said to have turned soft in the air", () => {
    for (const transfer_s of [2, 5, 8, 12, 20]) {
      const late = (route: Route): Route => ({
        ...route,
        steps: route.steps.map((s) => (s.kind === "quench" ? { ...s, transfer_s } : s)),
      });
      const { headline, reasons } = verdict({}, late);
      if (/will be [56]\d HRC/.test(headline)) expect(reasons[0]).not.toMatch(/in the air/);
      else expect(headline).toMatch(/May fail|will not harden|will be/);
    }
  });
  it("nothing is promised that the chance beside it does not bear out", () => {
    const said = (section: Piece["section"], change?: (route: Route) => Route): string => verdict({ section }, change).reasons[0]!;
    const wedge = (spine_mm: number, edge_mm: number, height_mm = 30) => ({ shape: "wedge", spine_mm, edge_mm, height_mm }) as const;
    // Seven in ten at the back of a common knife in cooking oil, six at the edge of a blunt striker.
    expect(said(wedge(4, 0.8), inBath("vegetable-oil", 55))).toMatch(
      /^Should harden right through in vegetable oil at 55 °C, [6-8] in 10 and .* to spare at the spine\./,
    );
    const edged = (route: Route): Route =>
      inBath("vegetable-oil", 55)({ ...route, steps: route.steps.map((s) => (s.kind === "quench" ? marked(s, { edgeDepth_mm: 13 }) : s)) });
    expect(said(wedge(4, 0.8, 34), edged)).toMatch(/^Edge in vegetable oil at 55 °C: hard up to/);
    expect(said(wedge(5, 3.4, 26), edged)).toMatch(/^Edge in vegetable oil at 55 °C, [5-8] in 10 that it hardens: hard up to/);
    expect(said(wedge(5, 4, 26), inBath("vegetable-oil", 55))).toMatch(
      /^The edge may harden in vegetable oil at 55 °C, [4-8] in 10; the spine is on the brink/,
    );
  });
  it("a thick back: the edge hardens, the spine does not, and that is no failure", () => {
    const { reasons } = verdict({ section: { shape: "wedge", spine_mm: 14, edge_mm: 1, height_mm: 70 } });
    expect(reasons[0]).toMatch(/The edge hardens in fast oil at 55 °C; the spine is (too thick, and stays tough|on the brink)/);
  });
  it("of a measured piece it says whether that is what its use wants, not the chance that it will be", () => {
    const said = (found_HRC: number): string => {
      const route = planRoute(CATALOGUE, knife, "forge");
      return verdictWords(predict(CATALOGUE, knife, route, "quick"), route, knife.section, METRIC, [], {
        hardness_HRC: found_HRC,
        look: null,
        done: "tempered",
        end: "is",
      }).reasons.join(" ");
    };
    expect(said(59.6)).toMatch(/General knife wants 58 to 61: it is there\./);
    expect(said(64)).toMatch(/this is harder, and may chip/);
    expect(said(50)).toMatch(/this is softer, and tougher/);
    expect(said(59.6)).not.toMatch(/lands there/);
  });
  it("a minute in the air has turned it soft: nothing is too thick that hardened as planned", () => {
    const route = planRoute(CATALOGUE, knife, "forge");
    const late = { ...route, steps: route.steps.map((step) => (step.kind === "quench" ? { ...step, transfer_s: 60 } : step)) };
    const of = (to: Route): string => {
      const { headline, reasons } = verdictWords(predict(CATALOGUE, knife, to, "quick"), to, knife.section, METRIC);
      return [headline, ...reasons].join(" ");
    };
    expect(of(route)).not.toMatch(/in the air/);
    expect(of(late)).toMatch(/in the air/);
    expect(of(late)).not.toMatch(/too thick/);
  });
  it("what has been done is not told as if it were to come: no thinner bar, no other bath, no heat that is past", () => {
    const route = planRoute(CATALOGUE, { ...knife, section: { shape: "plate", thickness_mm: 12 } }, "forge");
    const piece: Piece = { ...knife, section: { shape: "plate", thickness_mm: 12 } };
    const slow = inBath("slow-oil", 55)(route);
    const said = (done: DoneSoFar): string => {
      const { headline, reasons } = verdictWords(
        predict(CATALOGUE, piece, slow, "full", undefined, desk),
        slow,
        piece.section,
        METRIC,
        [],
        {
          hardness_HRC: null,
          look: null,
          done,
          end: done === "tempered" ? "is" : "will be",
        },
      );
      return [headline, ...reasons].join(" ");
    };
    expect(said("nothing")).toMatch(/hardens|will not harden/);
    for (const done of ["quenched", "tempered"] as const) {
      expect(said(done)).not.toMatch(/that it hardens|will not harden|To be safe|Thinner, or|It fails|Out when hand-warm/);
      expect(said(done)).toMatch(/hardened|did not harden|failed|softer inside/);
    }
    const easy = planRoute(CATALOGUE, knife, "forge");
    const line = (done: DoneSoFar): string =>
      verdictWords(predict(CATALOGUE, knife, easy, "full", undefined, desk), easy, knife.section, METRIC, [], {
        hardness_HRC: null,
        look: null,
        done,
        end: done === "tempered" ? "is" : "will be",
      }).headline;
    expect([line("nothing"), line("quenched")].every((text) => text.includes("will be"))).toBe(true);
    expect(line("tempered")).toMatch(/ is \d\d HRC, \d\d to \d\d\.$/);
  });
  it("falling heat on a thin edge: the edge is what fails, and it says so", () => {
    const thin: Partial<Piece> = { section: { shape: "wedge", spine_mm: 4, edge_mm: 1, height_mm: 30 } };
    const falling = planRoute(CATALOGUE, { ...knife, ...thin }, "falling");
    const { headline, reasons } = verdict(thin, () => falling);
    expect(headline).toMatch(/^It will not harden as planned\.$/);
    expect(reasons[0]).toMatch(/^The edge is too cold when it meets the bath/);
  });
  it("not hot enough: it does not harden, hotter", () => {
    expect(verdict({}, atHeat(700)).reasons[0]).toMatch(/It does not harden: at this heat too little of it has changed\. Hotter\./);
  });
  it("at the cliff: may fail with a chance, never one number", () => {
    const { headline } = verdict(
      { steel: "80crv2", start: "coarse-spheroidised", section: { shape: "plate", thickness_mm: 5 } },
      (route) => ({ ...inBath("slow-oil", 55)(route), steps: inBath("slow-oil", 55)(route).steps.filter((s) => s.kind !== "normalise") }),
    );
    expect(headline).toMatch(/^May fail: \d in 10 that it hardens\.$/);
  });
  it("carbon that stayed in carbide is named as the cause, not the bath", () => {
    const { reasons } = verdict(
      { steel: "80crv2", start: "coarse-spheroidised", use: "slicer", section: { shape: "plate", thickness_mm: 2 } },
      (route) => ({ ...route, steps: route.steps.filter((s) => s.kind !== "normalise") }),
    );
    expect(reasons.join(" ")).toMatch(/The bath is fast enough; the heat is not: only 0\.\d\d % carbon dissolved\./);
  });
  it("a temper in the trough is told, not refused", () => {
    expect(verdict({ use: "sickle" }).reasons.join(" ")).toMatch(/Toughness dips here/);
  });
  it("names the largest part of its spread and what would shrink it", () => {
    const { spread } = verdict({});
    expect(spread).toHaveLength(3);
    for (let i = 1; i < spread.length; i++) expect(spread[i - 1]!.sd_HRC).toBeGreaterThanOrEqual(spread[i]!.sd_HRC);
    for (const { hint } of spread) expect(hint.length).toBeGreaterThan(15);
  });
  it("no sentence shows a number that is none", () => {
    for (const { id } of CATALOGUE.steels) {
      const { headline, reasons } = verdict({ steel: id });
      expect([headline, ...reasons].join(" ")).not.toMatch(/NaN|undefined|Infinity|null/);
    }
  });
});

describe("the words of the acts", () => {
  const route = planRoute(CATALOGUE, { ...knife, start: "as-forged" }, "kiln");
  const acts = actsOfRoute(route);
  it("every act has a title, a fact that ends it and a reason, in the user's units", () => {
    for (const act of acts) {
      for (const units of [METRIC, INCHES]) {
        const { title, done, why } = actWords(act, { route, piece: knife }, units);
        for (const text of [title, done, why]) expect(text.length).toBeGreaterThan(6);
        if (units === INCHES) expect(title).not.toContain("°C");
      }
    }
  });
  it("where work can hurt it says so: fire, bath, brittle steel, the oven", () => {
    const caution = (kind: string): string =>
      actWords(
        acts.find((a) => a.kind === kind)!,
        { route, piece: knife },
        METRIC,
      ).caution;
    expect(caution("heat")).toMatch(/gloves/i);
    expect(caution("quench")).toMatch(/lid, not water/);
    expect(caution("cool-down")).toMatch(/do not drop, clamp, straighten or strike/);
    expect(caution("oven")).toMatch(/no oven for food/);
    expect(caution("air-cool")).toMatch(/still burns/);
  });
  it("after the first of two ends it goes on to the other, after the second to its temper", () => {
    const hammer: Piece = {
      ...knife,
      kind: "hammer",
      steel: "1045",
      use: "hammer-face",
      section: { shape: "square", side_mm: 32 },
      length_mm: 120,
    };
    const both = planRoute(CATALOGUE, hammer, "forge", { way: { hardens: "ends" } });
    const said = actsOfRoute(both)
      .filter(({ kind }) => kind === "first-file")
      .map((act) => actWords(act, { route: both, piece: hammer }, METRIC).done);
    expect(said).toEqual(["Go on to the other end", "Go on to the temper"]);
  });
  it("water warns of steam, not of flames", () => {
    const wet = planRoute(CATALOGUE, { ...knife, steel: "1045" }, "forge");
    const quench = actsOfRoute(wet).find((a) => a.kind === "quench")!;
    expect(actWords(quench, { route: wet, piece: knife }, METRIC).caution).toMatch(/Steam/);
    expect(mediumName("water")).toBe("Water");
  });
});

describe("holds under the change", () => {
  it("are called so at the bench and end in air: nothing is shut away, nothing has changed; neither is asked whether it is meant", () => {
    const found = resolveSteel(CATALOGUE, knife.steel);
    for (const step of [subCriticalStep(found), destressStep("lets go")]) {
      const route: Route = { heating: { in: "forge", by: "shade" }, steps: [step, ...planRoute(CATALOGUE, knife, "forge").steps] };
      for (const units of [METRIC, INCHES]) {
        const own = actsOfRoute(route).filter((act) => "step" in act && act.step === 0);
        const said = own.map((act) => actWords(act, { route, piece: knife }, units));
        expect(said[0]!.title).toMatch(/^Hold under the change: to/);
        expect(said.map(({ title, done, caution }) => `${title} ${done} ${caution}`).join(" ")).not.toMatch(/slowly|Vermiculite|Anneal/);
        expect(stepSource(step, knife, route, 736, units)).toMatch(/^Under where austenite begins, which is \d+°/);
      }
      expect(questionHeat("under-the-change", step.temperature_C, "C")).toBeNull();
    }
  });
});

describe("where the numbers come from", () => {
  it("every step of every start and school names its source", () => {
    for (const start of STARTS) {
      for (const school of ["forge", "kiln"] as const) {
        const piece = { ...knife, start };
        const route = planRoute(CATALOGUE, piece, school);
        for (const step of route.steps)
          expect(stepSource(step, piece, route, 736, METRIC)).toMatch(/from memory|common practice, no source|fitted/);
      }
    }
  });
  it("the reason of a hardening heat is a sum that comes to the number beside it, for every steel and way of the forge", () => {
    for (const { id } of CATALOGUE.steels) {
      for (const school of ["forge", "magnet", "falling", "kiln"] as const) {
        const piece = { ...knife, steel: id };
        const route = planRoute(CATALOGUE, piece, school);
        const step = route.steps.find(({ kind }) => kind === "harden")!;
        if (step.kind !== "harden") throw new Error("not a hardening");
        const magnet_C = predict(CATALOGUE, piece, route, "quick").transformations.magnetLost_C;
        const said = stepSource(step, piece, route, magnet_C, METRIC);
        expect([id, school, said]).not.toEqual([id, school, expect.stringContaining("by hand")]);
        const numbers = [...said.matchAll(/(\d+)°/g)].map(([, n]) => Number(n));
        const sums = {
          kiln: (n: number[]) => 0.5 * (n[0]! + n[1]!),
          magnet: (n: number[]) => n[0]! + n[1]!,
          falling: (n: number[]) => n[0]! + n[1]!,
        };
        const sum =
          school === "forge" ? (said.startsWith("15°") ? numbers[1]! - numbers[0]! : numbers[0]! + numbers[1]!) : sums[school](numbers);
        expect([id, school, Math.abs(sum - step.temperature_C) <= 3]).toEqual([id, school, true]);
      }
    }
  });
  it("a heat somebody typed is said to be typed", () => {
    const route = planRoute(CATALOGUE, knife, "forge");
    const step = route.steps.find(({ kind }) => kind === "harden")!;
    const typed = { ...step, temperature_C: 903 } as typeof step;
    expect(stepSource(typed, knife, route, 736, METRIC)).toMatch(
      /^Changed by hand\. Its range is \d+° to \d+° .* lets go of the magnet at 736°/,
    );
  });
  it("a steel says its heat, its soak and its bath", () => {
    expect(steelFacts(CATALOGUE.steel("80crv2")!, INCHES)).toBe("Hardens from 1499° to 1553 °F after a real soak, in fast oil.");
  });
});

describe("why", () => {
  it("every step has a card of at most sixty words, its heats in the shop's unit", () => {
    const texts = Object.values(WHY_CARDS);
    expect(texts.length).toBeGreaterThan(15);
    for (const text of texts) {
      expect(text.split(/\s+/).length).toBeLessThanOrEqual(60);
      expect(text.length).toBeGreaterThan(80);
    }
    const acts = actsOfRoute(planRoute(CATALOGUE, knife, "forge"));
    const quench = acts.find(({ kind }) => kind === "quench")!;
    expect(whyOf(quench, INCHES)).toMatch(/1022 °F/);
    for (const act of acts) expect(whyOf(act, METRIC)).not.toMatch(/\[/);
  });
});
