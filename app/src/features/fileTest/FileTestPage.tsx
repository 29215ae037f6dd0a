/** A row of files and a few readings against what was predicted: what it is, how sure, and what follows. */

import {
  bathTimes,
  CATALOGUE,
  cladOf,
  COLOUR_MIN,
  disagreementOf,
  drawnFurtherBy,
  endUnder,
  nextTemper,
  resolveSteel,
  roundHeat_C,
  targetOf,
  temperCyclesOf,
  tempersDone,
  testsOf,
  turnsOf,
  wayOf,
  type HardnessVerdict,
  type NextTemper,
  type Piece,
  type PieceState,
  type Prediction,
  type Route,
  type SoftParts,
  type Step,
} from "@tembrak/core";
import Button from "@mui/material/Button";
import { Link, useNavigate, useParams } from "react-router";
import { useStanding } from "../../compute/useAnswers.js";
import { timeFor } from "../../format/pieceTime.js";
import { showHardness, showRange } from "../../format/show.js";
import { Hatches } from "../../parts/Drawing.js";
import type { NewEvent } from "../../store/db.js";
import { useKit, useLog, useNow, useSettings } from "../../store/useStore.js";
import { FileLadder } from "./parts/FileLadder.js";
import { ShopTests } from "./parts/ShopTests.js";
import { TestTools } from "./parts/TestTools.js";
import {
  compareWords,
  disagreeWords,
  evidenceWords,
  followUps,
  humpWords,
  sinceQuenchWords,
  type FollowUp,
} from "../../words/testWords.js";
import { EMPTY_TEST } from "../../words/testDraft.js";
import { useTest } from "./useTest.js";
import { testNoticeWords } from "../../words/noticeWords.js";
import "./fileTest.css";
import { toPiece, toRecord } from "../../format/address.js";
import { OfPlannedPiece } from "../../parts/OfPiece.js";

const HOLD_MIN = 120;

/** The temper that would bring a measured piece to the middle of what its use wants. */
function furtherTemper(
  piece: Piece,
  route: Route,
  { summary }: HardnessVerdict,
  expected: Prediction | undefined,
  hold_min: number,
): NextTemper {
  return nextTemper({
    steel: resolveSteel(CATALOGUE, piece.steel).temper,
    // What a usual member was: the mean also counts those that failed, and this piece was measured.
    asQuenched_HRC: expected?.working.asQuenched.p50_HRC ?? 62,
    // Of the last hardening only, a colour run among them.
    done: temperCyclesOf(route),
    // What was found already weighs the prediction against the test.
    measured_HRC: summary.mean_HRC,
    measuredSd_HRC: 0,
    target_HRC: targetOf(CATALOGUE, piece).mid_HRC,
    hold_min,
  });
}

/** The step that draws it further to a heat: in the oven it lay in, or one more run of its colours where there is none. */
function furtherStep(route: Route, by: "oven" | "run", temperature_C: number): Step {
  const last = route.steps.findLast((step) => step.kind === "run");
  if (by === "run" && last !== undefined) return { ...last, temperature_C };
  const lies = route.steps.findLast((step) => step.kind === "temper")?.in;
  return { kind: "temper", temperature_C, hold_min: HOLD_MIN, why: "came-out-hard", ...(lies ? { in: lies } : {}) };
}

/** What of a piece its way of hardening leaves soft: above the quench line, or behind the end that went in. */
function softParts({ length_mm }: Piece, route: Route, expected: Prediction | undefined): SoftParts {
  const quench = route.steps.findLast((step) => step.kind === "quench");
  const line = expected?.hardening.quenchLine ?? null;
  const end = quench?.kind === "quench" && turnsOf(quench) === null ? endUnder(quench) : null;
  const mouth = expected?.mouth ?? null;
  if (mouth !== null) return { before: 1 - mouth.hardTo_mm / length_mm };
  return {
    ...(line === null ? {} : { above_mm: line.height_mm }),
    ...(end?.end !== "working" || wayOf(route).hardens === "ends" ? {} : { before: 1 - end.depth_mm / length_mm }),
  };
}

