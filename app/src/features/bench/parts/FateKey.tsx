/** What to do when it is not to be done: cracked, broken, given up, lost; and the way back from there. */

import { FATES, type Fate, type PieceState } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useState } from "react";
import { Link } from "react-router";
import { useLog } from "../../../store/useStore.js";
import { FATE_WORDS } from "../../../words/fateWords.js";
import { Sheet } from "./Sheet.js";

const KEYS: Readonly<Record<Fate, { readonly label: string; readonly note: string }>> = {
  cracked: { label: "It cracked", note: "No more heat or bath until it is forged anew." },
  broken: { label: "It broke", note: "The grain of the broken face says how hot it was." },
  "given-up": { label: "I give it up", note: "It leaves the rack; its record stays." },
  lost: { label: "It is lost", note: "It leaves the rack; its record stays." },
};

export function FateKey({ id, now }: { id: string; now: () => number }) {
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
      </Sheet>
    </>
  );
}

/** In the place of the bench, for a piece that is not to be worked on. */
export function FateScreen({ state, fate }: { state: PieceState; fate: NonNullable<PieceState["fate"]> }) {
  const { write } = useLog();
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
          <Button component={Link} to={`/book/${state.id}`}>
            Record
          </Button>
          <Button component={Link} to="/">
            Rack
          </Button>
        </div>
      </header>
      <div className="bench-main">
        <p className="to-go">{then}</p>
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
          <Button variant="contained" className="bench-act" onClick={() => void write(state.id, [{ kind: "fate", fate: "sound" }])}>
            Forged anew
            <small>looked at in good light: no crack to be seen</small>
          </Button>
        ) : (
          <Button variant="contained" className="bench-act" component={Link} to={`/book/${state.id}`}>
            Its record
          </Button>
        )}
      </div>
    </main>
  );
}
