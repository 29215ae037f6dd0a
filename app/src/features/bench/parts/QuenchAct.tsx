/** The bath and the window to straighten: seconds, the piece at its depth, jaws that close. One key. */

import {
  bathTimes,
  boilingAt,
  CATALOGUE,
  dipAfter,
  dipNow,
  hottestBath_C,
  intoOf,
  isLaid,
  keepsHeat,
  LIMITS,
  questionHeat,
  PASTE,
  PLATES,
  straighteningNow,
  underOf,
  type Boiling,
  type DipNow,
  type OutAt,
  type PieceState,
  type Prediction,
  type Route,
  type Quench,
  type Under,
} from "@tembrak/core";
import type { ReactNode } from "react";
import { useQuestion, useStandingOfNow, useStandingSoon } from "../../../compute/useAnswers.js";
import { useOutAt } from "../../../compute/useOutAt.js";
import { actWords, mediumName } from "../../../words/actWords.js";
import { capital, showSpan, showTemperature, type Units } from "../../../format/show.js";
import { useSettings } from "../../../store/useStore.js";
import { BATH_LEAST_s } from "../../../calls/cues.js";
import { useCooling } from "../../../compute/useCooling.js";
import { tooLateWords } from "../../../words/rackWords.js";
import { useBathNow } from "../../../compute/useBathNow.js";
import { bathBefore } from "../../../words/bathWords.js";
import { bathWords } from "../../../words/benchWords.js";
import { shutsFirst } from "../../../words/alongWords.js";
import { outWords } from "../../../words/outWords.js";
import { dipWords, endsWords, inOutKeys, overKey } from "../../../words/patternWords.js";
import { ActKey, type ActProps } from "./ActKey.js";
import { Plates } from "./Plates.js";
import { Tank, type Where } from "./Tank.js";
import { StraightenKeys } from "./StraightenKeys.js";
import { heatPlace } from "../../../words/heatPlace.js";
import { ReadKey } from "./ReadKey.js";

type Props = ActProps<"quench" | "straighten">;
type StraightenWindow = NonNullable<Prediction["hardening"]["straighten"]>;

/** From the fire to the bath where nobody says, s. */
const USUAL_TRANSFER_s = 1.5;

/** A route that lost its quench is not one anybody planned; the bath most have. */
const UNPLANNED = { medium: "fast-oil", bath_C: 50 };

function JawGauge({ gone_s, from_s, to_s }: { gone_s: number; from_s: number; to_s: number }) {
  const W = 1000;
  const span_s = Math.max(to_s * 1.3, 20);
  const xOf = (s: number): number => Math.min(W, (s / span_s) * W);
  const [a, b] = [xOf(from_s), xOf(to_s)];
  const middle = 38;
  return (
    <svg
      viewBox={`0 0 ${W} 76`}
      preserveAspectRatio="none"
      className="jaws"
      role="img"
      aria-label={`It turns stiff between ${Math.round(from_s)} and ${Math.round(to_s)} seconds after it went in`}
    >
      <rect x={0} y={4} width={a} height={68} fill="var(--lift)" />
      <path
        d={`M${a} 4Q${(a + b) / 2} 12 ${b} ${middle - 1}H${W}V4Z`}
        fill="url(#hatch-cut)"
        stroke="var(--steel)"
        strokeWidth={1}
        opacity={0.75}
        vectorEffect="non-scaling-stroke"
      />
      <path
        d={`M${a} 72Q${(a + b) / 2} 64 ${b} ${middle + 1}H${W}V72Z`}
        fill="url(#hatch-cut)"
        stroke="var(--steel)"
        strokeWidth={1}
        opacity={0.75}
        vectorEffect="non-scaling-stroke"
      />
      <line x1={xOf(gone_s)} x2={xOf(gone_s)} y1={0} y2={76} stroke="var(--pale)" strokeWidth={4} vectorEffect="non-scaling-stroke" />
    </svg>
  );
}

interface WindowProps {
  readonly gone_s: number;
  readonly from_s: number;
  readonly to_s: number;
  readonly isBefore: boolean;
  /** Where it lies until the window opens. */
  readonly where: string;
  /** Which place turns stiff first; null where it is the section of the piece itself. */
  readonly first: string | null;
}

/** The window to straighten, as far as it has closed. */
function Window({ gone_s, from_s, to_s, isBefore, where, first }: WindowProps) {
  return (
    <div className={isBefore ? "is-before" : undefined}>
      <JawGauge gone_s={gone_s} from_s={from_s} to_s={to_s} />
      <div className="jaw-words drawn">
        <span>{where}</span>
        <span>
          {first === null ? "" : `${first} `}turns stiff, {showSpan(from_s, to_s)} by the model
        </span>
        <span>hard, brittle</span>
      </div>
    </div>
  );
}

