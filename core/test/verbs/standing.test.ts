import { describe, expect, it } from "@jest/globals";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { InputError } from "../../src/errors.js";
import { makeDesk } from "../../src/simulate/desk.js";
import { runVerb } from "../../src/verbs/index.js";

const KNIFE = {
  steel: "1084",
  piece: { kind: "knife", section: { shape: "wedge", spine_mm: 3.5, edge_mm: 0.6, height_mm: 34 }, length_mm: 240 },
  start: "forged",
  use: "slicer",
  school: "forge",
};
interface Place {
  readonly temperature_C: number;
  readonly hrc: number | null;
  readonly martensite: number;
}
interface Answer {
  readonly now: Readonly<Record<string, Place>>;
  readonly windows: {
    readonly straighten: { from_s: number; to_s: number } | null;
    readonly handWarm_s: number | null;
    readonly temperBy_s: number | null;
  };
  readonly expected: {
    readonly hrc: { mean: number; sd: number };
    readonly p05: number;
    readonly p95: number;
    readonly chanceHard: number;
  };
  readonly planned: { readonly hrc: { mean: number; sd: number } };
  readonly because: readonly { readonly code: string; readonly message: string }[];
}
/** One for all that stands on the same few plans: remembered or not the bytes are the same (desk.test.ts). */
const desk = makeDesk();
const ask = (log: readonly object[], now_s: number, more: object = {}): Answer =>
  runVerb("standing", { ...KNIFE, ...more, log, now_s }, desk) as Answer;

const heated = (temperature_C: number) => [
  { at_s: 0, act: "fire-in" },
  { at_s: 240, act: "heat", temperature_C, sd_C: 8 },
  { at_s: 270, act: "fire-out" },
];
const quenched = (transfer_s: number, bath_s: number) => [
  ...heated(785),
  { at_s: 270 + transfer_s, act: "bath-in" },
  { at_s: 270 + transfer_s + bath_s, act: "bath-out" },
];
const codes = ({ because }: Answer): string[] => because.map(({ code }) => code);

