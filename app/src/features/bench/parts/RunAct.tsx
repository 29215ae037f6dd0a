/** A temper drawn by colour: which colour is where, when to stop, what was seen, and what it was when it was cold. */

import {
  colourAtHeat,
  runLogOf,
  runNow,
  type ColourName,
  type ColourRun,
  type PieceState,
  type RunLog,
  type RunNow,
  type RunSource,
} from "@tembrak/core";
import { useMemo } from "react";
import { useColourRun } from "../../../compute/useAnswers.js";
import type { Cue } from "../../../calls/cues.js";
import { useCues } from "../../../calls/useCues.js";
import { alloyShiftOf_K } from "../../../format/alloyShift.js";
import { useSettings } from "../../../store/useStore.js";
import { actWords } from "../../../words/actWords.js";
import { backWords, coldWords, foundWords, HEAT_WORDS, runAfter, runWords, watchedPlace, whereWords } from "../../../words/runWords.js";
import { ActKey, type ActProps } from "./ActKey.js";
import { RunDrawing } from "./RunDrawing.js";
import { ColdLooks, RunningLooks, type Watched } from "./RunLooks.js";

type Props = ActProps<"run">;

/** A hand that hears it takes about so long, s (judgement): the call is ahead of the colour by that. */
const HAND_s = 0.6;
/** A bar has not cooled to speak of for so long, s (judgement: a fifth of its excess by then). */
const FRESH_s = 240;
/** A tap is stored and read again by then, ms. */
const STORED_ms = 500;

/** Told once, as the colour comes. */
function useStopCall(state: PieceState, now: RunNow | null, log: RunLog, wanted: ColourName, now_ms: number): void {
  const { cues: wish } = useSettings();
  const isNear = now !== null && now.isBorneOut && Number.isFinite(now.left_s);
  // Where a look moved the stop into the past it is called as soon as that look is stored.
  const looked_ms = log.began_ms! + 1000 * (log.seen.at(-1)?.after_s ?? 0) + STORED_ms;
  const at_ms = isNear ? Math.max(looked_ms, Math.round(now_ms + 1000 * (now.left_s - HAND_s))) : null;
  const cues = useMemo(
    (): Cue[] => (at_ms === null ? [] : [{ at_ms, kind: "ready", words: `Stop: it is ${wanted}. Dunk it.` }]),
    [at_ms, wanted],
  );
  useCues(state, cues, now_ms, wish);
}

interface RunningProps extends Props, Watched {
  readonly log: RunLog;
  readonly run: ColourRun | undefined;
  readonly wanted: ColourName;
  readonly source: RunSource;
}

/** Heat away, on again, and a fresh bar for one that has cooled. */
function HeatKeys({ bench, source, hasHeat, wanted }: Pick<RunningProps, "bench" | "source" | "wanted"> & { hasHeat: boolean }) {
  return (
    <>
      {hasHeat && source === "hot-bar" ? (
        <button type="button" className="log-key wide-key" disabled={bench.isStoring} onClick={() => bench.check({ check: "fresh-bar" })}>
          Fresh bar
          <small>the last one has cooled</small>
        </button>
      ) : null}
      {hasHeat ? (
        <button
          type="button"
          className="log-key wide-key"
          disabled={bench.isStoring}
          onClick={() => bench.check({ check: "fire", state: "out" })}
        >
          {HEAT_WORDS[source].away}
          <small>the colour runs on for a while</small>
        </button>
      ) : (
        <button
          type="button"
          className="log-key wide-key"
          disabled={bench.isStoring}
          onClick={() => bench.check({ check: "fire", state: "in" })}
        >
          Heat on again
          <small>where it stands still short of {wanted}</small>
        </button>
      )}
    </>
  );
}

