/** A zone that will most likely not be what it was wanted to be, and the way through the bath that would make it so. */

import { missedWish, wayOf, zoneReports, type PieceState, type Prediction, type Question, type Route } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useBetterForWish } from "../../../compute/useAnswers.js";
import { useLog, useSettings } from "../../../store/useStore.js";
import { wishWords } from "../../../words/wishWords.js";
import { BackWish } from "./BackWish.js";
import { doneOfIt, quenchedOtherwise } from "../doneOfIt.js";

interface Props {
  readonly state: PieceState;
  readonly route: Route;
  readonly question: Question;
  readonly prediction: Prediction | undefined;
}

export function WishNotice({ state, route, question, prediction }: Props) {
  const units = useSettings();
  const { write } = useLog();
  const better = useBetterForWish(doneOfIt(state, route).isQuenched ? null : question, prediction);
  if (prediction === undefined) return null;
  const missed = missedWish(zoneReports(question.piece, prediction, wayOf(question.route).hardens));
  if (missed === null) return null;
  // A back wanted between hard and soft is not had by a bath: it is drawn there.
  if (missed.zone === "spine" && missed.wants === "medium")
    return <BackWish state={state} route={route} question={question} missed={missed} />;
  if (better === null) return null;
  const otherwise = quenchedOtherwise(route, () => better.tried.quench);
  return (
    <div className="fit-notice">
      <p>
        <b>{wishWords(missed, better, question.piece, units)}</b>{" "}
        <Button variant="text" size="small" onClick={() => void write(state.id, [{ kind: "route", route: otherwise }])}>
          Plan it so
        </Button>
      </p>
    </div>
  );
}
