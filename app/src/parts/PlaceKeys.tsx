/** What a piece is heated in: one of several, those that the kit lacks with what they lack. */

import { HEATED_IN, JUDGES, missingFor, type HeatedIn, type Kit } from "@tembrak/core";
import { lackWords } from "../words/routeWords.js";
import { PLACE_OF_HEAT } from "../words/schools.js";
import { RadioKeys } from "./RadioKeys.js";

/** What the kit lacks for it, whatever it is judged by; null where it can be judged somehow. */
function lackOf(place: HeatedIn, kit: Kit | null): string | null {
  const ways = JUDGES[place].map((by) => ({ in: place, by }));
  return ways.some((heating) => missingFor(heating, kit) === null) ? null : lackWords(ways[0]!, kit);
}

export function PlaceKeys({ place, kit, onPick }: { place: HeatedIn; kit: Kit | null; onPick: (place: HeatedIn) => void }) {
  return (
    <RadioKeys
      label="Heated in"
      className="school-keys"
      keyClass="plain-key"
      chosen={place}
      onPick={onPick}
      keys={HEATED_IN.map((key) => ({
        key,
        isDisabled: lackOf(key, kit) !== null,
        inside: (
          <>
            <b>{PLACE_OF_HEAT[key].name}</b>
            <small>{lackOf(key, kit) ?? (key === place ? PLACE_OF_HEAT[key].does : "")}</small>
          </>
        ),
      }))}
    />
  );
}
