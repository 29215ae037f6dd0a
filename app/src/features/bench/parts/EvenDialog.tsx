/** Is it the same heat all over? Four places, each even, behind or ahead; one press when all are. */

import { ZONES, type Check, type Zone } from "@tembrak/core";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useState } from "react";

type Seen = "even" | "behind" | "ahead";

export function EvenDialog({ isOpen, onCheck, onClose }: { isOpen: boolean; onCheck: (reading: Check) => void; onClose: () => void }) {
  const [seen, setSeen] = useState<Readonly<Partial<Record<Zone, Seen>>>>({});
  const told = (what: Seen): Zone[] => ZONES.filter((zone) => seen[zone] === what);
  const log = (reading: Check): void => {
    onCheck(reading);
    setSeen({});
    onClose();
  };
  const isUneven = told("behind").length + told("ahead").length > 0;
  return (
    <Dialog open={isOpen} onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>Is it the same heat all over?</DialogTitle>
      <DialogContent>
        <p style={{ marginTop: 0, color: "var(--ink2)" }}>
          In its own shadow, one look from tip to tang. Shadows and bright spots are uneven heat.
        </p>
        {ZONES.map((zone) => (
          <div key={zone} className="even-row">
            <span>{zone}</span>
            <ToggleButtonGroup
              exclusive
              value={seen[zone] ?? "even"}
              aria-label={zone}
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
    </Dialog>
  );
}
