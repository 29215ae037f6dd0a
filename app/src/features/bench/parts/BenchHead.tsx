/** The head of every act: whose, what, how many of how many, and the ways out; with what can be asked there. */

import type { Act, PieceState } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useState } from "react";
import { LookOverList } from "./LookOverList.js";
import { BeforeFire } from "./BeforeFire.js";
import { Link } from "react-router";
import { FireCard } from "../../../parts/FireCard.js";
import { useSettings } from "../../../store/useStore.js";
import { whyOf } from "../../../words/whyCards.js";
import { KEY_LIST, useKeys } from "../useKeys.js";
import { Sheet } from "./Sheet.js";
import { toPiece } from "../../../format/address.js";

type Open = "why" | "fire" | "keys" | null;

export function BenchHead({ state, act, title }: { state: PieceState; act: Act; title: string }) {
  const units = useSettings();
  const [sheet, setSheet] = useState<Open>(null);
  const close = (): void => setSheet(null);
  useKeys({ "?": () => setSheet("keys") });
  return (
    <>
      <header className="bench-head">
        <div>
          <p className="bench-name">
            {state.piece.name} <span>{state.piece.mark}</span>
          </p>
          <h1>{title}</h1>
        </div>
        <div className="bench-nav">
          <span className="bench-count">
            {state.acts.indexOf(act) + 1} of {state.acts.length}
          </span>
          <Button onClick={() => setSheet("why")}>Why</Button>
          <Button onClick={() => setSheet("fire")} aria-label="Fire: what to do">
            Fire
          </Button>
          <Button component={Link} to={toPiece(state.id)} className="to-card">
            Card
          </Button>
          <Button component={Link} to="/">
            Rack
          </Button>
        </div>
      </header>
      <Sheet isOpen={sheet === "why"} title="Why" onClose={close}>
        <p className="why-card">{whyOf(act, units)}</p>
        {act.kind === "heat" ? <BeforeFire state={state} act={act} /> : null}
        {act.kind === "heat" && act.purpose === "harden" && state.route ? <LookOverList piece={state.piece} route={state.route} /> : null}
        <Button component={Link} to={toPiece(state.id)}>
          Its card and steps
        </Button>
      </Sheet>
      <FireCard isOpen={sheet === "fire"} onClose={close} />
      <Sheet isOpen={sheet === "keys"} title="Keys" onClose={close}>
        <dl className="key-list">
          {KEY_LIST.map(([key, does]) => (
            <div key={key}>
              <dt>{key}</dt>
              <dd>{does}</dd>
            </div>
          ))}
        </dl>
      </Sheet>
    </>
  );
}
