/** Checks that could still be made: how far each lifts the surest way, from today's chance, and what it takes. */

import type { Solved } from "@tembrak/core";
import { Link } from "react-router";
import { showChance } from "../../format/show.js";
import { useKit } from "../../store/useStore.js";
import { checkWords } from "../../words/planWords.js";

interface Props {
  readonly solved: Solved;
  /** The piece it would be for. */
  readonly id: string;
}

export function WorthKnowing({ solved: { ways, worth }, id }: Props) {
  const kit = useKit() ?? [];
  const today = ways[0]!.chance;
  return (
    <section aria-labelledby="worth-h" className="ways-worth">
      <h2 id="worth-h">What would be worth knowing</h2>
      {worth.length === 0 ? (
        <p>Nothing that could be checked lifts it by one in twenty.</p>
      ) : (
        <>
          <p>How far each lifts the surest way, from {showChance(today)} today.</p>
          <ul>
            {worth.map((one) => {
              const { check, chance, minutes } = one;
              const { what, why, key, to } = checkWords(one, kit, id);
              return (
                <li key={check} data-check={check}>
                  <span className="what">{what}</span>
                  <span className="bar" aria-hidden="true">
                    <span className="was" style={{ width: `${100 * today}%` }} />
                    <span className="lifts" style={{ width: `${100 * Math.max(0, chance - today)}%` }} />
                  </span>
                  <b>{showChance(chance)}</b>
                  <span className="takes">
                    {minutes} min <small>{why}</small>
                  </span>
                  {to === null ? null : (
                    <Link to={to} aria-label={`${key}: ${what}`}>
                      {key}
                    </Link>
                  )}
                </li>
              );
            })}
          </ul>
        </>
      )}
    </section>
  );
}
