/** Letters for checks at the bench, and the list of them: for a foot switch with more than one pedal, or a keyboard. */

import { useLayoutEffect } from "react";

/** Pressed outside of any field, button or dialog. */
export function useKeys(keys: Readonly<Record<string, () => void>>): void {
  // Before the screen is painted: what is pressed as it appears is heard.
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const target = event.target as HTMLElement | null;
      if (event.repeat || event.ctrlKey || event.metaKey || event.altKey || target?.closest("input, [role=dialog]")) return;
      const act = keys[event.key.toLowerCase()];
      if (act === undefined) return;
      event.preventDefault();
      act();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
}

/** Every key of the bench with what it does; the last eight only while a piece is brought to heat. */
export const KEY_LIST: readonly (readonly [string, string])[] = [
  ["Space", "end this step, whatever was touched last; Enter presses what has the focus"],
  ["Backspace", "take the last tap back"],
  ["?", "this list"],
  ["S", "the magnet sticks"],
  ["W", "the magnet is weak"],
  ["F", "the magnet is free"],
  ["L", "what it looks like"],
  ["P", "what an instrument reads"],
  ["O", "in the fire, or out of it"],
  ["E", "is it even all over"],
  ["H", "too hot, by eye"],
  ["T", "touch with the magnet, in the simulated shop"],
];
