/** Which part goes first into the fire, how this fire is set, and how soon it has to be in the bath: before it is in, and under Why. */

import { heatedOf, heatOrder, type Act, type PieceState } from "@tembrak/core";
import { useKit, useSettings } from "../../../store/useStore.js";
import { fireNote } from "../../../words/heatWords.js";
import { PROMPT_WORDS } from "../../../words/routeWords.js";

/** More than this nobody reads at the fire. */
const MOST_PROMPTS = 3;

export function BeforeFire({ state, act }: { state: PieceState; act: Extract<Act, { kind: "heat" }> }) {
  const settings = useSettings();
  const note = fireNote(useKit() ?? null, state, act.target_C, settings);
  const prompts = heatOrder(state.piece, heatedOf(state.route ?? { steps: [] }, act.step)).slice(0, MOST_PROMPTS);
  return (
    <>
      <p className="drawn from order">{prompts.map((prompt) => PROMPT_WORDS[prompt]).join(" ")}</p>
      {note ? <p className="drawn from order">{note}</p> : null}
    </>
  );
}
