/** A key that hands over the end of a clock as a calendar file. */

import Button from "@mui/material/Button";
import { useState } from "react";
import { handOver } from "../store/handOver.js";
import type { Clock } from "./clocks.js";

const OVER = { hold: "the hold", slow: "slow cooling", temper: "the temper" } as const;

export function TakeEnd({ clock: { id, name, what, s } }: { readonly clock: Pick<Clock, "id" | "name" | "what" | "s"> }) {
  const [isRefused, setRefused] = useState(false);
  if (what !== "temper" && what !== "hold" && what !== "slow") return null;
  const take = async (): Promise<void> => {
    // By the wall: that is the clock the calendar rings by.
    const end_ms = Math.round(Date.now() + 1000 * s);
    const { endEvent } = await import("./endEvent.js");
    handOver(endEvent(`${name}: ${OVER[what]} is over`, end_ms, `${id}-${end_ms}@tembrak`), `${name} ${OVER[what]}.ics`, "text/calendar");
  };
  return (
    <Button variant="text" onClick={() => void take().catch(() => setRefused(true))}>
      {isRefused ? "Not written: set an alarm yourself" : "Its end for a calendar"}
    </Button>
  );
}
