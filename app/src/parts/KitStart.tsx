/** An empty shop begins with what there is: the nearest of a few, in one tap. */

import { PRESETS, type NewKitItem } from "@tembrak/core";
import { newId } from "../store/db.js";
import { shopNow } from "../store/shopClock.js";
import { PRESET_WORDS } from "../words/kitWords.js";
import "./kitStart.css";

type Item = NewKitItem & { readonly id: string };

export function KitStart({ onPick }: { onPick: (items: readonly Item[]) => void }) {
  return (
    <section aria-labelledby="start-h">
      <h2 id="start-h">What do you have? Start from the nearest, then change it</h2>
      <div className="kit-presets">
        {PRESETS.map((preset) => (
          <button
            key={preset.id}
            type="button"
            className="plain-key"
            onClick={() => onPick(preset.items.map((item) => ({ ...item, id: newId(shopNow()) })))}
          >
            <b>{PRESET_WORDS[preset.id][0]}</b>
            <br />
            <small>{PRESET_WORDS[preset.id][1]}</small>
          </button>
        ))}
      </div>
    </section>
  );
}
