/** What an instrument reads: a probe, an infrared gun, a temperature stick. */

import { LIMITS, questionHeat, type Check, type HeatQuestion, type TemperatureUnit } from "@tembrak/core";
import Button from "@mui/material/Button";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useEffect, useState } from "react";
import { shopNow } from "../../../store/shopClock.js";
import { TypedInstrument } from "../../../instruments/instrument.js";
import type { Units } from "../../../format/show.js";
import { TemperatureField } from "../../../parts/QuantityField.js";
import { BenchDialog } from "./BenchDialog.js";

interface Props {
  readonly isOpen: boolean;
  readonly target_C: number;
  /** What the shop's own gun is set to, where it has one. */
  readonly gunEmissivity: number | undefined;
  readonly units: Units;
  readonly onClose: () => void;
  readonly onCheck: (reading: Check) => void;
}

const INSTRUMENTS = ["probe", "infrared", "stick"] as const;
type Instrument = (typeof INSTRUMENTS)[number];
const WORDS: Readonly<Record<Instrument, { readonly key: string; readonly label: string }>> = {
  probe: { key: "Probe", label: "Reading" },
  infrared: { key: "Infrared gun", label: "Reading" },
  stick: { key: "Stick", label: "Melts at" },
};
/** What guns without a knob are set to (common practice, no source). */
const GUN_EMISSIVITY = 0.95;

/** A reading this far over what is wanted is asked about, K (judgement). */
const FAR_OVER_K = 250;

/** A reading may be anything; one that fits in the other unit, or is far over, is asked about. */
function questionReading(T: number, unit: TemperatureUnit, target_C: number): HeatQuestion | string | null {
  const asked = questionHeat("harden", T, unit, target_C);
  if (asked?.code === "looks-like-other-unit") return asked;
  return T > target_C + FAR_OVER_K ? "That is far above the heat wanted. Right unit?" : null;
}

export function ReadingDialog({ isOpen, gunEmissivity = GUN_EMISSIVITY, target_C, units, onClose, onCheck }: Props) {
  const [instrument, setInstrument] = useState<Instrument>("probe");
  const [value_C, setValue] = useState<number | null>(null);
  const limits_C = instrument === "stick" ? LIMITS.reading.melts_C : LIMITS.reading.instrument_C;
  const [isBad, setBad] = useState(false);
  const [surface, setSurface] = useState<"scale" | "bright">("scale");
  // A typed number comes in as any other instrument's reading does.
  const [typed] = useState(() => new TypedInstrument());
  useEffect(() => typed.listen(({ temperature_C }) => onCheck({ check: "probe", temperature_C })), [typed, onCheck]);
  const log = (reading: Check): void => {
    onCheck(reading);
    onClose();
  };
  return (
    <BenchDialog open={isOpen} onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>What does it read?</DialogTitle>
      <DialogContent>
        <ToggleButtonGroup
          exclusive
          fullWidth
          value={instrument}
          aria-label="Instrument"
          onChange={(_, chosen: Instrument | null) => chosen && setInstrument(chosen)}
          sx={{ mb: 2, "& button": { minHeight: 64 } }}
        >
          {INSTRUMENTS.map((name) => (
            <ToggleButton key={name} value={name}>
              {WORDS[name].key}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
        <div style={{ paddingTop: 8 }}>
          <TemperatureField
            key={instrument === "stick" ? "stick" : "reading"}
            label={WORDS[instrument].label}
            value_C={value_C}
            units={units}
            low_C={limits_C[0]}
            high_C={limits_C[1]}
            question={(T, unit) => questionReading(T, unit, target_C)}
            onFault={setBad}
            onChange={setValue}
          />
        </div>
        {instrument === "infrared" ? (
          <>
            <ToggleButtonGroup
              exclusive
              fullWidth
              value={surface}
              aria-label="It looks at"
              onChange={(_, chosen: "scale" | "bright" | null) => chosen && setSurface(chosen)}
              sx={{ mt: 2, "& button": { minHeight: 64 } }}
            >
              <ToggleButton value="scale">dark scale</ToggleButton>
              <ToggleButton value="bright">bright steel</ToggleButton>
            </ToggleButtonGroup>
            <p style={{ color: "var(--ink2)", marginBottom: 0 }}>
              Taken as set to {gunEmissivity}. Bright steel and lifted scale read far too cold; flame in the way reads hot.
            </p>
          </>
        ) : null}
        {instrument === "probe" ? (
          <p style={{ color: "var(--ink2)", marginBottom: 0 }}>On the steel, out of the flame, until it stands still.</p>
        ) : null}
      </DialogContent>
      <DialogActions>
        <Button variant="text" onClick={onClose}>
          Not now
        </Button>
        {instrument === "stick" ? (
          ([false, true] as const).map((hasMelted) => (
            <Button
              key={String(hasMelted)}
              variant="contained"
              disabled={isBad || value_C === null}
              onClick={() => value_C !== null && log({ check: "stick", rated_C: value_C, hasMelted })}
            >
              {hasMelted ? "It melts" : "It does not"}
            </Button>
          ))
        ) : (
          <Button
            variant="contained"
            disabled={isBad || value_C === null}
            onClick={() => {
              if (value_C === null) return;
              if (instrument === "probe") {
                typed.put({ at_ms: shopNow(), of: "piece", temperature_C: value_C });
                onClose();
              } else log({ check: "infrared", temperature_C: value_C, emissivity: gunEmissivity, surface });
            }}
          >
            Log it
          </Button>
        )}
      </DialogActions>
    </BenchDialog>
  );
}
