/** One act fills the screen: what to do, what it is now, what is left, and the one key that ends it. */

import { bathTimes, besideIt, intoOf, type Act, type PieceState } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useMemo, type ComponentProps, type ComponentType, type ReactNode } from "react";
import { Link } from "react-router";
import { useQuestion, useStandingSoon } from "../../compute/useAnswers.js";
import { useOutAt } from "../../compute/useOutAt.js";
import { actWords } from "../../words/actWords.js";
import { showTimeOfDay } from "../../format/show.js";
import { Hatches } from "../../parts/Drawing.js";
import { useNow, usePieces, useSettings } from "../../store/useStore.js";
import { SimulatedShopContext, useFollowingHands, useSimulatedShop } from "../../instruments/useSimulatedShop.js";
import { PieceClockContext } from "../../store/pieceClock.js";
import { shopNow } from "../../store/shopClock.js";
import type { ActProps } from "./parts/ActKey.js";
import { cuesOf } from "../../calls/cues.js";
import { BenchHead } from "./parts/BenchHead.js";
import { LeadNotice, MovedNotice } from "./parts/BenchNotices.js";
import { CoolAct } from "./parts/CoolAct.js";
import { FateKey, FateScreen } from "./parts/FateKey.js";
import { HandsFree, useSequence } from "./parts/HandsFree.js";
import { HeatAct } from "./parts/HeatAct.js";
import { QuenchAct } from "./parts/QuenchAct.js";
import { Rehearsal } from "./parts/Rehearsal.js";
import { RunAct } from "./parts/RunAct.js";
import { ReadyList } from "./parts/ReadyList.js";
import { SafetyGate } from "./parts/SafetyGate.js";
import { MarkAsk } from "./parts/MarkAsk.js";
import { ShopPanel } from "./parts/ShopPanel.js";
import { TapAsk } from "./parts/TapAsk.js";
import { TimerAct } from "./parts/TimerAct.js";
import { readingWords } from "../../words/readingWords.js";
import { lastTap, useBench, type Bench } from "./useBench.js";
import { canStart } from "./sequence.js";
import { useLeader } from "./useLeader.js";
import { useCues, useWakeLock } from "../../calls/useCues.js";
import "./css/frame.css";
import "./css/heat.css";
import "./css/quench.css";
import "./css/run.css";
import "./css/timer.css";
import "./css/gate.css";
import "./css/shop.css";
import "./css/landscape.css";
import { toLike, toRecord } from "../../format/address.js";
import { OfPlannedPiece } from "../../parts/OfPiece.js";

/** What an act is done on. */
const SCREENS = {
  heat: HeatAct,
  hold: TimerAct,
  temper: TimerAct,
  quench: QuenchAct,
  straighten: QuenchAct,
  "air-cool": CoolAct,
  "slow-cool": CoolAct,
  fall: CoolAct,
  brighten: CoolAct,
  run: RunAct,
  "cool-down": CoolAct,
  "first-file": CoolAct,
  oven: CoolAct,
  prove: CoolAct,
} satisfies { readonly [K in Act["kind"]]: ComponentType<ActProps<K>> };

function ActScreen(props: ActProps) {
  const Screen = SCREENS[props.act.kind] as ComponentType<ActProps>;
  return <Screen {...props} />;
}

/** The keys above stand on this line, however many lines it takes. */
function tellHeight(log: HTMLElement | null): (() => void) | undefined {
  if (log === null || typeof ResizeObserver === "undefined") return undefined;
  const watcher = new ResizeObserver(() => log.parentElement?.style.setProperty("--log-height", `${log.offsetHeight}px`));
  watcher.observe(log);
  return () => watcher.disconnect();
}