/** No thermometer in such a bath reads more, C. */
function hottestRead_C(medium: string): number {
  return Math.min(LIMITS.quench.bath_C[1], hottestBath_C(CATALOGUE.medium(medium)) ?? Infinity);
}

/** How it stands, and what a thermometer in it says, before the piece goes in. */
function BathRead({ state, bench, quench, now_ms }: Pick<Props, "state" | "bench" | "now_ms"> & { quench: Quench }) {
  const { medium, bath_C } = intoOf(quench);
  const units = useSettings();
  const here = useBathNow(intoOf(quench), now_ms);
  return (
    <>
      {here?.now && state.piece.isPractice !== true ? <p className="drawn from bath-before">{bathBefore(here.now, units)}</p> : null}
      <ReadKey
        what="Bath"
        limits_C={[LIMITS.quench.bath_C[0], hottestRead_C(medium)]}
        question={(T, unit) => questionHeat("bath", T, unit, bath_C)}
        units={units}
        isStoring={bench.isStoring}
        onRead={(temperature_C) => bench.check({ check: "bath-heat", temperature_C })}
      />
    </>
  );
}

/** Under: changed over where that is planned, and out. */
function UnderKeys({ act, bench, over, words }: Pick<KeysProps, "act" | "bench" | "over" | "words">) {
  const out = (): void => bench.done([{ kind: "check", act: act.id, reading: { check: "bath", state: "out" } }]);
  if (over === null) return <ActKey label={words.out} note="or the foot switch" bench={bench} onPress={out} />;
  return (
    <>
      <button type="button" className="log-key wide-key" disabled={bench.isStoring} onClick={out}>
        {words.out}
      </button>
      <ActKey label={over} note="as it goes under" bench={bench} onPress={() => bench.check({ check: "bath", state: "over" })} />
    </>
  );
}

interface KeysProps extends Omit<ActProps<"quench" | "straighten">, "now_ms"> {
  readonly isUnder: boolean;
  /** The next move of the quench before it comes out; null where there is none. */
  readonly over: string | null;
  readonly words: ReturnType<typeof inOutKeys>;
  readonly isTooLate: boolean;
}

/** What came to no bath in time is heated once more: its heat was not over, and the log says when it was out of the fire. */
function BackInFire({ bench }: Pick<KeysProps, "bench">) {
  return (
    <button type="button" className="log-key wide-key" disabled={bench.isStoring} onClick={bench.backInFire}>
      Heat it once more
    </button>
  );
}

/** In, out, and whether it is straight. */
function Keys({ state, act, bench, isUnder, over, words, isTooLate }: KeysProps) {
  const { done } = actWords(act, state, useSettings());
  const isQuench = act.kind === "quench";
  return (
    <div className="bench-keys">
      {isQuench && !isUnder ? (
        <>
          {isTooLate ? <BackInFire bench={bench} /> : null}
          <ActKey label={words.in} note={words.asIt} bench={bench} onPress={() => bench.check({ check: "bath", state: "in" })} />
        </>
      ) : isQuench ? (
        <UnderKeys act={act} bench={bench} over={over} words={words} />
      ) : (
        <>
          <button
            type="button"
            className="log-key wide-key"
            disabled={bench.isStoring}
            onClick={() => bench.done([{ kind: "check", act: act.id, reading: { check: "straight", state: "bent" } }])}
          >
            Bent: leave it, correct it in the temper
          </button>
          <ActKey
            label={done}
            bench={bench}
            onPress={() => bench.done([{ kind: "check", act: act.id, reading: { check: "straight", state: "straight" } }])}
          />
        </>
      )}
    </div>
  );
}

interface SecondsProps {
  readonly act: Props["act"];
  readonly gone_s: number | null;
  /** Undefined while it is worked out. */
  readonly window: StraightenWindow | null | undefined;
  readonly bodyBlack_s: number | null | undefined;
  readonly move: Move | null;
  /** When it should come out, s after it went under. */
  readonly least_s: number;
  readonly tooLate_s: number | null;
  readonly children: ReactNode;
}

/** Seconds since it went in: of what, and what is to be done. */
function Seconds({ act, gone_s, window, move, least_s, bodyBlack_s, tooLate_s, children }: SecondsProps) {
  const words = inOutKeys(move?.dip.pattern ?? null);
  const since = act.kind === "quench" ? words.since : "seconds since it went in";
  return (
    <div className="bench-left">
      <div className="bench-now">
        <span className="numeral" data-testid="numeral">
          {gone_s === null ? "–" : Math.floor(gone_s)}
        </span>
      </div>
      <p className="from2">{gone_s === null ? words.notYet : since}</p>
      <p className="to-go">
        {tooLate_s !== null
          ? "Too late: heat it once more"
          : bathWords({
              kind: act.kind,
              gone_s,
              least_s,
              window,
              bodyBlack_s,
              under: underNow(move).what,
              ...(move === null ? {} : { leavesHeat: keepsHeat(move.planned), dip: dipWords(move.dip, move.planned) }),
            })}
      </p>
      {children}
    </div>
  );
}

