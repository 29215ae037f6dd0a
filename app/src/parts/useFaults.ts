/** Counts the fields whose text makes no sense yet. */

import { useState } from "react";

export interface Faults {
  readonly faults: number;
  readonly onFault: (key: string, isBad: boolean) => void;
  readonly clear: () => void;
}

export function useFaults(): Faults {
  const [bad, setBad] = useState<ReadonlySet<string>>(new Set());
  return {
    faults: bad.size,
    onFault: (key, isBad) =>
      setBad((before) => {
        const after = new Set(before);
        if (isBad) after.add(key);
        else after.delete(key);
        return after;
      }),
    clear: () => setBad(new Set()),
  };
}
