/** Before a piece goes into the fire: how the bath stands that it comes to, while there is time to warm it. */

import type { Act, BathNow, PieceState, Quench, Into } from "@tembrak/core";
import { intoOf, PLATES } from "@tembrak/core";
import { useBathNow } from "../../../compute/useBathNow.js";
import { useShopBeside } from "../../../instruments/useSimulatedShop.js";
import { useSettings } from "../../../store/useStore.js";
import { bathBefore, bathOffWords } from "../../../words/bathWords.js";

type Heat = Extract<Act, { kind: "heat" }>;

/** The bath that a heat is for; null where it is for none. */
function quenchAfter({ route }: PieceState, act: Heat): Quench | null {
  if (act.purpose !== "harden" || route === null) return null;
  const quench = route.steps.slice(act.step + 1).find((step): step is Quench => step.kind === "quench");
  return quench === undefined || intoOf(quench).medium === PLATES ? null : quench;
}

/** A reading for this piece says so much of its next heat, ms (judgement). */
const STANDS_ms = 3_600_000;

/** What was last read of it for this piece, C; null where that was long ago, or nobody did. */
function lastRead_C({ checks }: PieceState, now_ms: number): number | null {
  const last = checks.findLast(({ reading }) => reading.check === "bath-heat");
  return last?.reading.check === "bath-heat" && now_ms - last.at_ms < STANDS_ms ? last.reading.temperature_C : null;
}

/** How the shop's own bath stands; null for a simulated piece, and where the kit has none. */
function useShopsBath({ piece }: PieceState, into: Pick<Into, "medium" | "bath">, now_ms: number): BathNow | null {
  const here = useBathNow(into, now_ms);
  return piece.isPractice === true ? null : (here?.now ?? null);
}

/** What there is to go by, C: a simulated bath is read by its own thermometer. */
function useIs_C(state: PieceState, now: BathNow | null, now_ms: number): number | null {
  const simulated_C = useShopBeside()?.reading?.bath_C;
  if (simulated_C !== undefined) return simulated_C;
  return now !== null && now.read !== null ? now.mean_C : lastRead_C(state, now_ms);
}

export interface BathOff {
  readonly is_C: number;
  readonly words: string;
}

/** How far the bath a heat is for is off its plan, in words; null where it is right, where nobody read it, and where the heat is for none. */
export function useBathOff(state: PieceState, act: Act, now_ms: number): BathOff | null {
  const units = useSettings();
  const planned = act.kind === "heat" ? quenchAfter(state, act) : null;
  const now = useShopsBath(state, planned === null ? { medium: PLATES } : intoOf(planned), now_ms);
  const is_C = useIs_C(state, now, now_ms);
  const words = is_C === null || planned === null ? null : bathOffWords(is_C, intoOf(planned).bath_C, units);
  return is_C === null || words === null ? null : { is_C, words };
}

function Before({ state, planned, now_ms }: { state: PieceState; planned: Quench; now_ms: number }) {
  const units = useSettings();
  const now = useShopsBath(state, intoOf(planned), now_ms);
  return now === null ? null : <p className="drawn from bath-before ahead">{bathBefore(now, units)}</p>;
}

/** How it stands, whether that is right or not. */
export function BathBefore({ state, act, now_ms }: { state: PieceState; act: Heat; now_ms: number }) {
  const planned = quenchAfter(state, act);
  return planned === null ? null : <Before state={state} planned={planned} now_ms={now_ms} />;
}

/** Said where it is off its plan. */
export function BathAhead({ state, act, now_ms }: { state: PieceState; act: Heat; now_ms: number }) {
  const off = useBathOff(state, act, now_ms);
  return off === null ? null : <p className="drawn from bath-off">{off.words}</p>;
}