function LogLine({ state, bench, children }: { state: PieceState; bench: Bench; children?: ReactNode }) {
  const units = useSettings();
  const last = lastTap(state);
  const event = state.events.find(({ id }) => id === last?.id);
  return (
    <div className="bench-log" ref={tellHeight}>
      <span role="status">
        {bench.trouble ?? (event ? `Stored ${showTimeOfDay(event.at_ms)}: ${readingWords(event, state, units)}` : "Nothing logged yet")}
      </span>
      {children}
      {bench.unstored > 0 ? (
        <>
          <button type="button" onClick={bench.retry}>
            Try again
          </button>
          <button type="button" onClick={bench.rescue}>
            Export, with these taps
          </button>
        </>
      ) : null}
      {event ? (
        <button type="button" onClick={bench.undo} disabled={bench.isStoring}>
          Undo
        </button>
      ) : null}
    </div>
  );
}

/** The gate is gone through once a fire: after so long it is another, h (judgement). */
const GATE_HOURS = 2;

/** For this piece in this work, or for another at the same fire not long ago; a kit that changed since is another fire. */
function wentThroughGate(state: PieceState, pieces: readonly PieceState[], kitChanged_ms: number, now_ms: number): boolean {
  const isRecent = ({ reading, at_ms }: PieceState["checks"][number]): boolean =>
    reading.check === "safety" && at_ms > kitChanged_ms && now_ms - at_ms < GATE_HOURS * 3600000;
  const isSameFire = (other: PieceState): boolean => (other.piece.isPractice === true) === (state.piece.isPractice === true);
  // A practice piece lives by a time of its own: another's says nothing of it.
  return state.piece.isPractice === true
    ? state.checks.some(({ reading }) => reading.check === "safety")
    : [state, ...pieces.filter(isSameFire)].some(({ checks }) => checks.some(isRecent));
}

/** The move from fire to bath: walked through cold, or called without hands. */
function MoveKeys(props: ComponentProps<typeof HandsFree>) {
  const { state, act, bench } = props;
  const mayRehearse = canStart(state, act) || (act.kind === "heat" && act.purpose === "harden");
  return (
    <>
      {mayRehearse ? <Rehearsal state={state} bench={bench} /> : null}
      <HandsFree {...props} />
    </>
  );
}

/** The log to write to: only the screen that leads writes. */
function useLedBench(state: PieceState, now: () => number, isLeading: boolean): Bench {
  const own = useBench(state, now);
  return isLeading ? own : { ...own, isStoring: true };
}

/** When a piece was last heard of, ms; 0 of one that nothing is known of. */
function lastHeard_ms({ events }: PieceState): number {
  return events[events.length - 1]?.at_ms ?? 0;
}

interface CautionProps {
  readonly why: string;
  readonly caution: string;
  readonly awake: ReturnType<typeof useWakeLock>;
  /** One goes away meanwhile. */
  readonly isLong: boolean;
}

function Caution({ why, caution, awake, isLong }: CautionProps) {
  return (
    <p className="bench-caution">
      <span className="why">{why} </span>
      {caution}
      {isLong && awake === "may-sleep" ? " This screen may go to sleep: the times go on." : ""}
    </p>
  );
}

/** Whose clock counts, and how often to look at it: the clock that ticks only asks. */
function useActTime(act: Act, shop: ReturnType<typeof useSimulatedShop>): () => number {
  useNow(act.kind === "quench" || act.kind === "straighten" || act.kind === "run" || shop !== null ? 100 : 500);
  return shop === null ? shopNow : shop.now;
}

function speedOf(shop: ReturnType<typeof useSimulatedShop>): number {
  return shop?.reading?.speed ?? 1;
}

/** A practice piece lives by the clock of its shop: what runs on does so by that. */
function Running({ state, act }: { state: PieceState; act: Act }) {
  const shop = useSimulatedShop(state.id, state.piece.isPractice === true, lastHeard_ms(state));
  const clock = shop === null ? null : { id: state.id, now: shop.now };
  return (
    <SimulatedShopContext value={shop}>
      <PieceClockContext value={clock}>
        <Working state={state} act={act} shop={shop} />
      </PieceClockContext>
    </SimulatedShopContext>
  );
}

interface AskedProps {
  readonly state: PieceState;
  readonly act: Act;
  readonly bench: ReturnType<typeof useLedBench>;
  readonly now_ms: number;
  readonly isGated: boolean;
  readonly others: ReturnType<typeof besideIt>;
  readonly children: ReactNode;
}

