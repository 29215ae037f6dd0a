/** A zone that will most likely not be what it was wanted to be, and the way through the bath that would make it so. */

import { missedWish, wayOf, zoneReports, type PieceState, type Prediction, type Question, type Route } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useBetterForWish } from "../../../compute/useAnswers.js";
import { useLog, useSettings } from "../../../store/useStore.js";
import { wishWords } from "../../../words/wishWords.js";

interface Props {
  readonly state: PieceState;
  readonly route: Route;
  readonly question: Question;
  readonly prediction: Prediction | undefined;
}

export function WishNotice({ state, route, question, prediction }: Props) {
  const units = useSettings();
  const { write } = useLog();
  const isQuenched = state.acts.some(({ kind, id }) => kind === "quench" && state.doneAt_ms.has(id));
  const better = useBetterForWish(isQuenched ? null : question, prediction);
  if (better === null || prediction === undefined) return null;
  const missed = missedWish(zoneReports(question.piece, prediction, wayOf(question.route).hardens));
  if (missed === null) return null;
  const steps = route.steps.map((step) => (step.kind === "quench" ? better.tried.quench : step));
  return (
    <div className="fit-notice">
      <p>
        <b>{wishWords(missed, better, question.piece, units)}</b>{" "}
        <Button variant="text" size="small" onClick={() => void write(state.id, [{ kind: "route", route: { ...route, steps } }])}>
          Plan it so
        </Button>
      </p>
    </div>
  );
}