function quenchOf(route: Route | undefined, act: Props["act"]): Quench | null {
  const step = route?.steps[act.step];
  return step?.kind === "quench" ? step : null;
}

/** The bath, in words: as it was read, where somebody did. */
function bathSaid(quench: Quench | null, units: Units): { medium: string; bath: string } {
  const { medium, bath_C } = quench === null ? UNPLANNED : intoOf(quench);
  return { medium: mediumName(medium).toLowerCase(), bath: showTemperature(bath_C, units) };
}

function whereOf(act: Props["act"], in_ms: number | null): Where {
  if (act.kind === "straighten") return "out";
  return in_ms === null ? "above" : "under";
}

/** All of it once it has been changed over from the edge alone, and once it is out; a back that goes in first until it is turned over. */
function underNow(move: Move | null): Under {
  if (move === null) return { what: "whole" };
  const { planned, dip } = move;
  const now = dipAfter(planned, dip.changed);
  if (now.under === "all") return { what: "whole" };
  return now.under === "back" ? { what: "back", depth_mm: now.depth_mm } : underOf(planned);
}

/** A quench as it is planned, and which of its moves the taps have. */
interface Move {
  readonly planned: Quench;
  readonly dip: DipNow;
}

/** What is planned says which moves are to come: what was done of them is in the taps. Null once it is out. */
function moveOf(state: PieceState, act: Props["act"], now_ms: number): Move | null {
  const planned = quenchOf(state.route ?? undefined, act);
  return planned === null || act.kind !== "quench" ? null : { planned, dip: dipNow(planned, bathTimes(state, act.step), now_ms) };
}

/** Both ends of what is quenched by turns, and whether the second has waited too long. @param done the quench as far as it went */
function Ends({ move, done, prediction }: { move: Move | null; done: Quench | null; prediction: Prediction | undefined }) {
  const units = useSettings();
  if (move === null || move.dip.pattern !== "by-turns" || prediction === undefined) return null;
  const words = endsWords(move.dip, prediction, done?.transfer_s ?? USUAL_TRANSFER_s, units);
  return words === null ? null : (
    <p className="drawn from" role="status">
      {words}
    </p>
  );
}

/**
 * A window that shuts before the piece may come out is none; nobody looks at it who has another move to make first, nor while plates hold
 * the piece straight.
 */
function isAhead({ to_s }: StraightenWindow, move: Move | null, least_s: number): boolean {
  return move?.dip.pattern !== "plates" && move?.dip.due?.move !== "over" && to_s >= least_s;
}

type AheadProps = Pick<SecondsProps, "act" | "window" | "gone_s" | "least_s"> & { move: Move | null; first: string | null };

function WindowAhead({ act, window, move, gone_s, least_s, first }: AheadProps) {
  if (!window || (act.kind !== "straighten" && !isAhead(window, move, least_s))) return null;
  const { where } = inOutKeys(move?.dip.pattern ?? null);
  // The jaws close from where it may be stiff to where it surely is.
  const { end, from_s, to_s } = window;
  const last_s = Number.isFinite(end.p95_s) ? end.p95_s : to_s;
  return (
    <Window
      gone_s={gone_s ?? 0}
      from_s={Math.min(end.p05_s, last_s)}
      to_s={Math.max(from_s, last_s)}
      isBefore={gone_s === null}
      where={where}
      first={first}
    />
  );
}

/** Which place turns stiff first; null where it is the section of the piece itself, and while that is worked out. */
function useShutsFirst({ piece }: PieceState, prediction: Prediction | undefined): string | null {
  const units = useSettings();
  return prediction === undefined ? null : shutsFirst(prediction, piece, units);
}

function ShutsFirst({ act, first }: { act: Props["act"]; first: string | null }) {
  if (act.kind !== "straighten" || first === null) return null;
  return <p className="drawn from">{capital(first)} shuts first: the seconds are those of it.</p>;
}

function TooLate({ out_s, place }: { out_s: number | null; place: string }) {
  return out_s === null ? null : (
    <p className="drawn from" role="status">
      {tooLateWords(out_s, place)}
    </p>
  );
}

/** Undefined while nobody knows whether it still may be bent. */
function Straighten({ state, act, bench, now_ms, window }: Props & { window: StraightenWindow | null | undefined }) {
  if (act.kind !== "straighten") return null;
  const is = straighteningNow(state, window, now_ms)?.is;
  return <StraightenKeys state={state} actId={act.id} bench={bench} now_ms={now_ms} is={is} />;
}

