/** A temper drawn by colour: which colour is where, when to stop, what was seen, and what it was when it was cold. */

import {
  colourAtHeat,
  COMING_s,
  runLogOf,
  runNow,
  type Check,
  type ColourName,
  type ColourRun,
  type RunLog,
  type RunNow,
  type RunSource,
} from "@tembrak/core";
import { useMemo } from "react";
import { useColourRun } from "../../../compute/useAnswers.js";
import type { Cue } from "../../../calls/cues.js";
import { useCues } from "../../../calls/useCues.js";
import { useShopBeside } from "../../../instruments/useSimulatedShop.js";
import { alloyShiftOf_K } from "../../../format/alloyShift.js";
import { filmColour } from "../../../parts/ribbonColour.js";
import { useSettings } from "../../../store/useStore.js";
import { actWords } from "../../../words/actWords.js";
import { colourKeys, edgeWords, foundWords, HEAT_WORDS, runAfter, runWords, watchedPlace, wetWords } from "../../../words/runWords.js";
import { ActKey, type ActProps } from "./ActKey.js";
import { RunDrawing } from "./RunDrawing.js";

type Props = ActProps<"run">;

/** A hand that hears it takes about so long, s (judgement): the call is ahead of the colour by that. */
const HAND_s = 0.6;
/** A bar has not cooled to speak of for so long, s (judgement: a fifth of its excess by then). */
const FRESH_s = 240;
/** A tap is stored and read again by then, ms. */
const STORED_ms = 500;
/** Films that stand for a name on a key, nm; bare steel has none. */
const KEY_FILM: Readonly<Partial<Record<ColourName, number>>> = {
  "light straw": 16.5,
  straw: 20.8,
  "dark straw": 25.3,
  bronze: 30.5,
  purple: 37,
  "dark blue": 44,
  blue: 51,
  "light blue": 59,
  grey: 66,
};

interface KeysProps extends Pick<Props, "bench"> {
  readonly names: readonly ColourName[];
  readonly wanted: ColourName;
  readonly seen: ColourName | undefined;
  readonly legend: string;
  /** Of an edge that was to stay bare, not of what is watched. */
  readonly isEdge?: boolean;
}

function ColourKeys({ names, wanted, seen, bench, legend, isEdge = false }: KeysProps) {
  return (
    <div className="colour-keys" role="group" aria-label={legend}>
      {names.map((name) => {
        const film_nm = KEY_FILM[name];
        const reading: Check = { check: "temper-colour", name, ...(isEdge ? { at: "edge" as const } : {}) };
        return (
          <button
            key={name}
            type="button"
            className={name === wanted ? "colour-key wanted" : "colour-key"}
            aria-pressed={seen === name}
            disabled={bench.isStoring}
            onClick={() => bench.check(reading)}
          >
            <i style={{ background: film_nm === undefined ? "var(--steel)" : filmColour(film_nm) }} />
            {name}
          </button>
        );
      })}
    </div>
  );
}

/** What is watched over the next minute: now at the left, the jaws where it is right. */
function EdgeStrip({ now, wanted, place }: { now: RunNow; wanted: ColourName; place: string }) {
  const W = 1000;
  const cell = W / now.coming_nm.length;
  const xOf = (s: number): number => Math.min(W + 40, Math.max(-40, (s / COMING_s) * W));
  const [a, b] = now.window_s.map(xOf) as [number, number];
  return (
    <figure className="edge-strip">
      <svg
        viewBox={`0 0 ${W} 70`}
        preserveAspectRatio="none"
        role="img"
        aria-label={`The ${place} over the next minute; right for ${wanted} between the jaws`}
      >
        {now.coming_nm.map((film, i) => (
          <rect key={i} x={i * cell} y={14} width={cell + 1} height={42} fill={film < 3 ? "var(--line2)" : filmColour(film)} />
        ))}
        {b < W ? <rect x={b} y={14} width={W - b} height={42} fill="url(#hatch-cut)" /> : null}
        <path
          d={`M${a + 12} 4H${a}V66H${a + 12}M${b - 12} 4H${b}V66H${b - 12}`}
          fill="none"
          stroke="var(--pale)"
          strokeWidth={5}
          vectorEffect="non-scaling-stroke"
        />
        <path d="M2 4V66" stroke="var(--ink)" strokeWidth={4} vectorEffect="non-scaling-stroke" />
      </svg>
      <figcaption>
        <b>now</b>
        <span>{wanted} between the jaws</span>
        <span>in a minute</span>
      </figcaption>
    </figure>
  );
}

