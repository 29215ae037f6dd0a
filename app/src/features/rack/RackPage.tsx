/** Home: every piece as it hangs, in the order of work, and the next act on top. */

import type { PieceState } from "@tembrak/core";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { lazy, Suspense, useState } from "react";
import { Link, useNavigate } from "react-router";
import { actWords } from "../../words/actWords.js";
import { useCooling } from "../../compute/useCooling.js";
import { nextActWords, urgency } from "../../words/rackWords.js";
import { Hatches } from "../../parts/Drawing.js";
import { KitStart } from "../../parts/KitStart.js";
import { useWide } from "../../parts/useWide.js";
import { timeFor } from "../../format/pieceTime.js";
import { exportRows } from "../../store/exportBook.js";
import { useLog, useNow, usePieces, useSettings, useUnreadable } from "../../store/useStore.js";
import { RackTall } from "./parts/RackTall.js";
import { RackWide } from "./parts/RackWide.js";
import "./rack.css";
import { toPiece, toRecord } from "../../format/address.js";

/** Acts that may be called done from the rack, without the bench. */
const DONE_FROM_RACK = new Set(["oven", "temper", "air-cool", "cool-down"]);

function NextAct({ state, now_ms }: { state: PieceState; now_ms: number }) {
  const units = useSettings();
  const navigate = useNavigate();
  const [whyOpen, setWhyOpen] = useState(false);
  const { write } = useLog();
  const { sentence, reason } = nextActWords(state, now_ms, units, useCooling(state, now_ms));
  const { next } = state;
  const words = next && actWords(next, state, units);
  const isWaiting = next?.kind === "temper" && state.nextSince_ms !== null && now_ms - state.nextSince_ms < next.hold_s * 1000;
  const bench = toPiece(state.id, "bench");
  const act = async (): Promise<void> => {
    if (next === undefined) return void navigate(toRecord(state.id));
    if (!DONE_FROM_RACK.has(next.kind) || isWaiting) return void navigate(bench);
    await write(state.id, [{ kind: "act-done", act: next.id }]);
  };
  const label = next === undefined ? "Its record" : DONE_FROM_RACK.has(next.kind) && !isWaiting ? words!.done : "To the bench";
  return (
    <header className="next-act">
      <div className="next-words">
        <h1>{sentence}</h1>
        <p>{reason}</p>
      </div>
      <div className="next-keys">
        <Button variant="contained" className="act-key" onClick={() => void act()}>
          {label}
        </Button>
        <Button className="why-key" onClick={() => setWhyOpen(true)}>
          Why
        </Button>
        <Button className="why-key new-key" component={Link} to="/new">
          New piece
        </Button>
      </div>
      <Dialog open={whyOpen} onClose={() => setWhyOpen(false)} maxWidth="sm">
        <DialogTitle>Why this first</DialogTitle>
        <DialogContent>
          <p style={{ marginTop: 0 }}>{words?.why}</p>
          {words?.caution ? <p>{words.caution}</p> : null}
          <p style={{ color: "var(--ink2)", marginBottom: 0 }}>
            Steel that is out of the fire comes first, then what is held in it, then what is brittle, then what is due out of the oven, then
            what waits.
          </p>
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setWhyOpen(false)}>Close</Button>
        </DialogActions>
      </Dialog>
    </header>
  );
}

/** Stored rows nobody here can read: said where one begins, with a way to take them along. */
function Unread() {
  const rows = useUnreadable();
  const { keep } = useLog();
  if (rows.length === 0) return null;
  return (
    <p role="status" className="unread">
      {rows.length === 1 ? "One stored entry cannot be read; it is" : `${rows.length} stored entries cannot be read; they are`} left as
      stored.
      <Button variant="text" onClick={() => void keep(() => exportRows(rows))}>
        Export {rows.length === 1 ? "it" : "them"}
      </Button>
    </p>
  );
}

/** What a test found is worked out again from itself: loaded where something was finished. */
const FinishedLast = lazy(() => import("./parts/FinishedLast.js").then(({ FinishedLast: part }) => ({ default: part })));

/** So long after its last act a finished piece is still spoken of, h (judgement). */
const SPOKEN_OF_h = 24;

function EmptyRack({ pieces }: { readonly pieces: readonly PieceState[] }) {
  const isNew = pieces.length === 0;
  return (
    <main className="rack-empty">
      <Unread />
      <h1>{isNew ? "Nothing hangs here yet." : "All done: nothing hangs here."}</h1>
      {isNew ? (
        <p>Measure a piece, say what steel it is, and Tembrak plans its heats, predicts what it will be and keeps its record.</p>
      ) : (
        <Suspense fallback={null}>
          <FinishedLast pieces={pieces} />
        </Suspense>
      )}
      <KitStart />
      <div style={{ display: "flex", gap: 12, flexWrap: "wrap", marginTop: 20 }}>
        <Button component={Link} to="/new" variant="contained" className="act-key">
          New piece
        </Button>
        <Button component={Link} to="/new?practice">
          Try one without steel
        </Button>
        <Button component={Link} to="/book">
          Bring in a book
        </Button>
      </div>
    </main>
  );
}

export function RackPage() {
  const pieces = usePieces();
  const now_ms = useNow(1000);
  const isWide = useWide();
  if (pieces === undefined) return <main aria-busy="true" style={{ flex: 1 }} />;
  const hanging = pieces.filter(({ stage }) => stage !== "done");
  if (hanging.length === 0) return <EmptyRack pieces={pieces} />;
  const first = hanging.reduce((a, b) => (urgency(b, timeFor(b, now_ms)) > urgency(a, timeFor(a, now_ms)) ? b : a));
  return (
    <main className="rack">
      <Hatches />
      <Unread />
      <Suspense fallback={null}>
        {pieces.some(({ finishedAt_ms }) => (finishedAt_ms ?? 0) > now_ms - SPOKEN_OF_h * 3600000) ? (
          <FinishedLast pieces={pieces} />
        ) : null}
      </Suspense>
      <NextAct key={first.id} state={first} now_ms={timeFor(first, now_ms)} />
      {isWide ? (
        <RackWide pieces={hanging} first={first.id} now_ms={now_ms} />
      ) : (
        <RackTall pieces={hanging} first={first.id} now_ms={now_ms} />
      )}
    </main>
  );
}
