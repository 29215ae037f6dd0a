/** Before a hardening heat, while hands are free: bath, oven, the move, tongs and mark; what was seen to is ticked by the log itself. */

import { intoOf, PLATES, readyFor, type Act, type BathSeen, type Into, type PieceState, type Quench, type Ready } from "@tembrak/core";
import { useState } from "react";
import { useBathNow } from "../../../compute/useBathNow.js";
import { useShopBeside } from "../../../instruments/useSimulatedShop.js";
import { useKit, usePieces, useSettings } from "../../../store/useStore.js";
import { readyWords } from "../../../words/readyWords.js";
import type { Bench } from "../useBench.js";
import { Rehearsal } from "./Rehearsal.js";
import { Sheet } from "./Sheet.js";

interface Props {
  readonly state: PieceState;
  readonly act: Act;
  readonly bench: Bench;
  readonly now_ms: number;
}

/** The heat that a piece is hardened from next, by its step; null where none is ahead. */
function hardenStep({ acts, doneAt_ms }: PieceState, act: Act): number | null {
  const ahead = acts.slice(acts.indexOf(act)).find((one) => one.kind === "heat" && one.purpose === "harden" && !doneAt_ms.has(one.id));
  return ahead?.step ?? null;
}

/** What is known of the bath it comes to; null between plates. */
function useBathSeen(into: Pick<Into, "medium" | "bath">, now_ms: number): BathSeen | null {
  const simulated_C = useShopBeside()?.reading?.bath_C;
  const here = useBathNow(into, now_ms);
  if (into.medium === PLATES) return null;
  if (simulated_C !== undefined) return { is_C: simulated_C, age_s: 0 };
  const now = here?.now ?? null;
  return now === null || now.read === null ? { is_C: null, age_s: null } : { is_C: now.mean_C, age_s: now.read.age_s };
}

function useReady({ state, act, now_ms }: Omit<Props, "bench">): readonly Ready[] {
  const kit = useKit() ?? null;
  const others = usePieces() ?? [];
  const step = hardenStep(state, act);
  const quench = state.route?.steps.slice(step ?? 0).find((one): one is Quench => one.kind === "quench");
  const bath = useBathSeen(quench === undefined ? { medium: PLATES } : intoOf(quench), now_ms);
  return step === null || quench === undefined ? [] : readyFor(state, step, { kit, bath, others, now_ms });
}

function Lines({ list }: { list: readonly Ready[] }) {
  const units = useSettings();
  return (
    <ul className="ready-list">
      {list.map((ready) => (
        <li key={ready.what} className={ready.isDone === true ? "is-done" : ""}>
          <span aria-hidden="true">{ready.isDone === true ? "✓" : "·"}</span> {readyWords(ready, units)}
        </li>
      ))}
    </ul>
  );
}

/** In full, on the page before the fire. */
export function ReadyList(props: Props) {
  const list = useReady(props);
  if (list.length === 0) return null;
  return (
    <section aria-label="For its quench">
      <Lines list={list} />
      {list.some(({ what, isDone }) => what === "move" && isDone !== true) ? <Rehearsal state={props.state} bench={props.bench} /> : null}
    </section>
  );
}

/** As a key, before it goes in to be hardened: how many are still to be seen to. */
export function ReadyKey(props: Props) {
  const list = useReady(props);
  const [isOpen, setOpen] = useState(false);
  const left = list.filter(({ isDone }) => isDone === false).length;
  // The oven too: nobody can see from here whether it is on.
  if (left === 0 && !list.some(({ what }) => what === "oven")) return null;
  return (
    <>
      <button type="button" className="small-key" onClick={() => setOpen(true)}>
        Before it goes in{left === 0 ? "" : `: ${left} to see to`}
      </button>
      <Sheet isOpen={isOpen} title="Before it goes in" close="Back to the bench" onClose={() => setOpen(false)}>
        <Lines list={list} />
        <Rehearsal state={props.state} bench={props.bench} />
      </Sheet>
    </>
  );
}
