import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { InputError } from "../../src/errors.js";
import { runJob } from "../../src/job/runJob.js";
import { planRoute } from "../../src/plan/route.js";
import { BILLHOOK } from "../pieces.js";
import { runVerb, VERB_NAMES, verbHelp, verbSchema } from "../../src/verbs/index.js";

const good = {
  steel: "1084",
  priorStructure: "pearlite",
  section: { shape: "plate", thickness_mm: 4 },
  austenitise: { temperature_C: 815, hold_min: 5 },
  quench: { medium: "fast-oil", bath_C: 55 },
};

function refusal(verb: string, input: unknown): InputError {
  try {
    runVerb(verb, input);
  } catch (error) {
    if (error instanceof InputError) return error;
    throw error;
  }
  throw new Error("it was not refused");
}

interface Hrc {
  readonly hrc: { readonly mean: number; readonly sd: number };
  readonly hv: number;
}

describe("verbs answer in the shapes of the command line", () => {
  it("harden a plate", () => {
    const answer = runVerb("harden", good) as {
      surface: Hrc;
      centre: Hrc;
      profile: { x_mm: number }[];
      chanceHard: { centre: number };
      edge?: unknown;
    };
    expect(answer.surface.hrc.mean).toBeGreaterThan(60);
    expect(answer.surface.hrc.sd).toBeGreaterThan(0);
    expect(answer.centre.hv).toBeGreaterThan(600);
    expect(answer.profile[0]!.x_mm).toBe(0);
    expect(answer.profile.at(-1)!.x_mm).toBeCloseTo(2, 9);
    expect(answer.edge).toBeUndefined();
    expect(Object.keys(answer)).toEqual(
      expect.arrayContaining([
        "martensite",
        "retainedAustenite",
        "carbonInSolution_wtpct",
        "astmGrain",
        "ms_C",
        "noseMargin_s",
        "straighten",
        "handWarm_s",
        "notices",
      ]),
    );
  });
  it("harden a wedge by composition, in a textbook bath", () => {
    const answer = runVerb("harden", {
      ...good,
      steel: { composition_wtpct: { C: 0.84, Mn: 0.75 } },
      section: { shape: "wedge", spine_mm: 4, edge_mm: 0.8, height_mm: 28 },
      quench: { medium: { heatTransfer_W_m2K: 2500 }, bath_C: 40, immersion: { kind: "full" } },
    }) as { edge: Hrc; spine: Hrc; profile: { y_mm: number }[] };
    expect(answer.edge.hrc.mean).toBeGreaterThan(60);
    expect(answer.spine.hrc.mean).toBeGreaterThan(30);
    expect(answer.profile[0]!.y_mm).toBeGreaterThan(0);
  });
  it("harden in two baths: the second takes what the first left, in air it would have stayed softer", () => {
    const section = { shape: "plate", thickness_mm: 12 };
    const mean = (quench: object): number =>
      (runVerb("harden", { ...good, section, quench: { ...good.quench, ...quench } }) as { centre: Hrc }).centre.hrc.mean;
    const out = mean({ time_s: 2 });
    expect(mean({ time_s: 2, dips: [{ medium: "water" }] })).toBeGreaterThan(out + 5);
    expect(mean({ time_s: 2, dips: [{ medium: "water", air_s: 300 }] })).toBeCloseTo(out, 0);
  });
  it("temper, verdict, convert, glow, oxide, transformations, steels, check-file", () => {
    expect(runVerb("temper", { steel: "1084", cycles: [{ temperature_C: 200, hold_min: 120 }] })).toMatchObject({
      embrittlement: false,
      oxide: { name: "straw" },
    });
    expect(runVerb("verdict", { prior: { mean: 60.5, sd: 2.5 }, files: [{ hrc: 60, result: "skates" }] })).toHaveProperty("p95");
    expect(runVerb("convert", { hrc: 60 })).toMatchObject({ hv: 697, hb: 654, hra: 81.2 });
    expect(runVerb("convert", { hv: 697 })).toMatchObject({ hrc: 60 });
    expect(runVerb("glow", { temperature_C: 800, ambient_lux: 20 })).toMatchObject({
      hex: "#d3310a",
      name: "bright cherry",
      visible: true,
    });
    expect(runVerb("glow", { temperature_C: 400, ambient_lux: 20 })).toMatchObject({ name: null, visible: false });
    expect(runVerb("oxide", { temperature_C: 200, hold_min: 120 })).toMatchObject({ name: "straw", hex: "#c0a36e" });
    expect(runVerb("transformations", { steel: "1045" })).toMatchObject({ acm_C: null });
    expect(runVerb("transformations", { steel: "1095" })).toMatchObject({ ac3_C: null });
    expect(runVerb("steels", undefined)).toHaveLength(16);
    expect(runVerb("check-file", { hello: 1 })).toMatchObject({ ok: false, pieces: 0, heats: 0 });
  });
  const bath = { medium: "fast-oil", volume_L: 10, bath_C: 20, pieces: [{ mass_kg: 0.5, temperature_C: 815, length_mm: 200 }] };
  it("bath: rise, level, how many more, warming it, and what oil can do to a shop", () => {
    const answer = runVerb("bath", { ...bath, tank: { kind: "round", width_mm: 180, depth_mm: 500, fill_mm: 393 } }) as {
      pieces: { rise_C: number; bath_C: number; covered: boolean }[];
      piecesBeforeLimit: number;
      flashMargin_C: number;
      warmUp: { to_C: number; barMass_kg: number; dips: number };
      notices: { code: string }[];
    };
    expect(answer.pieces[0]!.rise_C).toBeGreaterThan(10);
    expect(answer.pieces[0]!.covered).toBe(true);
    expect(answer.piecesBeforeLimit).toBeGreaterThan(1);
    expect(answer.flashMargin_C).toBeGreaterThan(50);
    expect(answer.warmUp.dips).toBe(Math.ceil(answer.warmUp.barMass_kg));
    expect(answer.notices.map(({ code }) => code)).toEqual(["dry-steel"]);
  });
  it("bath: a litre of oil for a kilogram of steel is too warm and near its flash point, and it says so", () => {
    const { notices } = runVerb("bath", { ...bath, volume_L: 1.5, pieces: [{ mass_kg: 1, temperature_C: 815 }] }) as {
      notices: { code: string }[];
    };
    expect(notices.map(({ code }) => code)).toEqual(expect.arrayContaining(["too-warm", "near-flash"]));
  });
  it("bath: a tank that cannot hold what it is said to hold, and one that runs over", () => {
    const codes = (tank: object, pieces = bath.pieces) =>
      (runVerb("bath", { ...bath, tank, pieces }) as { notices: { code: string }[] }).notices.map(({ code }) => code);
    expect(codes({ kind: "square", width_mm: 100, depth_mm: 500, fill_mm: 300 })).toContain("inconsistent-volume");
    const full = { kind: "round", width_mm: 180, depth_mm: 395, fill_mm: 393 };
    expect(codes(full, [{ mass_kg: 3, temperature_C: 815, length_mm: 200 }])).toContain("overflows");
  });
  it("identify: steels, carbon and depth by coupons, and the next one; a medium nobody has is refused by its place", () => {
    type Found = {
      steels: { id: string; probability: number }[];
      carbon_wtpct: { mean: number; sd: number };
      hardensTo_mm: Record<string, { mean: number; p05: number; p95: number }>;
      nextCoupon: { medium: string; message: string } | null;
      isSafe: boolean;
      notices: { code: string }[];
    };
    const coupon = { section: { shape: "round", diameter_mm: 11 }, heat_C: 830, hold_min: 5, medium: "fast-oil", at: "middle" };
    const files = [
      { hrc: 60, result: "skates" },
      { hrc: 65, result: "bites" },
    ];
    const asked = { source: "coil-spring", media: ["fast-oil", "water"] };
    const before = runVerb("identify", asked) as Found;
    expect(before.isSafe).toBe(false);
    expect(before.nextCoupon?.message).toContain("file the middle");
    expect(before.notices.map(({ code }) => code)).toEqual(expect.arrayContaining(["plated", "cracked"]));
    const after = runVerb("identify", { ...asked, coupons: [{ ...coupon, files }] }) as Found;
    expect(after.steels[0]!.id).toBe("5160");
    expect(after.carbon_wtpct.sd).toBeLessThan(before.carbon_wtpct.sd);
    const { p05, mean, p95 } = after.hardensTo_mm["fast-oil"]!;
    expect(p05 < mean && mean < p95).toBe(true);
    const stainless = runVerb("identify", { source: "unknown", media: ["water"], isMagnetic: false }) as Found;
    expect(stainless.notices.map(({ code }) => code)).toContain("not-magnetic");
    const certified = runVerb("identify", { composition_wtpct: { C: 0.2, Mn: 0.8 }, media: ["water"] }) as Found;
    expect(certified.notices.map(({ code }) => code)).toContain("lean");
    expect(() => runVerb("identify", { ...asked, coupons: [{ ...coupon, medium: "milk" }] })).toThrow(/milk|medium/);
  });
  it("solve: ways with their steps, what is pinned stays, and what may fail says so", () => {
    const asked = {
      steel: "1060",
      school: "kiln",
      start: "as-forged",
      use: "spring",
      piece: { kind: "spring", length_mm: 200, section: { shape: "plate", thickness_mm: 4 } },
    };
    type Told = {
      ways: { name: string; chance: number; steps: { kind: string; temperature_C?: number }[] }[];
      today: { chance: number };
      mayFail: boolean;
    };
    const { ways, today, mayFail } = runVerb("solve", asked) as Told;
    expect(ways[0]!.name).toBe("surest");
    expect(ways[0]!.chance).toBeGreaterThan(today.chance);
    expect(mayFail).toBe(false);
    const pinned = runVerb("solve", { ...asked, pins: [{ step: "heat", temperature_C: 840, hold_min: 10 }] }) as Told;
    expect(pinned.ways[0]!.steps.find(({ kind }) => kind === "harden")?.temperature_C).toBe(840);
  });
  it("soak: how long and how hot until enough is dissolved; null when it never is", () => {
    const question = { steel: "80crv2", priorStructure: "coarse-spheroidised", temperature_C: 830, hold_min: 5 };
    const answer = runVerb("soak", question) as { wanted_wtpct: number; hold_min: number; heatForHold_C: number };
    expect(answer.wanted_wtpct).toBe(0.6);
    expect(answer.hold_min).toBeGreaterThan(8);
    expect(answer.heatForHold_C).toBeGreaterThan(830);
    expect(runVerb("soak", { ...question, steel: "1045", wanted_wtpct: 0.7 })).toMatchObject({ hold_min: null, heatForHold_C: null });
  });
  const history = [
    { kind: "heat", to_C: 815, rise_min: 6, hold_min: 5 },
    { kind: "cool", medium: "still-air", time_s: 1.5 },
    { kind: "cool", medium: "fast-oil", bath_C: 55 },
    { kind: "heat", to_C: 200, rise_min: 20, hold_min: 120 },
    { kind: "cool", medium: "still-air" },
  ];
  const life = {
    steel: { composition_wtpct: { C: 0.84, Mn: 0.75 } },
    priorStructure: "pearlite",
    section: { shape: "plate", thickness_mm: 4 },
  };
  it("simulate a whole history of a steel that is in no list", () => {
    const answer = runVerb("simulate", { ...life, history }) as {
      steps: { kind: string; end_s: number; centre: Record<string, number | boolean | null>; crackRisk?: object }[];
      centre: { hrc: number; temper_C: number };
      profile: object[];
      grindOff_mm: number;
      decarb_mm: number;
    };
    expect(answer.steps.map(({ kind }) => kind)).toEqual(["heat", "cool", "cool", "heat", "cool"]);
    expect(answer.steps[0]!.centre).toMatchObject({ magnetic: false, hrc: null, pearlite: 0 });
    expect(answer.steps[2]!.crackRisk).toBeDefined();
    expect(answer.centre.hrc).toBeGreaterThan(56);
    expect(answer.centre.hrc).toBeLessThan(answer.steps[2]!.centre["hrc"] as number);
    expect(answer.centre.temper_C).toBeGreaterThan(180);
    expect(answer.grindOff_mm).toBeGreaterThanOrEqual(answer.decarb_mm);
    expect(answer.profile.length).toBeGreaterThan(10);
  });
  it("route: steps, what is expected, and a warning for steel of unknown make", () => {
    const asked = {
      steel: "5160",
      piece: { kind: "froe", section: { shape: "wedge", spine_mm: 8, edge_mm: 1.5, height_mm: 60 }, length_mm: 300 },
      start: "reclaimed",
      use: "froe",
      school: "magnet",
    };
    const answer = runVerb("route", asked) as {
      steps: { kind: string; temperature_C?: number }[];
      expected: { hrc: { mean: number } };
      warnings: { code: string }[];
    };
    expect(answer.steps.map(({ kind }) => kind)).toEqual(expect.arrayContaining(["normalise", "harden", "quench", "temper"]));
    expect(answer.expected.hrc.mean).toBeGreaterThan(44);
    expect(answer.warnings.map(({ code }) => code)).toContain("unknown-stock");
    expect(refusal("route", { ...asked, use: "spoon" }).code).toBe("not-a-choice");
    expect(refusal("route", { ...asked, school: "moon" }).path).toBe("/school");
    expect(refusal("route", { ...asked, steel: { composition_wtpct: { C: 0.6 } } }).path).toBe("/steel");
  });
  it("heat-estimate and glow-read, as the command line has them", () => {
    const answer = runVerb("heat-estimate", {
      steel: "1084",
      direction: "heating",
      evidence: [
        { kind: "glow", name: "bright cherry", ambient_lux: 20 },
        { kind: "magnet", state: "free" },
        { kind: "probe", temperature_C: 960 },
      ],
    }) as { mean_C: number; p05_C: number; p95_C: number; conflict: boolean; notices: { code: string }[] };
    expect(answer.conflict).toBe(true);
    expect(answer.notices[0]!.code).toBe("conflict");
    expect(answer.p05_C).toBeLessThan(answer.mean_C);
    const read = runVerb("glow-read", { name: "bright cherry", ambient_lux: 300 }) as { mean_C: number; low_C: number; high_C: number };
    expect(read.low_C).toBeLessThan(read.mean_C);
    expect(read.mean_C).toBeGreaterThan(840);
    expect(refusal("glow-read", { name: "puce", ambient_lux: 20 }).path).toBe("/name");
    expect(refusal("heat-estimate", { steel: "1084", direction: "heating", evidence: [] }).path).toBe("/evidence");
  });
  it("every verb has help and a schema", () => {
    expect(verbHelp().map(({ verb }) => verb)).toEqual(VERB_NAMES);
    for (const name of VERB_NAMES) expect(verbSchema(name)).toHaveProperty("type");
  });
});

