/** What others do at a step instead: why one might, and what the core expects of both. One press takes it into the draft. */

import { useUnits } from "../../../store/useStore.js";
import { CATALOGUE, otherPractices, type Kit, type OtherPractice, type Piece, type Prediction, type Route } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useState } from "react";
import { usePlanned } from "../../../compute/useAnswers.js";
import { showHardness, showRange } from "../../../format/show.js";
import { practiceWords } from "../../../words/routeWords.js";

function expected(prediction: Prediction | undefined): string {
  if (prediction === undefined) return "…";
  const { mean_HRC, p05_HRC, p95_HRC } = prediction.working.tempered;
  return `${showHardness(mean_HRC)} HRC (${showRange(p05_HRC, p95_HRC)}), grain ${prediction.hardening.austenite.astmGrain.toFixed(0)}`;
}

function Practice({ piece, planned, practice, onTake }: { piece: Piece; planned: Route; practice: OtherPractice; onTake: () => void }) {
  const words = practiceWords(practice);
  const now = usePlanned(piece, planned, "quick");
  const then = usePlanned(piece, practice.route, "quick");
  return (
    <li>
      <b>{words.name}.</b> {words.prefer}
      <p className="drawn">
        As planned: {expected(now.data)}. This: {then.error ? "it could not be worked out" : expected(then.data)}.
      </p>
      <Button variant="text" size="small" onClick={onTake}>
        Do it so
      </Button>
    </li>
  );
}

export function OtherPractices({
  piece,
  route,
  index,
  doneCount,
  kit,
  onTake,
}: {
  piece: Piece;
  route: Route;
  index: number;
  /** So many steps from the first are done, and stay as they are. */
  doneCount: number;
  kit: Kit | null;
  onTake: (route: Route) => void;
}) {
  const [isOpen, setOpen] = useState(false);
  const { temperature: unit } = useUnits();
  const practices = otherPractices(CATALOGUE, piece, route, index, { kit, unit }).filter(
    (practice) => JSON.stringify(practice.route.steps.slice(0, doneCount)) === JSON.stringify(route.steps.slice(0, doneCount)),
  );
  if (practices.length === 0) return null;
  return (
    <div className="other-practices ways-through">
      <button type="button" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
        Others do it differently
      </button>
      {isOpen ? (
        <ul>
          {practices.map((practice) => (
            <Practice
              key={practiceWords(practice).name}
              piece={piece}
              planned={route}
              practice={practice}
              onTake={() => onTake(practice.route)}
            />
          ))}
        </ul>
      ) : null}
    </div>
  );
}
