/** One act fills the screen: what to do, what it is now, what is left, and the one key that ends it. */

import type { Act, PieceState } from "@tembrak/core";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useMemo, useState, type ReactNode } from "react";
import { Link, useParams } from "react-router";
import { usePrediction } from "../../compute/useAnswers.js";
import { actWords } from "../../words/actWords.js";
import { showDuration, showTimeOfDay } from "../../format/show.js";
import { Hatches } from "../../parts/Drawing.js";
import { useNow, usePiece, useSettings } from "../../store/useStore.js";
import { FireCard } from "../../parts/FireCard.js";
import { SimulatedShopContext, useFollowingHands, useSimulatedShop } from "../../instruments/useSimulatedShop.js";
import { whyOf } from "../../words/whyCards.js";
import { useBenchClock } from "../../store/useBenchClock.js";
import type { ActProps } from "./parts/ActKey.js";
import { cuesOf } from "./cues.js";
import { CoolAct } from "./parts/CoolAct.js";
import { HandsFree, useSequence } from "./parts/HandsFree.js";
import { HeatAct } from "./parts/HeatAct.js";
import { QuenchAct } from "./parts/QuenchAct.js";
import { Rehearsal } from "./parts/Rehearsal.js";
import { SafetyGate } from "./parts/SafetyGate.js";
import { ShopPanel } from "./parts/ShopPanel.js";
import { TimerAct } from "./parts/TimerAct.js";
import { readingWords } from "../../words/readingWords.js";
import { lastTap, useBench, type Bench } from "./useBench.js";
import { canStart } from "./sequence.js";
import { useLeader } from "./useLeader.js";
import { useCues, useWakeLock } from "./useCues.js";
import { KEY_LIST, useKeys } from "./useKeys.js";
import "./bench.css";

function ActScreen({ state, act, bench, now_ms }: ActProps) {
  switch (act.kind) {
    case "heat":
      return <HeatAct state={state} act={act} bench={bench} now_ms={now_ms} />;
    case "hold":
    case "temper":
      return <TimerAct state={state} act={act} bench={bench} now_ms={now_ms} />;
    case "quench":
    case "straighten":
      return <QuenchAct state={state} act={act} bench={bench} now_ms={now_ms} />;
    case "air-cool":
    case "slow-cool":
    case "fall":
    case "brighten":
    case "run":
    case "cool-down":
    case "first-file":
    case "oven":
    case "prove":
      return <CoolAct state={state} act={act} bench={bench} now_ms={now_ms} />;
  }
}