describe("verbs refuse with a place", () => {
  const cold = { medium: "fast-oil", volume_L: 10, bath_C: 20, pieces: [{ mass_kg: 0.5, temperature_C: 80 }] };
  const past = { steel: "1084", priorStructure: "pearlite", section: { shape: "plate", thickness_mm: 4 } };
  const hot = { kind: "heat", to_C: 800, hold_min: 2 };
  const rows: readonly [string, string, unknown, string, string][] = [
    [
      "a second bath hotter than the steel",
      "harden",
      { ...good, quench: { ...good.quench, time_s: 3, dips: [{ bath_C: 1200 }] } },
      "bath-hotter-than-steel",
      "/quench/dips/0/bath_C",
    ],
    ["a missing field", "harden", { ...good, priorStructure: undefined }, "missing", "/priorStructure"],
    ["a negative thickness", "harden", { ...good, section: { shape: "plate", thickness_mm: -1 } }, "out-of-range", "/section/thickness_mm"],
    ["an absurd size", "harden", { ...good, section: { shape: "plate", thickness_mm: 9000 } }, "out-of-range", "/section/thickness_mm"],
    ["an unknown shape", "harden", { ...good, section: { shape: "blob" } }, "not-a-choice", "/section/shape"],
    ["a field of another shape", "harden", { ...good, section: { shape: "round", thickness_mm: 3 } }, "missing", "/section/diameter_mm"],
    ["an unknown medium", "harden", { ...good, quench: { medium: "mercury", bath_C: 20 } }, "unknown-medium", "/quench/medium"],
    ["an unknown steel", "harden", { ...good, steel: "1099" }, "unknown-steel", "/steel"],
    ["too much carbon", "transformations", { steel: { composition_wtpct: { C: 4 } } }, "out-of-range", "/steel/composition_wtpct/C"],
    [
      "a bath hotter than the steel",
      "harden",
      { ...good, quench: { medium: "fast-oil", bath_C: 900 } },
      "bath-hotter-than-steel",
      "/quench/bath_C",
    ],
    [
      "an edge deeper than the blade",
      "harden",
      {
        ...good,
        section: { shape: "wedge", spine_mm: 4, edge_mm: 1, height_mm: 25 },
        quench: { ...good.quench, immersion: { kind: "edge", depth_mm: 30 } },
      },
      "edge-deeper-than-blade",
      "/quench/immersion/depth_mm",
    ],
    [
      "a hold below zero",
      "temper",
      { steel: "1084", cycles: [{ temperature_C: 200, hold_min: -5 }] },
      "out-of-range",
      "/cycles/0/hold_min",
    ],
    ["no cycles", "temper", { steel: "1084", cycles: [] }, "out-of-range", "/cycles"],
    ["an unknown word", "glow", { temperature_C: 800, ambient_lux: 20, colour: "red" }, "unknown-property", "/colour"],
    ["text for a number", "glow", { temperature_C: "hot", ambient_lux: 20 }, "wrong-type", "/temperature_C"],
    ["nothing to judge", "verdict", {}, "no-evidence", ""],
    ["an answer that is none", "verdict", { files: [{ hrc: 60, result: "slides" }] }, "not-a-choice", "/files/0/result"],
    ["two scales at once", "convert", { hrc: 60, hv: 700 }, "out-of-range", ""],
    ["a piece colder than its bath", "bath", { ...cold, bath_C: 120 }, "bath-hotter-than-steel", "/pieces/0/temperature_C"],
    ["air as a bath", "bath", { ...cold, medium: "still-air" }, "unknown-medium", "/medium"],
    ["no litres", "bath", { ...cold, volume_L: -4 }, "out-of-range", "/volume_L"],
    [
      "a tank filled over its rim",
      "bath",
      { ...cold, tank: { kind: "round", width_mm: 180, depth_mm: 300, fill_mm: 393 } },
      "out-of-range",
      "/tank/fill_mm",
    ],
    ["a history without steps", "simulate", { ...past, history: [] }, "out-of-range", "/history"],
    ["a step that is none", "simulate", { ...past, history: [{ kind: "wait" }] }, "not-a-choice", "/history/0/kind"],
    [
      "a bath nobody knows",
      "simulate",
      { ...past, history: [hot, { kind: "cool", medium: "tea" }] },
      "unknown-medium",
      "/history/1/medium",
    ],
    [
      "a textbook bath of no temperature",
      "simulate",
      { ...past, history: [hot, { kind: "cool", medium: { heatTransfer_W_m2K: 900 } }] },
      "missing",
      "/history/1/bath_C",
    ],
    [
      "a bath hotter than the piece",
      "simulate",
      { ...past, history: [hot, { kind: "cool", medium: "fast-oil", bath_C: 1000 }] },
      "bath-hotter-than-steel",
      "/history/1/bath_C",
    ],
    [
      "more carbon than a bar can have",
      "soak",
      { ...past, section: undefined, temperature_C: 800, wanted_wtpct: 9 },
      "out-of-range",
      "/wanted_wtpct",
    ],
    ["an unknown verb", "frob", {}, "unknown-verb", ""],
    ["not an object", "temper", [1], "wrong-type", ""],
  ];
  for (const [what, verb, input, code, path] of rows) {
    it(what, () => {
      const error = refusal(verb, JSON.parse(JSON.stringify(input)));
      expect([error.code, error.path]).toEqual([code, path]);
      expect(error.message.length).toBeGreaterThan(8);
      expect(error.message).not.toContain("at Object.");
    });
  }
  it("a name of Object's own is no verb", () => expect(refusal("constructor", {}).code).toBe("unknown-verb"));
});

