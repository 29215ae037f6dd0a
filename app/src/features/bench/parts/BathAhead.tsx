/** Before a piece goes into the fire: how the bath stands that it comes to, while there is time to warm it. */

import type { Act, PieceState, Quench } from "@tembrak/core";
import { PLATES } from "@tembrak/core";
import { useQuestion } from "../../../compute/useAnswers.js";
import { useBathNow } from "../../../compute/useBathNow.js";
import { useShopBeside } from "../../../instruments/useSimulatedShop.js";
import { useSettings } from "../../../store/useStore.js";
import { bathBefore, bathOffWords } from "../../../words/bathWords.js";

type Heat = Extract<Act, { kind: "heat" }>;

/** The bath that a heat is for; null where it is for none. */
function quenchAfter(state: PieceState, steps: readonly { readonly kind: string }[] | undefined, act: Heat): Quench | null {
  if (act.purpose !== "harden" || steps === undefined) return null;
  const quench = steps.slice(act.step + 1).find((step): step is Quench => step.kind === "quench");
  return quench === undefined || quench.medium === PLATES ? null : quench;
}

function Ahead({ state, planned, done, now_ms }: { state: PieceState; planned: Quench; done: Quench; now_ms: number }) {
  const units = useSettings();
  const here = useBathNow({ medium: planned.medium }, now_ms);
  // A simulated bath is read by its own thermometer, and is none of the kit's.
  const simulated = useShopBeside()?.reading ?? null;
  const isPractice = state.piece.isPractice === true;
  const is_C = simulated !== null && isPractice ? simulated.bath_C : done.bath_C;
  const off = bathOffWords(is_C, planned.bath_C, units);
  return (
    <>
      {here?.now && !isPractice ? <p className="drawn from bath-before">{bathBefore(here.now, units)}</p> : null}
      {off === null ? null : <p className="drawn from bath-off">{off}</p>}
    </>
  );
}

export function BathAhead({ state, act, now_ms }: { state: PieceState; act: Heat; now_ms: number }) {
  const planned = quenchAfter(state, state.route?.steps, act);
  const done = quenchAfter(state, useQuestion(state)?.route.steps, act);
  return planned === null ? null : <Ahead state={state} planned={planned} done={done ?? planned} now_ms={now_ms} />;
}