describe("a piece as it stands, from the command line", () => {
  it("an end that its body draws is warm again after the bath, and as soft as the prediction has it", () => {
    const hammer = {
      steel: "1045",
      piece: { kind: "hammer", section: { shape: "square", side_mm: 30 }, length_mm: 110 },
      use: "hammer-face",
      way: "face",
    };
    const after = (bath_s: number, now_s: number): Answer => ask(quenched(2, bath_s), 272 + bath_s + now_s, hammer);
    const { temperature_C } = after(30, 300).now.surface!;
    // A half of the heat of a body that is still at a cherry red comes back to the face within minutes: blue or hotter (common practice, no source).
    expect(temperature_C).toBeGreaterThan(290);
    expect(temperature_C).toBeLessThan(400);
    expect(after(30, 5).now.surface!.hrc!).toBeGreaterThan(57);
    expect(after(30, 9000).now.surface!.hrc!).toBeLessThan(52);
    // All of it under until its body is black leaves nothing to draw it.
    expect(after(300, 300).now.surface!.temperature_C).toBeLessThan(30);
    expect(after(300, 9000).now.surface!.hrc!).toBeGreaterThan(57);
  });
  it("nothing logged is the plan, and says no reason", () => {
    const answer = ask([], 0);
    expect(answer.expected.hrc).toEqual(answer.planned.hrc);
    expect(answer.because).toEqual([]);
    expect(answer.now["edge"]!.temperature_C).toBeLessThan(30);
  });
  it("now is what the section went through: red out of the fire, hard once it is cold", () => {
    const red = ask(heated(785), 271);
    expect(red.now["spine"]!.temperature_C).toBeGreaterThan(700);
    expect(red.now["spine"]!.hrc).toBeNull();
    const hard = ask(quenched(2, 14), 3000);
    expect(hard.now["edge"]!.martensite).toBeGreaterThan(0.8);
    expect(hard.now["edge"]!.temperature_C).toBeLessThan(60);
  });
  it("windows are those of the hardening with the same seconds, on the clock of the log", () => {
    const { windows } = ask(quenched(2, 14), 300);
    const answer = runVerb("harden", {
      steel: "1084",
      priorStructure: "pearlite",
      section: KNIFE.piece.section,
      austenitise: { temperature_C: 785, hold_min: 0.5 },
      transfer_s: 2,
      quench: { medium: "fast-oil", bath_C: 55, agitation: "mild", time_s: 14 },
    }) as { straighten: { from_s: number; to_s: number }; handWarm_s: number };
    expect(windows.straighten!.from_s - 272).toBeCloseTo(answer.straighten.from_s, 6);
    expect(windows.straighten!.to_s - 272).toBeCloseTo(answer.straighten.to_s, 6);
    expect(windows.handWarm_s! - 272).toBeCloseTo(answer.handWarm_s, 6);
    expect(windows.temperBy_s).toBe(272 + 14 + 3600);
  });
  it.each([
    ["too hot", [...heated(880), ...quenched(2, 14).slice(3)], "heat-too-high"],
    ["too cold", [...heated(738), ...quenched(2, 14).slice(3)], "heat-too-low"],
    ["slow to the bath", quenched(11, 14), "slow-transfer"],
    ["out too soon", quenched(2, 3), "out-too-soon"],
    ["another bath", [...heated(785), { at_s: 272, act: "bath-in", medium: "water", bath_C: 20 }], "other-bath"],
    [
      "a wrong oven",
      [...quenched(2, 14), { at_s: 2000, act: "oven-in", set_C: 190, thermometer_C: 275 }, { at_s: 9200, act: "oven-out" }],
      "temper-too-hot",
    ],
    [
      "a soft file",
      [...quenched(2, 14), { at_s: 1900, act: "test", files: [{ hrc: 55, result: "bites" }], decarburised: false }],
      "tested",
    ],
  ])("%s moves it, and is said", (_, log, code) => {
    const answer = ask(log, 10_000);
    expect(codes(answer)).toContain(code);
    expect(answer.expected.hrc).not.toEqual(answer.planned.hrc);
  });
  it("out of the fire and in no bath yet it has been on its way until now", () => {
    const at = (now_s: number): Answer => ask(heated(785), now_s);
    expect(at(271).expected.hrc).toEqual(at(270).expected.hrc);
    const late = at(270 + 45);
    expect(late.because.map(({ message }) => message).join()).toMatch(/^45\.0 s out of the fire: /);
    expect(late.expected.hrc.mean).toBeLessThan(at(270).expected.hrc.mean - 10);
    expect(late.expected.chanceHard).toBeLessThan(0.5);
  });
  it("in the fire it rises, as a small forge usually brings it, and no further than it is to come", () => {
    const at = (now_s: number) => ask([{ at_s: 0, act: "fire-in" }], now_s);
    const [soon, later, long] = [at(60), at(180), at(1500)].map(({ now }) => now["edge"]!.temperature_C);
    // 150 C a minute (judgement).
    expect(soon).toBeCloseTo(170, -1.5);
    expect(later).toBeCloseTo(470, -1.5);
    expect(long).toBeGreaterThan(later! + 200);
    expect(long).toBe(at(2500).now["edge"]!.temperature_C);
    expect(at(60).windows).toEqual({ straighten: null, handWarm_s: null, temperBy_s: null });
  });
  it("a temper and a hold that nobody has ended last as long as they have lasted", () => {
    const oven = [...quenched(2, 14), { at_s: 2000, act: "oven-in", set_C: 230, thermometer_C: 230 }];
    const mean = (hours: number): number => ask(oven, 2000 + 3600 * hours).expected.hrc.mean;
    expect(mean(1.5)).toBe(mean(1));
    expect(mean(20)).toBeLessThan(mean(1) - 0.3);
    const held = (minutes: number): Answer => ask(heated(785).slice(0, 2), 240 + 60 * minutes);
    expect(held(60).expected.hrc).not.toEqual(held(0.5).expected.hrc);
  });
  it("a test narrows, and a file that bites leaves little chance that it hardened", () => {
    const before = ask(quenched(2, 14), 1500);
    const tested = ask([...quenched(2, 14), { at_s: 1400, act: "test", rockwell: { readings: [64, 64.5, 64], blockBias: 0 } }], 1500);
    expect(tested.expected.hrc.sd).toBeLessThan(before.expected.hrc.sd);
    const files = [60, 55, 50].map((hrc) => ({ hrc, result: "bites" }));
    const soft = ask([...quenched(2, 14), { at_s: 1400, act: "test", files, decarburised: false }], 1500);
    expect(soft.expected.chanceHard).toBeLessThan(0.2);
  });
  it("of two ends the other is told beside the one that moved", () => {
    const hammer = {
      steel: "w1",
      piece: { kind: "hammer", section: { shape: "square", side_mm: 28 }, length_mm: 90 },
      use: "hammer-face",
      way: "ends",
    };
    const slow = ask(quenched(11, 300), 10_000, hammer).because.find(({ code }) => code === "slow-transfer")!;
    expect(slow.message).toMatch(/surface -?\d+ HRC, planned \d+; .*; working end \d+ HRC, planned \d+\.$/);
    // Out at once: warmed through by the rest, and soft.
    expect(ask(quenched(2, 1), 900, hammer).now["surface"]!.hrc ?? 0).toBeLessThan(50);
    expect(ask(quenched(2, 3), 10_000).because[0]!.message).not.toMatch(/end \d/);
  });
  it("what comes later than now has not happened yet", () => {
    expect(ask(quenched(2, 3), 271).because.map(({ code }) => code)).not.toContain("out-too-soon");
  });
  it("a log that runs backwards is refused, with its place", () => {
    const backwards = [
      { at_s: 5, act: "fire-in" },
      { at_s: 2, act: "fire-out" },
    ];
    expect(() => ask(backwards, 10)).toThrow(InputError);
    expect(() => ask(backwards, 10)).toThrow(/\/log\/1\/at_s/);
  });
});

