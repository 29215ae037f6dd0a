/** The rack on a phone: the rail stands at the left, pieces lie out from it at one scale, the most urgent first in view. */

import { hardParts } from "../../../parts/brittleTeeth.js";
import { timeFor } from "../../../format/pieceTime.js";
import { brittleSince, type PieceState, mayStillBend } from "@tembrak/core";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import { statusLine } from "../../../words/rackWords.js";
import { Boundary } from "../../../parts/Boundary.js";
import { useShown } from "../../../parts/useShown.js";
import { usePaint } from "../../../parts/usePaint.js";
import { useCooling } from "../../../compute/useCooling.js";
import { drawPiece, Silhouette } from "../../../parts/Silhouette.js";
import { useUnits } from "../../../store/useStore.js";
import { inOrder, STAGE_WORDS } from "./rackLayout.js";
import { toPiece, toRecord } from "../../../format/address.js";

interface Props {
  readonly pieces: readonly PieceState[];
  readonly first: string;
  readonly now_ms: number;
}

const ROOM_PX = 208;
/** About how high a row is, px. */
const ROW_PX = 90;

function Row({ state, isFirst, now_ms, scale_px_mm }: { state: PieceState; isFirst: boolean; now_ms: number; scale_px_mm: number }) {
  const units = useUnits();
  const drawn = drawPiece(state.piece, scale_px_mm, "lay");
  const paint = usePaint(state, now_ms);
  const brittle_ms = brittleSince(state, now_ms);
  const cooling = useCooling(state, now_ms);
  // While it may still be bent it is not called brittle.
  const isBrittle = brittle_ms !== null && (cooling.straightening === null || !mayStillBend(cooling.straightening));
  const minutes = isBrittle ? Math.floor((now_ms - brittle_ms) / 60000) : 0;
  const status = statusLine(state, now_ms, paint.now_C, units, { call: paint.call, ...cooling });
  const height = drawn.height_px + 36;
  return (
    <Link to={toPiece(state.id)} className={isFirst ? "tall-row first" : "tall-row"}>
      <svg
        width={ROOM_PX + 16}
        height={Math.max(64, height)}
        role="img"
        aria-label={`${state.piece.name}: ${paint.words}`}
        style={{ flex: "none" }}
      >
        <rect x={1} y={0} width={7} height={Math.max(64, height)} fill="var(--lift)" stroke="var(--line2)" strokeWidth={0.9} />
        <g transform={`translate(12 ${Math.max(14, (Math.max(64, height) - drawn.height_px) / 2)})`}>
          <Silhouette drawn={drawn} lie="lay" paint={paint} brittle={isBrittle ? hardParts(state.route) : null} />
        </g>
      </svg>
      <span className="stage">{STAGE_WORDS[state.stage]}</span>
      <span className="tall-words">
        <b>{state.piece.name}</b> <span className="drawn">{state.piece.mark}</span>
        <small>{isBrittle ? `${minutes} min brittle. Do not drop, clamp, bend or strike it.` : status}</small>
      </span>
    </Link>
  );
}

/** What could not be drawn has its name and its record. */
function FailedRow({ state }: { state: PieceState }) {
  return (
    <Link to={toRecord(state.id)} className="tall-row">
      <span className="tall-words">
        <b>{state.piece.name}</b> <span className="drawn">{state.piece.mark}</span>
        <small>It could not be drawn here. Its record is kept.</small>
      </span>
    </Link>
  );
}

export function RackTall({ pieces, first, now_ms }: Props) {
  const longest = pieces.reduce((most, { piece }) => Math.max(most, drawPiece(piece, 1, "lay").width_px), 1);
  const scale_px_mm = Math.min(0.62, ROOM_PX / longest);
  const ordered = inOrder(pieces);
  const { list, rows, before_px, after_px, measure } = useShown<HTMLDivElement>(ordered.length, ROW_PX);
  return (
    <div style={{ marginTop: 16 }} ref={list}>
      <div style={{ height: before_px }} />
      {rows.map((i) => {
        const state = ordered[i]!;
        return (
          <div key={state.id} ref={measure} data-index={i}>
            <Boundary fallback={<FailedRow state={state} />}>
              <Row state={state} isFirst={state.id === first} now_ms={timeFor(state, now_ms)} scale_px_mm={scale_px_mm} />
            </Boundary>
          </div>
        );
      })}
      <div style={{ height: after_px }} />
      <Button component={Link} to="/new" fullWidth sx={{ my: 2, minHeight: 60 }}>
        New piece
      </Button>
    </div>
  );
}
