/** What one sees, before anything was tested: behind it, the first look, and one thing to change. */

import type { PieceState } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useState } from "react";
import { Link } from "react-router";
import { SYMPTOM_WORDS, SYMPTOMS, type Symptom } from "../../../words/symptomWords.js";
import { toPiece } from "../../../format/address.js";

const WAYS = { files: "Try the files", bench: "To the bench", none: null } as const;

export function Symptoms({ state, test }: { state: PieceState; test: string }) {
  const [open, setOpen] = useState<Symptom | null>(null);
  const words = open === null ? null : SYMPTOM_WORDS[open];
  const to = words?.way === "files" ? toPiece(state.id, "test", test) : toPiece(state.id, "bench");
  return (
    <section className="symptoms" aria-labelledby="symptoms-h">
      <h2 id="symptoms-h">What is wrong with it?</h2>
      <div className="symptom-keys">
        {SYMPTOMS.map((symptom) => (
          <button key={symptom} type="button" className="plain-key" aria-pressed={open === symptom} onClick={() => setOpen(symptom)}>
            <b>{SYMPTOM_WORDS[symptom].name}</b>
          </button>
        ))}
      </div>
      {words === null ? null : (
        <div role="status">
          <p>
            <b>Behind it.</b> {words.behind}
          </p>
          <p>
            <b>Look first.</b> {words.look}
          </p>
          <p>
            <b>Change one thing.</b> {words.change}
          </p>
          {WAYS[words.way] === null ? null : (
            <Button variant="contained" component={Link} to={to}>
              {WAYS[words.way]}
            </Button>
          )}
        </div>
      )}
    </section>
  );
}
