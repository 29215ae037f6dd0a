/** What each other way of heating of this shop would give at its best, worked out when asked. */

import { CATALOGUE, HEATINGS, isSameHeating, missingFor, planRoute, wayOf, type Heating, type Piece, type Route } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useState } from "react";
import { useSolved } from "../../compute/useAnswers.js";
import { showChance } from "../../format/show.js";
import { useKit, useUnits } from "../../store/useStore.js";
import { wayInShort } from "../../words/planWords.js";
import { heatingName } from "../../words/schools.js";

const NO_PINS = [] as const;

interface Props {
  readonly piece: Piece;
  readonly route: Route;
  /** Null where it is begun. */
  readonly onTake: ((route: Route) => void) | null;
}

function School({ piece, route, heating, onTake }: Props & { readonly heating: Heating }) {
  const units = useUnits();
  const kit = useKit() ?? null;
  const planned = planRoute(CATALOGUE, piece, heating, { way: wayOf(route), kit, unit: units.temperature });
  const { data, error, isPlaceholderData } = useSolved(piece, planned, NO_PINS, { isBrief: true });
  const best = isPlaceholderData ? undefined : data?.ways[0];
  const name = heatingName(heating);
  return (
    <li>
      <b>{name}</b>{" "}
      {best === undefined ? (error?.message ?? "Being worked out…") : `${showChance(best.chance)}: ${wayInShort(best, units)}`}{" "}
      {best === undefined || onTake === null ? null : (
        <Button variant="text" size="small" aria-label={`Plan it so: ${name}`} onClick={() => onTake(best.route)}>
          Plan it so
        </Button>
      )}
    </li>
  );
}

export function OtherSchools(props: Props) {
  const kit = useKit() ?? null;
  const [isOpen, setOpen] = useState(false);
  const others = HEATINGS.filter((heating) => !isSameHeating(heating, props.route.heating) && missingFor(heating, kit) === null);
  if (others.length === 0) return null;
  return (
    <section className="ways-schools">
      <button type="button" aria-expanded={isOpen} onClick={() => setOpen(!isOpen)}>
        What another school would give
      </button>
      {isOpen ? (
        <ul>
          {others.map((heating) => (
            <School key={`${heating.in} ${heating.by}`} {...props} heating={heating} />
          ))}
        </ul>
      ) : null}
    </section>
  );
}
