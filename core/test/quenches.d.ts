/** Quenches for tests, said shortly: one bath and marks beside it. Written as the list of dips they are by the road from version 16. */
import { type EndName, type Quench } from "../src/plan/dips.js";
export interface Marks {
  readonly medium?: string;
  readonly bath_C?: number;
  readonly agitation?: "none" | "mild" | "strong";
  readonly edgeDepth_mm?: number | undefined;
  readonly edgeFirst?: boolean;
  readonly part?: {
    readonly end: EndName;
    readonly depth_mm: number;
  };
  readonly leavesHeat?: boolean;
  readonly transfer_s?: number;
  readonly bath_s?: number | undefined;
  readonly then?: {
    readonly after_s: number;
    readonly medium?: string;
    readonly bath_C?: number;
  };
  readonly turns?: {
    readonly depth_mm: number;
    readonly first_s: number;
    readonly second_s: number;
  };
  readonly backFirst?: {
    readonly depth_mm: number;
    readonly after_s: number;
  };
  readonly clay?: Quench["clay"];
  readonly why?: Quench["why"];
}
/** A bath with marks beside it, as dips. */
export declare function bathed(marks: Marks): Quench;
/** A quench of one dip with these marks beside its own. */
export declare function marked({ dips, ...own }: Quench, marks: Marks): Quench;
