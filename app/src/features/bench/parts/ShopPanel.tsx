/** The simulated shop at the bench: how the piece looks, what its instruments read, and how fast its clock runs. */

import { CATALOGUE, type PieceState, type ShopReset } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useState } from "react";
import { showDegrees } from "../../../format/show.js";
import { commandShop, openShop } from "../../../instruments/simulatedShop.js";
import { useShopBeside } from "../../../instruments/useSimulatedShop.js";
import { usePieces, useSettings } from "../../../store/useStore.js";

const SPEEDS = [1, 5, 20, 100] as const;
/** The oil can of the simulated shop, L; its forge and its oven before anybody sets them, C. */
const VOLUME_L = 15;
const FORGE_C = 950;
const OVEN_C = 200;
const KILN_C = 800;

const PLACE_WORDS = {
  rack: "cold on the rack",
  forge: "in the forge",
  kiln: "in the kiln",
  air: "in the tongs, in air",
  bath: "in the bath",
  oven: "in the oven",
} as const;

/** A seed anybody can ask for again: the address may carry one. */
function seedOf(): number {
  const asked = Number(new URLSearchParams(window.location.search).get("seed"));
  return Number.isInteger(asked) && asked > 0 ? asked : crypto.getRandomValues(new Uint32Array(1))[0]!;
}

function resetFor(pieces: readonly PieceState[], state: PieceState, lux: number, speed: number): ShopReset {
  const others = pieces.filter(({ piece, finishedAt_ms, id }) => piece.isPractice === true && finishedAt_ms === null && id !== state.id);
  const all = [state, ...others].slice(0, 8);
  const last_ms = Math.max(...all.map(({ events }) => events[events.length - 1]?.at_ms ?? 0));
  const quench = state.route?.steps.find((step) => step.kind === "quench");
  const medium = quench?.kind === "quench" ? quench.medium : "fast-oil";
  return {
    seed: seedOf(),
    speed,
    epoch_ms: Math.max(Date.now(), last_ms + 1),
    ambient_lux: lux,
    pieces: all.map(({ id, piece }) => ({ id, piece })),
    medium: CATALOGUE.medium(medium) ? medium : "fast-oil",
    bath_C: quench?.kind === "quench" ? quench.bath_C : 55,
    volume_L: VOLUME_L,
    forge_C: FORGE_C,
    // Hot before anything goes in, as kilns are.
    kiln_C: state.next?.kind === "heat" || state.next?.kind === "hold" ? state.next.target_C : KILN_C,
    oven_C: OVEN_C,
  };
}

export function ShopPanel({ state }: { state: PieceState }) {
  const shop = useShopBeside();
  const settings = useSettings();
  const pieces = usePieces();
  const [trouble, setTrouble] = useState<string | null>(null);
  if (shop === null) return null;
  const { reading, piece } = shop;
  if (reading === null || piece === null) {
    if (shop.state === "asking" || pieces === undefined) return <div className="shop-panel" aria-busy="true" />;
    const open = (speed: number): void => {
      openShop(resetFor(pieces, state, settings.ambient_lux, speed))
        .then(() => {
          setTrouble(null);
          shop.reopen();
        })
        .catch(() => setTrouble("The simulated shop is not there: it needs the Tembrak server on this machine."));
    };
    return (
      <div className="shop-panel">
        <span>
          {state.doneAt_ms.size > 0
            ? "The simulated shop was closed: this piece will lie cold on its rack."
            : "This piece is for practice: no steel, no fire."}
        </span>
        <Button onClick={() => open(5)}>Open the simulated shop</Button>
        {trouble ? <span role="alert">{trouble}</span> : null}
      </div>
    );
  }
  const fast = (speed: number): void => void commandShop({ do: "speed", speed }).catch(() => setTrouble("It did not answer."));
  const chamber =
    state.route?.school === "kiln" ? `kiln ${showDegrees(reading.kiln_C, settings)}` : `forge ${showDegrees(reading.forge_C, settings)}`;
  return (
    <div className="shop-panel">
      <i
        className="shop-glow"
        style={{ background: piece.hex }}
        role="img"
        aria-label={piece.glows ? "how it glows now" : "no glow can be seen"}
      />
      <span className="drawn" data-testid="shop-reads">
        Simulated, {PLACE_WORDS[piece.place]}. {chamber}, bath {showDegrees(reading.bath_C, settings)}, oven{" "}
        {showDegrees(reading.oven_C, settings)}
        {shop.state === "lost" ? ". Not heard of at present" : ""}
      </span>
      <span className="shop-speeds" role="group" aria-label="How fast the simulated clock runs">
        {SPEEDS.map((speed) => (
          <button key={speed} type="button" aria-pressed={reading.speed === speed} onClick={() => fast(speed)}>
            {speed}×
          </button>
        ))}
      </span>
      {trouble ? <span role="alert">{trouble}</span> : null}
    </div>
  );
}