function LogLine({ state, bench, children }: { state: PieceState; bench: Bench; children?: ReactNode }) {
  const units = useSettings();
  const last = lastTap(state);
  const event = state.events.find(({ id }) => id === last?.id);
  return (
    <div className="bench-log">
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

/** The gate is gone through anew for a piece after so long, h: another day, another fire (judgement). */
const GATE_HOURS = 12;

function wentThroughGate({ checks }: PieceState, now_ms: number): boolean {
  return checks.some(({ reading, at_ms }) => reading.check === "safety" && now_ms - at_ms < GATE_HOURS * 3600000);
}

function Running({ state, act }: { state: PieceState; act: Act }) {
  const units = useSettings();
  const last_ms = state.events[state.events.length - 1]?.at_ms ?? 0;
  const shop = useSimulatedShop(state.id, state.piece.isPractice === true, last_ms);
  // The clock that ticks only asks: which clock counts is the shop's own, or the simulated one.
  useNow(act.kind === "quench" || act.kind === "straighten" || shop !== null ? 100 : 500);
  const clock = useBenchClock();
  const now = shop === null ? clock.now : shop.now;
  const now_ms = now();
  const leader = useLeader(state.id);
  const isLeading = leader.leading !== "follows";
  const own = useBench(state, now);
  const bench: Bench = isLeading ? own : { ...own, isStoring: true };
  useFollowingHands(state, shop, isLeading);
  const [isWhyOpen, setWhyOpen] = useState(false);
  // Asked early, so that the window to straighten is known before the bath.
  const prediction = usePrediction(state.piece, state.route);
  const cues = useMemo(() => cuesOf(state, act, prediction.data), [state, act, prediction.data]);
  const flash = useCues(cues, now_ms, units.cues);
  const awake = useWakeLock();
  const move = useSequence(state, prediction.data, bench, now_ms, isLeading);
  const [isFireOpen, setFireOpen] = useState(false);
  const isGated = act.kind === "heat" && !wentThroughGate(state, now_ms);
  const words = actWords(act, state, units);
  const mayRehearse = canStart(state, act) || (act.kind === "heat" && act.purpose === "harden");
  const [keysOpen, setKeysOpen] = useState(false);
  useKeys({ "?": () => setKeysOpen(true) });
  const count = state.acts.indexOf(act) + 1;
  return (
    <SimulatedShopContext value={shop}>
      <main className={flash === null ? "bench" : `bench flash-${flash.kind}`}>
        <Hatches />
        <header className="bench-head">
          <div>
            <p className="bench-name">
              {state.piece.name} <span>{state.piece.mark}</span>
            </p>
            <h1>{words.title}</h1>
          </div>
          <div className="bench-nav">
            <span className="bench-count">
              {count} of {state.acts.length}
            </span>
            <Button onClick={() => setWhyOpen(true)}>Why</Button>
            <Button onClick={() => setFireOpen(true)} aria-label="Fire: what to do">
              Fire
            </Button>
            <Button component={Link} to={`/piece/${state.id}`} className="to-card">
              Card
            </Button>
            <Button component={Link} to="/">
              Rack
            </Button>
          </div>
        </header>
        {leader.leading === "follows" ? (
          <div className="bench-notice" role="status">
            <span>Another tab leads this piece; this one follows it.</span>
            <button type="button" className="small-key" onClick={leader.take}>
              Lead from here
            </button>
          </div>
        ) : null}
        {clock.jump !== null && shop === null ? (
          <div className="bench-notice" role="alert">
            <span>The clock went {showDuration(clock.jump.by_ms / 1000)} ahead all at once.</span>
            <button type="button" className="small-key" onClick={() => clock.explain("slept")}>
              This machine slept: it counts
            </button>
            <button type="button" className="small-key" onClick={() => clock.explain("set")}>
              The clock was set: it does not
            </button>
          </div>
        ) : null}
        <ShopPanel state={state} />
        {isGated ? (
          <SafetyGate isStoring={bench.isStoring} onPass={() => bench.check({ check: "safety" })} />
        ) : (
          <ActScreen state={state} act={act} bench={bench} now_ms={now_ms} />
        )}
        <p className="cue-words" role="alert">
          {flash?.words ?? ""}
        </p>
        <LogLine state={state} bench={bench}>
          {!isGated && mayRehearse ? <Rehearsal state={state} bench={bench} /> : null}
          {isGated ? null : <HandsFree state={state} act={act} bench={bench} move={move} now_ms={now_ms} />}
        </LogLine>
        <p className="bench-caution">
          <span className="why">{words.why} </span>
          {words.caution}
          {awake === "may-sleep" ? " This screen may go to sleep: the times go on." : ""}
        </p>
        <Dialog open={isWhyOpen} onClose={() => setWhyOpen(false)}>
          <DialogTitle>Why</DialogTitle>
          <DialogContent>
            <p className="why-card">{whyOf(act, units)}</p>
          </DialogContent>
        </Dialog>
        <FireCard isOpen={isFireOpen} onClose={() => setFireOpen(false)} />
        <Dialog open={keysOpen} onClose={() => setKeysOpen(false)}>
          <DialogTitle>Keys</DialogTitle>
          <DialogContent>
            <dl className="key-list">
              {KEY_LIST.map(([key, does]) => (
                <div key={key}>
                  <dt>{key}</dt>
                  <dd>{does}</dd>
                </div>
              ))}
            </dl>
          </DialogContent>
        </Dialog>
      </main>
    </SimulatedShopContext>
  );
}

export function BenchPage() {
  const { id = "" } = useParams();
  const state = usePiece(id);
  if (state === undefined) return <main aria-busy="true" className="bench" />;
  if (state === null || state.next === undefined) {
    return (
      <main className="bench">
        <h1 style={{ fontSize: 36, lineHeight: "44px" }}>{state === null ? "There is no such piece." : "All its steps are done."}</h1>
        <Button component={Link} to={state === null ? "/" : `/book/${state.id}`} variant="contained">
          {state === null ? "Back to the rack" : "Its record"}
        </Button>
      </main>
    );
  }
  return <Running key={state.id} state={state} act={state.next} />;
}