describe("parts of a piece, from the command line", () => {
  const IRON = {
    piece: { kind: "chisel", section: { shape: "plate", thickness_mm: 4, width_mm: 50 }, length_mm: 150 },
    use: "wood-chisel",
  };
  it("a plane iron is told at its edge where its bevel is said, and as its flat where not", () => {
    const bevel = { edge_mm: 0.8, length_mm: 9, faces: "one" };
    const [iron, flat] = [ask([], 0, { ...IRON, piece: { ...IRON.piece, bevel } }), ask([], 0, IRON)];
    expect(iron.now["edge"]).toBeDefined();
    expect(flat.now["edge"]).toBeUndefined();
    expect(iron.expected.chanceHard).toBeGreaterThan(flat.expected.chanceHard);
  });
  it("a part in the fire says how far it is hard, and from where it stays as it was", () => {
    const steps = [
      { kind: "harden", temperature_C: 800, hold_min: 2, why: "shade-past", inFire_mm: 160 },
      {
        kind: "quench",
        dips: [{ under: "all", into: { medium: "fast-oil", bath_C: 55, agitation: "mild" }, until: { is: "cold" } }],
        why: "warm-oil",
      },
    ];
    const { inFire } = ask([], 0, { route: { steps } }).expected as Answer["expected"] & {
      inFire: { hardTo_mm: number; asItWasFrom_mm: number };
    };
    expect(inFire.hardTo_mm).toBeLessThan(160);
    expect(inFire.asItWasFrom_mm).toBeGreaterThan(inFire.hardTo_mm);
  });
});

