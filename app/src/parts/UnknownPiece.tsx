/** In the place of a screen that cannot be worked out: a piece of something not known here, or one nobody planned. */

import { CATALOGUE, planRoute, type PieceState } from "@tembrak/core";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import { useKit, useLog, useUnits } from "../store/useStore.js";
import { unknownWords } from "../words/unknownWords.js";
import { toPiece, toRecord } from "../format/address.js";

export function UnknownPiece({ state }: { state: PieceState }) {
  const { write } = useLog();
  const kit = useKit() ?? null;
  const { temperature: unit } = useUnits();
  const unknown = unknownWords(state);
  const plan = (): void => void write(state.id, [{ kind: "route", route: planRoute(CATALOGUE, state.piece, "forge", { kit, unit }) }]);
  return (
    <main style={{ padding: 28, flex: 1, maxWidth: 760 }}>
      <h1 style={{ fontSize: 36, lineHeight: "44px", fontWeight: 560, margin: "0 0 12px" }}>
        {state.piece.name} {state.piece.mark}
      </h1>
      <p>{unknown ?? "Nobody has planned its heats yet."}</p>
      <div style={{ display: "flex", gap: 12, flexWrap: "wrap" }}>
        {unknown === null ? (
          <Button variant="contained" onClick={plan}>
            Plan its heats
          </Button>
        ) : (
          <Button variant="contained" component={Link} to={toPiece(state.id, "measure")}>
            Correct it
          </Button>
        )}
        <Button component={Link} to={toRecord(state.id)}>
          Its record
        </Button>
        <Button component={Link} to="/">
          Rack
        </Button>
      </div>
    </main>
  );
}
