/** A kiln or oven against a second thermometer, at several times: what stays wrong is told from what only comes late and from what goes up and down. */

import {
  LIMITS,
  calibrate,
  LEAST_READINGS,
  offsetAt_K,
  type Calibration,
  type CalibrationReading,
  type KitItem,
  questionHeat,
} from "@tembrak/core";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useState } from "react";
import { showDegrees, showDifference, type Units } from "../../../format/show.js";
import { DurationField, TemperatureField } from "../../../parts/QuantityField.js";
import { useFaults } from "../../../parts/useFaults.js";

function within(x: number, [least, most]: readonly [number, number]): number {
  return Math.min(most, Math.max(least, x));
}

/** Until the next reading says something new, min. */
const LATER_min = 20;

type Controlled = Extract<KitItem, { kind: "kiln" | "oven" }>;

/** A fault that is another at another heat: said at both ends of what was read. */
function growsWords(found: Calibration, readings: readonly CalibrationReading[], units: Units): string {
  const sets_C = readings.map(({ set_C }) => set_C);
  const at = (set_C: number): string => {
    const off_K = offsetAt_K(found, set_C);
    const side = off_K > 0 ? "hotter" : "colder";
    return Math.abs(off_K) < 1.5
      ? `true at ${showDegrees(set_C, units)}`
      : `${showDifference(Math.abs(off_K), units)} ${side} than it says at ${showDegrees(set_C, units)}`;
  };
  return `Its fault grows with its heat: ${at(Math.min(...sets_C))}, ${at(Math.max(...sets_C))}. Each dial is set by that.`;
}

/** What the readings say so far. */
function toldWords(found: Calibration | null, readings: readonly CalibrationReading[], units: Units): string {
  const count = readings.length;
  if (found === null)
    return `${LEAST_READINGS - count} more reading${LEAST_READINGS - count === 1 ? "" : "s"}, at different times after it was set.`;
  if (!found.isTold)
    return `All within a few minutes of each other, soon after it was set: an oven that is late cannot be told from one that is wrong. Read it again ${LATER_min} min later.`;
  if (found.grows !== null) return growsWords(found, readings, units);
  const off =
    Math.abs(found.offset_C) < 1.5
      ? "True once it has settled"
      : `${showDifference(Math.abs(found.offset_C), units)} ${found.offset_C > 0 ? "hotter" : "colder"} than it says once it has settled`;
  const late = found.hasLag
    ? `; it comes to rest after ${Math.round(found.settle_min)} min. What it was short of before that is lag, not a wrong dial.`
    : ". No lag can be seen in these readings.";
  const swings = found.swing_C === 0 ? "" : ` It goes ${showDifference(found.swing_C, units)} up and down about that.`;
  return `${off}, give or take ${showDifference(1.645 * found.offsetSd_C, units)}${late}${swings}`;
}

interface Props {
  readonly item: Controlled;
  readonly units: Units;
  readonly onKeep: (item: Controlled) => void;
  readonly onClose: () => void;
}

export function CalibrateDialog({ item, units, onKeep, onClose }: Props) {
  const isKiln = item.kind === "kiln";
  const [readings, setReadings] = useState<readonly CalibrationReading[]>(item.calibration ?? []);
  const last = readings[readings.length - 1];
  const [next, setNext] = useState<CalibrationReading>(last ?? { time_min: 20, set_C: isKiln ? 800 : 200, second_C: isKiln ? 795 : 195 });
  const [known_C] = useState(next.set_C);
  const { faults, onFault } = useFaults();
  const fault = (key: string) => (isBad: boolean) => onFault(key, isBad);
  const found = calibrate(readings);
  const told = toldWords(found, readings, units);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>{item.name} against a second thermometer</DialogTitle>
      <DialogContent>
        <p>
          Set it, note the time, and read a second thermometer beside it after 5, 20 and 40 minutes. Where you move the dial, count on from
          when it was first set.
        </p>
        {readings.length > 0 ? (
          <table className="kit-readings">
            <thead>
              <tr>
                <th>after</th>
                <th>dial</th>
                <th>second</th>
                <th aria-label="remove" />
              </tr>
            </thead>
            <tbody>
              {readings.map((reading, i) => (
                <tr key={`${i} ${reading.time_min}`}>
                  <td>{reading.time_min} min</td>
                  <td>{showDegrees(reading.set_C, units)}</td>
                  <td>{showDegrees(reading.second_C, units)}</td>
                  <td>
                    <Button
                      variant="text"
                      aria-label={`Remove reading ${i + 1}`}
                      onClick={() => setReadings(readings.filter((_, j) => j !== i))}
                    >
                      Remove
                    </Button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        ) : null}
        <div className="kit-fields">
          <DurationField
            label="Since it was first set"
            value_min={next.time_min}
            least_min={LIMITS.calibration.time_min[0]}
            most_min={LIMITS.calibration.time_min[1]}
            onFault={fault("time")}
            onChange={(time_min) => setNext((n) => ({ ...n, time_min }))}
          />
          <TemperatureField
            label="The dial says"
            value_C={next.set_C}
            units={units}
            low_C={LIMITS.calibration.set_C[0]}
            high_C={LIMITS.calibration.set_C[1]}
            question={(T, unit) => questionHeat("reading", T, unit, known_C)}
            onFault={fault("set")}
            onChange={(set_C) => setNext((n) => ({ ...n, set_C }))}
          />
          <TemperatureField
            label="The second thermometer says"
            value_C={next.second_C}
            units={units}
            low_C={LIMITS.calibration.second_C[0]}
            high_C={LIMITS.calibration.second_C[1]}
            question={(T, unit) => questionHeat("reading", T, unit, next.set_C)}
            onFault={fault("second")}
            onChange={(second_C) => setNext((n) => ({ ...n, second_C }))}
          />
        </div>
        <Button disabled={faults > 0} onClick={() => setReadings([...readings, next])}>
          Add this reading
        </Button>
        {found?.isTold === false ? (
          <Button
            disabled={faults > 0}
            onClick={() => setNext((n) => ({ ...n, time_min: within(n.time_min + LATER_min, LIMITS.calibration.time_min) }))}
          >
            It is {LATER_min} min later now
          </Button>
        ) : null}
        <p role="status" className="kit-told">
          {told}
        </p>
      </DialogContent>
      <DialogActions>
        <Button variant="text" onClick={onClose}>
          Leave it
        </Button>
        <Button
          variant="contained"
          disabled={found?.isTold !== true}
          onClick={() =>
            found &&
            onKeep({
              ...item,
              calibration: [...readings],
              offset_C: Math.round(10 * within(found.offset_C, LIMITS.controlled.offset_C)) / 10,
              swing_C: found.swing_C > 0 ? Math.round(within(found.swing_C, LIMITS.controlled.swing_C)) : item.swing_C,
              settle_min: found.hasLag ? within(Math.round(found.settle_min), LIMITS.controlled.settle_min) : item.settle_min,
            })
          }
        >
          Keep what they say
        </Button>
      </DialogActions>
    </Dialog>
  );
}
