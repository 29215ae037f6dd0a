/** Runs the kernels before anyone asks, so that the engine has compiled them when the first question comes. */

import type { Catalogue } from "../plan/catalogue.js";
import { resolveSteel } from "../plan/catalogue.js";
import { runMembers } from "../simulate/hardenSpread.js";
import { MEMBERS } from "../schema/job.js";

/** Parts of a rehearsal: a question that comes in between waits for one of them only. */
export const REHEARSALS = 8;

/** One part: a small blade of the catalogue's first steel and first bath is hardened, coarsely. What comes out is thrown away. */
export function rehearse(catalogue: Catalogue, part: number): void {
  const [steel, medium] = [catalogue.steels[0], catalogue.media[0]];
  if (steel === undefined || medium === undefined) return;
  const plan = {
    steel: resolveSteel(catalogue, steel.id),
    prior: "pearlite",
    section: { shape: "wedge", spine_mm: 5, edge_mm: 1, height_mm: 30 },
    heat_C: 820,
    hold_s: 120,
    transfer_s: 1,
    medium,
    bath_C: medium.usualBath_C,
    agitation: "mild",
    bath_s: null,
    immersion: { kind: "full" },
  } as const;
  runMembers(plan, MEMBERS, part % MEMBERS, (part % MEMBERS) + 1);
}
