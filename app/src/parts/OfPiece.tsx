/** How a screen comes by the piece of its address: while it is read, where there is none, and where nobody planned it, it says so. */

import type { PieceState, Route } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useLiveQuery } from "dexie-react-hooks";
import type { ReactNode } from "react";
import { Link, useParams } from "react-router";
import { idIn } from "../format/address.js";
import { eventsOf } from "../store/db.js";
import { exportRows } from "../store/exportBook.js";
import { useLog, usePiece } from "../store/useStore.js";
import { unknownOf } from "../words/unknownWords.js";
import { UnknownPiece } from "./UnknownPiece.js";

/** What was logged of it is not lost with its description. */
function NoPiece({ id }: { readonly id: string }) {
  const { keep } = useLog();
  const rows = useLiveQuery(() => eventsOf(id), [id]) ?? [];
  return (
    <main style={{ padding: 28, flex: 1 }}>
      <h1>There is no such piece in the book.</h1>
      {rows.length === 0 ? null : (
        <p>
          {rows.length === 1 ? "One entry" : `${rows.length} entries`} of it {rows.length === 1 ? "is" : "are"} kept as stored, and no
          description: it was taken back, or never came.
        </p>
      )}
      <div style={{ display: "flex", gap: 12, flexWrap: "wrap" }}>
        <Button component={Link} to="/" variant="contained">
          Back to the rack
        </Button>
        <Button component={Link} to="/book">
          To the book
        </Button>
        {rows.length === 0 ? null : <Button onClick={() => void keep(() => exportRows(rows))}>Export what is left of it</Button>}
      </div>
    </main>
  );
}

interface AnyProps {
  readonly children: (state: PieceState) => ReactNode;
}

export function OfPiece({ children }: AnyProps) {
  const { id: part = "" } = useParams();
  const id = idIn(part);
  const state = usePiece(id);
  if (state === undefined) return <main aria-busy="true" style={{ flex: 1 }} />;
  return state === null ? <NoPiece id={id} /> : children(state);
}

interface PlannedProps {
  readonly children: (state: PieceState, route: Route) => ReactNode;
}

/** Of a piece whose plan can be worked out; another is asked about. */
export function OfPlannedPiece({ children }: PlannedProps) {
  return (
    <OfPiece>
      {(state) =>
        state.route === null || state.route.steps.length === 0 || unknownOf(state).length > 0 ? (
          <UnknownPiece state={state} />
        ) : (
          children(state, state.route)
        )
      }
    </OfPiece>
  );
}
