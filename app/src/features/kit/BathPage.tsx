/** A bath as it stands: how warm it is by what was read and what went in, what the next pieces make of it, and what is logged of it. */

import {
  bathAhead,
  bathBars,
  CATALOGUE,
  cooledMass_kg,
  inFire_mm,
  formOf,
  isInWork,
  mass_kg,
  type Bath,
  type BathEntry,
  type BathNow,
  type BathReason,
  type PieceState,
} from "@tembrak/core";
import Button from "@mui/material/Button";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { showDegrees, showTimeOfDay, type Units } from "../../format/show.js";
import { useBathNow } from "../../compute/useBathNow.js";
import { Hatches } from "../../parts/Drawing.js";
import { appendBath, withdrawBath } from "../../store/bathEntries.js";
import { useKit, useNow, usePieces, useSettings } from "../../store/useStore.js";
import {
  ageWords,
  BAR_WORDS,
  BATH_REASON_WORDS,
  bathDoubtWords,
  bathLine,
  bathReasonsOf,
  bathTitle,
  entryWords,
  flashWords,
  warmWords,
  type NextIn,
} from "../../words/bathWords.js";
import { BathChart } from "./parts/BathChart.js";
import { BathDialog, type BathAsked } from "./parts/BathDialog.js";
import { BathTankDrawing } from "./parts/BathTankDrawing.js";
import "./kit.css";
import { idIn, toPiece } from "../../format/address.js";

const TICK_ms = 5000;
const MOST_NEXT = 3;
const MOST_TOLD = 8;

/** Pieces in work that are still to be quenched in this, the nearest to it first. */
function nextIn(pieces: readonly PieceState[], bath: Bath): (NextIn & { readonly id: string; readonly state: PieceState })[] {
  return pieces
    .flatMap((state) => {
      if (!isInWork(state) || state.piece.isPractice === true || state.route === null) return [];
      const at = state.acts.findIndex((act) => act.kind === "quench" && !state.doneAt_ms.has(act.id) && act.medium === bath.medium);
      if (at < 0) return [];
      const step = state.acts[at]!.step;
      const heat = state.route.steps.slice(0, step).findLast((before) => before.kind === "harden");
      const left = state.acts.slice(0, at).filter(({ id }) => !state.doneAt_ms.has(id)).length;
      const { piece } = state;
      const piece_C = heat?.kind === "harden" ? heat.temperature_C : 800;
      const quench = state.route.steps[step];
      const form = formOf(piece);
      const gives_kg =
        quench?.kind === "quench" ? cooledMass_kg(piece, form, quench, undefined, inFire_mm(piece, state.route)) : mass_kg(piece, form);
      return [{ id: state.id, state, name: piece.name, mass_kg: gives_kg, piece_C, left }];
    })
    .sort((a, b) => a.left - b.left)
    .slice(0, MOST_NEXT);
}

