/** Verb of a colour run as it stands: colour-run. */

import { CATALOGUE } from "../catalogue.js";
import { filmHex, oxideName } from "../colour/oxide.js";
import { InputError } from "../errors.js";
import { planRoute } from "../plan/route.js";
import type { Piece } from "../schema/book.js";
import { requireAny } from "../schema/checkAll.js";
import { colourRun, runPlanOf } from "../plan/colourRun.js";
import { AHEAD_s, runNow } from "../simulate/runNow.js";
import { startNamed } from "./route.js";
import { wayNamed } from "./wayNamed.js";

/** Colours from the working end back, each as far as it reaches. */
function bandsOf(films_nm: readonly number[], places_mm: readonly number[]) {
  const bands: { name: string; hex: string; to_mm: number }[] = [];
  films_nm.forEach((film_nm, i) => {
    const name = oxideName(film_nm);
    const to_mm = i + 1 < places_mm.length ? 0.5 * (places_mm[i]! + places_mm[i + 1]!) : places_mm[i]!;
    const last = bands[bands.length - 1];
    if (last?.name === name) last.to_mm = to_mm;
    else bands.push({ name, hex: filmHex(film_nm), to_mm });
  });
  return bands;
}

const orNull = (seconds: number): number | null => (Number.isFinite(seconds) ? seconds : null);

export function colourRunVerb(input: unknown) {
  const {
    steel,
    piece: shape,
    start,
    use,
    school,
    kit = null,
    seen,
    after_s,
    dip_s,
    heats_s,
    fresh_s,
    ...said
  } = requireAny("VerbColourRun", input);
  const late = seen.findIndex((look, i) => look.after_s > after_s || look.after_s < (seen[i - 1]?.after_s ?? 0));
  if (late >= 0) {
    const path = `/seen/${late}/after_s`;
    throw new InputError({ code: "inconsistent", path, message: `${path}: what was seen stands in its order, none of it after now` });
  }
  const piece: Piece = { name: "Piece", mark: "1", steel: steel.toLowerCase(), start: startNamed(start), use, ...shape };
  const route = planRoute(CATALOGUE, piece, school, { way: wayNamed({ way: "run", ...said }, piece.section), kit });
  const plan = runPlanOf(CATALOGUE, piece, route, { dip_s, heats_s, fresh_s });
  const run = colourRun(piece, plan);
  const now = runNow(run, seen, after_s);
  return {
    wanted: { name: oxideName(run.target_nm), temperature_C: plan.target_C },
    call: now.call,
    isBorneOut: now.isBorneOut,
    isSeen: now.isSeen,
    left_s: orNull(now.left_s),
    from_s: orNull(now.from_s),
    to_s: orNull(now.to_s),
    never: now.never,
    at: { behind_mm: plan.behind_mm, name: now.colour, hex: filmHex(now.watched_nm) },
    edge_C: now.edge_C,
    now: bandsOf(now.along_nm, run.places_mm),
    ahead: { in_s: AHEAD_s, bands: bandsOf(now.ahead_nm, run.places_mm) },
  };
}
