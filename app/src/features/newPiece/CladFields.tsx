/** Whether a blade is one steel, or a core between two soft faces. */

import { LIMITS, type Cladding, type Piece } from "@tembrak/core";
import MenuItem from "@mui/material/MenuItem";
import type { Units } from "../../format/show.js";
import { Choice } from "../../parts/Choice.js";
import { LengthField } from "../../parts/QuantityField.js";
import { CLADDING_WORDS } from "../../words/steelWords.js";

interface Props {
  readonly piece: Piece;
  readonly units: Units;
  readonly onChange: (piece: Piece) => void;
  readonly onFault: (key: string, isBad: boolean) => void;
}

/** A third of the spine is a usual core (common practice, no source). */
const CORE_SHARE = 1 / 3;
const LEAST_CORE_mm = 0.3;
const MATERIALS = Object.keys(CLADDING_WORDS) as Cladding["material"][];

/** The piece with another cladding; without the field where it is one steel. */
function clad(piece: Piece, cladding: Cladding | null): Piece {
  const rest = { ...piece };
  delete rest.cladding;
  return cladding === null ? rest : { ...rest, cladding };
}

export function CladFields({ piece, units, onChange, onFault }: Props) {
  const { section, cladding } = piece;
  if (section.shape !== "wedge") return null;
  const usual_mm = Math.max(LEAST_CORE_mm, Math.round(10 * CORE_SHARE * section.spine_mm) / 10);
  const pick = (material: string): void => {
    const found = MATERIALS.find((one) => one === material);
    if (found === undefined) onFault("core", false);
    onChange(clad(piece, found === undefined ? null : { material: found, core_mm: cladding?.core_mm ?? usual_mm }));
  };
  return (
    <div className="measures">
      <Choice
        label="Clad"
        value={cladding?.material ?? ""}
        helperText={
          cladding === undefined
            ? "One steel all through."
            : "The steel named above is its core. Welded through, it is cooled through its cladding: slower, and what is soft outside stays soft."
        }
        onChange={(event) => pick(event.target.value)}
      >
        <MenuItem value="">no: one steel</MenuItem>
        {MATERIALS.map((material) => (
          <MenuItem key={material} value={material}>
            {CLADDING_WORDS[material]} on both faces
          </MenuItem>
        ))}
      </Choice>
      {cladding === undefined ? null : (
        <LengthField
          label="Thickness of the core"
          role="thickness"
          value_mm={cladding.core_mm}
          units={units}
          least_mm={LEAST_CORE_mm}
          most_mm={Math.min(LIMITS.wedge.spine_mm[1], Math.max(LEAST_CORE_mm, 0.95 * section.spine_mm))}
          onFault={(bad) => onFault("core", bad)}
          onChange={(core_mm) => onChange(clad(piece, { ...cladding, core_mm }))}
        />
      )}
    </div>
  );
}
