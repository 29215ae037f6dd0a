/** Two to four baths side by side for this piece, and the same with another start, soak or thickness: why one oil works for one smith and not for another. */

import { bathOf, CATALOGUE, intoOf, LIMITS, type Piece, type Prediction, type Route } from "@tembrak/core";
import Button from "@mui/material/Button";
import Dialog from "@mui/material/Dialog";
import DialogActions from "@mui/material/DialogActions";
import DialogContent from "@mui/material/DialogContent";
import DialogTitle from "@mui/material/DialogTitle";
import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { useState } from "react";
import { bathsOf, usePlanned } from "../../../compute/useAnswers.js";
import { showDegrees, type Units } from "../../../format/show.js";
import { useHeatContext } from "../../../compute/useHeatContext.js";
import { mediumName } from "../../../words/actWords.js";
import { againstPlan, placesBeside, riskBeside } from "../../../words/besideWords.js";
import { triedQuestion, triedRoute } from "../useTrial.js";
import { CoolingDrawing } from "./CoolingDrawing.js";

/** What else may be otherwise at another smith's, and how much. */
const STARTS = { plan: "as planned", annealed: "annealed, not normalised" } as const;
const SOAKS = { plan: "as planned", longer: "5 min longer" } as const;
const THICKNESSES = { thinner: "¾ as thick", plan: "as measured", thicker: "half as thick again" } as const;
const RATIOS = { thinner: 0.75, plan: 1, thicker: 1.5 } as const;
const LONGER_min = 5;

interface Otherwise {
  readonly start: keyof typeof STARTS;
  readonly soak: keyof typeof SOAKS;
  readonly thickness: keyof typeof THICKNESSES;
}

/** The piece and its route as they would be there. */
export function otherwise(
  piece: Piece,
  route: Route,
  { start, soak, thickness }: Otherwise,
  thick_mm: number,
): { piece: Piece; route: Route } {
  const steps = route.steps
    .filter(({ kind }) => start === "plan" || kind !== "normalise")
    .map((step) => {
      if (step.kind !== "harden" || soak === "plan") return step;
      return { ...step, hold_min: Math.min(LIMITS.harden.hold_min[1], step.hold_min + LONGER_min) };
    });
  const asked = {
    piece: start === "plan" ? piece : { ...piece, start: "coarse-spheroidised" as const },
    route: { ...route, steps },
    known: {},
  };
  return thickness === "plan" ? asked : triedQuestion(asked, { thickness_mm: RATIOS[thickness] * thick_mm });
}

function Choice<K extends string>({
  label,
  of,
  value,
  onPick,
}: {
  label: string;
  of: Readonly<Record<K, string>>;
  value: K;
  onPick: (to: K) => void;
}) {
  return (
    <div>
      <span className="drawn from">{label}</span>
      <ToggleButtonGroup exclusive size="small" aria-label={label} value={value} onChange={(_, to: K | null) => to !== null && onPick(to)}>
        {(Object.keys(of) as K[]).map((key) => (
          <ToggleButton key={key} value={key}>
            {of[key]}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </div>
  );
}

interface ColumnProps {
  readonly piece: Piece;
  readonly route: Route;
  readonly medium: string;
  readonly planned: { readonly medium: string; readonly prediction: Prediction | undefined };
  readonly units: Units;
  readonly onTake: (() => void) | null;
}

function Column({ piece, route, medium, planned, units, onTake }: ColumnProps) {
  const tried = triedRoute(route, { medium });
  const { data, isError, isPlaceholderData } = usePlanned(piece, tried);
  const isPlanned = medium === planned.medium;
  // The planned one as warm as it is planned, the others as they usually are.
  const quench = tried.steps.findLast((step) => step.kind === "quench");
  return (
    <li>
      <b>
        {mediumName(medium)}, {showDegrees(quench === undefined ? 20 : intoOf(quench).bath_C, units)}
      </b>
      {isError ? <p role="status">It could not be worked out.</p> : null}
      {data === undefined || isPlaceholderData ? (
        isError ? null : (
          <p role="status">Being worked out…</p>
        )
      ) : (
        <>
          <CoolingDrawing prediction={data} units={units} />
          <p className="drawn">{placesBeside(data)}</p>
          <p className="drawn">{riskBeside(data)}</p>
          <p>{isPlanned ? "As planned." : planned.prediction === undefined ? "" : againstPlan(data, planned.prediction)}</p>
        </>
      )}
      {isPlanned || onTake === null ? null : (
        <Button variant="text" size="small" aria-label={`Plan it so: ${mediumName(medium)}`} onClick={onTake}>
          Plan it so
        </Button>
      )}
    </li>
  );
}

interface Props {
  readonly piece: Piece;
  readonly route: Route;
  readonly thick_mm: number;
  readonly units: Units;
  readonly onTake: (medium: string) => void;
}

function Beside({ piece, route, thick_mm, units, onTake, onClose }: Props & { readonly onClose: () => void }) {
  const { kit } = useHeatContext();
  const [at, setAt] = useState<Otherwise>({ start: "plan", soak: "plan", thickness: "plan" });
  const there = otherwise(piece, route, at, thick_mm);
  const medium = bathOf(route);
  const own = usePlanned(there.piece, there.route);
  const planned = { medium, prediction: own.isPlaceholderData ? undefined : own.data };
  const baths = [...new Set([medium, ...bathsOf(kit, route)])].filter((id) => CATALOGUE.medium(id) !== undefined).slice(0, 4);
  const isAsPlanned = at.start === "plan" && at.soak === "plan" && at.thickness === "plan";
  return (
    <>
      <DialogContent className="baths-beside">
        <p className="from2">Start, soak and thickness may be others at another smith’s: the same baths with those.</p>
        <div className="beside-choices">
          <Choice label="Start" of={STARTS} value={at.start} onPick={(start) => setAt({ ...at, start })} />
          <Choice label="Soak" of={SOAKS} value={at.soak} onPick={(soak) => setAt({ ...at, soak })} />
          <Choice label="Thickness" of={THICKNESSES} value={at.thickness} onPick={(thickness) => setAt({ ...at, thickness })} />
        </div>
        <ul>
          {baths.map((id) => (
            <Column key={id} {...there} medium={id} planned={planned} units={units} onTake={isAsPlanned ? () => onTake(id) : null} />
          ))}
        </ul>
      </DialogContent>
      <DialogActions>
        <Button variant="text" onClick={onClose}>
          Close
        </Button>
      </DialogActions>
    </>
  );
}

export function BathsBeside(props: Props) {
  const [isOpen, setOpen] = useState(false);
  const close = (): void => setOpen(false);
  return (
    <>
      <Button variant="text" size="small" onClick={() => setOpen(true)}>
        Baths side by side
      </Button>
      <Dialog open={isOpen} onClose={close} maxWidth="lg" fullWidth>
        <DialogTitle>Baths side by side</DialogTitle>
        <Beside
          {...props}
          onTake={(medium) => {
            close();
            props.onTake(medium);
          }}
          onClose={close}
        />
      </Dialog>
    </>
  );
}