/** What has to be answered before the act itself is there. */
function Asked({ state, act, bench, now_ms, isGated, others, children }: AskedProps) {
  if (isGated)
    return (
      <SafetyGate isStoring={bench.isStoring} onPass={() => bench.check({ check: "safety" })}>
        <ReadyList state={state} act={act} bench={bench} now_ms={now_ms} />
      </SafetyGate>
    );
  return others.length > 0 ? <MarkAsk state={state} bench={bench} others={others} /> : children;
}

/** A bath is called by what it was read at, and a piece that is in it is not told to go in. */
function useActWords(state: PieceState, act: Act) {
  const own = useQuestion(state)?.route.steps[act.step];
  return actWords(act, state, useSettings(), {
    is_C: own?.kind === "quench" ? intoOf(own).bath_C : undefined,
    isUnder: act.kind === "quench" && bathTimes(state, act.step).in_ms !== null,
  });
}

function Working({ state, act, shop }: { state: PieceState; act: Act; shop: ReturnType<typeof useSimulatedShop> }) {
  const units = useSettings();
  const pieces = usePieces() ?? [];
  const now = useActTime(act, shop);
  const now_ms = now();
  const leader = useLeader(state.id);
  const isLeading = leader.leading !== "follows";
  const bench = useLedBench(state, now, isLeading);
  useFollowingHands(state, shop, isLeading);
  // Asked early, so that the window to straighten is known before the bath.
  const prediction = useStandingSoon(state);
  const out_s = useOutAt(state)?.best.at_s ?? null;
  const cues = useMemo(() => cuesOf(state, act, prediction, null, out_s), [state, act, prediction, out_s]);
  const flash = useCues(state, cues, now_ms, units.cues, speedOf(shop));
  const awake = useWakeLock();
  const move = useSequence(state, { prediction, out_s }, bench, now_ms, isLeading);
  const isGated = act.kind === "heat" && !wentThroughGate(state, pieces, units.kitChangedAt_ms, now_ms);
  const others = besideIt(state, pieces, now_ms);
  const words = useActWords(state, act);
  return (
    <main className={flash === null ? "bench" : `bench flash-${flash.kind}`} data-act={act.kind}>
      <Hatches />
      <BenchHead state={state} act={act} title={words.title} />
      <LeadNotice {...leader} />
      <MovedNotice state={state} />
      <ShopPanel state={state} />
      <TapAsk state={state} now={now} />
      <Asked state={state} act={act} bench={bench} now_ms={now_ms} isGated={isGated} others={others}>
        <ActScreen state={state} act={act} bench={bench} now_ms={now_ms} />
      </Asked>
      <p className="cue-words" role="alert">
        {flash?.words ?? ""}
      </p>
      <LogLine state={state} bench={bench}>
        {isGated ? null : <MoveKeys state={state} act={act} bench={bench} move={move} now_ms={now_ms} />}
        {isLeading ? <FateKey state={state} act={act} bench={bench} now={now} /> : null}
      </LogLine>
      <Caution why={words.why} caution={words.caution} awake={awake} isLong={act.kind !== "heat"} />
    </main>
  );
}

function AllDone({ id }: { readonly id: string }) {
  return (
    <main className="bench">
      <h1 style={{ fontSize: 36, lineHeight: "44px" }}>All its steps are done.</h1>
      <Button component={Link} to={toRecord(id)} variant="contained">
        Its record
      </Button>
      <Button component={Link} to={toLike(id)}>
        Another like it
      </Button>
    </main>
  );
}

function Bench({ state }: { readonly state: PieceState }) {
  if (state.next === undefined) return <AllDone id={state.id} />;
  if (state.fate !== null) return <FateScreen state={state} fate={state.fate} />;
  return <Running key={state.id} state={state} act={state.next} />;
}

export function BenchPage() {
  return <OfPlannedPiece>{(state) => <Bench state={state} />}</OfPlannedPiece>;
}
