/** What to do now, as the one green key of the page. */

import type { PieceState, Remedy } from "@tembrak/core";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import { useSettings } from "../../../store/useStore.js";
import { remedyWords } from "../../../words/whyWords.js";
import { Again } from "./Again.js";
import { toPiece } from "../../../format/address.js";

/** Where each remedy leads. */
function toOf(code: Remedy["code"], { id }: PieceState, test: string): string {
  switch (code) {
    case "wait-and-test":
    case "grind-and-test":
    case "temper-again":
    case "accept":
      return toPiece(id, "test", test);
    case "go-on":
      return toPiece(id, "bench");
    case "find-out-steel":
    case "enough-tries":
    case "harden-again":
      return toPiece(id, "measure");
  }
}

export function RemedyKey({ state, remedy, test }: { state: PieceState; remedy: Remedy; test: string }) {
  const words = remedyWords(remedy, useSettings());
  return (
    <section aria-labelledby="remedy-h">
      <h2 id="remedy-h">What to do now</h2>
      {remedy.code === "harden-again" ? (
        <Again state={state} changes={remedy.changes} />
      ) : remedy.code === "enough-tries" ? (
        <p className="why-look">{words.title}</p>
      ) : (
        <Button component={Link} to={toOf(remedy.code, state, test)} variant="contained" className="why-act">
          {words.title}
        </Button>
      )}
      {remedy.code === "harden-again" ? null : <p>{words.note}.</p>}
    </section>
  );
}
