/** What every act is given, and the key that ends it. */

import type { Act, PieceState } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useLayoutEffect } from "react";
import { Link } from "react-router";
import type { Bench } from "../useBench.js";

export interface ActProps<K extends Act["kind"] = Act["kind"]> {
  readonly state: PieceState;
  readonly act: Act & { readonly kind: K };
  readonly bench: Bench;
  readonly now_ms: number;
}

/** The key that ends the act; Space presses it, Backspace takes the last tap back. A foot switch sends these. */
export function ActKey({
  label,
  note,
  bench,
  onPress,
  isTest,
  isLocked = false,
}: {
  label: string;
  note?: string;
  bench: Bench;
  onPress: () => void;
  isTest?: string;
  /** Something has to be done first: the note says what. */
  isLocked?: boolean;
}) {
  // Before the screen is painted: a foot switch pressed as the act appears is heard.
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const target = event.target as HTMLElement | null;
      if (event.repeat || target?.closest("button, a, input, [role=dialog]")) return;
      if (event.key === " ") {
        event.preventDefault();
        if (!isLocked && !bench.isStoring) onPress();
      } else if (event.key === "Backspace") {
        event.preventDefault();
        bench.undo();
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
  if (isTest !== undefined) {
    return (
      <Button component={Link} to={isTest} variant="contained" className="bench-act">
        {label}
        {note ? <small>{note}</small> : null}
      </Button>
    );
  }
  return (
    <Button variant="contained" className="bench-act" disabled={bench.isStoring || isLocked} onClick={onPress}>
      {label}
      {note ? <small>{note}</small> : null}
    </Button>
  );
}
