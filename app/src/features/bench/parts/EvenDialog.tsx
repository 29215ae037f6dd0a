/** Is it the same heat all over? Four places, each even, behind or ahead; one press when all are. */

import { ZONES, type Check, type Section, type Zone } from "@tembrak/core";
import Button from "@mui/material/Button";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useState } from "react";
import { zoneName, zonesFor } from "../../../words/zoneNames.js";
import { BenchDialog } from "./BenchDialog.js";

type Seen = "even" | "behind" | "ahead";

interface Props {
  readonly section: Section;
  readonly isOpen: boolean;
  readonly onCheck: (reading: Check) => void;
  readonly onClose: () => void;
}

export function EvenDialog({ section, isOpen, onCheck, onClose }: Props) {
  const [seen, setSeen] = useState<Readonly<Partial<Record<Zone, Seen>>>>({});
  const told = (what: Seen): Zone[] => ZONES.filter((zone) => seen[zone] === what);
  const log = (reading: Check): void => {
    onCheck(reading);
    setSeen({});
    onClose();
  };
  const isUneven = told("behind").length + told("ahead").length > 0;
  return (
    <BenchDialog open={isOpen} onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>Is it the same heat all over?</DialogTitle>
      <DialogContent>
        <p style={{ marginTop: 0, color: "var(--ink2)" }}>
          In its own shadow, one look from end to end. Shadows and bright spots are uneven heat.
        </p>
        {zonesFor(section).map((zone) => (
          <div key={zone} className="even-row">
            <span>{zoneName(zone, section)}</span>
            <ToggleButtonGroup
              exclusive
              value={seen[zone] ?? "even"}
              aria-label={zoneName(zone, section)}
              onChange={(_, what: Seen | null) => what && setSeen({ ...seen, [zone]: what })}
              sx={{ "& button": { minHeight: 64, minWidth: 92 } }}
            >
              <ToggleButton value="behind">behind</ToggleButton>
              <ToggleButton value="even">same</ToggleButton>
              <ToggleButton value="ahead">ahead</ToggleButton>
            </ToggleButtonGroup>
          </div>
        ))}
      </DialogContent>
      <DialogActions>
        <Button variant="text" onClick={onClose}>
          Not now
        </Button>
        <Button
          variant="contained"
          sx={{ minHeight: 64 }}
          onClick={() => log({ check: "even", behind: told("behind"), ahead: told("ahead") })}
        >
          {isUneven ? "Uneven: do not quench yet" : "Even all over"}
        </Button>
      </DialogActions>
    </BenchDialog>
  );
}
