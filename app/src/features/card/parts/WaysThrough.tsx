/** Ways to take the piece through this bath: what each would make of it, by the core. One press takes it into the draft. */

import { keepsHeat, type PatternTried, type Piece, type Quench, type Route, type Step } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useState } from "react";
import { usePatterns } from "../../../compute/useAnswers.js";
import type { Units } from "../../../format/show.js";
import { patternWords, secondByWords, triedWords } from "../../../words/patternWords.js";

interface Props {
  readonly piece: Piece;
  readonly route: Route;
  readonly index: number;
  readonly units: Units;
  readonly onTake: (quench: Quench) => void;
}

function Way({ tried, piece, units, isPlanned, onTake }: { tried: PatternTried; isPlanned: boolean } & Omit<Props, "route" | "index">) {
  const { name, does, mind } = patternWords(tried.pattern, tried.quench);
  return (
    <li>
      <b>{name}.</b> {does} {mind}
      <p className="drawn">
        {triedWords(tried, piece, units)}
        {tried.secondBy_s === null ? "" : ` ${secondByWords({ secondBy_s: tried.secondBy_s })}`}
      </p>
      {isPlanned ? (
        <small className="step-done">as planned</small>
      ) : (
        <Button variant="text" size="small" aria-label={`Do it so: ${name}`} onClick={() => onTake(tried.quench)}>
          Do it so
        </Button>
      )}
    </li>
  );
}

function Ways({ piece, route, index, units, onTake }: Props) {
  const { data, isError } = usePatterns(piece, route, index);
  if (isError) return <p role="status">It could not be worked out.</p>;
  if (data === undefined) return <p role="status">Being worked out…</p>;
  const planned = JSON.stringify(route.steps[index]);
  return (
    <ul>
      {data.map((tried) => (
        <Way
          key={tried.pattern}
          tried={tried}
          piece={piece}
          units={units}
          isPlanned={JSON.stringify(tried.quench) === planned}
          onTake={onTake}
        />
      ))}
    </ul>
  );
}

/** Nothing for what is no quench, or is drawn by its own heat: that comes out by what its body looks like. */
export function WaysThrough({ step, ...props }: Props & { readonly step: Step }) {
  const [isOpen, setOpen] = useState(false);
  if (step.kind !== "quench" || keepsHeat(step)) return null;
  return (
    <div className="other-practices ways-through">
      <button type="button" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
        Ways through the bath
      </button>
      {isOpen ? <Ways {...props} /> : null}
    </div>
  );
}