/** Before its temper: how long since it went under, and whether it should be hand-warm by now. */
function useWarmth(state: PieceState, isFirst: boolean, expected: Prediction | undefined) {
  const now_ms = timeFor(state, useNow(TICK_ms));
  const quench = state.acts.findLast(({ kind, id }) => kind === "quench" && state.doneAt_ms.has(id));
  const in_ms = quench === undefined ? null : bathTimes(state, quench.step).in_ms;
  if (!isFirst || in_ms === null) return { isWarm: true, words: "" };
  const gone_s = Math.max(0, (now_ms - in_ms) / 1000);
  const handWarm_s = expected?.hardening.handWarm_s;
  const wasFelt = state.acts.some(({ kind, step, id }) => kind === "cool-down" && step === quench?.step && state.doneAt_ms.has(id));
  const isWarm = wasFelt || (gone_s >= SOONEST_s && (handWarm_s === undefined || gone_s >= handWarm_s));
  return { isWarm, words: sinceQuenchWords({ gone_s, handWarm_s, wasFelt }) };
}

const TICK_ms = 5000;
/** Sooner after its bath no file says anything, unless somebody held the piece, s (common practice, no source: it may still be turning hard). */
const SOONEST_s = 120;

/** Before anything is tried there is only what is predicted: nothing that is expected of no piece in particular. */
function emptyWords(isPredicted: boolean, isAsked: boolean): string {
  if (isPredicted) return "As predicted; nothing is tried yet.";
  return isAsked ? "Working out what to expect. Nothing is tried yet." : "Nothing is tried yet.";
}

/** Of two stories neither is their mean. */
function Numeral({ summary: { mean_HRC, p05_HRC, p95_HRC }, humps }: Pick<HardnessVerdict, "summary" | "humps">) {
  const told =
    humps === null ? showHardness(mean_HRC, 1) : `${showHardness(humps.soft.median_HRC)} or ${showHardness(humps.hard.median_HRC)}`;
  return (
    <div className="test-verdict">
      <span className="test-numeral" data-testid="test-mean">
        {told}
      </span>
      <span>
        <small>HRC</small>
        <b data-testid="test-range">{showRange(p05_HRC, p95_HRC)}</b>
      </span>
    </div>
  );
}

function TestHead({ piece, isFirst }: { piece: PieceState["piece"]; isFirst: boolean }) {
  return (
    <div>
      <h1>
        {piece.name}{" "}
        <span>
          {piece.mark}, {isFirst ? "file test after the quench" : "test after the temper"}
        </span>
      </h1>
      <p>
        {isFirst ? "Still brittle: light strokes, do not clamp it. " : ""}
        {cladOf(piece.section, piece.cladding) === null ? "" : "Test the bare core at the edge: the cladding is soft and says nothing. "}
        New edge of the file, light stroke, at three places. Drag a file to an answer or tap it.
      </p>
    </div>
  );
}

