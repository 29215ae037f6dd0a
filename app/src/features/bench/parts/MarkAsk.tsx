/** Several lie hard and black beside each other: which one is in the hand, by its notches, before anything more is logged of it. */

import type { PieceState } from "@tembrak/core";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import { showNotches } from "../../../format/show.js";
import type { ActProps } from "./ActKey.js";
import { toPiece } from "../../../format/address.js";

interface Props extends Pick<ActProps, "state" | "bench"> {
  readonly others: readonly PieceState[];
}

export function MarkAsk({ state, bench, others }: Props) {
  const { piece } = state;
  return (
    <>
      <div className="bench-main run">
        <div className="bench-left">
          <p className="to-go">{others.length + 1} lie there hard. Which one is in your hand?</p>
          <p className="from2">Wipe it and count its notches: scale and oil make them all alike.</p>
        </div>
      </div>
      <div className="bench-keys">
        {others.map(({ id, piece: other }) => (
          <Button key={id} variant="outlined" className="log-key wide-key" component={Link} to={toPiece(id, "bench")}>
            {showNotches(other.mark)} {other.mark}
            <small>{other.name}: to its bench</small>
          </Button>
        ))}
        <Button variant="contained" className="bench-act" disabled={bench.isStoring} onClick={() => bench.check({ check: "mark" })}>
          {showNotches(piece.mark)} {piece.mark}
          <small>{piece.name}: it is this one</small>
        </Button>
      </div>
    </>
  );
}
