/** A temper in the dip of toughness: both ways round it, each with what it costs. */

import {
  CATALOGUE,
  dipOfRoute,
  hardeningFrom,
  hottestTemper_C,
  resolveSteel,
  temperedAround,
  type PieceState,
  type Prediction,
  type Route,
} from "@tembrak/core";
import Button from "@mui/material/Button";
import { useKit, useLog, useSettings } from "../../../store/useStore.js";
import { aroundDipWords, dipWords } from "../../../words/dipWords.js";

interface Props {
  readonly state: PieceState;
  readonly route: Route;
  readonly prediction: Prediction | undefined;
}

export function DipNotice({ state, route, prediction }: Props) {
  const kit = useKit() ?? null;
  const units = useSettings();
  const { write } = useLog();
  // What an earlier hardening was drawn by is behind it.
  const from = hardeningFrom(route);
  const isBegun = state.acts.some(
    ({ kind, id, step }) => step >= from && (kind === "oven" || kind === "temper") && state.doneAt_ms.has(id),
  );
  if (prediction === undefined || !prediction.isEmbrittled || isBegun || state.next === undefined) return null;
  const dip = dipOfRoute(route, {
    steel: resolveSteel(CATALOGUE, state.piece.steel),
    asQuenched_HRC: prediction.working.asQuenched.mean_HRC,
    use: prediction.target,
    hottest_C: hottestTemper_C(kit, state.piece, route.steps.slice(from).find((step) => step.kind === "temper")?.in),
  });
  if (dip === null) return null;
  const ways = [dip.cooler, dip.hotter].flatMap((way, i) => (way === null ? [] : [{ way, isHotter: i === 1 }]));
  return (
    <div className="fit-notice">
      <details>
        <summary>
          <b>{dipWords(dip, units)}</b> Ways round it
        </summary>
        <ul>
          {ways.map(({ way, isHotter }) => (
            <li key={way.temperature_C}>
              {aroundDipWords(way, isHotter, units)}{" "}
              <Button
                variant="text"
                size="small"
                onClick={() => void write(state.id, [{ kind: "route", route: temperedAround(route, way.temperature_C) }])}
              >
                Plan it so
              </Button>
            </li>
          ))}
          <li>Or keep it: long blades are often drawn there by custom. A bend or a chop proves it; a tester does not.</li>
        </ul>
      </details>
    </div>
  );
}
