/** A new piece: described, measured, given a school; then its heat card. */

import { CATALOGUE, planRoute, SCHOOLS, type Piece, type School } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useState } from "react";
import { useNavigate } from "react-router";
import { append, newId } from "../../store/db.js";
import { usePieces } from "../../store/useStore.js";
import { nextMark, ORDERED_FORMS, pieceOfForm } from "./draft.js";
import { SCHOOL_WORDS } from "../../format/schools.js";
import { PieceForm } from "./PieceForm.js";
import { useFaults } from "./useFaults.js";

function NewPiece({ mark }: { mark: string }) {
  const navigate = useNavigate();
  const [piece, setPiece] = useState<Piece>(() => pieceOfForm(ORDERED_FORMS[0]!, null, mark));
  const [school, setSchool] = useState<School>("forge");
  const { faults, onFault, clear } = useFaults();
  const [trouble, setTrouble] = useState<string | null>(null);
  const isReady = faults === 0 && piece.name.trim() !== "" && piece.mark.trim() !== "";
  const change = (next: Piece): void => {
    if (next.form !== piece.form || next.section.shape !== piece.section.shape) clear();
    setPiece(next);
  };
  const save = async (): Promise<void> => {
    const id = newId(Date.now());
    try {
      await append(id, [
        { kind: "piece", definition: { ...piece, name: piece.name.trim(), mark: piece.mark.trim() } },
        { kind: "route", route: planRoute(CATALOGUE, piece, school) },
      ]);
      await navigate(`/piece/${id}`);
    } catch (error) {
      setTrouble(error instanceof Error ? error.message : "It could not be stored.");
    }
  };
  return (
    <main className="new-page">
      <header>
        <div>
          <h1>A new piece</h1>
          <p>Four answers and a few measures; the rest is worked out.</p>
        </div>
      </header>
      <PieceForm piece={piece} onChange={change} onFault={onFault} />
      <h2>How will you heat it?</h2>
      <div className="school-keys" role="radiogroup" aria-label="School">
        {SCHOOLS.map((key) => (
          <button key={key} type="button" role="radio" aria-checked={school === key} className="plain-key" onClick={() => setSchool(key)}>
            <b>{SCHOOL_WORDS[key].name}</b>
            <small>{SCHOOL_WORDS[key].does}</small>
          </button>
        ))}
      </div>
      <div className="form-foot">
        <Button
          variant="contained"
          className="act-key"
          disabled={!isReady}
          onClick={() => void save()}
          sx={{ minHeight: 60, fontSize: 20 }}
        >
          Plan its heats
        </Button>
        <span role="alert">{trouble ?? (faults > 0 ? "One of the measures above is not clear yet." : "")}</span>
      </div>
    </main>
  );
}

export function NewPiecePage() {
  const pieces = usePieces();
  if (pieces === undefined) return <main aria-busy="true" style={{ flex: 1 }} />;
  return <NewPiece mark={nextMark(pieces.map(({ piece }) => piece.mark))} />;
}