describe("what a book teaches", () => {
  const book = JSON.parse(readFileSync(join(__dirname, "../migrate/books/version-3.tembrak.json"), "utf8")) as {
    events: { kind: string; id: string; at_ms: number; piece: string; definition?: object }[];
  };
  const learn = (of: object): { factors: { name: string; item?: string; mean: number; sd: number; pieces: number }[] } =>
    runVerb("learn", of) as never;
  it("is the same twice, and counts the pieces behind each factor", () => {
    const { factors } = learn(book);
    expect(factors.length).toBeGreaterThan(0);
    for (const { pieces, sd } of factors) expect([pieces > 0, sd > 0]).toEqual([true, true]);
    expect(JSON.stringify(learn(book))).toBe(JSON.stringify({ factors }));
  });
  it("is nothing from a piece of a steel nobody knows, and the others still teach", () => {
    const events = book.events.map((event) =>
      event.kind === "piece" && event.piece === "demo-9" ? { ...event, definition: { ...event.definition, steel: "unheard-of" } } : event,
    );
    expect(learn({ ...book, events }).factors.some(({ item }) => item === "unheard-of")).toBe(false);
  });
  it("is nothing from practice pieces, however many", () => {
    const practice = {
      ...book,
      events: book.events.map((event) =>
        event.kind === "piece" ? { ...event, definition: { ...event.definition, isPractice: true } } : event,
      ),
    };
    expect(learn(practice).factors).toEqual([]);
  });
  it("a test that was taken back teaches nothing", () => {
    const tests = book.events.filter(({ kind }) => kind === "test");
    const last_ms = Math.max(...book.events.map(({ at_ms }) => at_ms));
    const events = [
      ...book.events,
      ...tests.map(({ id, piece }, i) => ({ id: `back-${i}`, piece, at_ms: last_ms + 1 + i, kind: "withdrawn", event: id })),
    ];
    expect(learn({ ...book, events }).factors.filter(({ name }) => name === "oven" || name === "bath")).toEqual([]);
  });
});

interface Causes {
  readonly causes: readonly { readonly code: string; readonly probability: number }[];
  readonly next: { readonly check: string };
}
describe("why, from the command line, by more than tests", () => {
  const soft = {
    at_s: 2400,
    act: "test",
    files: [
      { hrc: 45, result: "skates" },
      { hrc: 55, result: "bites" },
    ],
    decarburised: false,
  };
  const why = (...more: object[]): Causes =>
    runVerb("diagnose", { ...KNIFE, log: [...quenched(2, 15), soft, ...more], now_s: 9000 }, desk) as Causes;
  const chance = ({ causes }: Causes, code: string): number => causes.find((cause) => cause.code === code)!.probability;
  it("a break like coarse sugar speaks for too much heat, one like silk against it; the last look counts", () => {
    const [coarse, silk] = [why({ at_s: 2500, act: "break", look: 1 }), why({ at_s: 2500, act: "break", look: 5 })];
    expect(chance(coarse, "heat-too-high")).toBeGreaterThan(3 * chance(silk, "heat-too-high"));
    expect(why({ at_s: 2500, act: "break", look: 1 }, { at_s: 2600, act: "break", look: 5 })).toEqual(silk);
  });
  it("a look and what it found count, one that has not happened yet does not", () => {
    const [cold, warm] = ["bath-cold", "bath-warm"].map((answer) => why({ at_s: 2500, act: "found", of: "bath-thermometer", answer }));
    expect(chance(cold!, "cold-bath")).toBeGreaterThan(3 * chance(warm!, "cold-bath"));
    expect(why({ at_s: 9500, act: "found", of: "bath-thermometer", answer: "bath-cold" })).toEqual(why());
  });
  it("hardened again it is as likely to harden as that plan is; where nothing is hardened no chance is told", () => {
    const shallow = { steel: "w1", piece: { ...KNIFE.piece, section: { shape: "wedge", spine_mm: 5, edge_mm: 1.3, height_mm: 34 } } };
    const after = (bath_s: number, files: readonly object[] = soft.files) => {
      const asked = { ...KNIFE, ...shallow, log: [...quenched(2, bath_s), { ...soft, files }], now_s: 9000 };
      return (runVerb("diagnose", asked, desk) as { remedy: { code: string; chance: number | null; changes: readonly object[] } }).remedy;
    };
    const planned = ask([], 0, shallow).expected.chanceHard;
    expect(planned).toBeLessThan(0.9);
    // Out of the bath at once explains it, and so says nothing of bath and steel.
    expect(after(1.5)).toMatchObject({ code: "harden-again", changes: [{ change: "stay-in" }] });
    expect(Math.abs(after(1.5).chance! - planned)).toBeLessThan(0.08);
    expect(after(15)).toMatchObject({ code: "harden-again", changes: [{ change: "bath", medium: "water" }] });
    expect(after(15).chance!).toBeGreaterThan(planned + 0.1);
    expect(after(15, [{ hrc: 65, result: "skates" }])).toMatchObject({ code: "go-on", chance: null });
  });
  it("a look there is none of, and an answer of nothing, are refused with their place", () => {
    expect(() => why({ at_s: 2500, act: "break", look: 6 })).toThrow("look");
    expect(() => why({ at_s: 2500, act: "found", of: "oven-thermometer", answer: "maybe" })).toThrow("answer");
  });
});

