/** What it looks like, by name, in the light of the shop. */

import { ambientFromLux, glowHex, GLOW_KEYS, readGlow, type Check } from "@tembrak/core";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { showDegrees, showDifference } from "../../../format/show.js";
import { inLight } from "../../../parts/TitleBlock.js";
import type { Settings } from "../../../store/db.js";
import { BenchDialog } from "./BenchDialog.js";

/** A trained eye is good to about so much, C (colour-note section 1.4). */
const EYE_K = 25;

interface Props {
  readonly isOpen: boolean;
  readonly settings: Settings;
  readonly onClose: () => void;
  readonly onCheck: (reading: Check) => void;
}

/** The names that can be seen in this light. Drawn only while the sheet is open: a spectrum for each end of each name. */
function Names({ settings, onPick }: { settings: Settings; onPick: (name: string) => void }) {
  const ambient = ambientFromLux(settings.ambient_lux);
  const seen = GLOW_KEYS.flatMap((band) => {
    const read = readGlow(band, ambient);
    return read === null ? [] : [{ ...band, read }];
  });
  return (
    <div className="glow-names">
      {seen.map(({ name, read }) => (
        <button key={name} type="button" onClick={() => onPick(name)}>
          <i style={{ background: glowHex(read.mean_C, ambient) }} />
          <b>{name}</b>
          <span className="drawn">
            {showDegrees(read.low_C, settings)} to {showDegrees(read.high_C, settings)}
          </span>
        </button>
      ))}
    </div>
  );
}

export function GlowDialog({ isOpen, settings, onClose, onCheck }: Props) {
  const pick = (name: string): void => {
    onCheck({ check: "glow", name, ambient_lux: settings.ambient_lux });
    onClose();
  };
  return (
    <BenchDialog open={isOpen} onClose={onClose} fullWidth maxWidth="sm">
      <DialogTitle>What does it look like, in {inLight(settings.ambient_lux)}?</DialogTitle>
      <DialogContent>
        <Names settings={settings} onPick={pick} />
        <p style={{ color: "var(--ink2)", marginBottom: 0 }}>
          A screen shows relative looks only. Names are rough: a trained eye is good to about {showDifference(EYE_K, settings)}.
        </p>
      </DialogContent>
    </BenchDialog>
  );
}
