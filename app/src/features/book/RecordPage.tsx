/** The record of one piece: what it is, what was found, and everything that was done, in order. */

import { hardParts } from "../../parts/brittleTeeth.js";
import { endWords, FATE_WORDS } from "../../words/fateWords.js";
import { actsOfRoute, testFound, brittleSince, isInWork, type PieceState } from "@tembrak/core";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import { useMemo, useState } from "react";
import { Link, useNavigate } from "react-router";
import { actWords } from "../../words/actWords.js";
import { heatingName } from "../../words/schools.js";
import { weightWords } from "../../words/weightWords.js";
import { showHardness, showLength, showMoment, showNotches, showRange, type Units } from "../../format/show.js";
import { Hatches } from "../../parts/Drawing.js";
import { HeatLine } from "../../parts/HeatLine.js";
import { useShown } from "../../parts/useShown.js";
import { Tested } from "./Tested.js";
import { usePaint } from "../../parts/usePaint.js";
import { progressOf } from "../../parts/progress.js";
import { drawPiece, Silhouette } from "../../parts/Silhouette.js";
import { useExpected, useQuestion, useStanding, useStepTimes } from "../../compute/useAnswers.js";
import type { NewEvent } from "../../store/db.js";
import { useLog, useNow, useSettings } from "../../store/useStore.js";
import { readingWords } from "../../words/readingWords.js";
import { PutRight } from "./PutRight.js";
import { correctedWords } from "../../words/tapWords.js";
import { LoggerDialog } from "./LoggerDialog.js";
import { expectedWords, knownBy, measured } from "../../words/measuredWords.js";
import "./book.css";
import { steelWords } from "../../words/steelWords.js";
import { toLike, toPiece } from "../../format/address.js";
import { OfPiece } from "../../parts/OfPiece.js";

interface Line {
  /** A result that may be taken back. */
  readonly isTest?: boolean;
  /** An act or a look, whose time may be put right. */
  readonly isTimed?: boolean;
  readonly id: string;
  readonly at_ms: number;
  readonly what: string;
  readonly detail: string;
}

/** Each event is told by the plan there was then: a later one may have other steps in its place. */
function linesOf(now: PieceState, units: Units): Line[] {
  let state: PieceState = now;
  return now.events.map((event) => {
    if (event.kind === "route") state = { ...state, route: event.route, acts: actsOfRoute(event.route) };
    const base = { id: event.id, at_ms: event.at_ms };
    if (event.kind === "test") {
      const summary = testFound(event.test, state.piece.section);
      const strokes = event.test.strokes.map(({ file_HRC, result }) => `${file_HRC} ${result}`).join(", ");
      const readings = event.test.readings_HRC.length > 0 ? `tester ${event.test.readings_HRC.join(", ")}` : "";
      const said = [strokes, readings].filter((s) => s !== "").join("; ");
      return {
        ...base,
        isTest: true,
        what: `Tested: ${showHardness(summary.mean_HRC, 1)} HRC, ${showRange(summary.p05_HRC, summary.p95_HRC)}`,
        detail: `${said}${event.test.predicted ? `. Predicted ${event.test.predicted.mean_HRC.toFixed(1)}` : ""}`,
      };
    }
    if (event.kind === "act-done") {
      const act = state.acts.find(({ id }) => id === event.act);
      return {
        ...base,
        isTimed: true,
        what: act ? actWords(act, state, units).title : "A step that is no longer in the plan",
        detail: act ? actWords(act, state, units).done : "",
      };
    }
    if (event.kind === "check") return { ...base, isTimed: true, what: `Checked: ${readingWords(event, state, units)}`, detail: "" };
    if (event.kind === "note") return { ...base, what: "Note", detail: event.text };
    if (event.kind === "route")
      return {
        ...base,
        what: "Planned",
        detail: `${event.route.steps.length} steps, ${heatingName(event.route.heating).toLowerCase()}`,
      };
    if (event.kind === "finished") return { ...base, what: now.tests.length === 0 ? "Finished untested" : "Finished", detail: "" };
    if (event.kind === "fate") return { ...base, what: FATE_WORDS[event.fate].is, detail: FATE_WORDS[event.fate].then };
    if (event.kind === "corrected") return { ...base, what: "A time put right", detail: correctedWords(event) };
    return {
      ...base,
      what: "Described",
      detail: event.kind === "piece" ? `${event.definition.name}, ${steelWords(event.definition)}` : "",
    };
  });
}

/** About how high a line is, px. */
const LINE_PX = 34;

