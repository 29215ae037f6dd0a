/** What of the kit a piece does not fit, and at least three ways on. Nothing when all fits. */

import { CATALOGUE, fitProblems, formOf, type Kit, type Piece, type Route } from "@tembrak/core";
import { FIT_WAY_WORDS, fitSentence } from "../words/fitWords.js";
import type { Units } from "../format/show.js";
import "./fitNotice.css";

export function FitNotice({ piece, route, kit, units }: { piece: Piece; route: Route; kit: Kit | null; units: Units }) {
  const problems = fitProblems(CATALOGUE, piece, formOf(piece), route, kit);
  if (problems.length === 0) return null;
  return (
    <div className="fit-notice">
      {problems.map((problem) => {
        const sentence = fitSentence(problem, units);
        return (
          <details key={sentence}>
            <summary>
              <b>{sentence}</b> Ways on
            </summary>
            <ul>
              {problem.ways.map((way) => (
                <li key={way}>{FIT_WAY_WORDS[way]}</li>
              ))}
            </ul>
          </details>
        );
      })}
    </div>
  );
}
