/** One piece: its heat line, what it will be through the steel, the verdict, and what if. */

import {
  CATALOGUE,
  disagreementOf,
  grainSeen,
  planRoute,
  testsOf,
  wayOf,
  zoneReports,
  type PieceState,
  type Prediction,
  type Route,
  type Heating,
  type Way,
} from "@tembrak/core";
import Button from "@mui/material/Button";
import { lazy, Suspense, useState } from "react";
import { Link } from "react-router";
import { useExpected, useMoved, usePrediction, useQuestion, useStepTimes, useWhatIf } from "../../compute/useAnswers.js";
import { useCooling } from "../../compute/useCooling.js";
import { nextActWords } from "../../words/rackWords.js";
import { timeFor } from "../../format/pieceTime.js";
import { weakestSentence } from "../../words/alongWords.js";
import { heatingName, wayWords } from "../../words/schools.js";
import { showNotches, type Units } from "../../format/show.js";
import { disagreeWords } from "../../words/testWords.js";
import { doneSoFar, endTense, expectedWords, knownBy, measured, measuredSummary } from "../../words/measuredWords.js";
import { verdictWords } from "../../words/verdictWords.js";
import { Hatches } from "../../parts/Drawing.js";
import { HeatLine } from "../../parts/HeatLine.js";
import { progressOf } from "../../parts/progress.js";
import { useLog, useKit, useNow, useSettings, useUnits } from "../../store/useStore.js";
import { CoolingDrawing } from "./parts/CoolingDrawing.js";
import { PutAway } from "./parts/PutAway.js";
import { PlanNotices } from "./parts/PlanNotices.js";
import { SchoolsDialog } from "./parts/SchoolsDialog.js";
import { StepsDialog } from "./parts/StepsDialog.js";
import { VerdictPanel } from "./parts/VerdictPanel.js";
import { WhatIfPanel } from "./parts/WhatIfPanel.js";
import { doneOfIt } from "./doneOfIt.js";
import { useTrial, type TrialView } from "./useTrial.js";
import "./card.css";
import { steelWords } from "../../words/steelWords.js";
import { toPiece, toRecord } from "../../format/address.js";
import { OfPlannedPiece } from "../../parts/OfPiece.js";

const ThroughSteel = lazy(async () => ({ default: (await import("./parts/ThroughSteel.js")).ThroughSteel }));
const SolvedNotice = lazy(async () => ({ default: (await import("../../parts/SolvedNotice.js")).SolvedNotice }));
const VIEWS = ["hardness", "martensite", "heat", "cooling"] as const;
const TRACKS = ["temper", "heat", "thickness"] as const;

interface HeadProps {
  readonly state: PieceState;
  readonly route: Route;
  readonly now_ms: number;
  readonly onSchools: () => void;
  readonly onSteps: () => void;
}

/** Which piece, what is next, and where to go. */
function CardHead({ state, route, now_ms, onSchools, onSteps }: HeadProps) {
  const settings = useSettings();
  const { piece } = state;
  const isStarted = state.doneAt_ms.size > 0;
  const way = wayOf(route);
  const cooling = useCooling(state, now_ms);
  return (
    <header className="card-head">
      <div>
        <h1>
          {piece.name}{" "}
          <span>
            {piece.mark}, {steelWords(piece)}
          </span>{" "}
          <span className="drawn notches" aria-label={`${piece.mark} notches`}>
            {showNotches(piece.mark)}
          </span>
        </h1>
        <p>{nextActWords(state, now_ms, settings, cooling).sentence}</p>
      </div>
      <div className="card-keys">
        {isStarted ? null : (
          <Button onClick={onSchools} aria-label={`School: ${heatingName(route.heating)}`}>
            <span>
              {heatingName(route.heating)}
              {wayWords(way) === "" ? null : <small>, {wayWords(way)}</small>}
            </span>
          </Button>
        )}
        {isStarted || state.fate !== null ? null : <PutAway id={state.id} name={piece.name} />}
        {isStarted ? null : (
          <Button component={Link} to={toPiece(state.id, "ways")}>
            Ways
          </Button>
        )}
        <Button onClick={onSteps}>Steps</Button>
        <Button variant="contained" component={Link} to={state.next ? toPiece(state.id, "bench") : toRecord(state.id)}>
          {state.next ? "To the bench" : "Its record"}
        </Button>
      </div>
    </header>
  );
}