function Testing({ state, route, act }: { state: PieceState; route: Route; act: string }) {
  const settings = useSettings();
  const navigate = useNavigate();
  const { write } = useLog();
  const { piece } = state;
  const kit = useKit() ?? null;
  const isFirst = act !== "prove";
  const prediction = useStanding(state);
  const warmth = useWarmth(state, isFirst, prediction.data);
  const prior = isFirst ? prediction.data?.working.asQuenched : prediction.data?.working.tempered;
  const { draft, setDraft, verdict, event, isEmpty } = useTest(prior, piece.section, kit, warmth.isWarm);
  const target = targetOf(CATALOGUE, piece);
  const earlier = testsOf(state);
  const odd = disagreeWords(disagreementOf([...earlier, { test: event, tempers: tempersDone(state) }], piece.section));
  const { summary } = verdict;
  // Of a piece that nobody filed the two stories are the card's chance; a file that bit is what has to be told.
  const humps = [...draft.strokes.values()].includes("bites") ? verdict.humps : null;
  const by = drawnFurtherBy(route, kit);
  const more = furtherTemper(piece, route, verdict, prediction.data, by === "run" ? COLOUR_MIN : HOLD_MIN);
  const options = followUps({ verdict, draft, isFirst, target, prior, more, by, state }, settings);
  // A file on steel that is still hot says nothing, and nothing follows from it.
  const isSilent = verdict.notices.some(({ code }) => code === "too-hot-to-test") && draft.readings.length === 0;
  const isNext = state.next?.id === act;
  const store = async (events: readonly NewEvent[], to: string): Promise<void> => {
    if (await write(state.id, events)) await navigate(to);
  };
  const test: NewEvent = { kind: "test", act, test: event };
  const done: readonly NewEvent[] = isNext ? [{ kind: "act-done", act }] : [];
  const follow = ({ key }: FollowUp): void => {
    if (key === "keep") {
      const end: readonly NewEvent[] = isFirst ? done : [...done, { kind: "finished" }];
      void store([test, ...end], isFirst ? toPiece(state.id, "bench") : toRecord(state.id));
    } else if (key === "temper" && more.outcome === "found") {
      const step = furtherStep(route, by, roundHeat_C(more.temperature_C, settings.temperature));
      void store([test, { kind: "route", route: { ...route, steps: [...route.steps, step] } }], toPiece(state.id, "bench"));
    } else if (key === "elsewhere") {
      void write(state.id, [test]).then((isStored) => {
        if (isStored) setDraft({ ...EMPTY_TEST, blockBias_HRC: draft.blockBias_HRC, surface: "ground" });
      });
    } else if (key === "again") void store([test, ...done], toPiece(state.id, "why"));
  };
  return (
    <main className="test-page">
      <Hatches />
      <header className="card-head">
        <TestHead piece={piece} isFirst={isFirst} />
        <div className="card-keys">
          <Button component={Link} to={toPiece(state.id)}>
            Card
          </Button>
          <Button
            variant="contained"
            disabled={isEmpty || isSilent || draft.unread !== null}
            onClick={() => follow(options.find(({ key }) => key === "keep") ?? options[0]!)}
          >
            Keep this result
          </Button>
        </div>
      </header>
      <div className="test-panels">
        <FileLadder kit={kit} draft={draft} onChange={setDraft} verdict={verdict} prior={prior} wanted={isFirst ? null : target} />
        <div className="test-says">
          {isEmpty && prior === undefined ? null : <Numeral summary={summary} humps={humps} />}
          {isEmpty || isSilent ? (
            <p className="test-line">{emptyWords(prior !== undefined, prediction.isFetching)}</p>
          ) : (
            <>
              <p className="test-line" aria-live="polite">
                {humps === null ? compareWords(summary, prior, target, isFirst) : humpWords(humps)}
              </p>
              <p className="test-why">{evidenceWords(draft, verdict.corrected).join(" ")}</p>
            </>
          )}
          {isEmpty || odd === null ? null : (
            <p className="test-notice" data-testid="disagree">
              {odd}
            </p>
          )}
          {verdict.notices
            .filter(({ code }) => code !== "no-prior" && code !== "soft-skin-possible")
            .map((notice) => (
              <p key={notice.code} className="test-notice">
                {testNoticeWords(notice, settings)}
              </p>
            ))}
          {piece.isPractice === true ? <ShopTests piece={state.id} draft={draft} onChange={setDraft} /> : null}
          {warmth.words === "" ? null : (
            <p className="test-why" data-testid="since-quench">
              {warmth.words}
            </p>
          )}
          <TestTools
            piece={piece}
            soft={softParts(piece, route, prediction.data)}
            isWarm={warmth.isWarm}
            draft={draft}
            onChange={setDraft}
          />
          {draft.unread === null ? null : (
            <p className="test-notice" role="status">
              {draft.unread} Put it right, or take it out, before this result is kept.
            </p>
          )}
          {isEmpty || isSilent || draft.unread !== null ? null : (
            <div className="test-next">
              <h2>Next, one of</h2>
              {options.map((option) => (
                <button key={option.key} type="button" onClick={() => follow(option)}>
                  <b>{option.title}</b>
                  <small>{option.note}</small>
                </button>
              ))}
            </div>
          )}
        </div>
      </div>
    </main>
  );
}

export function FileTestPage() {
  const { act = "prove" } = useParams();
  return <OfPlannedPiece>{(state, route) => <Testing key={`${state.id} ${act}`} state={state} route={route} act={act} />}</OfPlannedPiece>;
}