interface LinesProps {
  readonly lines: readonly Line[];
  readonly onTakeBack: (line: Line) => void;
  readonly onTime: (line: Line) => void;
}

function Lines({ lines, onTakeBack, onTime }: LinesProps) {
  const { list, rows, before_px, after_px, measure } = useShown<HTMLTableElement>(lines.length, LINE_PX);
  const room = (height: number) => (height > 0 ? <tr aria-hidden="true" style={{ height }} /> : null);
  return (
    <table className="record" ref={list}>
      <thead className="unseen">
        <tr>
          <th>When</th>
          <th>What</th>
          <th>Detail</th>
        </tr>
      </thead>
      <tbody>
        {room(before_px)}
        {rows.map((i) => {
          const { id, at_ms, what, detail, isTest, isTimed } = lines[i]!;
          return (
            <tr key={id} ref={measure} data-index={i}>
              <td className="drawn">{showMoment(at_ms)}</td>
              <td>{what}</td>
              <td>
                {detail}
                {isTest === true ? (
                  <Button variant="text" size="small" onClick={() => onTakeBack(lines[i]!)}>
                    It is wrong…
                  </Button>
                ) : null}
                {isTimed === true ? (
                  <Button variant="text" size="small" className="put-right" onClick={() => onTime(lines[i]!)}>
                    Its time…
                  </Button>
                ) : null}
              </td>
            </tr>
          );
        })}
        {room(after_px)}
      </tbody>
    </table>
  );
}

