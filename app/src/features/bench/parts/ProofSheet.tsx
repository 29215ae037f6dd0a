/** Proofs of the finished piece, each with its pass line and its caution; how it ended is one tap. */

import { grainSeen, type PieceState, type Proof } from "@tembrak/core";
import { useState } from "react";
import { OUTCOME_MEANS, OUTCOME_WORDS, OUTCOMES_OF, PROOF_WORDS, proofsFor } from "../../../words/workWords.js";
import { useStanding } from "../../../compute/useAnswers.js";
import { BreakLooks } from "../../../parts/BreakLooks.js";
import { breakWords } from "../../../words/breakWords.js";
import type { ActProps } from "./ActKey.js";
import { Sheet } from "./Sheet.js";

/** The outcomes that were logged of this piece, the newest of each. */
function outcomeOf({ checks }: PieceState, of: Proof) {
  const last = checks.findLast(({ reading }) => reading.check === "proof" && reading.of === of)?.reading;
  return last?.check === "proof" ? last.outcome : null;
}

/** A coupon that had the same heat, broken: which of the drawings it looks like. */
function BrokenCoupon({ state, bench }: Pick<ActProps, "state" | "bench">) {
  const seen = grainSeen(state);
  const astm = useStanding(state).data?.hardening.austenite.astmGrain ?? null;
  return (
    <>
      <BreakLooks seen={seen} isDisabled={bench.isStoring} onSeen={(look) => bench.check({ check: "grain", of: "coupon", look })} />
      {seen === null ? null : <p role="status">{breakWords(seen, astm)}</p>}
    </>
  );
}

export function ProofSheet({ state, bench }: Pick<ActProps, "state" | "bench">) {
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <button type="button" className="small-key" onClick={() => setOpen(true)}>
        Prove it in use
      </button>
      <Sheet isOpen={isOpen} title="Proofs" close="Back to the bench" onClose={() => setOpen(false)}>
        {proofsFor(state.piece).map((of) => {
          const { name, pass, caution } = PROOF_WORDS[of];
          const outcome = outcomeOf(state, of);
          return (
            <section key={of} className="proof">
              <h3>{name}</h3>
              <p>{pass}</p>
              <p className="drawn">{caution}</p>
              {of === "coupon" ? (
                <BrokenCoupon state={state} bench={bench} />
              ) : (
                <div className="straighten-keys" role="group" aria-label={name}>
                  {OUTCOMES_OF[of].map((end) => (
                    <button
                      key={end}
                      type="button"
                      className="small-key"
                      aria-pressed={outcome === end}
                      disabled={bench.isStoring}
                      onClick={() => bench.check({ check: "proof", of, outcome: end })}
                    >
                      {OUTCOME_WORDS[end]}
                    </button>
                  ))}
                </div>
              )}
              {outcome === null ? null : <p role="status">{OUTCOME_MEANS[outcome]}</p>}
            </section>
          );
        })}
      </Sheet>
    </>
  );
}
