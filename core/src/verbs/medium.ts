/** A medium as the command line names it: one of the catalogue, or a textbook boundary. */

import { CATALOGUE } from "../catalogue.js";
import { InputError } from "../errors.js";
import type { HardenPlan } from "../simulate/harden.js";

export function resolveMedium(medium: string | { heatTransfer_W_m2K: number }, path: string): HardenPlan["medium"] {
  if (typeof medium !== "string") return { kind: "textbook", heatTransfer_W_m2K: medium.heatTransfer_W_m2K };
  const found = CATALOGUE.medium(medium);
  if (found !== undefined) return found;
  const known = CATALOGUE.media.map(({ id }) => id).join(", ");
  throw new InputError({
    code: "unknown-medium",
    path,
    got: medium,
    allowed: known,
    message: `${path}: no medium "${medium}"; there are ${known}, or { "heatTransfer_W_m2K": … }`,
  });
}
