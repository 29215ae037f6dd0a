/** The length of a simulated bar: heat that stayed in its body, what a torch or a block puts there, and what of it runs to its end. */

import { constantBoundary, type Boundary } from "../heat/media.js";
import { finScratch, FIN_CONDUCTIVITY_W_mK, makeFin, stepFin, type CellOutside, type Fin } from "../heat/fin.js";
import { girth_mm, sectionArea_mm2 } from "../plan/fit.js";
import type { Piece } from "../schema/book.js";
import { AIR } from "../simulate/section.js";

const CELLS = 40;
/** Further from the end nothing is followed, mm. */
const FOLLOWED_mm = 160;
/** Hot in the fire so far from its end, and no more than this many thicknesses beyond, mm (judgement). */
const HOT_mm = 110;
const FALLS_OVER = 3;
/** A torch, or a block, at the body: from so far behind the hardened end, over so much of its length, mm (judgement). */
const BEHIND_mm = 25;
const WARMED_mm = 40;
/** No glow is left in a body: then its smith puts all of it under, C. */
const BLACK_C = 500;
/** The end is as warm as its cross section is here: held to it, W/m2K. */
const HELD_W_m2K = 20_000;

type BarSection = Exclude<Piece["section"], { shape: "wedge" }>;

/** What happens to a bar for a while. */
export type BarMeets =
  /** All of it as hot as its section, or in a fire an end alone. */
  | { readonly what: "oven" }
  | { readonly what: "fire"; readonly heats: "end" | "all" }
  | { readonly what: "air" }
  | { readonly what: "bath"; readonly wet: Boundary; readonly depth_mm: number }
  | { readonly what: "warmed"; readonly by: Boundary; readonly share: number };

export class BarAlong {
  readonly T: Float64Array;
  readonly from_mm: Float64Array;
  private readonly fin: Fin;
  private readonly scratch = finScratch(CELLS);
  private readonly thick_mm: number;
  /** How deep its end went into a bath since it was in the fire; null where it did not, or all of it did. */
  private dipped_mm: number | null = null;
  /** So far from its end it is as hot as its section, mm. */
  private hot_mm = Infinity;

  constructor(section: BarSection, breadth: number, length_mm: number, room_C: number) {
    const [area_mm2, outline_mm] = [sectionArea_mm2(section, breadth), girth_mm(section, breadth)];
    this.thick_mm = (4 * area_mm2) / outline_mm;
    this.fin = makeFin(CELLS, Math.min(length_mm, FOLLOWED_mm), () => ({ area_m2: area_mm2 / 1e6, outline_m: outline_mm / 1000 }));
    this.from_mm = Float64Array.from({ length: CELLS }, (_, i) => 1000 * this.fin.cell_m * (i + 0.5));
    this.T = new Float64Array(CELLS).fill(room_C);
  }

  /**
   * Lets so many seconds pass.
   * @param section_C as hot as the cross section at its end is @returns what that section meets where the length tells it; null where it
   * has surroundings of its own
   */
  advance(meets: BarMeets, section_C: number, step_s: number): Boundary | null {
    switch (meets.what) {
      case "oven":
        this.T.fill(section_C);
        return null;
      case "fire":
        this.dipped_mm = null;
        this.hot_mm = meets.heats === "end" ? HOT_mm : Infinity;
        this.heat(section_C);
        return null;
      case "bath":
        this.bathe(meets.wet, meets.depth_mm, section_C, step_s);
        return null;
      case "air":
        this.step(step_s, (_, T) => this.air(T));
        if (this.dipped_mm !== null) return constantBoundary(HELD_W_m2K, this.T[0]!);
        // What nobody dipped by its end cools as its section does.
        this.holdTo(this.hot_mm, section_C);
        return null;
      case "warmed": {
        const hard_mm = Math.min(this.dipped_mm ?? Infinity, this.length_mm / 2);
        const to_mm = Math.min(this.length_mm, hard_mm + BEHIND_mm + WARMED_mm);
        const isWarmed = (i: number): boolean => this.from_mm[i]! <= to_mm && this.from_mm[i]! > to_mm - WARMED_mm;
        this.step(step_s, (i, T) =>
          isWarmed(i)
            ? { heatTransfer_W_m2K: meets.share * meets.by.heatTransfer_W_m2K(T), surroundings_C: meets.by.surroundings_C }
            : this.air(T),
        );
        this.dipped_mm ??= hard_mm;
        return constantBoundary(HELD_W_m2K, this.T[0]!);
      }
    }
  }

  private get length_mm(): number {
    return 1000 * this.fin.cell_m * CELLS;
  }

  private air(T: number): CellOutside {
    return { heatTransfer_W_m2K: AIR.heatTransfer_W_m2K(T), surroundings_C: AIR.surroundings_C };
  }

  private step(step_s: number, outside: (cell: number, T_C: number) => CellOutside): void {
    stepFin(this.fin, this.T, step_s, outside, this.scratch);
  }

  private holdTo(to_mm: number, section_C: number): void {
    this.from_mm.forEach((mm, i) => {
      if (mm <= to_mm) this.T[i] = section_C;
    });
  }

  private heat(section_C: number): void {
    this.from_mm.forEach((mm, i) => {
      const beyond_mm = Math.max(0, mm - this.hot_mm);
      this.T[i] = AIR.surroundings_C + (section_C - AIR.surroundings_C) * Math.exp(-beyond_mm / (FALLS_OVER * this.thick_mm));
    });
  }

  private bathe(wet: Boundary, depth_mm: number, section_C: number, step_s: number): void {
    this.hot_mm = Infinity;
    // Once no glow is left in the body all of it goes under.
    const isDark = this.T.every((T) => T < BLACK_C);
    const to_mm = isDark ? Infinity : depth_mm;
    this.dipped_mm = depth_mm < this.length_mm ? depth_mm : null;
    // From the middle of a bar to its skin: a quarter of its thickness, about.
    const inside_m2K_W = this.thick_mm / 4000 / FIN_CONDUCTIVITY_W_mK;
    // The face of the end is wet too.
    const endShare = 1 + this.fin.area_m2[0]! / (this.fin.outline_m[0]! * this.fin.cell_m);
    this.step(step_s, (i, T) =>
      this.from_mm[i]! <= to_mm
        ? {
            heatTransfer_W_m2K: (i === 0 ? endShare : 1) / (1 / wet.heatTransfer_W_m2K(T) + inside_m2K_W),
            surroundings_C: wet.surroundings_C,
          }
        : this.air(T),
    );
    // What is well under is as cold as its section, which has the heat of its own transformations.
    this.holdTo(Math.max(this.from_mm[0]!, depth_mm - this.thick_mm / 2), section_C);
  }
}
