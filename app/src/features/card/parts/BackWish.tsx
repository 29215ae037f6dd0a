/** A back that is wanted softer than its oven leaves it: drawn further by a torch or a hot bar after the tempers, the edge in water. */

import {
  backRuns,
  canDraw,
  isBackToDraw,
  servesWish,
  wayOf,
  zoneReports,
  type PieceState,
  type Question,
  type Route,
  type RunSource,
  type ZoneReport,
} from "@tembrak/core";
import Button from "@mui/material/Button";
import { usePredictions } from "../../../compute/useAnswers.js";
import { useKit, useLog, useSettings } from "../../../store/useStore.js";
import { backWishWords } from "../../../words/wishWords.js";

interface Props {
  readonly state: PieceState;
  readonly route: Route;
  readonly question: Question;
  readonly missed: ZoneReport & { readonly chance: number };
}

type Source = Exclude<RunSource, "residual">;

export function BackWish({ state, route, question, missed }: Props) {
  const units = useSettings();
  const kit = useKit() ?? null;
  const { write } = useLog();
  const source = (["hot-bar", "torch"] as const).find((by: Source) => canDraw(by, kit));
  const runs = source === undefined || !isBackToDraw(route) ? [] : backRuns(state.piece, source);
  const tried = usePredictions(
    runs.map((run) => ({ ...question, route: { ...question.route, steps: [...question.route.steps, run] } })),
    "quick",
  );
  if (runs.length === 0 || tried === null) return null;
  const reports = tried.map((prediction) => zoneReports(question.piece, prediction, wayOf(question.route).hardens));
  const best = servesWish(missed, reports);
  if (best === null) return null;
  const run = runs[best]!;
  const then = reports[best]!.find(({ zone }) => zone === missed.zone)!;
  return (
    <div className="fit-notice">
      <p>
        <b>{backWishWords(missed, then, run, state.piece, units)}</b>{" "}
        <Button
          variant="text"
          size="small"
          onClick={() => void write(state.id, [{ kind: "route", route: { ...route, steps: [...route.steps, run] } }])}
        >
          Plan it so
        </Button>
      </p>
    </div>
  );
}
