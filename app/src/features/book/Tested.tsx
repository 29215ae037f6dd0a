/** Where the tester was set in the last test that says so, on one face or both. */

import { facesOf, type PieceState } from "@tembrak/core";
import { PlacesDrawing } from "../../parts/PlacesDrawing.js";
import { facesWords } from "../../words/placeWords.js";

export function Tested({ state }: { state: PieceState }) {
  const { test } = state.tests.findLast(({ test: { places } }) => places?.some((place) => place !== null)) ?? {};
  if (test?.places === undefined) return null;
  const { places } = test;
  const of = (place: (typeof places)[number] | undefined): string =>
    place ? (place.face === "other" ? ", other face" : "") : ", not said where";
  const said = test.readings_HRC.map((reading, i) => `${i + 1}, ${reading}${of(places[i])}`);
  const faces = facesWords(facesOf(test.readings_HRC, places), 0);
  const label = `Where its tester was set: ${said.join("; ")} HRC`;
  return (
    <figure className="tested-places">
      <PlacesDrawing piece={state.piece} places={places} label={label} />
      {places.some((place) => place?.face === "other") ? (
        <PlacesDrawing piece={state.piece} places={places} label={`${label}: turned over`} isTurned />
      ) : null}
      <figcaption>{faces === null ? label : `${label}. ${faces}`}</figcaption>
    </figure>
  );
}
