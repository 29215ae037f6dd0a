/** An empty shop begins with what there is: the nearest of a few, in one tap, kept at once; then the two things of it that decide most. */

import { PRESETS, type NewKitItem } from "@tembrak/core";
import { lazy, Suspense, useState } from "react";
import { newId } from "../store/db.js";
import { shopNow } from "../store/shopClock.js";
import { useKeepKit, useKit } from "../store/useStore.js";
import { PRESET_WORDS } from "../words/kitWords.js";
import "./kitStart.css";

/** Its keys are loaded where somebody has picked a shop. */
const TwoThings = lazy(() => import("./KitTwoThings.js").then(({ TwoThings: asked }) => ({ default: asked })));

/** Nothing where a kit is there, and nothing is asked of it any more. */
export function KitStart() {
  const kit = useKit();
  const { put } = useKeepKit();
  const [isAsking, setIsAsking] = useState(false);
  if (kit === undefined) return null;
  if (kit !== null)
    return isAsking ? (
      <Suspense fallback={null}>
        <TwoThings kit={kit} onDone={() => setIsAsking(false)} />
      </Suspense>
    ) : null;
  const pick = (items: readonly NewKitItem[]): void => {
    setIsAsking(true);
    void put(items.map((item) => ({ ...item, id: newId(shopNow()) })));
  };
  return (
    <section aria-labelledby="start-h">
      <h2 id="start-h">What do you have? Start from the nearest, then change it</h2>
      <div className="kit-presets">
        {PRESETS.map((preset) => (
          <button key={preset.id} type="button" className="plain-key" onClick={() => pick(preset.items)}>
            <b>{PRESET_WORDS[preset.id][0]}</b>
            <br />
            <small>{PRESET_WORDS[preset.id][1]}</small>
          </button>
        ))}
      </div>
    </section>
  );
}
