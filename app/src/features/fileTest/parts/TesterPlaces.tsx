/** Where on the piece each tester reading was made: tapped on its drawing, or said; what of them is to be doubted. */

import { facesOf, placeDoubts, type Piece, type SoftParts, type TestPlace } from "@tembrak/core";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useState } from "react";
import { Choice } from "../../../parts/Choice.js";
import { PlacesDrawing } from "../../../parts/PlacesDrawing.js";
import { doubtWords, facesWords, PLACE_WORDS, placeKey, placeNames, type PlaceKey } from "../../../words/placeWords.js";
import type { TestDraft } from "../../../words/testDraft.js";

interface Props {
  readonly piece: Piece;
  readonly soft: SoftParts;
  readonly draft: TestDraft;
  readonly onChange: (draft: TestDraft) => void;
}

export function TesterPlaces({ piece, soft, draft, onChange }: Props) {
  const { readings } = draft;
  const [isTurned, setTurned] = useState(false);
  const places = readings.map((_, i) => draft.places[i] ?? null);
  if (readings.length === 0) return null;
  const put = (at: number, place: TestPlace | null): void =>
    onChange({ ...draft, places: places.map((before, i) => (i === at ? place : before)) });
  const next = places.indexOf(null);
  const without = (gone: readonly number[]): void =>
    onChange({
      ...draft,
      readings: readings.filter((_, i) => !gone.includes(i + 1)),
      places: places.filter((_, i) => !gone.includes(i + 1)),
    });
  const isBlade = piece.section.shape === "wedge";
  const placed = places.filter((place) => place !== null).length;
  // A round has no faces.
  const hasFaces = piece.section.shape !== "round";
  const faces = hasFaces ? facesWords(facesOf(readings, places), placed) : null;
  const words = next < 0 ? "Where the tester was set." : `Tap where reading ${next + 1}, ${readings[next]}, was made.`;
  return (
    <div className="tester-places">
      <p className="drawn">{words}</p>
      {hasFaces ? (
        <ToggleButtonGroup
          exclusive
          size="small"
          value={isTurned ? "other" : "first"}
          aria-label="Face"
          onChange={(_, face: string | null) => face && setTurned(face === "other")}
        >
          <ToggleButton value="first">first face</ToggleButton>
          <ToggleButton value="other">turned over</ToggleButton>
        </ToggleButtonGroup>
      ) : null}
      <PlacesDrawing
        piece={piece}
        places={places}
        label={words}
        isTurned={isTurned}
        {...(next < 0 ? {} : { onPlace: (place) => put(next, place) })}
      />
      <div className="place-keys">
        {readings.map((reading, i) => (
          <Choice
            key={i}
            size="small"
            label={`${i + 1}: ${reading}`}
            value={placeKey(places[i] ?? null, isBlade)}
            onChange={(event) => {
              const { place } = PLACE_WORDS[event.target.value as PlaceKey];
              put(i, place !== null && isTurned ? { ...place, face: "other" } : place);
            }}
          >
            {Object.entries(placeNames(piece.section)).map(([key, name]) => (
              <MenuItem key={key} value={key}>
                {name}
              </MenuItem>
            ))}
          </Choice>
        ))}
      </div>
      {faces === null ? null : (
        <p className="test-notice" role="status">
          {faces}
        </p>
      )}
      {placeDoubts(piece.section, places, soft).map((doubt) => (
        <p key={doubt.code} className="test-notice" role="status">
          {doubtWords(doubt)}{" "}
          <Button variant="text" size="small" onClick={() => without(doubt.readings)}>
            Leave {doubt.readings.length === 1 ? "it" : "them"} out
          </Button>
        </p>
      ))}
    </div>
  );
}
