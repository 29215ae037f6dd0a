/** Before the fire is lit: what has to be there. Every item is ticked by hand, and the whole is logged with its time. */

import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import { useState, type ReactNode } from "react";

const ITEMS: readonly string[] = [
  "Bath in a metal tank that cannot tip, lid and extinguisher within reach, nothing that burns near it",
  "Eyes, ears, gloves; cotton, wool or leather on; long tongs that fit this piece, tried cold",
  "Air moves in and out, carbon monoxide alarm on; no coating and no zinc on the piece",
  "No crack in the piece; from fire to bath the path is free, and everybody knows it",
];

interface Props {
  readonly onPass: () => void;
  readonly isStoring: boolean;
  /** What this plan wants ready beside that. */
  readonly children?: ReactNode;
}

export function SafetyGate({ onPass, isStoring, children }: Props) {
  const [ticked, setTicked] = useState<ReadonlySet<number>>(new Set());
  const toggle = (i: number): void =>
    setTicked((before) => {
      const after = new Set(before);
      if (!after.delete(i)) after.add(i);
      return after;
    });
  const left = ITEMS.length - ticked.size;
  return (
    <div className="gate">
      <h2>Before the fire</h2>
      <div className="gate-items">
        {ITEMS.map((item, i) => (
          <FormControlLabel
            key={item}
            control={<Checkbox checked={ticked.has(i)} onChange={() => toggle(i)} sx={{ "& svg": { fontSize: 38 } }} />}
            label={item}
          />
        ))}
      </div>
      {children}
      <p>Local codes, makers&apos; sheets and licensed trades go first.</p>
      <Button variant="contained" className="bench-act" disabled={left > 0 || isStoring} onClick={onPass}>
        {left > 0 ? `${left} still to tick` : "All there: to the fire"}
      </Button>
    </div>
  );
}
