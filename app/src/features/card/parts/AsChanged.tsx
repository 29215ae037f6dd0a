/** What was changed of the steps by hand: what it costs in chance, and the rest worked out around it. */

import { PINS, pinsBetween, type Piece, type Route } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useState } from "react";
import { useSolved } from "../../../compute/useAnswers.js";
import { showChance } from "../../../format/show.js";
import { useUnits } from "../../../store/useStore.js";
import { changedWords, isSameSteps, wayInShort } from "../../../words/planWords.js";

interface Props {
  readonly piece: Piece;
  readonly planned: Route;
  readonly changed: Route;
  readonly onTake: (route: Route) => void;
}

export function AsChanged({ piece, planned, changed, onTake }: Props) {
  const units = useUnits();
  const [asked, setAsked] = useState<Route | null>(null);
  // With all of it fixed nothing is searched: how often it lands as it stands.
  const before = useSolved(piece, planned, PINS, { isBrief: true }).data?.today.chance;
  const now = useSolved(piece, changed, PINS, { isBrief: true });
  const pins = pinsBetween(planned, changed);
  // Changed again, it is asked again.
  const isAsked = asked !== null && isSameSteps(asked, changed);
  const around = useSolved(piece, changed, pins, { isBrief: true, isAsked });
  const best = !isAsked || around.isPlaceholderData ? undefined : around.data?.ways[0];
  if (before === undefined || now.data === undefined) return null;
  const isWhole = pins.length === 0 || pins.length === PINS.length;
  return (
    <div className="as-changed" aria-busy={now.isPlaceholderData}>
      <p role="status">
        {changedWords(before, now.data.today.chance)}
        {isSameSteps(planned, changed) ? null : <small> {wayInShort(now.data.today, units)}.</small>}
      </p>
      {isWhole || best !== undefined ? null : (
        <Button disabled={isAsked && around.error === null} onClick={() => setAsked(changed)}>
          {!isAsked ? "Work the rest out around it" : "Working it out…"}
        </Button>
      )}
      {best === undefined ? null : isSameSteps(best.route, changed) ? (
        <p role="status">Nothing else of it would be surer.</p>
      ) : (
        <p role="status">
          Around it: {wayInShort(best, units)} lands {showChance(best.chance)}.{" "}
          <Button variant="text" size="small" onClick={() => onTake(best.route)}>
            Take these steps
          </Button>
        </p>
      )}
      {around.error === null || !isAsked ? null : <p role="alert">{around.error.message}</p>}
    </div>
  );
}
