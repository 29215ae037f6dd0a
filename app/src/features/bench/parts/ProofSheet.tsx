/** Proofs of the finished piece, each with its pass line and its caution; how it ended is one tap. */

import { grainSeen, LIMITS, millimetresFromInches, parseNumber, type Check, type PieceState, type Proof } from "@tembrak/core";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { useSettings } from "../../../store/useStore.js";
import { OUTCOME_MEANS, OUTCOME_WORDS, OUTCOMES_OF, PROOF_ASKS, PROOF_WORDS, proofsFor } from "../../../words/workWords.js";
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

type Said = Pick<Extract<Check, { check: "proof" }>, "sample" | "count" | "height_mm" | "force_N">;

/** Without what nobody said. */
function withSaid<K extends keyof Said>(how: Said, key: K, value: Said[K] | null): Said {
  const rest = Object.fromEntries(Object.entries(how).filter(([own]) => own !== key)) as Said;
  return value === null ? rest : { ...rest, [key]: value };
}

/** On what, how often, from how high, how hard: each may be left out. */
function How({ of, how, onChange }: { of: Proof; how: Said; onChange: (how: Said) => void }) {
  const units = useSettings();
  const asks = PROOF_ASKS[of];
  const [texts, setTexts] = useState<Readonly<Record<string, string>>>({});
  if (asks.length === 0) return null;
  const number = (key: "count" | "height_mm" | "force_N", label: string, toStored: (typed: number) => number | null) => {
    const text = texts[key] ?? "";
    const typed = parseNumber(text);
    const [least, most] = LIMITS.proof[key];
    const stored = typed === null ? null : toStored(typed);
    const isBad = text.trim() !== "" && (stored === null || stored < least || stored > most);
    return (
      <TextField
        size="small"
        label={label}
        value={text}
        error={isBad}
        helperText={isBad ? "A number that can be." : " "}
        onChange={(event) => {
          setTexts({ ...texts, [key]: event.target.value });
          const next = parseNumber(event.target.value);
          const value = next === null ? null : toStored(next);
          onChange(withSaid(how, key, value === null || value < least || value > most ? null : value));
        }}
      />
    );
  };
  const inches = units.length === "in";
  return (
    <div className="proof-how">
      {asks.includes("sample") ? (
        <TextField
          size="small"
          label="On what"
          value={how.sample ?? ""}
          helperText=" "
          onChange={(event) => onChange(withSaid(how, "sample", event.target.value.slice(0, 60) || null))}
        />
      ) : null}
      {asks.includes("count") ? number("count", "How often", (typed) => (Number.isInteger(typed) ? typed : null)) : null}
      {asks.includes("height")
        ? number("height_mm", `From how high, ${units.length}`, (typed) => (inches ? millimetresFromInches(typed) : typed))
        : null}
      {asks.includes("force") ? number("force_N", "How hard, N", (typed) => typed) : null}
    </div>
  );
}

export function ProofSheet({ state, bench }: Pick<ActProps, "state" | "bench">) {
  const [isOpen, setOpen] = useState(false);
  const [hows, setHows] = useState<Readonly<Partial<Record<Proof, Said>>>>({});
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
              <How of={of} how={hows[of] ?? {}} onChange={(how) => setHows({ ...hows, [of]: how })} />
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
                      onClick={() => bench.check({ check: "proof", of, outcome: end, ...hows[of] })}
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
