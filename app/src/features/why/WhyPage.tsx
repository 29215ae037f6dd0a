/** After a test that says otherwise than planned: what was done, why it most likely came so, the look that tells, and what to do now. */

import {
  disagreementOf,
  LOOK_ANSWERS,
  MOST_ATTEMPTS,
  testsOf,
  type BookEvent,
  type Check,
  type Diagnosed,
  type Diagnosis,
  type PieceState,
} from "@tembrak/core";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import { attemptsOf, useDiagnosis, useMoved } from "../../compute/useAnswers.js";
import { showChance } from "../../format/show.js";
import { BreakLooks } from "../../parts/BreakLooks.js";
import { useLog, useSettings } from "../../store/useStore.js";
import { BREAK_WORDS } from "../../words/breakWords.js";
import { ANSWER_WORDS, CAUSE_WORDS, doneLines, LOOK_WORDS } from "../../words/whyWords.js";
import { disagreeWords } from "../../words/testWords.js";
import { Again } from "./parts/Again.js";
import { RemedyKey } from "./parts/RemedyKey.js";
import { Symptoms } from "./parts/Symptoms.js";
import "./why.css";
import { toPiece } from "../../format/address.js";
import { OfPlannedPiece } from "../../parts/OfPiece.js";

/** Less likely than this it is not worth a line. */
const LEAST_SHOWN = 0.02;
const MOST_SHOWN = 5;
/** A sure cause takes so much of the line, percent: the rest is for its number. */
const BAR_SHARE = 62;

/** Likeliest first, each with its bar. */
function Causes({ causes }: Pick<Diagnosis, "causes">) {
  const shown = causes.filter(({ probability }, i) => i < MOST_SHOWN && probability >= LEAST_SHOWN);
  return (
    <ol className="why-causes">
      {shown.map(({ cause, probability }) => (
        <li key={cause}>
          <div className="why-bar">
            <i style={{ width: `${Math.max(1, BAR_SHARE * probability)}%` }} />
            <b>{showChance(probability)}</b>
          </div>
          <b>{CAUSE_WORDS[cause].name}</b>
          <span>{CAUSE_WORDS[cause].why}</span>
        </li>
      ))}
    </ol>
  );
}

/** The look that is worth the most, and its two answers as keys. */
function Look({ next, onAnswer }: { next: Diagnosis["next"]; onAnswer: (reading: Check) => void }) {
  const words = LOOK_WORDS[next.check];
  const thenWords = (i: number): string => {
    const { cause, probability } = next.then[i]!.top;
    return `then ${CAUSE_WORDS[cause].name.toLowerCase()}, ${showChance(probability)}`;
  };
  return (
    <section aria-labelledby="look-h">
      <h2 id="look-h">The look that tells the top two apart</h2>
      <p className="why-look">{words.title}</p>
      <p>{words.how}</p>
      {next.check === "broken-coupon" ? (
        <>
          <p>{LOOK_ANSWERS[next.check].map((answer, i) => `${ANSWER_WORDS[answer]}: ${thenWords(i)}`).join(". ")}.</p>
          <BreakLooks seen={null} onSeen={(look) => onAnswer({ check: "grain", of: "coupon", look })} />
        </>
      ) : (
        <div className="why-answers">
          {LOOK_ANSWERS[next.check].map((answer, i) => (
            <button key={answer} type="button" className="plain-key" onClick={() => onAnswer({ check: "finding", of: next.check, answer })}>
              <b>{ANSWER_WORDS[answer]}</b>
              <small>{thenWords(i)}</small>
            </button>
          ))}
        </div>
      )}
    </section>
  );
}

/** What was logged of its last hardening, each beside what was wanted; then its tests. */
function Done({ state, question }: { state: PieceState; question: Diagnosed }) {
  const units = useSettings();
  const moved = useMoved(state);
  const lines = doneLines(question, units);
  const odd = disagreeWords(disagreementOf(testsOf(state), state.piece.section));
  const tests = state.events.filter((event) => event.kind === "test");
  return (
    <section aria-labelledby="done-h">
      <h2 id="done-h">What was done</h2>
      <ul className="why-done">
        {lines.length === 0 ? <li>Nothing was logged of its hardening but that it was done.</li> : null}
        {lines.map(({ is, wanted }) => (
          <li key={is}>
            {is}
            <small>{wanted}</small>
          </li>
        ))}
        {tests.map((event) => (
          <li key={event.id}>{testWords(event)}</li>
        ))}
        {question.breaks.map((look) => (
          <li key={look}>break like {BREAK_WORDS[look].name.toLowerCase()}</li>
        ))}
      </ul>
      {moved === null ? null : <p>{moved}</p>}
      {odd === null ? null : <p className="test-notice">{odd}</p>}
    </section>
  );
}

/** A row of files and readings, in one line. */
function testWords({ test }: Extract<BookEvent, { kind: "test" }>): string {
  const strokes = [...test.strokes].sort((a, b) => b.file_HRC - a.file_HRC).map(({ file_HRC, result }) => `${file_HRC} ${result}`);
  const readings = test.readings_HRC.length === 0 ? [] : [`tester ${test.readings_HRC.join(", ")}`];
  return [...strokes, ...readings].join(", ");
}

function Why({ state }: { state: PieceState }) {
  const { write } = useLog();
  const why = useDiagnosis(state);
  const diagnosis = why?.diagnosis;
  const { piece } = state;
  const top = diagnosis?.causes[0];
  const act = state.tests.at(-1)?.act ?? "prove";
  return (
    <main className="why-page">
      <header className="card-head">
        <div>
          <h1>
            {piece.name} <span>{piece.mark}, why it came out so</span>
          </h1>
          <p>
            {why === null
              ? state.tests.length > 0
                ? "It is to be hardened once more: what was found of it was found of what it was."
                : "Nothing was tested of it yet: a file says more than any guess."
              : why.hasFailed
                ? "It could not be worked out from what was logged."
                : top === undefined
                  ? "Being worked out…"
                  : top.cause === "as-planned"
                    ? "No fault stands out, by everything logged and tested of it."
                    : `${showChance(top.probability)}: ${CAUSE_WORDS[top.cause].name.toLowerCase()}. By everything logged and tested of it.`}
          </p>
        </div>
        <div className="card-keys">
          <Button component={Link} to={toPiece(state.id)}>
            Card
          </Button>
          <Button component={Link} to={toPiece(state.id, "test", act)}>
            Files
          </Button>
        </div>
      </header>
      {why === null || diagnosis === undefined ? null : (
        <div className="why-panels">
          <Done state={state} question={why.question} />
          <section aria-labelledby="causes-h">
            <h2 id="causes-h">Likeliest first</h2>
            <Causes causes={diagnosis.causes} />
          </section>
          <div>
            <Look next={diagnosis.next} onAnswer={(reading) => void write(state.id, [{ kind: "check", act, reading }])} />
            <RemedyKey key={JSON.stringify(diagnosis.remedy)} state={state} remedy={diagnosis.remedy} test={act} />
            {diagnosis.remedy.code === "harden-again" ? null : <Again state={state} changes={[]} isOther />}
            <p className="why-tries">
              Hardened {attemptsOf(state) === 1 ? "once" : `${attemptsOf(state)} times`} so far; {MOST_ATTEMPTS} are enough for any piece.
            </p>
          </div>
        </div>
      )}
      <Symptoms state={state} test={act} />
    </main>
  );
}

export function WhyPage() {
  return <OfPlannedPiece>{(state) => <Why key={state.id} state={state} />}</OfPlannedPiece>;
}
