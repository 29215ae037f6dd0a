/** What to do when it is not to be done: cracked, broken, given up, lost; and the way back from there. */

import { CATALOGUE, FATES, forgedAnew, grainSeen, MISHAPS, mishapsOf, type Act, type Fate, type PieceState } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useState } from "react";
import { Link } from "react-router";
import { useStanding } from "../../../compute/useAnswers.js";
import { BreakLooks } from "../../../parts/BreakLooks.js";
import { useKit, useLog, useUnits } from "../../../store/useStore.js";
import { breakWords } from "../../../words/breakWords.js";
import { FATE_WORDS } from "../../../words/fateWords.js";
import { MISHAP_WORDS } from "../../../words/whyWords.js";
import type { ActProps } from "./ActKey.js";
import { Sheet } from "./Sheet.js";
import { Tomorrow } from "./Tomorrow.js";
import { toPiece, toRecord } from "../../../format/address.js";

const KEYS: Readonly<Record<Fate, { readonly label: string; readonly note: string }>> = {
  cracked: { label: "It cracked", note: "No more heat or bath until it is forged anew." },
  broken: { label: "It broke", note: "The grain of the broken face says how hot it was." },
  "given-up": { label: "I give it up", note: "It leaves the rack; its record stays." },
  mistaken: { label: "It was a mistake", note: "There is no such piece; it leaves the rack." },
  lost: { label: "It is lost", note: "It leaves the rack; its record stays." },
};

/** In the bath and just after it: what went otherwise is one tap, and stands in the record with its time. */
const QUENCHING: ReadonlySet<Act["kind"]> = new Set(["quench", "straighten", "cool-down", "first-file"]);

function Mishaps({ state, act, bench, onDone }: Pick<ActProps, "state" | "act" | "bench"> & { onDone: () => void }) {
  if (!QUENCHING.has(act.kind)) return null;
  const had = mishapsOf(state, act.step);
  return (
    <>
      <h3>In the quench it went otherwise</h3>
      <div className="fate-keys">
        {MISHAPS.map((what) => (
          <button
            key={what}
            type="button"
            className="log-key"
            aria-pressed={had.has(what)}
            disabled={bench.isStoring}
            onClick={() => {
              bench.check({ check: "mishap", what });
              onDone();
            }}
          >
            <b>{MISHAP_WORDS[what]}</b>
          </button>
        ))}
      </div>
    </>
  );
}

export function FateKey({ state, act, bench, now }: Pick<ActProps, "state" | "act" | "bench"> & { now: () => number }) {
  const { id } = state;
  const [isOpen, setOpen] = useState(false);
  const { write } = useLog();
  const say = (fate: Fate): void => {
    setOpen(false);
    void write(id, [{ kind: "fate", fate }], now());
  };
  return (
    <>
      <button type="button" onClick={() => setOpen(true)}>
        It went wrong
      </button>
      <Sheet isOpen={isOpen} title="What happened to it?" close="Nothing: back to work" onClose={() => setOpen(false)}>
        <div className="fate-keys">
          {FATES.map((fate) => (
            <button key={fate} type="button" className="log-key" onClick={() => say(fate)}>
              <b>{KEYS[fate].label}</b>
              <small>{KEYS[fate].note}</small>
            </button>
          ))}
        </div>
        <Mishaps state={state} act={act} bench={bench} onDone={() => setOpen(false)} />
        <Tomorrow state={state} act={act} bench={bench} onDone={() => setOpen(false)} />
        <Button component={Link} to={toRecord(id)} sx={{ minHeight: 64, marginTop: 2 }} fullWidth>
          A time is wrong: put it right in the record
        </Button>
        <Button component={Link} to={toPiece(id, "why")} sx={{ minHeight: 64, marginTop: 2 }} fullWidth>
          Something else: what is behind it?
        </Button>
      </Sheet>
    </>
  );
}

/** What lies open is looked at before it rusts. */
function TheBreak({ state }: { readonly state: PieceState }) {
  const { write } = useLog();
  const seen = grainSeen(state);
  const astm = useStanding(state).data?.hardening.austenite.astmGrain ?? null;
  const act = state.acts.at(-1)?.id ?? "prove";
  return (
    <>
      {seen === null ? null : <p role="status">{breakWords(seen, astm)}</p>}
      <BreakLooks
        seen={seen}
        onSeen={(look) => void write(state.id, [{ kind: "check", act, reading: { check: "grain", of: "piece", look } }])}
      />
    </>
  );
}

/** In the place of the bench, for a piece that is not to be worked on. */
export function FateScreen({ state, fate }: { state: PieceState; fate: NonNullable<PieceState["fate"]> }) {
  const { write } = useLog();
  const kit = useKit() ?? null;
  const { temperature: unit } = useUnits();
  // The hammer left its grain: it is normalised before it is hardened again.
  const forged = (): void => {
    const { route, acts, doneAt_ms, piece } = state;
    const done = 1 + Math.max(-1, ...acts.filter(({ id }) => doneAt_ms.has(id)).map(({ step }) => step));
    const again = route === null ? [] : [{ kind: "route", route: forgedAnew(CATALOGUE, piece, route, done, { kit, unit }) } as const];
    void write(state.id, [{ kind: "fate", fate: "sound" }, ...again]);
  };
  const { is, then } = FATE_WORDS[fate.is];
  return (
    <main className="bench">
      <header className="bench-head">
        <div>
          <p className="bench-name">
            {state.piece.name} <span>{state.piece.mark}</span>
          </p>
          <h1>{is}</h1>
        </div>
        <div className="bench-nav">
          <Button component={Link} to={toRecord(state.id)}>
            Record
          </Button>
          <Button component={Link} to="/">
            Rack
          </Button>
        </div>
      </header>
      <div className="bench-main">
        <p className="to-go">{then}</p>
        {fate.is === "broken" || fate.is === "cracked" ? <TheBreak state={state} /> : null}
      </div>
      <div className="bench-keys">
        <button type="button" className="log-key wide-key" onClick={() => void write(state.id, [{ kind: "withdrawn", event: fate.event }])}>
          It is not so: back to work
        </button>
        {fate.is === "cracked" ? (
          <button type="button" className="log-key wide-key" onClick={() => void write(state.id, [{ kind: "fate", fate: "given-up" }])}>
            I give it up
          </button>
        ) : null}
        {fate.is === "cracked" ? (
          <Button variant="contained" className="bench-act" onClick={forged}>
            Forged anew
            <small>looked at in good light: no crack to be seen</small>
          </Button>
        ) : (
          <Button variant="contained" className="bench-act" component={Link} to={toRecord(state.id)}>
            Its record
          </Button>
        )}
      </div>
    </main>
  );
}
