/** A plan that can be made safe by no way of this shop, with what would help; or one that was worked out and lands clearly more often than the one that stands. */

import type { Piece, Route } from "@tembrak/core";
import type { ReactNode } from "react";
import { useSolved } from "../compute/useAnswers.js";
import { useSettings } from "../store/useStore.js";
import { mayFailSentence, solvedNotice, wayOnWords } from "../words/planWords.js";
import "./fitNotice.css";

const NO_PINS = [] as const;

interface Props {
  readonly piece: Piece;
  readonly route: Route;
  /** Only what cannot be made safe is said: nothing is planned yet that could be better. */
  readonly isNew?: boolean;
  /** Where the ways are. */
  readonly children?: ReactNode;
}

export function SolvedNotice({ piece, route, isNew = false, children }: Props) {
  const units = useSettings();
  const { data, isPlaceholderData } = useSolved(piece, route, NO_PINS);
  if (data === undefined || isPlaceholderData) return null;
  const place = piece.section.shape === "wedge" ? "edge" : "surface";
  const better = isNew ? null : solvedNotice(data, units);
  const fails = mayFailSentence(data, place);
  if (better === null && fails === null) return null;
  return (
    <div className="fit-notice" data-testid="solved" role="status">
      <p>
        <b>{[fails, better].filter((said) => said !== null).join(" ")}</b> {children}
      </p>
      {fails === null || data.waysOn.length === 0 ? null : (
        <ul>
          {data.waysOn.map((on) => (
            <li key={JSON.stringify(on)}>{wayOnWords(on, units)}</li>
          ))}
        </ul>
      )}
    </div>
  );
}