function Running({ state, bench, now_ms, log, run, wanted, source, place, line_mm }: RunningProps) {
  const after_s = (now_ms - log.began_ms!) / 1000;
  const now = run === undefined ? null : runNow(run, log.seen, after_s);
  useStopCall(state, now, log, wanted, now_ms);
  // The first bar too, while it is new.
  const isFresh = source === "hot-bar" && after_s - (log.fresh_s.at(-1) ?? 0) < FRESH_s;
  const words =
    now === null
      ? { big: "…", what: "Working it out", range: `watch the ${place} meanwhile` }
      : runWords(now, wanted, source, isFresh, line_mm !== null);
  const hasHeat = source !== "residual" && log.off_ms === null;
  return (
    <>
      {now === null || run === undefined ? null : (
        <RunDrawing state={state} now={now} reach_mm={run.places_mm[run.places_mm.length - 1]!} line_mm={line_mm} />
      )}
      <div className="bench-main run">
        <div className="bench-left run-left">
          <div className="bench-now">
            <span className="numeral" data-testid="numeral">
              {words.big}
            </span>
          </div>
          <div>
            <p className="to-go" role="status">
              {words.what}
            </p>
            <p className="from2">{backWords(log.seen) ?? words.range}</p>
          </div>
        </div>
        <RunningLooks source={source} state={state} bench={bench} log={log} wanted={wanted} place={place} line_mm={line_mm} now={now} />
      </div>
      <div className="bench-keys">
        <HeatKeys bench={bench} source={source} hasHeat={hasHeat} wanted={wanted} />
        <ActKey label="Stop: dunk it" note="all of it, and keep it under" bench={bench} onPress={() => bench.check({ check: "dunked" })} />
      </div>
    </>
  );
}

/** Not begun: what is brought to it, and where. */
function ToBegin({ bench, source, wanted, where }: Pick<Props, "bench"> & { source: RunSource; wanted: ColourName; where: string }) {
  const { bring } = HEAT_WORDS[source];
  return (
    <>
      <div className="bench-main run">
        <div className="bench-left">
          <p className="to-go">{where}</p>
          <p className="from2">Slowly: it is to creep along, and stop at {wanted}. Water or oil within reach for the dunk.</p>
        </div>
      </div>
      <div className="bench-keys">
        <ActKey label={bring} note="the time starts" bench={bench} onPress={() => bench.check({ check: "fire", state: "in" })} />
      </div>
    </>
  );
}

/** What warms it: planned by its own heat, and warmed all the same, a torch. */
function sourceNow(step: ReturnType<typeof runAfter>, { isHeated }: RunLog): RunSource {
  const planned = step?.source ?? "torch";
  return planned === "residual" && isHeated ? "torch" : planned;
}

/** Dunked: looked at cold, in one's own light, with time. */
function Dunked({ state, act, bench, log, wanted, place, line_mm }: Props & Watched & { log: RunLog; wanted: ColourName }) {
  const words = actWords(act, state, useSettings());
  const found = log.cold === null ? null : foundWords(log.cold, wanted, place);
  return (
    <>
      <div className="bench-main run">
        <div className="bench-left">
          <p className="to-go">Wipe it. What colour is the {place} now?</p>
          <p className="from2" role="status">
            {found?.words ?? coldWords(place)}
          </p>
        </div>
        <ColdLooks state={state} bench={bench} log={log} wanted={wanted} place={place} line_mm={line_mm} />
      </div>
      <div className="bench-keys">
        <button
          type="button"
          className="log-key wide-key"
          disabled={bench.isStoring}
          onClick={() => bench.check({ check: "fire", state: "in" })}
        >
          Run it again
          <small>{found?.isPast === true ? "only further: it gets no harder" : "heat on, the time starts"}</small>
        </button>
        <ActKey
          label={log.cold === null ? words.done : `Keep it at ${log.cold}`}
          {...(log.cold === null ? { note: "nobody looked: as planned" } : {})}
          bench={bench}
          onPress={() => bench.done()}
        />
      </div>
    </>
  );
}

export function RunAct(props: Props) {
  const { state, act, bench } = props;
  const units = useSettings();
  const log = runLogOf(state, act.step);
  const step = runAfter(state.route, act.step);
  const source = sourceNow(step, log);
  const run = useColourRun(state, log).data;
  const wanted = colourAtHeat(act.target_C, alloyShiftOf_K(state.piece.steel));
  const watched: Watched = { place: watchedPlace(state.piece, step), line_mm: step?.mark?.behind_mm ?? null };
  if (log.began_ms === null) return <ToBegin bench={bench} source={source} wanted={wanted} where={whereWords(step, source, units)} />;
  if (log.dunked_ms !== null) return <Dunked {...props} {...watched} log={log} wanted={wanted} />;
  return <Running {...props} {...watched} log={log} run={run} wanted={wanted} source={source} />;
}
