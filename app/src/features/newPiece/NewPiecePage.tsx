/** A new piece: described, measured, given a school; then its heat card. */

import {
  CATALOGUE,
  missingFor,
  planRoute,
  SCHOOLS,
  hardensForZones,
  USUAL_WAY,
  type Kit,
  type Piece,
  type School,
  type Way,
} from "@tembrak/core";
import Button from "@mui/material/Button";
import { useState } from "react";
import { useNavigate } from "react-router";
import { shopNow } from "../../store/shopClock.js";
import { newId } from "../../store/db.js";
import { useLog, useKit, usePieces, useSettings } from "../../store/useStore.js";
import { nextMark, ORDERED_FORMS, pieceOfForm } from "./draft.js";
import { lackWords } from "../../words/routeWords.js";
import { practiceWay, WayKeys, wayWithin } from "../../parts/WayKeys.js";
import { SCHOOL_WORDS } from "../../words/schools.js";
import { FitNotice } from "../../parts/FitNotice.js";
import { PieceForm } from "./PieceForm.js";
import { useFaults } from "../../parts/useFaults.js";

/** The school a shop without that of the choice starts from. */
function firstSchool(kit: Kit | null): School {
  return SCHOOLS.find((school) => missingFor(school, kit) === null) ?? "forge";
}

function NewPiece({ mark, kit }: { mark: string; kit: Kit | null }) {
  const units = useSettings();
  const navigate = useNavigate();
  const [piece, setPiece] = useState<Piece>(() => pieceOfForm(ORDERED_FORMS[0]!, null, mark));
  const [school, setSchool] = useState<School>(() => firstSchool(kit));
  const [chosenWay, setWay] = useState<Way>(USUAL_WAY);
  const [isPractice, setPractice] = useState(false);
  const { faults, onFault, clear } = useFaults();
  const { write } = useLog();
  const isReady = faults === 0 && piece.name.trim() !== "" && piece.mark.trim() !== "";
  const way = isPractice ? practiceWay(piece.section, chosenWay) : wayWithin(piece.section, chosenWay);
  const route = planRoute(CATALOGUE, piece, school, { way, kit });
  const change = (next: Piece): void => {
    if (next.form !== piece.form || next.section.shape !== piece.section.shape) clear();
    // What the parts are wanted to be asks for a way; the smith may still choose another.
    const asked = hardensForZones(next);
    if (asked !== null && asked !== hardensForZones(piece)) setWay({ ...chosenWay, hardens: asked });
    setPiece(next);
  };
  const save = async (): Promise<void> => {
    const id = newId(shopNow());
    const definition = { ...piece, name: piece.name.trim(), mark: piece.mark.trim(), ...(isPractice ? { isPractice } : {}) };
    const isStored = await write(id, [
      { kind: "piece", definition },
      { kind: "route", route },
    ]);
    if (isStored) await navigate(`/piece/${id}`);
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
          <button
            key={key}
            type="button"
            role="radio"
            aria-checked={school === key}
            disabled={missingFor(key, kit) !== null}
            className="plain-key"
            onClick={() => setSchool(key)}
          >
            <b>{SCHOOL_WORDS[key].name}</b>
            <small>{lackWords(key, kit) ?? SCHOOL_WORDS[key].does}</small>
          </button>
        ))}
      </div>
      <WayKeys section={piece.section} way={way} note="does" className="school-keys" isPractice={isPractice} kit={kit} onPick={setWay} />
      <h2>Where?</h2>
      <div className="school-keys" role="radiogroup" aria-label="Where">
        {([false, true] as const).map((simulated) => (
          <button
            key={String(simulated)}
            type="button"
            role="radio"
            aria-checked={isPractice === simulated}
            className="plain-key"
            onClick={() => setPractice(simulated)}
          >
            <b>{simulated ? "In the simulated shop" : "In my own shop"}</b>
            <small>
              {simulated
                ? "No steel, no fire: a forge, bath and oven that behave, with a clock up to a hundred times as fast."
                : "Steel and fire."}
            </small>
          </button>
        ))}
      </div>
      <FitNotice
        piece={piece}
        route={route}
        kit={kit}
        units={units}
        onReplan={(nextSchool, nextWay) => {
          setSchool(nextSchool);
          setWay(nextWay);
        }}
      />
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
        <span role="alert">{faults > 0 ? "One of the measures above is not clear yet." : ""}</span>
      </div>
    </main>
  );
}

export function NewPiecePage() {
  const pieces = usePieces();
  const kit = useKit();
  if (pieces === undefined || kit === undefined) return <main aria-busy="true" style={{ flex: 1 }} />;
  return <NewPiece mark={nextMark(pieces.map(({ piece }) => piece.mark))} kit={kit} />;
}
