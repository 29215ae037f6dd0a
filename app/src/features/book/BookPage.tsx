/** Everything that happened, piece by piece; and the file that carries it elsewhere. */

import { rowEnd } from "../../words/fateWords.js";
import { isInWork, heatsDone, type PieceState } from "@tembrak/core";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { Link } from "react-router";
import { showMoment } from "../../format/show.js";
import { Hatches } from "../../parts/Drawing.js";
import { Boundary } from "../../parts/Boundary.js";
import { useShown } from "../../parts/useShown.js";
import { usePaint } from "../../parts/usePaint.js";
import { drawPiece, Silhouette } from "../../parts/Silhouette.js";
import { useNow, usePieces } from "../../store/useStore.js";
import { Exchange } from "./Exchange.js";
import "./book.css";
import { steelWords } from "../../words/steelWords.js";
import { toRecord } from "../../format/address.js";

function Row({ state, now_ms }: { state: PieceState; now_ms: number }) {
  const { piece } = state;
  const paint = usePaint(state, now_ms);
  const box = drawPiece(piece, 1, "lay");
  const k = Math.min(150 / box.width_px, 44 / box.height_px);
  const drawn = drawPiece(piece, k, "lay");
  const end_ms = state.events[state.events.length - 1]?.at_ms ?? state.madeAt_ms;
  return (
    <Link to={toRecord(state.id)} className="book-row">
      <svg width={156} height={52} aria-hidden="true">
        <g transform={`translate(${78 - drawn.width_px / 2} ${26 - drawn.height_px / 2})`}>
          <Silhouette drawn={drawn} lie="lay" paint={paint} />
        </g>
      </svg>
      <span className="book-name">
        <b>{piece.name}</b>
        <small>
          {piece.mark}, {steelWords(piece)}
        </small>
      </span>
      <span>{isInWork(state) ? `${heatsDone(state)} heats so far` : `${heatsDone(state)} heats`}</span>
      <span>{rowEnd(state)}</span>
      <span className="book-when">{showMoment(end_ms)}</span>
    </Link>
  );
}

function FailedRow({ state }: { state: PieceState }) {
  return (
    <Link to={toRecord(state.id)} className="book-row">
      <span className="book-name">
        <b>{state.piece.name}</b>
        <small>It could not be drawn here. It is kept, and goes out with the export.</small>
      </span>
    </Link>
  );
}

/** About how high a row is, px. */
const ROW_PX = 66;

function Rows({ shown, now_ms }: { shown: readonly PieceState[]; now_ms: number }) {
  const { list, rows, before_px, after_px, measure } = useShown<HTMLUListElement>(shown.length, ROW_PX);
  return (
    <ul className="book-list" ref={list} style={{ paddingTop: before_px, paddingBottom: after_px }}>
      {rows.map((i) => {
        const state = shown[i]!;
        return (
          <li key={state.id} ref={measure} data-index={i}>
            <Boundary fallback={<FailedRow state={state} />}>
              <Row state={state} now_ms={now_ms} />
            </Boundary>
          </li>
        );
      })}
    </ul>
  );
}

export function BookPage() {
  const pieces = usePieces();
  const now_ms = useNow(30000);
  const [search, setSearch] = useState("");
  if (pieces === undefined) return <main aria-busy="true" style={{ flex: 1 }} />;
  const wanted = search.trim().toLowerCase();
  const shown = [...pieces]
    .reverse()
    .filter(({ piece, notes }) =>
      `${piece.name} ${piece.mark} ${piece.steel} ${notes.map(({ text }) => text).join(" ")}`.toLowerCase().includes(wanted),
    );
  return (
    <main className="book">
      <Hatches />
      <header className="book-head">
        <div>
          <h1>The book</h1>
          <p>
            {pieces.length === 0
              ? "Empty."
              : `${pieces.length} piece${pieces.length === 1 ? "" : "s"}, every heat and every tap, in the order they happened.`}
          </p>
        </div>
        <TextField
          label="Find a piece, steel or note"
          value={search}
          onChange={(event) => setSearch(event.target.value)}
          sx={{ minWidth: 260 }}
        />
      </header>
      <Rows shown={shown} now_ms={now_ms} />
      {pieces.length > 0 && shown.length === 0 ? <p>Nothing in the book says &quot;{search}&quot;.</p> : null}
      <Exchange count={pieces.length} />
    </main>
  );
}
