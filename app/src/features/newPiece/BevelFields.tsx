/** The end of a bar that works: square, or ground to an edge across it. */

import { bevelFault, formOf, LIMITS, thickness_mm, type BevelFault, type Piece } from "@tembrak/core";
import MenuItem from "@mui/material/MenuItem";
import type { Units } from "../../format/show.js";
import { Choice } from "../../parts/Choice.js";
import { LengthField } from "../../parts/QuantityField.js";

interface Props {
  readonly piece: Piece;
  readonly units: Units;
  readonly onChange: (piece: Piece) => void;
  readonly onFault: (key: string, isBad: boolean) => void;
}

type Bevel = NonNullable<Piece["bevel"]>;

const ENDS = { square: "square", one: "edge, one face", both: "edge, both faces" } as const;

const FAULTS: Readonly<Record<BevelFault, string>> = {
  "edge-too-thick": "As thick as the bar or thicker: that is no bevel.",
  "longer-than-piece": "Longer than the piece is.",
  "not-of-a-blade": "A blade has its edge along it.",
};

/** So thick an edge is left for the fire where nobody says, mm (common practice, no source: a thin edge burns and cracks), and so steep a bevel is, as lengths for each thickness. */
const LEFT_mm = 1;
const STEEP = 2;

function usualBevel(piece: Piece, faces: Bevel["faces"]): Bevel {
  const thick_mm = thickness_mm(piece.section);
  const usual = formOf(piece).usualBevel;
  return {
    edge_mm: usual?.edge_mm ?? Math.min(LEFT_mm, thick_mm / 2),
    length_mm: usual?.length_mm ?? Math.max(2, STEEP * thick_mm),
    faces,
  };
}

type End = "bevel" | "otherBevel";

/** Without the field where the end is square. */
function withBevel(piece: Piece, end: End, bevel: Bevel | undefined): Piece {
  const rest = { ...piece };
  delete rest[end];
  return bevel === undefined ? rest : { ...rest, [end]: bevel };
}

interface EndProps extends Props {
  readonly end: End;
  readonly label: string;
}

function EndFields({ piece, end, label, units, onChange, onFault }: EndProps) {
  const bevel = piece[end];
  const faultOf = (of: Bevel): BevelFault | null => bevelFault({ section: piece.section, length_mm: piece.length_mm, bevel: of });
  const fault = bevel === undefined ? null : faultOf(bevel);
  const set = (change: Partial<Bevel>): void => {
    if (bevel === undefined) return;
    const next = { ...bevel, ...change };
    onFault(end, faultOf(next) !== null);
    onChange(withBevel(piece, end, next));
  };
  const pick = (faces: keyof typeof ENDS): void => {
    for (const key of [end, `${end} edge`, `${end} length`]) onFault(key, false);
    onChange(withBevel(piece, end, faces === "square" ? undefined : { ...(bevel ?? usualBevel(piece, faces)), faces }));
  };
  return (
    <div className="measures">
      <Choice label={label} value={bevel?.faces ?? "square"} onChange={(event) => pick(event.target.value as keyof typeof ENDS)}>
        {(Object.keys(ENDS) as (keyof typeof ENDS)[]).map((end) => (
          <MenuItem key={end} value={end}>
            {ENDS[end]}
          </MenuItem>
        ))}
      </Choice>
      {bevel === undefined ? null : (
        <>
          <LengthField
            label="Its edge now"
            role="thickness"
            value_mm={bevel.edge_mm}
            units={units}
            least_mm={LIMITS.bevel.edge_mm[0]}
            most_mm={LIMITS.bevel.edge_mm[1]}
            suggestion={
              fault === "edge-too-thick" ? FAULTS[fault] : bevel.edge_mm < 0.7 ? "Thin for the fire: it may crack or wrinkle." : ""
            }
            onFault={(bad) => onFault(`${end} edge`, bad)}
            onChange={(edge_mm) => set({ edge_mm })}
          />
          <LengthField
            label="The bevel runs back"
            role="height"
            value_mm={bevel.length_mm}
            units={units}
            least_mm={LIMITS.bevel.length_mm[0]}
            most_mm={LIMITS.bevel.length_mm[1]}
            suggestion={fault === "longer-than-piece" ? FAULTS[fault] : ""}
            onFault={(bad) => onFault(`${end} length`, bad)}
            onChange={(length_mm) => set({ length_mm })}
          />
        </>
      )}
    </div>
  );
}

export function BevelFields(props: Props) {
  if (props.piece.section.shape === "wedge") return null;
  return (
    <>
      <EndFields {...props} end="bevel" label="Working end, ground" />
      <EndFields {...props} end="otherBevel" label="Other end, ground" />
    </>
  );
}
