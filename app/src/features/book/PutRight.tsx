/** When an entry really was: earlier or later than it was tapped. What was tapped stays in the log. */

import { parseDuration } from "@tembrak/core";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import TextField from "@mui/material/TextField";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useState } from "react";
import { showMoment } from "../../format/show.js";
import { useLog } from "../../store/useStore.js";

interface Props {
  readonly piece: string;
  readonly entry: { readonly id: string; readonly at_ms: number; readonly what: string };
  /** Nothing is earlier than this, nor later, ms. */
  readonly between_ms: readonly [number, number];
  readonly onClose: () => void;
}

export function PutRight({ piece, entry, between_ms: [least_ms, most_ms], onClose }: Props) {
  const { write } = useLog();
  const [text, setText] = useState("");
  const [way, setWay] = useState<"earlier" | "later">("earlier");
  const parsed = parseDuration(/[a-z]/i.test(text) ? text : `${text} s`);
  const off_ms = parsed.ok ? 1000 * parsed.duration_s : null;
  const true_ms = off_ms === null ? null : Math.round(entry.at_ms + (way === "earlier" ? -off_ms : off_ms));
  const isOutside = true_ms !== null && (true_ms < least_ms || true_ms > most_ms);
  const keep = (): void => {
    if (true_ms === null) return;
    const why = way === "earlier" ? "tapped-late" : "tapped-early";
    void write(piece, [{ kind: "corrected", event: entry.id, true_ms, why }]).then((isStored) => isStored && onClose());
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>When was it really?</DialogTitle>
      <DialogContent>
        <p style={{ marginTop: 0 }}>
          {entry.what}, {showMoment(entry.at_ms)}. What was tapped stays in the log; the piece counts by the time that is put right.
        </p>
        <ToggleButtonGroup
          exclusive
          value={way}
          aria-label="Earlier or later"
          onChange={(_, now: "earlier" | "later" | null) => now && setWay(now)}
          sx={{ marginBottom: 2 }}
        >
          <ToggleButton value="earlier">earlier by</ToggleButton>
          <ToggleButton value="later">later by</ToggleButton>
        </ToggleButtonGroup>
        <TextField
          label="Seconds, or 2 min"
          value={text}
          error={text.trim() !== "" && (true_ms === null || isOutside)}
          helperText={isOutside ? "It would lie before the piece was described, or ahead of now." : "15, or 2 min"}
          onChange={(event) => setText(event.target.value)}
          fullWidth
        />
      </DialogContent>
      <DialogActions>
        <Button variant="text" onClick={onClose}>
          Leave it
        </Button>
        <Button variant="contained" disabled={true_ms === null || isOutside} onClick={keep}>
          Put it right
        </Button>
      </DialogActions>
    </Dialog>
  );
}
