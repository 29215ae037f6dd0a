/** A colour run that leaves a piece softer than its use wants, because no colour shows any sooner; an oven can be set cooler. */

import {
  canDraw,
  CATALOGUE,
  edgeInWater,
  FIRST_COLOUR_C,
  planRoute,
  wayOf,
  type PieceState,
  type Prediction,
  type Route,
} from "@tembrak/core";
import Button from "@mui/material/Button";
import { showHardness, showTemperature, type Units } from "../../../format/show.js";
import { useKit, useLog, useSettings } from "../../../store/useStore.js";

interface Props {
  readonly state: PieceState;
  readonly route: Route;
  readonly prediction: Prediction | undefined;
}

/** The same route with the tempers an oven would be set to in the place of its run; null where it has none, or its own heat draws it. */
export function inOvenInstead(
  state: Pick<PieceState, "piece">,
  route: Route,
  kit: Parameters<typeof canDraw>[1],
  unit: Units["temperature"] = "C",
): Route | null {
  const at = route.steps.findLastIndex(({ kind }) => kind === "run");
  const run = route.steps[at];
  if (run?.kind !== "run" || run.source === "residual" || !canDraw("oven", kit)) return null;
  const planned = planRoute(CATALOGUE, state.piece, route.heating, { way: { ...wayOf(route), draws: "oven" }, kit, unit });
  const tempers = planned.steps.filter(({ kind }) => kind === "temper");
  return { ...route, steps: [...route.steps.slice(0, at), ...tempers, ...route.steps.slice(at + 1)] };
}

/** The same route with its edge in water while the back is run; null where it has no edge and no back. */
export function inWaterInstead({ piece }: Pick<PieceState, "piece">, route: Route): Route | null {
  const at = route.steps.findLastIndex(({ kind }) => kind === "run");
  const run = route.steps[at];
  const wet = run?.kind === "run" ? edgeInWater(piece, run) : null;
  return wet === null ? null : { ...route, steps: route.steps.map((step, i) => (i === at ? wet : step)) };
}

export function RunNotice({ state, route, prediction }: Props) {
  const kit = useKit() ?? null;
  const units = useSettings();
  const { write } = useLog();
  const at = route.steps.findLastIndex(({ kind }) => kind === "run");
  const run = route.steps[at];
  const isBegun = state.acts.some(
    (act) => act.kind === "run" && act.step === at && (state.doneAt_ms.has(act.id) || state.next?.id === act.id),
  );
  if (prediction === undefined || run?.kind !== "run" || isBegun || run.temperature_C > FIRST_COLOUR_C || run.mark !== undefined)
    return null;
  const { working, target } = prediction;
  // Softer by the run, not because it does not harden.
  if (working.tempered.mean_HRC >= target.low_HRC - 0.5 || working.asQuenched.mean_HRC < target.low_HRC) return null;
  const instead = inOvenInstead(state, route, kit, units.temperature);
  const wet = inWaterInstead(state, route);
  const temper = instead?.steps.find(({ kind }) => kind === "temper");
  return (
    <div className="fit-notice">
      <p>
        <b>
          No colour shows before about {showTemperature(FIRST_COLOUR_C, units)}, and that leaves {showHardness(working.tempered.mean_HRC)}{" "}
          HRC where {target.isOwn ? "you want" : `${target.name.toLowerCase()} wants`} {target.low_HRC} and more.
        </b>{" "}
        {instead === null || temper?.kind !== "temper" ? (
          "An oven with a thermometer in it can be set cooler."
        ) : (
          <Button variant="text" size="small" onClick={() => void write(state.id, [{ kind: "route", route: instead }])}>
            In the oven at {showTemperature(temper.temperature_C, units)} instead
          </Button>
        )}
        {wet === null ? null : (
          <Button variant="text" size="small" onClick={() => void write(state.id, [{ kind: "route", route: wet }])}>
            The edge in water, only the back run
          </Button>
        )}
      </p>
    </div>
  );
}
