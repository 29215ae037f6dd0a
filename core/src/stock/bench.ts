/** Members of a belief, hardened: what of each is dissolved at a heat, worked out once for a grade, and where each comes to in a bath. */

import type { Agitation } from "../heat/media.js";
import { isWater } from "../heat/bathKind.js";
import type { Composition } from "../kinetics/composition.js";
import { a3_C, acm_C, eutectoidCarbon_wtpct } from "../kinetics/composition.js";
import type { PriorStructure } from "../kinetics/structure.js";
import type { Medium } from "../schema/medium.js";
import type { Section } from "../schema/parts.js";
import { GRADES } from "./grades.js";
import { dissolvedAt, fallsIn, hardenedAlong, type Dissolved, type Fall, type Hardened } from "./quick.js";
import type { Member } from "./members.js";

export interface Treated {
  readonly section: Section;
  readonly heat_C: number;
  readonly hold_min: number;
  readonly medium: Medium;
  readonly bath_C: number;
  readonly agitation?: Agitation;
  readonly prior?: PriorStructure;
}

/** So far above the change a bar that nobody knows is hardened, K: of low carbon above A3, of high a little above A1 (common practice, no source). */
const [ABOVE_K, HIGH_C] = [45, 800];
const [LOWEST_C, HIGHEST_C] = [780, 900];
const USUAL_HOLD_MIN = 5;

/** The heat such a steel wants, C, to five. */
export function usualHeat_C(steel: Composition): number {
  const heat = steel.C >= eutectoidCarbon_wtpct(steel) ? Math.max(HIGH_C, Math.min(acm_C(steel), HIGH_C + ABOVE_K)) : a3_C(steel) + ABOVE_K;
  return 5 * Math.round(Math.min(HIGHEST_C, Math.max(LOWEST_C, heat)) / 5);
}

/** One desk for one belief: what was worked out once for a grade, and for a fall, is kept. */
export class Bench {
  private readonly dissolved = new Map<string, Dissolved>();
  private readonly falls = new Map<string, { readonly centre: Fall; readonly surface: Fall }>();
  private readonly middle: ReadonlyMap<string, Composition>;

  constructor(private readonly members: readonly Member[]) {
    this.middle = new Map(
      GRADES.flatMap(({ id }) => {
        const own = members.filter(({ grade }) => grade === id).map(({ steel }) => steel);
        if (own.length === 0) return [];
        const mean = (element: keyof Composition): number => own.reduce((sum, steel) => sum + steel[element], 0) / own.length;
        const steel = {
          C: mean("C"),
          Mn: mean("Mn"),
          Si: mean("Si"),
          Cr: mean("Cr"),
          Ni: mean("Ni"),
          Mo: mean("Mo"),
          V: mean("V"),
          W: mean("W"),
        };
        return [[id, steel] as const];
      }),
    );
  }

  /** What of a member is dissolved: by its grade; of what no grade names, by itself. */
  dissolvedIn({ grade, steel }: Member, heat_C: number, hold_min: number, prior: PriorStructure): Dissolved {
    const isOwn = grade === "other";
    const key = `${isOwn ? JSON.stringify(steel) : grade} ${heat_C} ${hold_min} ${prior}`;
    const found = this.dissolved.get(key) ?? dissolvedAt(isOwn ? steel : this.middle.get(grade)!, prior, heat_C, hold_min);
    this.dissolved.set(key, found);
    return found;
  }

  fallOf({ section, medium, bath_C, agitation = "mild", heat_C }: Treated): { readonly centre: Fall; readonly surface: Fall } {
    const key = JSON.stringify([section, medium.id, bath_C, agitation]);
    const found =
      this.falls.get(key) ?? fallsIn(section, { medium, bath_C, agitation, immersion: { kind: "full" } }, Math.max(heat_C, 850));
    this.falls.set(key, found);
    return found;
  }

  /** Where a member comes to, at its skin or in its middle. */
  harden(member: Member, treated: Treated, at: "surface" | "centre"): Hardened {
    const { heat_C, hold_min, prior = "pearlite", medium } = treated;
    const fall = this.fallOf(treated)[at];
    const dissolved = this.dissolvedIn(member, heat_C, hold_min, prior);
    return hardenedAlong(member.steel, dissolved, fall, member.rateRatio, isWater(medium) ? member.waterRatio : member.bathRatio);
  }

  /** How thick a flat of each member hardens through in a bath, mm, from the heat it wants: four fifths hard in its middle. */
  depths_mm(medium: Medium): number[] {
    return this.members.map((member) => {
      const hard = (i: number): number =>
        this.harden(
          member,
          {
            section: { shape: "plate", thickness_mm: FLATS_mm[i]! },
            heat_C: usualHeat_C(this.middle.get(member.grade)!),
            hold_min: USUAL_HOLD_MIN,
            medium,
            bath_C: medium.usualBath_C,
          },
          "centre",
        ).hard;
      let [low, high] = [-1, FLATS_mm.length];
      while (high - low > 1) {
        const middle = Math.floor((low + high) / 2);
        if (hard(middle) >= THROUGH) low = middle;
        else high = middle;
      }
      if (low < 0) return FLATS_mm[0]! * 0.8;
      if (high >= FLATS_mm.length) return FLATS_mm.at(-1)!;
      const [a, b] = [hard(low), hard(high)];
      const share = a - b <= 1e-9 ? 0.5 : (a - THROUGH) / (a - b);
      return FLATS_mm[low]! * (FLATS_mm[high]! / FLATS_mm[low]!) ** share;
    });
  }
}

/** Hard through: as everywhere in this core. */
const THROUGH = 0.8;
const FLATS_mm: readonly number[] = [1.5, 2.2, 3.2, 4.5, 6.3, 9, 12.5, 18, 25, 36, 50];