function gradeWords(state: PieceState): string {
  const words = knownBy(state);
  return `${words[0]!.toUpperCase()}${words.slice(1)}.`;
}

/** The verdict of what is shown; of a piece that was measured, against what was found. */
function cardWords(prediction: Prediction, { question: { route, piece } }: TrialView, measuredAs: PieceState | null, units: Units) {
  const hardness_HRC = measuredAs === null ? null : (measuredSummary(measuredAs)?.mean_HRC ?? null);
  const end = measuredAs === null ? "will be" : endTense(measuredAs);
  const said = verdictWords(prediction, route, piece.section, units, zoneReports(piece, prediction, wayOf(route).hardens), {
    hardness_HRC,
    look: measuredAs === null ? null : grainSeen(measuredAs),
    done: measuredAs === null ? "nothing" : doneSoFar(measuredAs),
    end,
  });
  // The worst place by what was wanted comes before all else.
  // What a tester or a file said of the piece is not talked over by the model of another place of it.
  const isTested = measuredAs !== null && measuredAs.tests.length > 0;
  const weakest = isTested ? "" : weakestSentence(prediction, piece, end, units);
  return weakest === "" ? said : { ...said, reasons: [weakest, ...said.reasons], first: [weakest, ...said.first] };
}

/** What the verdict says beside its words: what was found, what was expected, what moved it, and by what it is known. */
function besides(state: PieceState, isTrying: boolean, moved: string | null, expected: Prediction | undefined) {
  if (isTrying) return { found: null, expected: null, moved: null, grade: null, odd: null };
  return {
    found: measured(state),
    // What it said then, not what it would say now that more is known.
    expected: expected === undefined ? null : expectedWords(state, undefined, expected.working.tempered),
    moved,
    grade: gradeWords(state),
    odd: disagreeWords(disagreementOf(testsOf(state), state.piece.section)),
  };
}

/** For who cannot see the card: a piece that was measured is what it is, not what it will be. */
function saidOf(found: string | null, headline = ""): string {
  return found === null ? headline : `${found}.`;
}

/** Plans all of it anew by another practice; what was tried of the old plan goes. */
function usePickSchool({ id, piece }: PieceState, view: TrialView): (heating: Heating, way: Way) => void {
  const kit = useKit() ?? null;
  const { temperature: unit } = useUnits();
  const { write } = useLog();
  return (heating, way) => {
    view.drop();
    void write(id, [{ kind: "route", route: planRoute(CATALOGUE, piece, heating, { way, kit, unit }) }]);
  };
}

/** What a search of this shop comes to, once the card itself is there, and before the first act. */
function Worked({ isAsked, state, route }: { readonly state: PieceState; readonly route: Route; readonly isAsked: boolean }) {
  if (!isAsked || state.doneAt_ms.size > 0 || state.fate !== null) return null;
  return (
    <Suspense fallback={null}>
      <SolvedNotice piece={state.piece} route={route}>
        <Button variant="text" size="small" component={Link} to={toPiece(state.id, "ways")}>
          The ways
        </Button>
      </SolvedNotice>
    </Suspense>
  );
}

