/** What a piece is heated in: one of several, those that the kit lacks with what they lack. */

import { HEATED_IN, JUDGES, missingFor, type HeatedIn, type Kit } from "@tembrak/core";
import { lackWords } from "../words/routeWords.js";
import { PLACE_OF_HEAT } from "../words/schools.js";
import { RadioKeys } from "./RadioKeys.js";
import "./placeKeys.css";

/** What the kit lacks for it, whatever it is judged by; null where it can be judged somehow. */
function lackOf(place: HeatedIn, kit: Kit | null): string | null {
  const ways = JUDGES[place].map((by) => ({ in: place, by }));
  return ways.some((heating) => missingFor(heating, kit) === null) ? null : lackWords(ways[0]!, kit);
}

/** Forge and kiln are always asked after; torch, coal and salt where there are such. */
function isOffered(place: HeatedIn, kit: Kit | null): boolean {
  return place === "forge" || place === "kiln" || (kit !== null && lackOf(place, kit) === null);
}

export function PlaceKeys({ place, kit, onPick }: { place: HeatedIn; kit: Kit | null; onPick: (place: HeatedIn) => void }) {
  return (
    <RadioKeys
      label="Heated in"
      className="place-keys"
      keyClass="plain-key"
      chosen={place}
      onPick={onPick}
      keys={HEATED_IN.filter((key) => key === place || isOffered(key, kit)).map((key) => ({
        key,
        isDisabled: lackOf(key, kit) !== null,
        inside: (
          <>
            <b>{PLACE_OF_HEAT[key].name}</b>
            {key === place || lackOf(key, kit) !== null ? <small>{lackOf(key, kit) ?? PLACE_OF_HEAT[key].does}</small> : null}
          </>
        ),
      }))}
    />
  );
}
