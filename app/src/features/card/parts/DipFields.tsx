/** The numbers of a quench that is more than in and out: when the back follows, or the edge after it, when it comes out, how long and how deep each end, how much clay. */

import { lasting, LIMITS, PLATES, seconds, turnsSaid, turnWith, type Piece, type Quench } from "@tembrak/core";
import { showLength, type Units } from "../../../format/show.js";
import { LengthField, NumberField } from "../../../parts/QuantityField.js";

interface Props {
  readonly step: Quench;
  readonly piece: Piece;
  readonly units: Units;
  readonly isLocked: boolean;
  readonly onChange: (to: Quench) => void;
  /** A field by its name, and whether what stands in it can be read. */
  readonly onFault: (field: string, isBad: boolean) => void;
}

type Dip = Quench["dips"][number];

/** The same with one dip otherwise. */
function withDip(step: Quench, at: number, change: (dip: Dip) => Dip): Quench {
  return { ...step, dips: step.dips.map((dip, i) => (i === at ? change(dip) : dip)) };
}

function soDeep(step: Quench, at: number, depth_mm: number): Quench {
  return withDip(step, at, (dip) => (dip.under === "all" ? dip : { ...dip, depth_mm }));
}

/** What a dip's seconds are called, by what comes after it; null where it has no field. */
function labelOf({ dips }: Quench, i: number): string | null {
  const [dip, next] = [dips[i]!, dips[i + 1]];
  if (seconds(dip) === null) return null;
  if (next === undefined) return dip.into.medium === PLATES ? "Pressed for" : "Out after";
  if (dip.under === "back") return "Turned over after";
  return next.into.medium === dip.into.medium ? "Back under after" : "Then over after";
}

interface NumbersProps extends Props {
  readonly label: string;
}

function SecondsField({
  label,
  value,
  limits,
  ...of
}: NumbersProps & { value: number; limits: readonly [number, number]; onSet: (s: number) => Quench }) {
  const { isLocked, onChange, onFault, onSet } = of;
  return (
    <NumberField
      label={label}
      unit="s"
      value={value}
      least={limits[0]}
      most={limits[1]}
      isDisabled={isLocked}
      onFault={(bad) => onFault(label, bad)}
      onChange={(s) => onChange(onSet(s))}
    />
  );
}

function DepthField({
  label,
  value_mm,
  most_mm,
  ...of
}: NumbersProps & { value_mm: number; most_mm: number; onSet: (mm: number) => Quench }) {
  const { units, isLocked, onChange, onFault, onSet } = of;
  return (
    <LengthField
      label={label}
      role="height"
      value_mm={value_mm}
      units={units}
      isDisabled={isLocked}
      least_mm={LIMITS.quench.depth_mm[0]}
      most_mm={Math.min(LIMITS.quench.depth_mm[1], most_mm)}
      onFault={(bad) => onFault(label, bad)}
      onChange={(depth_mm) => onChange(onSet(depth_mm))}
    />
  );
}

/** What of a bar neither end covers: hot and never in the bath. */
function BetweenEnds({ between_mm, units }: { between_mm: number; units: Units }) {
  if (between_mm <= 0) return <p className="drawn">The two ends meet: all of it is under in turn.</p>;
  return <p className="drawn">Between them {showLength(between_mm, units)} never go into the bath: as soft as air leaves it.</p>;
}

/** Two ends by turns: how deep, and how long each time. */
function TurnFields(props: Props) {
  const { step, piece, units } = props;
  const turns = turnsSaid(step);
  if (turns === null) return null;
  const { length_mm } = piece;
  const most_s = LIMITS.quench.turn_s;
  return (
    <>
      <DepthField
        {...props}
        label="First, deep"
        value_mm={turns.depth_mm}
        most_mm={length_mm}
        onSet={(depth_mm) => turnWith(step, 0, { depth_mm })}
      />
      <SecondsField {...props} label="First end" value={turns.first_s} limits={most_s} onSet={(s) => turnWith(step, 0, { s })} />
      <DepthField
        {...props}
        label="Second, deep"
        value_mm={turns.otherDepth_mm}
        most_mm={length_mm}
        onSet={(depth_mm) => turnWith(step, 1, { depth_mm })}
      />
      {seconds(step.dips[1]!) === null ? null : (
        <SecondsField {...props} label="Second end" value={turns.second_s} limits={most_s} onSet={(s) => turnWith(step, 1, { s })} />
      )}
      <BetweenEnds between_mm={length_mm - turns.depth_mm - turns.otherDepth_mm} units={units} />
    </>
  );
}

function ClayFields({ step, piece: { section }, units, isLocked, onChange, onFault }: Props) {
  const { clay } = step;
  if (clay === undefined) return null;
  return (
    <>
      <LengthField
        label="Clay"
        role="thickness"
        value_mm={clay.thickness_mm}
        units={units}
        isDisabled={isLocked}
        least_mm={0.1}
        most_mm={20}
        onFault={(bad) => onFault("clay", bad)}
        onChange={(thickness_mm) => onChange({ ...step, clay: { ...clay, thickness_mm } })}
      />
      <LengthField
        label="From the edge"
        role="height"
        value_mm={clay.from_mm}
        units={units}
        isDisabled={isLocked}
        least_mm={0}
        most_mm={section.shape === "wedge" ? section.height_mm : 0}
        onFault={(bad) => onFault("clay from", bad)}
        onChange={(from_mm) => onChange({ ...step, clay: { ...clay, from_mm } })}
      />
    </>
  );
}

/** Each dip's seconds, and the depth of what is not asked for elsewhere: a back, or one end alone. */
function OneAfterAnother(props: Props) {
  const { step, piece } = props;
  const height_mm = piece.section.shape === "wedge" ? piece.section.height_mm : piece.length_mm;
  return step.dips.map((dip, i) => {
    const label = labelOf(step, i);
    const limits = i < step.dips.length - 1 ? LIMITS.quench.after_s : LIMITS.quench.bath_s;
    const set = (s: number): Quench => withDip(step, i, (one) => ({ ...one, until: lasting(s) }));
    const deep = dip.under === "back" ? "Back under" : dip.under === "end" || dip.under === "other-end" ? "Depth" : null;
    return (
      <div key={i} className="dip-fields">
        {deep === null || dip.under === "all" ? null : (
          <DepthField {...props} label={deep} value_mm={dip.depth_mm} most_mm={height_mm} onSet={(mm) => soDeep(step, i, mm)} />
        )}
        {label === null ? null : <SecondsField {...props} label={label} value={seconds(dip)!} limits={limits} onSet={set} />}
      </div>
    );
  });
}

export function DipFields(props: Props) {
  return (
    <>
      {turnsSaid(props.step) === null ? <OneAfterAnother {...props} /> : <TurnFields {...props} />}
      <ClayFields {...props} />
    </>
  );
}
