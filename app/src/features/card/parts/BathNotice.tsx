/** A planned bath that may not harden the piece, beside a better one of the same kit. */

import { CATALOGUE, inOtherBath, type PieceState, type Prediction, type Question, type Route } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useBetterBath } from "../../../compute/useAnswers.js";
import { useLog } from "../../../store/useStore.js";
import { betterBathWords } from "../../../words/bathWords.js";
import { doneOfIt, quenchedOtherwise } from "../doneOfIt.js";

interface Props {
  readonly state: PieceState;
  readonly route: Route;
  readonly question: Question;
  readonly prediction: Prediction | undefined;
}

/** The same route with another bath, at its usual heat. */
function quenchedIn(route: Route, medium: string): Route {
  const bath_C = CATALOGUE.medium(medium)!.usualBath_C;
  const why = CATALOGUE.medium(medium)!.kind === "oil" ? "warm-oil" : "needs-water";
  return quenchedOtherwise(route, (quench) => ({ ...inOtherBath(quench, { medium, bath_C }), why }));
}

export function BathNotice({ state, route, question, prediction }: Props) {
  const { write } = useLog();
  // Before the first act the whole plan is worked out, its bath with it.
  const isBegun = state.doneAt_ms.size > 0;
  const found = useBetterBath(!isBegun || doneOfIt(state, route).isQuenched ? null : question, prediction);
  if (found?.better === undefined || found.better === null) return null;
  const better = found.baths[found.better]!;
  return (
    <div className="fit-notice">
      <p>
        <b>{betterBathWords(found.planned, better)}</b>{" "}
        <Button
          variant="text"
          size="small"
          onClick={() => void write(state.id, [{ kind: "route", route: quenchedIn(route, better.medium) }])}
        >
          Plan it so
        </Button>
      </p>
    </div>
  );
}
