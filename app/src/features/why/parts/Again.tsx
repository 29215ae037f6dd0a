/** One more hardening: what is done otherwise is asked, what the evidence asks for is ticked, and what it costs is said. */

import {
  againRoute,
  inRoundHeat,
  CATALOGUE,
  intoOf,
  kitOf,
  lastBathDone,
  MOST_ATTEMPTS,
  pieceState,
  thickness_mm,
  type Change,
  type Kit,
  type PieceState,
  type Route,
} from "@tembrak/core";
import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import FormControlLabel from "@mui/material/FormControlLabel";
import { useState } from "react";
import { useNavigate } from "react-router";
import { attemptsOf, useStanding } from "../../../compute/useAnswers.js";
import { capital, showChance, showLength, showThin } from "../../../format/show.js";
import { useKit, useLog, useSettings } from "../../../store/useStore.js";
import { changeWords } from "../../../words/whyWords.js";
import { toPiece } from "../../../format/address.js";

/** What is offered where the evidence does not ask for it: a shade hotter, twice as long, the next faster bath of the kit. */
const SHADE_K = 15;
const LEAST_HOLD_min = 3;

function offered(route: Route, at: number, kit: Kit | null, steel: string): Change[] {
  const steps = route.steps.slice(0, at + 1);
  const heat = steps.findLast((step) => step.kind === "harden");
  const quench = steps[at];
  if (heat?.kind !== "harden" || quench?.kind !== "quench") return [];
  const there = kit === null ? CATALOGUE.media.map(({ id }) => id) : kitOf(kit, "bath").map(({ medium }) => medium);
  const peak = (id: string): number => {
    const medium = CATALOGUE.medium(id);
    return medium !== undefined && "peak_W_m2K" in medium ? medium.peak_W_m2K : 0;
  };
  const faster = [...new Set(there)].filter((id) => peak(id) > 1.1 * peak(intoOf(quench).medium)).sort((a, b) => peak(a) - peak(b))[0];
  const bath = faster === undefined ? undefined : CATALOGUE.medium(faster);
  return [
    { change: "normalise", at_C: CATALOGUE.steel(steel)?.normalise_C.value ?? 870 },
    { change: "hotter", to_C: heat.temperature_C + SHADE_K },
    { change: "longer", to_min: Math.max(LEAST_HOLD_min, 2 * heat.hold_min) },
    ...(bath === undefined ? [] : [{ change: "bath" as const, medium: bath.id, bath_C: bath.usualBath_C }]),
  ];
}

/** The piece as its card would have it, were it planned so. */
function plannedSo(state: PieceState, route: Route): PieceState {
  const last_ms = Math.max(...state.events.map(({ at_ms }) => at_ms));
  return pieceState(state.id, [...state.events, { id: "planned-so", piece: state.id, at_ms: last_ms + 1, kind: "route", route }]) ?? state;
}

interface Props {
  readonly state: PieceState;
  /** What the evidence asks for. */
  readonly changes: readonly Change[];
  /** Not what is advised: told as another way. */
  readonly isOther?: boolean;
}

export function Again({ state, changes, isOther = false }: Props) {
  const units = useSettings();
  const navigate = useNavigate();
  const { write } = useLog();
  const kit = useKit() ?? null;
  const { piece } = state;
  const route = state.route!;
  const at = lastBathDone(state);
  const others = offered(route, at, kit, piece.steel).filter(({ change }) => changes.every((own) => own.change !== change));
  const all = [...changes, ...others].map((change) => inRoundHeat(change, units.temperature));
  const [ticked, setTicked] = useState<ReadonlySet<Change["change"]>>(new Set(changes.map(({ change }) => change)));
  const [isOpen, setOpen] = useState(!isOther);
  const again = againRoute(
    route,
    all.filter(({ change }) => ticked.has(change)),
    at,
  );
  const standing = useStanding(isOpen ? plannedSo(state, again) : state);
  const expected = standing.isPlaceholderData ? undefined : standing.data;
  const attempt = attemptsOf(state) + 1;
  if (attempt > MOST_ATTEMPTS + 1) return null;
  if (!isOpen)
    return (
      <Button variant="text" onClick={() => setOpen(true)}>
        Harden it again all the same
      </Button>
    );
  const toggle = (change: Change["change"]): void => {
    const next = new Set(ticked);
    if (!next.delete(change)) next.add(change);
    setTicked(next);
  };
  const go = async (): Promise<void> => {
    if (await write(state.id, [{ kind: "route", route: again }])) await navigate(toPiece(state.id, "bench"));
  };
  const left_mm = expected === undefined ? null : Math.max(0, thickness_mm(piece.section) - 2 * expected.grindOff_mm);
  return (
    <div className="why-again">
      <fieldset>
        <legend>What will be otherwise?</legend>
        {all.map((change) => (
          <FormControlLabel
            key={change.change}
            control={<Checkbox checked={ticked.has(change.change)} onChange={() => toggle(change.change)} />}
            label={changeWords(change, units)}
          />
        ))}
      </fieldset>
      {ticked.size === 0 ? <p>The same once more gives the same once more: tick what will be otherwise.</p> : null}
      {expected === undefined || left_mm === null ? (
        <p role="status">Being worked out…</p>
      ) : (
        <p>
          {capital(showChance(1 - expected.failChance))} that it hardens as planned so. After all its heats{" "}
          {showThin(expected.grindOff_mm, units)} of soft skin a side: {showLength(left_mm, units)} of{" "}
          {showLength(thickness_mm(piece.section), units)} is left when that is ground off.
        </p>
      )}
      <Button variant={isOther ? "outlined" : "contained"} className="why-act" disabled={ticked.size === 0} onClick={() => void go()}>
        Harden it again
        <small>{attempt <= MOST_ATTEMPTS ? `try ${attempt} of ${MOST_ATTEMPTS}` : `try ${attempt}: more than is good for it`}</small>
      </Button>
    </div>
  );
}
