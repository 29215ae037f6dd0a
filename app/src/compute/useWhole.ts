import { useState } from "react";

/** The last that was whole, the first of all before that: of what comes in many parts, the screen does not move with each of them. */
export function useWhole<T>(now: T, isWhole: boolean): T {
  const [last, setLast] = useState(now);
  if (isWhole && last !== now) setLast(now);
  return isWhole ? now : last;
}
