/** What every act is given, and the key that ends it. */

import type { Act, PieceState } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useLayoutEffect } from "react";
import { Link, useNavigate } from "react-router";
import type { Bench } from "../useBench.js";

export interface ActProps<K extends Act["kind"] = Act["kind"]> {
  readonly state: PieceState;
  readonly act: Act & { readonly kind: K };
  readonly bench: Bench;
  readonly now_ms: number;
}

function isInDialog(target: EventTarget | null): boolean {
  return target instanceof Element && target.closest("[role=dialog]") !== null;
}

/** Where Space belongs to what has the focus: a text, and what somebody came to by the keyboard in a dialog. */
function isTyping(target: EventTarget | null): boolean {
  if (!(target instanceof Element)) return false;
  if (target.closest("input:not([type=checkbox], [type=radio]), textarea, [role=listbox], [role=combobox]") !== null) return true;
  return isInDialog(target) && target.matches("button:focus-visible, a:focus-visible, input:focus-visible");
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
  const navigate = useNavigate();
  // Before the screen is painted: a foot switch pressed as the act appears is heard.
  useLayoutEffect(() => {
    const press = (): void => {
      if (isTest !== undefined) void navigate(isTest);
      else if (!isLocked && !bench.isStoring) onPress();
    };
    const onKey = (event: KeyboardEvent): void => {
      if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key !== " " && event.key !== "Backspace") return;
      event.preventDefault();
      if (event.repeat) return;
      if (event.key === " ") press();
      else if (!isInDialog(event.target)) bench.undo();
    };
    // A key that was touched last would be pressed once more as the switch is let go.
    const onLetGo = (event: KeyboardEvent): void => {
      if (event.key === " " && !isTyping(event.target)) event.preventDefault();
    };
    window.addEventListener("keydown", onKey, true);
    window.addEventListener("keyup", onLetGo, true);
    return () => {
      window.removeEventListener("keydown", onKey, true);
      window.removeEventListener("keyup", onLetGo, true);
    };
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
    <Button
      variant="contained"
      className="bench-act"
      data-key={isLocked ? "locked" : "open"}
      disabled={bench.isStoring || isLocked}
      onClick={onPress}
    >
      {label}
      {note ? <small>{note}</small> : null}
    </Button>
  );
}
