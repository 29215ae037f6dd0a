/** The numbers of a quench that is more than in and out: when the back follows, or the edge after it, when it comes out, how long each end, how much clay. */

import { LIMITS, type Piece, type Quench, type Step } from "@tembrak/core";
import type { Units } from "../../../format/show.js";
import { LengthField, NumberField } from "../../../parts/QuantityField.js";

interface Props {
  readonly step: Quench;
  readonly piece: Piece;
  readonly units: Units;
  readonly isLocked: boolean;
  readonly onChange: (to: Step) => void;
  /** A field by its name, and whether what stands in it can be read. */
  readonly onFault: (field: string, isBad: boolean) => void;
}

export function DipFields({ step, piece: { section }, units, isLocked, onChange, onFault }: Props) {
  const { then, turns, backFirst, clay, bath_s } = step;
  const seconds = (label: string, value: number, [least, most]: readonly [number, number], set: (s: number) => Step) => (
    <NumberField
      label={label}
      unit="s"
      value={value}
      least={least}
      most={most}
      isDisabled={isLocked}
      onFault={(bad) => onFault(label, bad)}
      onChange={(s) => onChange(set(s))}
    />
  );
  const height_mm = section.shape === "wedge" ? section.height_mm : 0;
  return (
    <>
      {then === undefined
        ? null
        : seconds(
            then.medium === undefined ? "Back under after" : "Then over after",
            then.after_s,
            LIMITS.quench.after_s,
            (after_s): Step => ({ ...step, then: { ...then, after_s } }),
          )}
      {backFirst === undefined ? null : (
        <>
          <LengthField
            label="Back under"
            role="height"
            value_mm={backFirst.depth_mm}
            units={units}
            isDisabled={isLocked}
            least_mm={LIMITS.quench.depth_mm[0]}
            most_mm={height_mm}
            onFault={(bad) => onFault("back under", bad)}
            onChange={(depth_mm) => onChange({ ...step, backFirst: { ...backFirst, depth_mm } })}
          />
          {seconds("Turned over after", backFirst.after_s, LIMITS.quench.after_s, (after_s): Step => ({
            ...step,
            backFirst: { ...backFirst, after_s },
          }))}
        </>
      )}
      {turns === undefined ? null : (
        <>
          {seconds("First end", turns.first_s, LIMITS.quench.turn_s, (first_s): Step => ({ ...step, turns: { ...turns, first_s } }))}
          {seconds("Second end", turns.second_s, LIMITS.quench.turn_s, (second_s): Step => ({ ...step, turns: { ...turns, second_s } }))}
        </>
      )}
      {then !== undefined || bath_s === undefined
        ? null
        : seconds("Out after", bath_s, LIMITS.quench.bath_s, (s): Step => ({ ...step, bath_s: s }))}
      {clay === undefined ? null : (
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
            most_mm={height_mm}
            onFault={(bad) => onFault("clay from", bad)}
            onChange={(from_mm) => onChange({ ...step, clay: { ...clay, from_mm } })}
          />
        </>
      )}
    </>
  );
}
