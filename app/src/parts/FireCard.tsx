/** What to do when oil burns, one tap from everywhere. Short, in order, and it yields to those who know the place. */

import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";

const OIL: readonly string[] = [
  "Keep the piece under, or lay it on bare steel or sand: never half out.",
  "Lid on, slid from the side. Leave it on.",
  "Heat and gas off, blower off.",
  "Still burning: extinguisher for liquids, from as far as it reaches, at the base.",
  "Never water. Never carry the tank.",
  "Not out at once, or it has left the tank: everybody out, door shut, call the fire service.",
];
const ELSE: readonly string[] = [
  "Burn: under cool running water for 20 minutes, rings and gloves off, then a doctor.",
  "Dizzy, headache: carbon monoxide. Out into fresh air, all of you.",
];

export function FireCard({ isOpen, onClose }: { readonly isOpen: boolean; readonly onClose: () => void }) {
  return (
    <Dialog open={isOpen} onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="fire-h">
      <DialogTitle id="fire-h">Oil burns</DialogTitle>
      <DialogContent>
        <ol className="fire-list">
          {OIL.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ol>
        <ul className="fire-list fire-else">
          {ELSE.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
        <p style={{ color: "var(--ink2)", margin: 0 }}>
          Common practice. Your fire service, the label of your extinguisher and local rules go first: ask them before the first fire.
        </p>
      </DialogContent>
      <DialogActions>
        <Button variant="contained" onClick={onClose}>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}
