/** A key that logs what a thermometer reads: at once where it reads by itself, else it is asked for. */

import Button from "@mui/material/Button";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useState, type ComponentProps } from "react";
import { showDegrees, type Units } from "../../../format/show.js";
import { TemperatureField } from "../../../parts/QuantityField.js";
import { BenchDialog } from "./BenchDialog.js";

interface Props {
  /** What is read, as a word that begins a sentence: "Chamber". */
  readonly what: string;
  readonly limits_C: readonly [number, number];
  readonly units: Units;
  /** What it reads by itself; null where nobody does but the smith. */
  readonly live_C?: number | null;
  /** What is odd about a reading; null where nothing is. */
  readonly question?: ComponentProps<typeof TemperatureField>["question"];
  readonly isStoring?: boolean;
  readonly onRead: (temperature_C: number) => void;
}

export function ReadKey({ what, limits_C, units, live_C = null, question = () => null, isStoring = false, onRead }: Props) {
  const [isOpen, setOpen] = useState(false);
  // Empty each time: a number that stands there is logged unread.
  const [read_C, setRead] = useState<number | null>(null);
  const [isBad, setBad] = useState(false);
  const open = (): void => {
    setRead(null);
    setBad(false);
    setOpen(true);
  };
  return (
    <>
      <button type="button" className="small-key" disabled={isStoring} onClick={() => (live_C === null ? open() : onRead(live_C))}>
        {live_C === null ? `${what} reads…` : `${what} reads ${showDegrees(live_C, units)}: log it`}
      </button>
      <BenchDialog open={isOpen} onClose={() => setOpen(false)} fullWidth maxWidth="xs">
        <DialogTitle>What does the {what.toLowerCase()} read?</DialogTitle>
        <DialogContent>
          <div style={{ paddingTop: 8 }}>
            <TemperatureField
              label={what}
              value_C={read_C}
              units={units}
              low_C={limits_C[0]}
              high_C={limits_C[1]}
              question={question}
              onFault={setBad}
              onChange={setRead}
            />
          </div>
        </DialogContent>
        <DialogActions>
          <Button variant="text" onClick={() => setOpen(false)}>
            Not now
          </Button>
          <Button
            variant="contained"
            disabled={isBad || read_C === null}
            onClick={() => {
              if (read_C !== null) onRead(read_C);
              setOpen(false);
            }}
          >
            Log it
          </Button>
        </DialogActions>
      </BenchDialog>
    </>
  );
}