describe("jobs of the worker", () => {
  const piece = {
    name: "Froe",
    mark: "4",
    kind: "froe",
    steel: "5160",
    start: "as-forged",
    use: "froe",
    length_mm: 314,
    section: { shape: "wedge", spine_mm: 8.5, edge_mm: 1.5, height_mm: 60 },
  } as const;
  it("a good one is done, a bad one comes back as data", () => {
    const route = planRoute(CATALOGUE, piece, "forge");
    const done = runJob(CATALOGUE, { kind: "predict", piece, route, effort: "full" });
    expect(done.type).toBe("done");
    expect(() => JSON.stringify(done)).not.toThrow();
    const failed = runJob(CATALOGUE, { kind: "predict", piece: { ...piece, length_mm: -1 }, route, effort: "full" });
    expect(failed).toMatchObject({ type: "failed", failure: { code: "out-of-range", path: "/piece/length_mm" } });
  });
});

describe("verbs about the shop", () => {
  const piece = BILLHOOK;
  it("fit weighs the piece and names what is missing", () => {
    const answer = runVerb("fit", { piece, school: "kiln", kit: [{ id: "m", kind: "magnet", name: "Magnet" }] }) as {
      mass_kg: number;
      missing: string;
      problems: { place: string; what: string; ways: string[] }[];
    };
    expect(answer.mass_kg).toBeGreaterThan(0.2);
    expect(answer.mass_kg).toBeLessThan(1);
    expect(answer.missing).toMatch(/no kiln/);
    expect(answer.problems.map(({ place }) => place)).toEqual(["kiln", "bath", "oven"]);
    for (const { ways } of answer.problems) expect(ways.length).toBeGreaterThanOrEqual(3);
  });
  it("warm-up tells when each zone is there; calibrate tells lag from offset", () => {
    const fire = { kind: "forge", fuel: "gas", chamber_C: 950, length_mm: 400 };
    const warm = runVerb("warm-up", { piece, fire, target_C: 800 }) as { allThere_s: number; zones: { zone: string }[] };
    expect(warm.zones.map(({ zone }) => zone)).toEqual(["edge", "spine", "tip", "tang"]);
    expect(warm.allThere_s).toBeGreaterThan(60);
    const readings = [5, 12, 40].map((time_min) => ({ time_min, set_C: 200, second_C: 200 - 60 * Math.exp(-time_min / 8) }));
    expect(runVerb("calibrate", { readings })).toMatchObject({ hasLag: true });
  });
});
