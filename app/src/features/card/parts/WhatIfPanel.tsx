/** What if: hotter, colder, thicker, another bath. Every answer beside the plan's; kept only when asked. */

import { useLog } from "../../../store/useStore.js";
import { hardeningFrom, bathOf, thickness_mm, type PieceState, type Prediction, type Route, type Track, type WhatIf } from "@tembrak/core";
import Button from "@mui/material/Button";
import { mediumName } from "../../../words/actWords.js";
import { showDegrees, showHardness, showLength, type Units } from "../../../format/show.js";
import { BathsBeside } from "./BathsBeside.js";
import { CurveSlide } from "../../../parts/CurveSlide.js";
import { canBeKept, type DoneOfIt } from "../doneOfIt.js";
import { triedRoute, type TrialView } from "../useTrial.js";

interface Props {
  readonly state: PieceState;
  readonly route: Route;
  /** The same as far as it was done: what a slide starts from. */
  readonly asDone: Route;
  readonly view: TrialView;
  readonly done: DoneOfIt;
  readonly whatIf: WhatIf | undefined;
  readonly planned: Prediction | undefined;
  readonly prediction: Prediction | undefined;
  readonly units: Units;
}

function signed(difference_HRC: number): string {
  const rounded = Math.round(difference_HRC * 10) / 10;
  if (rounded === 0) return "the same";
  return rounded > 0 ? `+${rounded.toFixed(1)}` : `\u2212${Math.abs(rounded).toFixed(1)}`;
}

interface BathProps {
  readonly whatIf: WhatIf;
  /** The bath of the plan. */
  readonly planned: string | undefined;
  readonly view: TrialView;
  readonly thickWord: string;
  /** What is said of the bath that is on: the same numbers as everywhere, and the other baths by how far they are from it. */
  readonly now: Prediction;
}

/** The same piece in another bath. */
function BathKeys({ whatIf, planned, view, thickWord, now }: BathProps) {
  const on = whatIf.baths.find(({ medium }) => medium === (view.trial.medium ?? planned));
  return (
    <div className="bath-keys" role="group" aria-label="Bath">
      {whatIf.baths.map((bath) => {
        const isOn = on?.medium === bath.medium;
        const working_HRC = now.working.tempered.mean_HRC + (on === undefined ? 0 : bath.working_HRC - on.working_HRC);
        const thickest_HRC = now.thickest.tempered.mean_HRC + (on === undefined ? 0 : bath.thickest_HRC - on.thickest_HRC);
        return (
          <button
            key={bath.medium}
            type="button"
            className="bath-key"
            aria-pressed={isOn}
            onClick={() => view.set({ medium: bath.medium })}
          >
            <small className="drawn">{mediumName(bath.medium)}</small>
            <b>
              {bath.medium === "water" && planned !== "water"
                ? "may crack"
                : bath.isHardThrough
                  ? showHardness(working_HRC, 1)
                  : `${thickWord} ${showHardness(thickest_HRC)}`}
            </b>
          </button>
        );
      })}
    </div>
  );
}

export function WhatIfPanel({ state, route, asDone, view, done, whatIf, planned, prediction, units }: Props) {
  const { write } = useLog();
  if (whatIf === undefined || planned === undefined) {
    return (
      <p className="waiting" role="status">
        Working it out…
      </p>
    );
  }
  const { trial } = view;
  const steps = asDone.steps.slice(hardeningFrom(asDone));
  const { isQuenched, isTempered, tempersDone } = done;
  const temper = steps.filter((step) => step.kind === "temper")[tempersDone];
  const heat = steps.find((step) => step.kind === "harden");
  const thick_mm = thickness_mm(state.piece.section);
  const slides: readonly {
    track: Track;
    label: string;
    planned: number;
    value: number;
    step: number;
    show: (x: number) => string;
    set: (x: number) => void;
    isDone: boolean;
  }[] = [
    ...(temper === undefined
      ? []
      : [
          {
            track: "temper" as const,
            label: tempersDone > 0 ? "Temper to come" : "Temper",
            planned: temper.temperature_C,
            value: trial.temper_C ?? temper.temperature_C,
            step: 5,
            show: (x: number) => showDegrees(x, units),
            set: (x: number) => view.set({ temper_C: x }),
            isDone: isTempered,
          },
        ]),
    {
      track: "heat",
      label: "Heat",
      planned: heat?.temperature_C ?? 800,
      value: trial.heat_C ?? heat?.temperature_C ?? 800,
      step: 5,
      show: (x) => showDegrees(x, units),
      set: (x) => view.set({ heat_C: x }),
      isDone: isQuenched,
    },
    {
      track: "thickness",
      label: "Thickness",
      planned: thick_mm,
      value: trial.thickness_mm ?? thick_mm,
      step: 0.1,
      show: (x) => showLength(x, units),
      set: (x) => view.set({ thickness_mm: x }),
      isDone: isQuenched,
    },
  ];
  const mean = (prediction ?? planned).working.tempered.mean_HRC;
  const placeWord = (prediction ?? planned).working.place;
  const thickWord = (prediction ?? planned).thickest.place;
  const isKeepable = canBeKept(trial, done);
  const keep = (): void => {
    void write(state.id, [{ kind: "route", route: triedRoute(route, trial, tempersDone) }]).then((isStored) => isStored && view.drop());
  };
  return (
    <div>
      {slides.map(({ track, label, planned: at, value, step, show, set, isDone }) => {
        const points = whatIf.tracks.find((t) => t.track === track)?.points ?? [];
        // Thickness is about the back of a blade: the edge hardens whatever the spine does.
        const curve = points.map((p) => ({ x: p.x, y: track === "temper" ? p.working_HRC : p.thickest_HRC }));
        const isMoved = value !== at;
        const shown = track === "temper" ? mean : (prediction ?? planned).thickest.tempered.mean_HRC;
        const before = track === "temper" ? planned.working.tempered.mean_HRC : planned.thickest.tempered.mean_HRC;
        return (
          <CurveSlide
            key={track}
            label={label}
            points={curve}
            value={value}
            planned={at}
            step={step}
            band={track === "temper" ? planned.working.tempered.sd_HRC : 1.5}
            show={show}
            result={showHardness(shown, 1)}
            difference={`${track === "temper" ? placeWord : thickWord}, ${isMoved ? signed(shown - before) : isDone ? "as done" : "as planned"}`}
            onChange={set}
          />
        );
      })}
      <BathKeys now={prediction ?? planned} whatIf={whatIf} planned={bathOf(asDone)} view={view} thickWord={thickWord} />
      {isQuenched ? null : (
        <BathsBeside
          piece={state.piece}
          route={route}
          thick_mm={thick_mm}
          units={units}
          onTake={(medium) => void write(state.id, [{ kind: "route", route: triedRoute(route, { medium }) }])}
        />
      )}
      <div className="trial-keys">
        {view.isTrying ? (
          <>
            {isKeepable ? <Button onClick={keep}>Keep this in the plan</Button> : null}
            <Button variant="text" onClick={view.drop}>
              Back to the plan
            </Button>
          </>
        ) : null}
      </div>
      {(isQuenched || isTempered) && view.isTrying && !isKeepable ? (
        <p className="waiting">What is done stays as done: this is what would have been.</p>
      ) : null}
    </div>
  );
}