/** What is seen of the bath on the steel while it is under; null before, after, or while that is worked out. */
function boilingNow(act: Props["act"], gone_s: number | null, done: Quench | null, prediction: Prediction | undefined): Boiling | null {
  if (act.kind !== "quench" || gone_s === null || done === null || prediction === undefined) return null;
  const { medium } = intoOf(done);
  if (medium === PASTE) return null;
  return boilingAt(CATALOGUE.medium(medium), prediction.hardening.curve, (done.transfer_s ?? USUAL_TRANSFER_s) + gone_s);
}

interface PictureProps extends Pick<Props, "state" | "act"> {
  readonly in_ms: number | null;
  readonly done: Quench | null;
  readonly move: Move | null;
  readonly boiling: Boiling | null;
}

/** The tank with the piece in it, or the plates about it. */
function Picture({ state, act, in_ms, done, move, boiling }: PictureProps) {
  const said = bathSaid(done, useSettings());
  const where = whereOf(act, in_ms);
  const medium = done === null ? null : intoOf(done).medium;
  if (medium === PLATES) return <Plates state={state} where={where} />;
  const how = { isLaid: done !== null && isLaid(done) && underOf(done).what === "whole", isPaste: medium === PASTE };
  return <Tank state={state} where={where} {...said} {...how} under={underNow(move)} boiling={boiling} />;
}

/** Whether its bath may still be read: not once it is in or came too late, and plates are none, nor a paste. @param over each null before that */
function isReadable(act: Props["act"], over: readonly (number | null)[], done: Quench | null): done is Quench {
  if (act.kind !== "quench" || done === null || over.some((at) => at !== null)) return false;
  const { medium } = intoOf(done);
  return medium !== PLATES && medium !== PASTE;
}

/** What each second out of the bath buys and costs, said while there is time to hear it. */
function OutWays({ outAt, isOver }: { outAt: OutAt | null | undefined; isOver: boolean }) {
  return outAt === null || outAt === undefined || isOver ? null : <p className="drawn from">{outWords(outAt)}</p>;
}

/** What there is to say of it by now: out of its bath no old countdown stands while the new answer is awaited. */
function useSaid({ state, act }: Pick<Props, "state" | "act">) {
  const soon = useStandingSoon(state);
  const ofNow = useStandingOfNow(state);
  const prediction = act.kind === "straighten" ? ofNow : soon;
  // What is too short to bend has no window.
  const bends = state.acts.some(({ kind, step }) => kind === "straighten" && step === act.step);
  const outAt = useOutAt(state);
  const window = bends ? prediction?.hardening.straighten : null;
  return { prediction, window, outAt, least_s: outAt?.best.at_s ?? BATH_LEAST_s };
}

export function QuenchAct({ state, act, bench, now_ms }: Props) {
  const { prediction, window, outAt, least_s } = useSaid({ state, act });
  const in_ms = bathTimes(state, act.step).in_ms;
  const gone_s = in_ms === null ? null : Math.max(0, (now_ms - in_ms) / 1000);
  const done = quenchOf(useQuestion(state)?.route, act);
  const move = moveOf(state, act, now_ms);
  const { tooLate_s } = useCooling(state, now_ms);
  const first = useShutsFirst(state, prediction);
  return (
    <>
      <div className={`bench-main quench ${act.kind}`}>
        <Picture state={state} act={act} in_ms={in_ms} done={done} move={move} boiling={boilingNow(act, gone_s, done, prediction)} />
        <Seconds
          act={act}
          gone_s={gone_s}
          window={window}
          move={move}
          least_s={least_s}
          bodyBlack_s={prediction?.hardening.bodyBlack_s}
          tooLate_s={tooLate_s}
        >
          {isReadable(act, [in_ms, tooLate_s], done) ? <BathRead state={state} bench={bench} quench={done} now_ms={now_ms} /> : null}
          <OutWays outAt={outAt} isOver={in_ms !== null || tooLate_s !== null} />
          <Ends move={move} done={done} prediction={prediction} />
          <TooLate out_s={tooLate_s} place={heatPlace(state.route)} />
        </Seconds>
      </div>
      <WindowAhead act={act} window={window} move={move} gone_s={gone_s} least_s={least_s} first={first} />
      <ShutsFirst act={act} first={first} />
      <Straighten state={state} act={act} bench={bench} now_ms={now_ms} window={window} />
      <Keys
        state={state}
        act={act}
        bench={bench}
        isUnder={in_ms !== null}
        over={move === null ? null : overKey(move.dip, move.planned)}
        words={inOutKeys(move?.dip.pattern ?? null)}
        isTooLate={tooLate_s !== null}
      />
    </>
  );
}
