import { describe, expect, it } from "@jest/globals";
import { CATALOGUE } from "../../src/catalogue.js";
import { HIDDEN } from "../../src/kinetics/changeKernel.js";
import { BAINITE_EXTENT, extentAt, reducedTime, PEARLITE_EXTENT } from "../../src/kinetics/extent.js";
import { rockwellCFromVickers } from "../../src/kinetics/hardness.js";
import { heatingCurve } from "../../src/kinetics/austenite.js";
import { follow } from "../../src/kinetics/follow.js";
import { makeStructure, nodeHardness_HV, refresh, type PriorStructure } from "../../src/kinetics/structure.js";
import { INCONEL_600, NICKEL, STAINLESS } from "../../src/heat/properties.js";
import { constantBoundary } from "../../src/heat/media.js";
import type { HistoryStep } from "../../src/schema/history.js";
import type { BodySection } from "../../src/schema/parts.js";
import { runCourse, type Form } from "../../src/simulate/course.js";
import { runCase, type HardenPlan } from "../../src/simulate/hardenCase.js";
import { allAround, gridOf, type AnyMedium } from "../../src/simulate/section.js";
import { simulate } from "../../src/simulate/simulate.js";
import { steel } from "../catalogue.js";

/** Without hiding, only the order of sums differs. */
const ROUNDING_HRC = 1e-9;
/** A step may leave HIDDEN of each change waiting: 1e-8 of the matrix, 1e-5 HV, and what follows from it in a few hundred steps. */
const HIDING_HRC = 2e-4;

const STEELS = ["1045", "1075", "1084", "1095", "5160", "80crv2", "o1", "52100"] as const;
const SECTIONS: readonly BodySection[] = [
  { shape: "plate", thickness_mm: 3 },
  { shape: "wedge", spine_mm: 6, edge_mm: 1, height_mm: 40 },
  { shape: "round", diameter_mm: 25 },
  { shape: "square", side_mm: 14 },
  { shape: "wedge", spine_mm: 10, edge_mm: 2, height_mm: 50 },
  { shape: "end", diameter_mm: 20, length_mm: 60 },
  { shape: "plate", thickness_mm: 12 },
];
const BATHS = ["fast-oil", "water", "vegetable-oil", "still-air", "brine", "medium-oil"] as const;
const PRIORS: readonly PriorStructure[] = ["pearlite", "fine-spheroidised", "as-forged", "coarse-spheroidised"];

/** Fifty hardenings that between them meet every steel, shape, bath and start, edge quench, interrupted quench, clay and cladding. */
const cases: readonly { readonly name: string; readonly plan: HardenPlan }[] = Array.from({ length: 50 }, (_, i) => {
  const section = SECTIONS[i % SECTIONS.length]!;
  const [id, bath] = [STEELS[(3 * i) % STEELS.length]!, BATHS[(5 * i + Math.floor(i / 8)) % BATHS.length]!];
  const isBlade = section.shape === "wedge";
  const special = i % 4;
  const plan: HardenPlan = {
    steel: steel(id),
    prior: PRIORS[Math.floor(i / 3) % PRIORS.length]!,
    section,
    heat_C: 780 + 15 * (i % 6),
    hold_s: 60 * (1 + (i % 5)),
    transfer_s: 1 + (i % 3),
    medium: CATALOGUE.medium(bath)!,
    bath_C: 20 + 10 * (i % 5),
    agitation: "mild",
    bath_s: special === 1 ? 4 : null,
    immersion: isBlade && special === 2 ? { kind: "edge", depth_mm: 14 } : { kind: "full" },
    ...(isBlade && special === 3 ? { coat: { from_mm: 20, thickness_mm: 2 } } : {}),
    ...(section.shape === "plate" && special === 2 ? { cladding: { material: "stainless", core_mm: 1.5 } } : {}),
  };
  return { name: `${i + 1}: ${id}, ${section.shape}, ${bath}`, plan };
});

