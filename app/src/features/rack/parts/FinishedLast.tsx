/** What was finished last, and the next like it. */

import type { PieceState } from "@tembrak/core";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import { toLike, toRecord } from "../../../format/address.js";
import { drawPiece, Silhouette } from "../../../parts/Silhouette.js";
import { usePaint } from "../../../parts/usePaint.js";
import { measured } from "../../../words/measuredWords.js";

/** Its drawing, px. */
const FINISHED_PX = 150;

export function FinishedLast({ pieces }: { readonly pieces: readonly PieceState[] }) {
  const ended = pieces.filter(({ finishedAt_ms }) => finishedAt_ms !== null);
  if (ended.length === 0) return null;
  return <Finished last={ended.reduce((a, b) => (b.finishedAt_ms! > a.finishedAt_ms! ? b : a))} />;
}

function Finished({ last }: { readonly last: PieceState }) {
  const paint = usePaint(last, last.finishedAt_ms ?? 0);
  const drawn = drawPiece(last.piece, FINISHED_PX / last.piece.length_mm, "lay");
  return (
    <section className="rack-finished" aria-label="Finished last">
      <svg width={drawn.width_px} height={drawn.height_px} style={{ overflow: "visible" }} aria-hidden="true">
        <Silhouette drawn={drawn} lie="lay" paint={paint} />
      </svg>
      <p>
        <b>{last.piece.name}</b> is finished. {measured(last) ?? "Not tested"}.
      </p>
      <Button component={Link} to={toRecord(last.id)}>
        Its record
      </Button>
      <Button component={Link} to={toLike(last.id)}>
        Next like it
      </Button>
    </section>
  );
}