function NextPieces({ next, after, units }: { next: ReturnType<typeof nextIn>; after: readonly number[]; units: Units }) {
  return (
    <section aria-labelledby="next-h">
      <h2 id="next-h">What goes in next, and how warm it is then</h2>
      {next.length === 0 ? <p>No piece in work is planned for it.</p> : null}
      <ul className="bath-next">
        {next.map(({ id, name }, i) => (
          <li key={id}>
            <Link to={toPiece(id, "bench")}>{name}</Link>
            <b>{showDegrees(after[i]!, units)}</b>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A look that nothing logged explains, and what it may be put down to. */
function Doubt({ now, units, onWhy }: { now: BathNow; units: Units; onWhy: (why: BathReason) => void }) {
  const words = bathDoubtWords(now, units);
  if (words === null) return null;
  return (
    <div role="status" className="bath-doubt">
      <p>{words}</p>
      <div className="kit-adds">
        {bathReasonsOf(now).map((why) => (
          <Button key={why} onClick={() => onWhy(why)}>
            {BATH_REASON_WORDS[why]}
          </Button>
        ))}
      </div>
    </div>
  );
}

function Standing({ bath, pieces }: { bath: Bath; pieces: readonly PieceState[] }) {
  const units = useSettings();
  const now_ms = useNow(TICK_ms);
  const [asked, setAsked] = useState<BathAsked | null>(null);
  const [trouble, setTrouble] = useState(false);
  const { log, now } = useBathNow(bath, now_ms) ?? { log: [], now: null };
  if (now === null) return <main className="kit">Nothing cools in it: plates and air have no state to keep.</main>;
  const next = nextIn(pieces, bath);
  const names = new Map(pieces.map(({ id, piece }) => [id, piece.name.toLowerCase()]));
  const after = bathAhead(now.tank, now.mean_C, next);
  const first = next[0];
  const keep = (event: BathEntry): void => {
    setAsked(null);
    appendBath(bath.id, event)
      .then(() => setTrouble(false))
      .catch(() => setTrouble(true));
  };
  const takeBack = (event: string): void => void withdrawBath(bath.id, event).catch(() => setTrouble(true));
  const own = log.filter(({ piece }) => piece === undefined).at(-1);
  const told = [warmWords(bath, now, units), flashWords(now, units), ageWords(now, bath)].filter((words) => words !== null);
  return (
    <main className="kit bath-page">
      <Hatches />
      <header className="card-head">
        <div>
          <h1>{bathTitle(now, first, units)}</h1>
          <p>{bathLine(bath, now, first === undefined ? undefined : { ...first, after_C: after[0]! }, units)}</p>
        </div>
        <div className="card-keys">
          <Button variant="contained" className="act-key" onClick={() => setAsked("read")}>
            Read it again
          </Button>
          <Button component={Link} to="/kit">
            Kit
          </Button>
        </div>
      </header>
      {trouble ? <p role="alert">Not stored: the browser refused it. What was there is still there.</p> : null}
      <Doubt now={now} units={units} onWhy={(why) => keep({ entry: "because", why })} />
      {bathBars(CATALOGUE, bath).map((bar) => (
        <p key={bar} role="alert" className="bath-bar">
          {BAR_WORDS[bar]}
        </p>
      ))}
      <div className="bath-panels">
        <section aria-labelledby="tank-h">
          <h2 id="tank-h">The tank, cut through</h2>
          <BathTankDrawing bath={bath} now={now} units={units} />
        </section>
        <section aria-labelledby="hour-h">
          <h2 id="hour-h">The last hour, and the next half</h2>
          <BathChart now={now} log={log} now_ms={now_ms} units={units} />
          {told.map((words) => (
            <p key={words}>{words}</p>
          ))}
        </section>
        <div>
          <NextPieces next={next} after={after} units={units} />
          <section aria-labelledby="log-h">
            <h2 id="log-h">What happened to it</h2>
            <div className="kit-adds">
              <Button onClick={() => setAsked("bar")}>A hot bar went in</Button>
              <Button onClick={() => setAsked("added")}>Filled up</Button>
              <Button onClick={() => keep({ entry: "burnt" })}>It burnt</Button>
              {own === undefined ? null : <Button onClick={() => takeBack(own.id)}>Take the last back</Button>}
            </div>
            <ul className="bath-log">
              {log
                .slice(-MOST_TOLD)
                .reverse()
                .map((entry) => (
                  <li key={entry.id}>
                    <span>{showTimeOfDay(entry.at_ms)}</span> {entryWords(entry, names.get(entry.piece ?? ""), units)}
                  </li>
                ))}
            </ul>
          </section>
        </div>
      </div>
      {asked === null ? null : <BathDialog asked={asked} near_C={now.mean_C} onKeep={keep} onClose={() => setAsked(null)} />}
    </main>
  );
}

export function BathPage() {
  const { id: part = "" } = useParams();
  const id = idIn(part);
  const kit = useKit();
  const pieces = usePieces();
  if (kit === undefined || pieces === undefined) return <main aria-busy="true" style={{ flex: 1 }} />;
  const bath = kit?.find((item): item is Bath => item.kind === "bath" && item.id === id);
  if (kit === null || bath === undefined)
    return (
      <main className="kit">
        <h1>There is no such bath in the kit.</h1>
        <Button component={Link} to="/kit">
          To the kit
        </Button>
      </main>
    );
  return <Standing key={bath.id} bath={bath} pieces={pieces} />;
}
