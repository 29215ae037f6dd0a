/** Quenches for tests, said shortly: one bath and marks beside it. Written as the list of dips they are by the road from version 16. */

import { step16To17 } from "../src/migrate/book16To17.js";
import { edgeDepth_mm, endUnder, intoOf, isLaid, keepsHeat, lastOf_s, type EndName, type Quench } from "../src/plan/dips.js";

export interface Marks {
  readonly medium?: string;
  readonly bath_C?: number;
  readonly agitation?: "none" | "mild" | "strong";
  readonly edgeDepth_mm?: number | undefined;
  readonly edgeFirst?: boolean;
  readonly part?: { readonly end: EndName; readonly depth_mm: number };
  readonly leavesHeat?: boolean;
  readonly transfer_s?: number;
  readonly bath_s?: number | undefined;
  readonly then?: { readonly after_s: number; readonly medium?: string; readonly bath_C?: number };
  readonly turns?: { readonly depth_mm: number; readonly first_s: number; readonly second_s: number };
  readonly backFirst?: { readonly depth_mm: number; readonly after_s: number };
  readonly clay?: Quench["clay"];
  readonly why?: Quench["why"];
}

/** A bath with marks beside it, as dips. */
export function bathed(marks: Marks): Quench {
  return step16To17({ kind: "quench", medium: "fast-oil", bath_C: 55, agitation: "mild", why: "warm-oil", ...marks }) as Quench;
}

/** A quench of one dip with these marks beside its own. */
export function marked({ dips, ...own }: Quench, marks: Marks): Quench {
  const { medium, bath_C, agitation } = intoOf({ dips });
  const end = endUnder({ dips });
  const edge_mm = edgeDepth_mm({ dips });
  const last_s = lastOf_s({ dips });
  return bathed({
    medium,
    bath_C,
    agitation,
    ...(end === null ? {} : { part: end }),
    ...(edge_mm === undefined ? {} : { edgeDepth_mm: edge_mm }),
    ...(edge_mm === undefined && isLaid({ dips }) ? { edgeFirst: true } : {}),
    ...(last_s === null ? {} : { bath_s: last_s }),
    ...(keepsHeat({ dips }) ? { leavesHeat: true } : {}),
    ...own,
    ...marks,
  });
}
