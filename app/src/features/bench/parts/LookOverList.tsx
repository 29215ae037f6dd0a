/** Looked over before it is hardened: what this piece has a reason to be looked at for. */

import type { Piece, Route } from "@tembrak/core";
import { useSettings } from "../../../store/useStore.js";
import { lookWords } from "../../../words/lookWords.js";

export function LookOverList({ piece, route }: { piece: Piece; route: Route }) {
  const units = useSettings();
  return (
    <section>
      <h3>Look it over first</h3>
      <ul className="look-over">
        {lookWords(piece, route, units).map((words) => (
          <li key={words}>{words}</li>
        ))}
      </ul>
    </section>
  );
}
