/** One of several large keys: radio buttons dressed as keys, so that arrows move among them as everywhere. */

import Radio from "@mui/material/Radio";
import RadioGroup from "@mui/material/RadioGroup";
import type { ReactNode } from "react";
import "./radioKeys.css";

export interface RadioKey<K extends string> {
  readonly key: K;
  readonly isDisabled?: boolean;
  readonly inside: ReactNode;
}

interface Props<K extends string> {
  readonly label: string;
  readonly className: string;
  readonly keyClass: string;
  readonly chosen: K | null;
  readonly keys: readonly RadioKey<K>[];
  readonly onPick: (key: K) => void;
  readonly children?: ReactNode;
}

export function RadioKeys<K extends string>({ label, className, keyClass, chosen, keys, onPick, children }: Props<K>) {
  return (
    <RadioGroup className={`radio-keys ${className}`} aria-label={label} value={chosen} onChange={(_, picked) => onPick(picked as K)}>
      {keys.map(({ key, isDisabled = false, inside }) => (
        <label key={key} className={keyClass}>
          <Radio className="radio-of-key" value={key} disabled={isDisabled} disableRipple />
          {inside}
        </label>
      ))}
      {children}
    </RadioGroup>
  );
}
