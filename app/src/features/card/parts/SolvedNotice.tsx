/** Before the first act: a plan that was worked out lands clearly more often than the one that stands, or no way of this kit is safe. */

import type { PieceState, Route } from "@tembrak/core";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import { useSolved } from "../../../compute/useAnswers.js";
import { toPiece } from "../../../format/address.js";
import { useSettings } from "../../../store/useStore.js";
import { solvedNotice } from "../../../words/planWords.js";

const NO_PINS = [] as const;

export function SolvedNotice({ state, route }: { readonly state: PieceState; readonly route: Route }) {
  const units = useSettings();
  const { data, isPlaceholderData } = useSolved(state.piece, route, NO_PINS);
  const place = state.piece.section.shape === "wedge" ? "edge" : "surface";
  const said = data === undefined || isPlaceholderData ? null : solvedNotice(data, place, units);
  if (said === null) return null;
  return (
    <div className="fit-notice" data-testid="solved">
      <p>
        <b>{said}</b>{" "}
        <Button variant="text" size="small" component={Link} to={toPiece(state.id, "ways")}>
          The ways
        </Button>
      </p>
    </div>
  );
}