/** Told once, as the colour comes. */
function useStopCall(now: RunNow | null, log: RunLog, wanted: ColourName, now_ms: number): void {
  const { cues: wish } = useSettings();
  const isNear = now !== null && now.isBorneOut && Number.isFinite(now.left_s);
  // Where a look moved the stop into the past it is called as soon as that look is stored.
  const looked_ms = log.began_ms! + 1000 * (log.seen.at(-1)?.after_s ?? 0) + STORED_ms;
  const at_ms = isNear ? Math.max(looked_ms, Math.round(now_ms + 1000 * (now.left_s - HAND_s))) : null;
  const cues = useMemo(
    (): Cue[] => (at_ms === null ? [] : [{ at_ms, kind: "ready", words: `Stop: it is ${wanted}. Dunk it.` }]),
    [at_ms, wanted],
  );
  useCues(cues, now_ms, wish);
}

/** In the simulated shop its edge can be seen: as it is, without a name. */
function Seen({ state, line_mm }: Pick<Props, "state"> & { line_mm: number | null }) {
  const shop = useShopBeside();
  const seen = state.piece.isPractice === true ? shop?.reading?.pieces.find(({ id }) => id === state.id) : undefined;
  if (seen === undefined) return null;
  const at =
    line_mm === null
      ? undefined
      : seen.along.reduce((a, b) => (Math.abs(b.behind_mm - line_mm) < Math.abs(a.behind_mm - line_mm) ? b : a), seen.along[0]!);
  return (
    <figure className="seen-edge">
      <i style={{ background: at?.hex ?? seen.edgeHex }} />
      {at === undefined ? null : <i style={{ background: seen.edgeHex }} />}
      <figcaption>
        {at === undefined ? "the edge of the simulated piece, in daylight" : "the line and the edge of the simulated piece, in daylight"}
      </figcaption>
    </figure>
  );
}

/** Where its colour is looked for, and the line where there is one. */
interface Watched {
  readonly place: string;
  readonly line_mm: number | null;
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
  const units = useSettings();
  const after_s = (now_ms - log.began_ms!) / 1000;
  const now = run === undefined ? null : runNow(run, log.seen, after_s);
  useStopCall(now, log, wanted, now_ms);
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
            <p className="from2">{words.range}</p>
          </div>
        </div>
        <div>
          {now === null ? null : <EdgeStrip now={now} wanted={wanted} place={place} />}
          <Seen state={state} line_mm={line_mm} />
          <p className="run-note">
            {now === null || line_mm === null ? "" : `${edgeWords(now.edge_C, units)}. `}At the {place} you see:
          </p>
          <ColourKeys
            names={colourKeys(wanted, line_mm === null ? undefined : LINE_KEYS)}
            wanted={wanted}
            seen={log.seen.at(-1)?.name}
            bench={bench}
            legend={`The colour at the ${place}`}
          />
        </div>
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
            {found?.words ?? "Cold, in your own light: nothing runs any more. Where there are several, what works counts."}
          </p>
        </div>
        <div>
          <Seen state={state} line_mm={line_mm} />
          <ColourKeys
            names={colourKeys(wanted, line_mm === null ? undefined : LINE_KEYS)}
            wanted={wanted}
            seen={log.cold ?? undefined}
            bench={bench}
            legend={`The colour at the ${place}, cold`}
          />
          {line_mm === null ? null : (
            <>
              <p className="run-note">And the edge itself:</p>
              <ColourKeys
                names={EDGE_COLOURS}
                wanted="bare"
                seen={log.edge ?? undefined}
                bench={bench}
                legend="The colour of the edge, cold"
                isEdge
              />
            </>
          )}
        </div>
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

/** A line is run past more easily than an edge: keys up to blue. */
const LINE_KEYS = 8;
/** What an edge that was to stay bare may have taken. */
const EDGE_COLOURS: readonly ColourName[] = ["bare", "light straw", "straw", "dark straw", "bronze", "purple"];

export function RunAct(props: Props) {
  const { state, act, bench } = props;
  const units = useSettings();
  const step = state.route?.steps[act.step];
  const log = runLogOf(state, act.step);
  const planned: RunSource = step?.kind === "run" ? step.source : "torch";
  const source = planned === "residual" && log.isHeated ? "torch" : planned;
  const run = useColourRun(state, log).data;
  const wanted = colourAtHeat(act.target_C, alloyShiftOf_K(state.piece.steel));
  const own = runAfter(state.route, act.step);
  const watched: Watched = { place: watchedPlace(state.piece, own), line_mm: own?.mark?.behind_mm ?? null };
  const where = own?.mark === undefined ? HEAT_WORDS[source].where : wetWords(own, units);
  if (log.began_ms === null) return <ToBegin bench={bench} source={source} wanted={wanted} where={where} />;
  if (log.dunked_ms !== null) return <Dunked {...props} {...watched} log={log} wanted={wanted} />;
  return <Running {...props} {...watched} log={log} run={run} wanted={wanted} source={source} />;
}
