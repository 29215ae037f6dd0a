/** A bath of this shop as it stands now. */

import { bathFor, bathLog, bathNow, CATALOGUE, type Bath, type BathEntryAt, type BathNow, type Into } from "@tembrak/core";
import { useMemo } from "react";
import { useBathEntries, useKit, usePieces } from "../store/useStore.js";

export interface BathHere {
  readonly bath: Bath;
  readonly log: readonly BathEntryAt[];
  /** Null for what is no liquid. */
  readonly now: BathNow | null;
}

/** A screen looks at its clock now and then: what was logged since is known at once, and not at its next look, ms. */
const BETWEEN_LOOKS_ms = 30_000;

function sinceLook_ms(log: readonly BathEntryAt[], now_ms: number): number {
  const last_ms = log.at(-1)?.at_ms ?? 0;
  return last_ms - now_ms < BETWEEN_LOOKS_ms ? Math.max(now_ms, last_ms) : now_ms;
}

/** Null where the kit has no such bath. @param of its id, or what is in it */
export function useBathNow(of: { readonly id: string } | Pick<Into, "medium" | "bath">, now_ms: number): BathHere | null {
  const kit = useKit();
  const pieces = usePieces();
  const entries = useBathEntries();
  const byId = "id" in of ? of.id : null;
  const byMedium = "id" in of ? null : of.medium;
  const named = "id" in of ? undefined : of.bath;
  const bath = useMemo(
    () =>
      (kit ?? []).find((item): item is Bath => item.kind === "bath" && item.id === byId) ??
      (kit && byMedium !== null ? bathFor(kit, { medium: byMedium, ...(named === undefined ? {} : { bath: named }) }) : undefined),
    [kit, byId, byMedium, named],
  );
  const log = useMemo(
    () => (bath === undefined || !kit ? [] : bathLog(bath, kit, pieces ?? [], entries.get(bath.id) ?? [])),
    [bath, kit, pieces, entries],
  );
  return bath === undefined ? null : { bath, log, now: bathNow(CATALOGUE, bath, log, sinceLook_ms(log, now_ms)) };
}
