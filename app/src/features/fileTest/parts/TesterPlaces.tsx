/** Where on the piece each tester reading was made: tapped on its drawing, or said; what of them is to be doubted. */

import { placeDoubts, type Piece, type SoftParts, type TestPlace } from "@tembrak/core";
import Button from "@mui/material/Button";
import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { PlacesDrawing } from "../../../parts/PlacesDrawing.js";
import { doubtWords, PLACE_WORDS, placeKey, type PlaceKey } from "../../../words/placeWords.js";
import type { TestDraft } from "../useTest.js";

interface Props {
  readonly piece: Piece;
  readonly soft: SoftParts;
  readonly draft: TestDraft;
  readonly onChange: (draft: TestDraft) => void;
}

export function TesterPlaces({ piece, soft, draft, onChange }: Props) {
  const { readings } = draft;
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
  const words = next < 0 ? "Where the tester was set." : `Tap where reading ${next + 1}, ${readings[next]}, was made.`;
  return (
    <div className="tester-places">
      <p className="drawn">{words}</p>
      <PlacesDrawing piece={piece} places={places} label={words} {...(next < 0 ? {} : { onPlace: (place) => put(next, place) })} />
      <div className="place-keys">
        {readings.map((reading, i) => (
          <TextField
            key={i}
            select
            size="small"
            label={`${i + 1}: ${reading}`}
            value={placeKey(places[i] ?? null)}
            onChange={(event) => put(i, PLACE_WORDS[event.target.value as PlaceKey].place)}
          >
            {(Object.keys(PLACE_WORDS) as PlaceKey[]).map((key) => (
              <MenuItem key={key} value={key}>
                {PLACE_WORDS[key].name}
              </MenuItem>
            ))}
          </TextField>
        ))}
      </div>
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
