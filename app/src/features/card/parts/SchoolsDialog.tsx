/** The ways of heating side by side: what each asks, when one prefers it, and what the core expects of it for this piece. */

import {
  CATALOGUE,
  isSameHeating,
  JUDGES,
  planRoute,
  type HeatedIn,
  type Heating,
  type Kit,
  type Piece,
  type Prediction,
  type Way,
} from "@tembrak/core";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import { useState } from "react";
import { isFair, usePlanned } from "../../../compute/useAnswers.js";
import { lackWords, unfairWords } from "../../../words/routeWords.js";
import { WayKeys } from "../../../parts/WayKeys.js";
import { PlaceKeys } from "../../../parts/PlaceKeys.js";
import { heatingName, JUDGE_WORDS } from "../../../words/schools.js";
import { showChance, showHardness, showRange, showTemperature, type Units } from "../../../format/show.js";

interface Props {
  readonly isOpen: boolean;
  readonly piece: Piece;
  readonly heating: Heating;
  readonly way: Way;
  readonly kit: Kit | null;
  readonly units: Units;
  readonly onPick: (heating: Heating, way: Way) => void;
  readonly onClose: () => void;
}

function expectation({ working, hardening, target }: Prediction): string {
  const { mean_HRC, p05_HRC, p95_HRC } = working.tempered;
  const wanted =
    mean_HRC < target.low_HRC - 0.5 ? ", softer than its use wants" : mean_HRC > target.high_HRC + 0.5 ? ", harder than wanted" : "";
  const place = working.place === "edge" ? "Edge" : "Surface";
  const chance = hardening.chanceHard.working;
  const sure = chance > 0.95 ? "" : ` ${showChance(chance)} that it hardens.`;
  return `${place} ${showHardness(mean_HRC)} HRC, ${showRange(p05_HRC, p95_HRC)}${wanted}.${sure} Grain ${hardening.austenite.astmGrain.toFixed(0)}.`;
}

function SchoolRow({
  piece,
  heating,
  way,
  kit,
  isOn,
  units,
  onPick,
}: {
  piece: Piece;
  heating: Heating;
  way: Way;
  kit: Kit | null;
  isOn: boolean;
  units: Units;
  onPick: () => void;
}) {
  const route = planRoute(CATALOGUE, piece, heating, { way, kit, unit: units.temperature });
  const prediction = usePlanned(piece, route, "quick");
  const missing = lackWords(heating, kit) ?? (isFair(heating, prediction.data) ? null : unfairWords(prediction.data!));
  const heat = route.steps.find((step) => step.kind === "harden");
  const count = route.steps.filter(({ kind }) => kind === "normalise").length;
  const falls = heat?.kind === "harden" && heat.fallTo_C !== undefined ? `, falling to ${showTemperature(heat.fallTo_C, units)}` : "";
  const hold = heat?.kind === "harden" && heat.hold_min > 1 ? `, ${heat.hold_min} min at heat` : "";
  const words = JUDGE_WORDS[heating.by];
  return (
    <button type="button" className="plain-key school-row" aria-pressed={isOn} disabled={missing !== null} onClick={onPick}>
      <b>{heatingName(heating)}</b>
      <span>{missing ?? words.does}</span>
      <span className="drawn">
        {count === 0 ? "No normalising" : `Normalised ${count} times`},{" "}
        {heat?.kind === "harden" ? showTemperature(heat.temperature_C, units) : ""}
        {falls}
        {hold}
      </span>
      <span>{prediction.data ? expectation(prediction.data) : prediction.error ? "It could not be worked out." : "Working it out…"}</span>
      <small>{words.prefer}</small>
    </button>
  );
}

export function SchoolsDialog({ isOpen, piece, heating, way, kit, units, onPick, onClose }: Props) {
  const [chosenWay, setWay] = useState<Way>(way);
  const [place, setPlace] = useState<HeatedIn>(heating.in);
  return (
    <Dialog open={isOpen} onClose={onClose} fullWidth maxWidth="md">
      <DialogTitle>How will you heat it, and what is to be hard?</DialogTitle>
      <DialogContent>
        <WayKeys section={piece.section} way={chosenWay} note="prefer" className="way-keys" kit={kit} onPick={setWay} />
        <h2>What will you heat it in?</h2>
        <PlaceKeys place={place} kit={kit} onPick={setPlace} />
        <h2>How will you know that it is hot enough?</h2>
        <div className="school-rows">
          {JUDGES[place]
            .map((by) => ({ in: place, by }))
            .map((key) => (
              <SchoolRow
                key={key.by}
                piece={piece}
                heating={key}
                way={chosenWay}
                kit={kit}
                isOn={isSameHeating(key, heating) && chosenWay.hardens === way.hardens && chosenWay.draws === way.draws}
                units={units}
                onPick={() => {
                  onPick(key, chosenWay);
                  onClose();
                }}
              />
            ))}
        </div>
      </DialogContent>
      <DialogActions>
        <Button variant="text" onClick={onClose}>
          Leave it
        </Button>
      </DialogActions>
    </Dialog>
  );
}
