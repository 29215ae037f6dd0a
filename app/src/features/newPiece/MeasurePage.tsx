/** Corrects a piece's description: a further event, the old one stays in the book. */

import { type Piece, type PieceState } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { useLog, usePieces } from "../../store/useStore.js";
import { markProblem } from "../../words/markWords.js";
import { PieceForm, type Group } from "./PieceForm.js";
import { useFaults } from "../../parts/useFaults.js";
import { toPiece } from "../../format/address.js";
import { OfPiece } from "../../parts/OfPiece.js";

function Measure({ state }: { state: PieceState }) {
  const navigate = useNavigate();
  const [piece, setPiece] = useState<Piece>(state.piece);
  const [open, setOpen] = useState<Group | null>("measures");
  const { faults, onFault, clear } = useFaults();
  const { write } = useLog();
  const pieces = usePieces() ?? [];
  const isReady = faults === 0 && piece.name.trim() !== "" && markProblem(piece, pieces, state.id) === null;
  const change = (next: Piece): void => {
    if (next.form !== piece.form || next.section.shape !== piece.section.shape) clear();
    setPiece(next);
  };
  return (
    <main className="new-page">
      <header>
        <div>
          <h1>Correct the {state.piece.name.toLowerCase()}</h1>
          <p>Its plan stays as it is; the prediction follows the new measures.</p>
        </div>
      </header>
      <PieceForm id={state.id} piece={piece} onChange={change} onFault={onFault} open={open} onOpen={setOpen} />
      <div className="form-foot">
        <Button
          variant="contained"
          disabled={!isReady}
          onClick={() =>
            void write(state.id, [{ kind: "piece", definition: piece }]).then((isStored) => isStored && navigate(toPiece(state.id)))
          }
        >
          Keep these measures
        </Button>
        <Button component={Link} to={toPiece(state.id)} variant="text">
          Leave as it was
        </Button>
      </div>
    </main>
  );
}

export function MeasurePage() {
  return <OfPiece>{(state) => <Measure state={state} />}</OfPiece>;
}