describe("the kernel against the form to read", () => {
  const worst = { kernel: 0, unhidden: 0 };
  it("reads every steel, shape, bath and start there is in the list", () => {
    expect(new Set(cases.map(({ plan }) => plan.section)).size).toBe(SECTIONS.length);
    expect(new Set(cases.map(({ plan }) => plan.steel.name)).size).toBe(STEELS.length);
    expect(new Set(cases.map(({ plan }) => plan.medium)).size).toBe(BATHS.length);
    expect(new Set(cases.map(({ plan }) => plan.prior)).size).toBe(PRIORS.length);
    for (const special of ["coat", "cladding"] as const) expect(cases.some(({ plan }) => plan[special])).toBe(true);
    expect(cases.some(({ plan }) => plan.immersion.kind === "edge")).toBe(true);
  });
  for (const { name, plan } of cases) {
    it(`${name}: the same steps, ${ROUNDING_HRC} HRC with nothing hidden, ${HIDING_HRC} as it is used`, () => {
      const run = (form: Form) => runCase(plan, { resolution: "coarse", watch: ({ surface, centre }) => [surface, centre], form });
      const reference = run("reference");
      for (const [form, tolerance_HRC] of [
        ["unhidden", ROUNDING_HRC],
        ["kernel", HIDING_HRC],
      ] as const) {
        const quick = run(form);
        expect(quick.result.steps).toBe(reference.result.steps);
        for (let i = 0; i < reference.structure.count; i++) {
          const [a, b] = [reference, quick].map(({ structure }) => rockwellCFromVickers(nodeHardness_HV(structure, i))) as [number, number];
          worst[form] = Math.max(worst[form], Math.abs(a - b));
        }
        expect(worst[form]).toBeLessThan(tolerance_HRC);
        const [a, b] = [reference, quick].map(({ result }) => result.curve.temperature_C[1]!) as [Float64Array, Float64Array];
        for (let k = 0; k < a.length; k++) expect(Math.abs(a[k]! - b[k]!)).toBeLessThan(1e3 * tolerance_HRC);
      }
    });
  }
  it("is another computation, not the same one twice: hiding shows", () => {
    expect(worst.kernel).toBeGreaterThan(worst.unhidden);
    expect(HIDDEN).toBe(1e-8);
  });

  const bath = CATALOGUE.medium("fast-oil")!;
  const air = CATALOGUE.medium("still-air")!;
  const histories: readonly [string, readonly HistoryStep<AnyMedium>[]][] = [
    [
      "a chamber that heats it through, a quench, a temper in air of 200 C",
      [
        { kind: "chamber", chamber_C: 880, time_min: 25 },
        { kind: "cool", medium: bath, bath_C: 50 },
        { kind: "chamber", chamber_C: 200, time_min: 60 },
      ],
    ],
    [
      "hardened, heated again before it was tempered, quenched again",
      [
        { kind: "heat", to_C: 830, hold_min: 3 },
        { kind: "cool", medium: bath, bath_C: 50, time_s: 3 },
        { kind: "chamber", chamber_C: 900, time_min: 12 },
        { kind: "cool", medium: air, bath_C: 20, until_C: 500 },
        { kind: "cool", medium: bath, bath_C: 50 },
      ],
    ],
    [
      "held below the change until its carbide is round, then cooled at a rate",
      [
        { kind: "chamber", chamber_C: 700, time_min: 120 },
        { kind: "rate", to_C: 500, rate_C_h: 60 },
        { kind: "cool", medium: air, bath_C: 20, until_C: 60 },
      ],
    ],
  ];
  for (const [what, history] of histories) {
    for (const section of [SECTIONS[0]!, SECTIONS[1]!]) {
      it(`${what}, ${section.shape}: the same to ${ROUNDING_HRC} HRC with nothing hidden`, () => {
        const run = (form: Form) =>
          simulate({ steel: steel("80crv2"), prior: "pearlite", section, history }, { resolution: "coarse", form });
        const [reference, unhidden, kernel] = [run("reference"), run("unhidden"), run("kernel")];
        expect(unhidden.curve.time_s.length).toBe(reference.curve.time_s.length);
        reference.profile.forEach(({ hardness_HRC }, i) => {
          expect(Math.abs(unhidden.profile[i]!.hardness_HRC - hardness_HRC)).toBeLessThan(ROUNDING_HRC);
          expect(Math.abs(kernel.profile[i]!.hardness_HRC - hardness_HRC)).toBeLessThan(HIDING_HRC);
        });
      });
    }
  }

  it("bodies that do not change: probes of nickel, Inconel and stainless cool the same to 1e-9 C", () => {
    for (const material of [NICKEL, INCONEL_600, STAINLESS]) {
      for (const section of [SECTIONS[2]!, SECTIONS[3]!]) {
        const { grid, surface } = gridOf(section, "coarse");
        const run = (form: Form) =>
          runCourse({
            grid,
            start_C: 850,
            stretches: [
              { kind: "exchange", surroundings: allAround(section, grid, constantBoundary(1800, 40)), duration_s: 60, longestStep_s: 1 },
            ],
            body: { kind: "plain", material },
            watch: [surface],
            form,
          });
        const [reference, kernel] = [run("reference"), run("kernel")];
        expect(kernel.steps).toBe(reference.steps);
        reference.temperature_C.forEach((T, i) => expect(Math.abs(kernel.temperature_C[i]! - T)).toBeLessThan(1e-9));
        expect(Math.abs(kernel.balance.lost_J_m / reference.balance.lost_J_m - 1)).toBeLessThan(1e-9);
      }
    }
  });
  it("austenite that is as it was before has its own martensite start again, whatever ferrite of an earlier cooling had made of it", () => {
    const s = makeStructure({ nodes: 1, bar_wtpct: steel("1045").composition_wtpct, prior: "pearlite" });
    follow({ structure: s, ...heatingCurve({ heat_C: 850, hold_s: 300 }) });
    refresh(s, 0);
    const own_C = s.martensiteStart_C[0]!;
    s.martensiteStart_C[0] = own_C - 60;
    s.isStale[0] = 1;
    refresh(s, 0);
    expect(s.martensiteStart_C[0]).toBe(own_C);
  });
  it("extent to reduced time and back is where it began, to 1e-12, all along the table", () => {
    for (const shape of [PEARLITE_EXTENT, BAINITE_EXTENT]) {
      for (let k = 1; k < 4000; k++) {
        const u = (k / 4000) * shape.complete;
        expect(Math.abs(reducedTime(extentAt(u, shape), shape) - u)).toBeLessThan(1e-12 * shape.complete);
      }
    }
  });
});