/** A stored result that was wrong: taken back with why, and tested again. What was said stays in the log. */
function TakeBack({ line, piece, onClose }: { line: Line; piece: string; onClose: () => void }) {
  const { write } = useLog();
  const navigate = useNavigate();
  const [why, setWhy] = useState("");
  const takeBack = (then: string | null): void => {
    const events: readonly NewEvent[] = [
      { kind: "withdrawn", event: line.id },
      { kind: "note", text: `Taken back: ${line.what}. ${why.trim()}`.slice(0, 4000) },
    ];
    void write(piece, events).then((isStored) => {
      if (!isStored) return;
      onClose();
      if (then !== null) void navigate(then);
    });
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>Take this result back?</DialogTitle>
      <DialogContent>
        <p style={{ marginTop: 0 }}>{line.what}. It no longer counts for what the piece is, nor for what the shop has learned.</p>
        <TextField
          label="Why it was wrong"
          value={why}
          onChange={(event) => setWhy(event.target.value.slice(0, 500))}
          multiline
          fullWidth
        />
      </DialogContent>
      <DialogActions>
        <Button variant="text" onClick={onClose}>
          Leave it
        </Button>
        <Button disabled={why.trim() === ""} onClick={() => takeBack(null)}>
          Take it back
        </Button>
        <Button variant="contained" disabled={why.trim() === ""} onClick={() => takeBack(toPiece(piece, "test", "prove"))}>
          Take it back and test again
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** A piece that nobody will work on, or that was entered by mistake: off the rack, and kept. */
function PutAway({ id }: { id: string }) {
  const { write } = useLog();
  const [asks, setAsks] = useState(false);
  return (
    <>
      <Button onClick={() => setAsks(true)}>Put it away</Button>
      <Dialog open={asks} onClose={() => setAsks(false)}>
        <DialogTitle>Put it away?</DialogTitle>
        <DialogContent>
          It leaves the rack, and teaches nothing. Its record stays, and it can be taken out again at its bench.
        </DialogContent>
        <DialogActions>
          <Button variant="text" onClick={() => setAsks(false)}>
            Leave it
          </Button>
          <Button
            variant="contained"
            onClick={() => {
              setAsks(false);
              void write(id, [{ kind: "fate", fate: "given-up" }]);
            }}
          >
            Put it away
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}

/** A piece that was called done, hung on the rack again: one more temper, another test. */
function TakeUp({ state }: { state: PieceState }) {
  const { write } = useLog();
  const navigate = useNavigate();
  const ended = state.events.findLast(({ kind }) => kind === "finished");
  if (ended === undefined || state.finishedAt_ms === null || state.fate !== null) return null;
  const takeUp = (): void => {
    const last = state.acts.at(-1);
    const doneLast =
      last?.kind === "prove" ? state.events.findLast((event) => event.kind === "act-done" && event.act === last.id) : undefined;
    const events: readonly NewEvent[] = [
      { kind: "withdrawn", event: ended.id },
      ...(doneLast === undefined ? [] : [{ kind: "withdrawn", event: doneLast.id } as const]),
    ];
    void write(state.id, events).then((isStored) => void (isStored && navigate(toPiece(state.id))));
  };
  return <Button onClick={takeUp}>Take it up again</Button>;
}

function NewNote({ id }: { id: string }) {
  const { write } = useLog();
  const [text, setText] = useState("");
  const add = (): void => {
    if (text.trim() === "") return;
    void write(id, [{ kind: "note", text: text.trim().slice(0, 4000) }]).then((isStored) => isStored && setText(""));
  };
  return (
    <div className="new-note">
      <TextField label="Note what was different" value={text} onChange={(event) => setText(event.target.value)} multiline fullWidth />
      <Button onClick={add} disabled={text.trim() === ""}>
        Add the note
      </Button>
    </div>
  );
}

function Record({ state }: { state: PieceState }) {
  const settings = useSettings();
  const now_ms = useNow(30000);
  const { piece, route } = state;
  const prediction = useStanding(state);
  const found = measured(state);
  const before = useExpected(state, found !== null);
  const asDone = useQuestion(state)?.route ?? route;
  const times_s = useStepTimes(state, asDone);
  const [wrong, setWrong] = useState<Line | null>(null);
  const [late, setLate] = useState<Line | null>(null);
  const lines = useMemo(() => linesOf(state, settings), [state, settings]);
  return (
    <main className="book">
      <Hatches />
      <header className="book-head">
        <div>
          <h1>
            {piece.name} <span className="drawn">{showNotches(piece.mark)}</span>
          </h1>
          <p>
            Mark {piece.mark}, {steelWords(piece)}, {showLength(piece.length_mm, settings)} long. {endWords(state)}
          </p>
        </div>
        <div style={{ display: "flex", gap: 10, flexWrap: "wrap" }}>
          <Button component={Link} to={toPiece(state.id, "measure")}>
            Correct
          </Button>
          <Button component={Link} to={toPiece(state.id)}>
            Card
          </Button>
          <Button component={Link} to={toLike(state.id)}>
            Another like it
          </Button>
          <TakeUp state={state} />
          {isInWork(state) ? <PutAway id={state.id} /> : null}
          {state.next?.kind === "prove" ? (
            <Button variant="contained" component={Link} to={toPiece(state.id, "test", "prove")}>
              Try the files
            </Button>
          ) : null}
        </div>
      </header>
      <div className="record-top">
        <div>
          <Drawn state={state} now_ms={now_ms} />
          <Tested state={state} />
        </div>
        <div>
          <p className="verdict-line">{found ? `${found}: ${knownBy(state)}.` : `Not measured: ${knownBy(state)}.`}</p>
          <p>{expectedWords(state, prediction.data?.working.tempered, before.data?.working.tempered)}</p>
          <p data-testid="weight">{weightWords(piece, prediction.data?.grindOff_mm, settings)}</p>
        </div>
      </div>
      {asDone ? (
        <HeatLine
          route={asDone}
          times_s={times_s}
          trial={null}
          steel={piece.steel}
          lux={settings.ambient_lux}
          levels={prediction.data?.transformations}
          progress={progressOf(state, now_ms)}
          checks={state.checks}
          acts={state.acts}
          units={settings}
          label={`Heat line of the ${piece.name} as done`}
        />
      ) : null}
      <h2>Everything that was done</h2>
      <Lines lines={lines} onTakeBack={setWrong} onTime={setLate} />
      {late === null ? null : (
        <PutRight piece={state.id} entry={late} between_ms={[state.madeAt_ms, now_ms]} onClose={() => setLate(null)} />
      )}
      {wrong === null ? null : <TakeBack line={wrong} piece={state.id} onClose={() => setWrong(null)} />}
      <NewNote id={state.id} />
      <LoggerDialog state={state} units={settings} />
    </main>
  );
}

function Drawn({ state, now_ms }: { state: PieceState; now_ms: number }) {
  const box = drawPiece(state.piece, 1, "lay");
  const k = Math.min(400 / box.width_px, 150 / box.height_px);
  const drawn = drawPiece(state.piece, k, "lay");
  const paint = usePaint(state, now_ms);
  return (
    <svg width="100%" viewBox="0 0 420 160" role="img" aria-label={`${state.piece.name}, ${paint.words}`}>
      <g transform={`translate(${210 - drawn.width_px / 2} ${80 - drawn.height_px / 2})`}>
        <Silhouette drawn={drawn} lie="lay" paint={paint} brittle={brittleSince(state, now_ms) === null ? null : hardParts(state.route)} />
      </g>
    </svg>
  );
}

export function RecordPage() {
  return <OfPiece>{(state) => <Record key={state.id} state={state} />}</OfPiece>;
}