describe("a piece that was measured at more places than one, from the command line", () => {
  const section = (spine_mm: number, edge_mm: number, height_mm: number) => ({ shape: "wedge", spine_mm, edge_mm, height_mm });
  const body = { steel: "5160", use: "sword", piece: { kind: "sword", section: section(10, 2, 45), length_mm: 900 } };
  const tip = { at: 1, section: section(3, 1.5, 25) };
  const log = [...heated(845), { at_s: 272, act: "bath-in", medium: "fast-oil", bath_C: 55 }, { at_s: 286, act: "bath-out" }];
  interface AtPlaces {
    readonly now: { readonly stations?: readonly { at: number; edge: Place }[] };
    readonly windows: {
      readonly stations?: readonly { at: number; straighten: { from_s: number; to_s: number } | null; handWarm_s: number }[];
    };
    readonly expected: { readonly stations?: readonly { at: number; hrc: { mean: number }; chanceHard: number }[] };
  }
  const at = (now_s: number, stations: readonly object[]) => {
    const piece = { ...body.piece, ...(stations.length === 0 ? {} : { stations }) };
    return ask(log, now_s, { ...body, piece }) as Answer & AtPlaces;
  };
  it("each place has its own now, window and expectation, in the order given; the piece's window is that of the first to shut", () => {
    const same = { at: 0.5, section: body.piece.section };
    const [plain, said] = [at(312, []), at(312, [tip, same])];
    expect(said.windows.stations!.map((one) => one.at)).toEqual([1, 0.5]);
    expect(said.expected.stations!.map((one) => one.at)).toEqual([1, 0.5]);
    expect(said.windows.straighten).toMatchObject(said.windows.stations![0]!.straighten!);
    expect(said.windows.straighten!.to_s).toBeLessThan(plain.windows.straighten!.to_s);
    expect(said.windows.handWarm_s).toBe(
      Math.max(...said.windows.stations!.map(({ handWarm_s }) => handWarm_s), plain.windows.handWarm_s!),
    );
    // Forty seconds after it went in the thin tip is mostly hard, the body not (seen in the trade).
    const [thin, thick] = said.now.stations!;
    expect(thin!.edge.martensite).toBeGreaterThan(0.5);
    expect(thin!.edge.temperature_C).toBeLessThan(thick!.edge.temperature_C);
    expect(thick!.edge).toEqual(said.now["edge"]);
    expect(plain.now.stations).toBeUndefined();
  });
  it("what it is expected to be is that of the worst place by what is wanted of it", () => {
    const thick = { at: 0.1, section: section(24, 20, 45) };
    const said = at(312, [tip, thick]);
    expect(said.expected.hrc.mean).toBeCloseTo(Math.min(...said.expected.stations!.map(({ hrc }) => hrc.mean)), 6);
  });
  it("a place outside the piece is refused by its path", () => {
    expect(() => at(312, [{ ...tip, at: 1.2 }])).toThrow("/piece/stations/0/at");
  });
});

describe("a log that is put right", () => {
  it("an entry that came late counts from when it truly was; the last word on it stands", () => {
    const late = [...heated(785), { at_s: 287, act: "bath-in" }];
    const put = (...true_s: number[]) => [
      ...late,
      ...true_s.map((at_s_true, i) => ({ at_s: 288 + i, act: "correct", entry: 3, at_s_true })),
    ];
    const [asTapped, right] = [ask(late, 400), ask(put(280, 271.5), 400)];
    expect(codes(asTapped)).toContain("slow-transfer");
    expect(codes(right)).not.toContain("slow-transfer");
    expect(right.expected).toEqual(ask([...heated(785), { at_s: 271.5, act: "bath-in" }], 400).expected);
  });
  it("what is no entry before it is a sentence", () => {
    expect(() => ask([...heated(785), { at_s: 300, act: "correct", entry: 7, at_s_true: 2 }], 400)).toThrow("/log/3/entry");
  });
});