function Card({ state, route }: { state: PieceState; route: Route }) {
  const settings = useSettings();
  const kit = useKit();
  const now_ms = useNow(5000);
  const [stepsOpen, setStepsOpen] = useState(false);
  const [schoolsOpen, setSchoolsOpen] = useState(false);
  const [drawing, setDrawing] = useState<(typeof VIEWS)[number]>("hardness");
  const { piece } = state;
  // Everything on the card is of the piece as it stands: what was done to it, then what is planned.
  const question = useQuestion(state)!;
  const moved = useMoved(state);
  const done = doneOfIt(state, route);
  const view = useTrial(question, done.tempersDone);
  const prediction = usePrediction(view.question, view.effort);
  const planned = usePrediction(question);
  const expected = useExpected(state);
  // The verdict first.
  const whatIf = useWhatIf(planned.isPending ? null : question, TRACKS, done.tempersDone);
  const times_s = useStepTimes(state, question.route, !planned.isPending);
  const words = prediction.data && cardWords(prediction.data, view, view.isTrying ? null : state, settings);
  const way = wayOf(route);
  const pickSchool = usePickSchool(state, view);
  return (
    <main className="card">
      <Hatches />
      <CardHead
        state={state}
        route={route}
        now_ms={timeFor(state, now_ms)}
        onSchools={() => setSchoolsOpen(true)}
        onSteps={() => setStepsOpen(true)}
      />
      <PlanNotices
        state={state}
        route={route}
        question={question}
        prediction={view.isTrying ? undefined : prediction.data}
        onReplan={pickSchool}
      />
      <Worked state={state} route={route} isAsked={!planned.isPending && !view.isTrying} />
      <HeatLine
        route={question.route}
        times_s={times_s}
        trial={view.isTrying ? view.question.route : null}
        steel={piece.steel}
        lux={settings.ambient_lux}
        levels={prediction.data?.transformations}
        progress={progressOf(state, timeFor(state, now_ms))}
        checks={state.checks}
        acts={state.acts}
        units={settings}
        label={`Heat line of the ${piece.name}. ${saidOf(view.isTrying ? null : measured(state), words?.headline)}`}
      />
      <div className="card-panels">
        <section aria-labelledby="verdict-h" className="card-verdict">
          <h2 id="verdict-h">{view.isTrying ? "Verdict, if you did this" : "Verdict"}</h2>
          <VerdictPanel
            words={words}
            {...besides(state, view.isTrying, moved, expected.data)}
            failure={prediction.error}
            isStale={view.isTrying && prediction.isPlaceholderData}
          />
        </section>
        <section aria-labelledby="through-h" className="card-through">
          <h2 id="through-h">
            Through the steel
            <span className="views" role="group" aria-label="What to draw">
              {VIEWS.map((kind) => (
                <button key={kind} type="button" aria-pressed={drawing === kind} onClick={() => setDrawing(kind)}>
                  {kind}
                </button>
              ))}
            </span>
          </h2>
          {prediction.data ? (
            <Suspense fallback={<p className="waiting">Drawing…</p>}>
              {drawing === "cooling" ? (
                <CoolingDrawing prediction={prediction.data} units={settings} />
              ) : (
                <ThroughSteel view={drawing} question={view.question} effort={view.effort} prediction={prediction.data} units={settings} />
              )}
            </Suspense>
          ) : null}
        </section>
        <section aria-labelledby="whatif-h" className="card-whatif">
          <h2 id="whatif-h">What if</h2>
          <WhatIfPanel
            state={state}
            route={route}
            asDone={question.route}
            view={view}
            done={done}
            whatIf={whatIf.data}
            planned={planned.data}
            prediction={prediction.data}
            units={settings}
          />
        </section>
      </div>
      {schoolsOpen ? (
        <SchoolsDialog
          isOpen
          piece={piece}
          heating={route.heating}
          way={way}
          kit={kit ?? null}
          units={settings}
          onPick={pickSchool}
          onClose={() => setSchoolsOpen(false)}
        />
      ) : null}
      <StepsDialog
        isOpen={stepsOpen}
        onClose={() => setStepsOpen(false)}
        state={state}
        route={route}
        kit={kit ?? null}
        magnet_C={planned.data?.transformations.magnetLost_C}
      />
    </main>
  );
}

export function CardPage() {
  return <OfPlannedPiece>{(state, route) => <Card key={state.id} state={state} route={route} />}</OfPlannedPiece>;
}
