/** What is logged of a bath: a reading, oil poured in, a hot bar. Fields of instruments start empty. */

import { kilogramsFromPounds, LIMITS, litresFromGallons, parseNumber, questionHeat, type BathEntry } from "@tembrak/core";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import FormControlLabel from "@mui/material/FormControlLabel";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { showTemperature } from "../../../format/show.js";
import { TemperatureField } from "../../../parts/QuantityField.js";
import { useFaults } from "../../../parts/useFaults.js";
import { useSettings } from "../../../store/useStore.js";

/** What has to be typed: the rest is one tap. */
export type BathAsked = "read" | "added" | "bar";

interface Props {
  readonly asked: BathAsked;
  readonly near_C: number;
  readonly onKeep: (entry: BathEntry) => void;
  readonly onClose: () => void;
}

/** Further off what is expected than this it is asked about, K. */
const ODD_K = 30;

const TITLES = { read: "Read the bath", added: "Filled up", bar: "A hot bar went in" } as const;

export function BathDialog({ asked, near_C, onKeep, onClose }: Props) {
  const units = useSettings();
  const [top, setTop] = useState<number | null>(null);
  const [bottom, setBottom] = useState<number | null>(null);
  const [isStirred, setStirred] = useState(false);
  const [amount, setAmount] = useState("");
  const [bar, setBar] = useState<number | null>(null);
  const { faults, onFault } = useFaults();
  // Pounds and gallons where the shop is in inches: what is stored is in kg and litres.
  const isInches = units.length === "in";
  const typed = parseNumber(amount) ?? NaN;
  const number = !isInches ? typed : asked === "bar" ? kilogramsFromPounds(typed) : litresFromGallons(typed);
  const isAmount = Number.isFinite(number) && number > 0 && number <= (asked === "bar" ? 200 : LIMITS.bath.added_L[1]);
  const isReady = faults === 0 && (asked === "read" ? top !== null : isAmount && (asked === "added" || bar !== null));
  const keep = (): void => {
    if (asked === "read") onKeep({ entry: "read", top_C: top!, ...(bottom === null ? {} : { bottom_C: bottom }), isStirred });
    else if (asked === "added") onKeep({ entry: "added", added_L: number });
    else onKeep({ entry: "bar", mass_kg: number, bar_C: bar! });
  };
  const oddly = (C: number): string | null =>
    Math.abs(C - near_C) > ODD_K ? `It was about ${showTemperature(near_C, units)}: is that the bath, in this unit?` : null;
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>{TITLES[asked]}</DialogTitle>
      <DialogContent>
        {asked === "read" ? (
          <>
            <TemperatureField
              label="At the top, or stirred"
              value_C={top}
              units={units}
              low_C={LIMITS.quench.bath_C[0]}
              high_C={LIMITS.quench.bath_C[1]}
              question={oddly}
              onFault={(bad) => onFault("top", bad)}
              onChange={setTop}
            />
            <TemperatureField
              label="At the bottom, if you read it there too"
              value_C={bottom}
              units={units}
              low_C={LIMITS.quench.bath_C[0]}
              high_C={LIMITS.quench.bath_C[1]}
              question={(T, unit) => questionHeat("bath", T, unit, near_C)}
              onChange={setBottom}
            />
            <FormControlLabel
              control={<Checkbox checked={isStirred} onChange={(_, on) => setStirred(on)} />}
              label="It was stirred first"
            />
          </>
        ) : (
          <>
            <TextField
              fullWidth
              label={asked === "bar" ? `How heavy, ${isInches ? "lb" : "kg"}` : `How much, ${isInches ? "gallons" : "litres"}`}
              value={amount}
              error={amount !== "" && !isAmount}
              helperText={amount !== "" && !isAmount ? "A number, please." : " "}
              onChange={(event) => setAmount(event.target.value)}
            />
            {asked === "bar" ? (
              <TemperatureField
                label="How hot it was"
                value_C={bar}
                units={units}
                low_C={100}
                high_C={1300}
                question={(T, unit) => questionHeat("normalise", T, unit)}
                onFault={(bad) => onFault("bar", bad)}
                onChange={setBar}
              />
            ) : null}
            {asked === "bar" ? <p>Dry, slowly, from the side: hot oil with water under it boils over.</p> : null}
          </>
        )}
      </DialogContent>
      <DialogActions>
        <Button variant="text" onClick={onClose}>
          Leave it
        </Button>
        <Button variant="contained" disabled={!isReady} onClick={keep}>
          Log it
        </Button>
      </DialogActions>
    </Dialog>
  );
}
