/** The simulated shop at the bench: how the piece looks, what its instruments read, and how fast its clock runs. */

import { FORGE_C } from "../../../instruments/placeOf.js";
import { CATALOGUE, intoOf, isInKiln, isInWork, type PieceState, type ShopReset } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useState, type ReactNode } from "react";
import { showDegrees, type Units } from "../../../format/show.js";
import { commandShop, openShop } from "../../../instruments/simulatedShop.js";
import { shopNow } from "../../../store/shopClock.js";
import { useShopBeside } from "../../../instruments/useSimulatedShop.js";
import { usePieces, useSettings } from "../../../store/useStore.js";

const SPEEDS = [1, 5, 20, 100] as const;
/** The oil can of the simulated shop, L; its forge and its oven before anybody sets them, C. */
const VOLUME_L = 15;
const OVEN_C = 200;
const KILN_C = 800;
const OIL_C = 55;

const PLACE_WORDS = {
  rack: "cold on the rack",
  forge: "in the forge",
  kiln: "in the kiln",
  air: "in the tongs, in air",
  bath: "in the bath",
  oven: "in the oven",
  torch: "its back under the torch",
  bar: "its back on the hot bar",
} as const;

type ShopBeside = NonNullable<ReturnType<typeof useShopBeside>>;
type Reading = NonNullable<ShopBeside["reading"]>;

interface PanelProps {
  readonly state: PieceState;
  readonly onTrouble: (words: string | null) => void;
}

/** A seed anybody can ask for again: the address may carry one. */
function seedOf(): number {
  const asked = Number(new URLSearchParams(window.location.search).get("seed"));
  return Number.isInteger(asked) && asked > 0 ? asked : crypto.getRandomValues(new Uint32Array(1))[0]!;
}

/** The bath of a plan; a medium of the smith's own is played by a fast oil. */
function bathFor(route: PieceState["route"]): Pick<ShopReset, "medium" | "bath_C"> {
  const quench = route?.steps.findLast((step) => step.kind === "quench");
  if (quench?.kind !== "quench") return { medium: "fast-oil", bath_C: OIL_C };
  const { medium, bath_C } = intoOf(quench);
  return { medium: CATALOGUE.medium(medium) ? medium : "fast-oil", bath_C };
}

function chamberFor_C(next: PieceState["next"]): number {
  return next?.kind === "heat" || next?.kind === "hold" ? next.target_C : KILN_C;
}

function resetFor(pieces: readonly PieceState[], state: PieceState, lux: number, speed: number): ShopReset {
  const others = pieces.filter((other) => other.piece.isPractice === true && isInWork(other) && other.id !== state.id);
  const all = [state, ...others].slice(0, 8);
  const last_ms = Math.max(...all.map(({ events }) => events[events.length - 1]?.at_ms ?? 0));
  return {
    seed: seedOf(),
    speed,
    epoch_ms: Math.max(shopNow(), last_ms + 1),
    ambient_lux: lux,
    pieces: all.map(({ id, piece }) => ({ id, piece })),
    ...bathFor(state.route),
    volume_L: VOLUME_L,
    forge_C: FORGE_C,
    // Hot before anything goes in, as kilns are.
    kiln_C: chamberFor_C(state.next),
    oven_C: OVEN_C,
  };
}

/** Not open: how to open it. */
function Shut({ state, shop, onTrouble, children }: PanelProps & { shop: ShopBeside; children: ReactNode }) {
  const settings = useSettings();
  const pieces = usePieces();
  if (shop.state === "asking" || pieces === undefined) return <div className="shop-panel" aria-busy="true" />;
  const open = (speed: number): void => {
    openShop(resetFor(pieces, state, settings.ambient_lux, speed))
      .then(() => {
        onTrouble(null);
        shop.reopen();
      })
      .catch(() => onTrouble("The simulated shop is not there: it needs the Tembrak server on this machine."));
  };
  return (
    <div className="shop-panel">
      <span>
        {shop.reading !== null
          ? "The server was started again and its simulated shop is gone: open another, and this piece lies cold in it. Its log is kept."
          : state.doneAt_ms.size > 0
            ? "The simulated shop was closed: this piece will lie cold on its rack."
            : "This piece is for practice: no steel, no fire."}
      </span>
      <Button onClick={() => open(5)}>Open the simulated shop</Button>
      {children}
    </div>
  );
}

function Speeds({ state, speed, onTrouble }: PanelProps & { speed: number }) {
  const run = (to: number): void => void commandShop(state.id, { do: "speed", speed: to }).catch(() => onTrouble("It did not answer."));
  return (
    <span className="shop-speeds" role="group" aria-label="How fast the simulated clock runs">
      {SPEEDS.map((each) => (
        <button key={each} type="button" aria-pressed={speed === each} onClick={() => run(each)}>
          {each}×
        </button>
      ))}
    </span>
  );
}

/** What its instruments read. */
function readWords({ kiln_C, forge_C, bath_C, oven_C }: Reading, isKiln: boolean, units: Units): string {
  const chamber = isKiln ? `kiln ${showDegrees(kiln_C, units)}` : `forge ${showDegrees(forge_C, units)}`;
  return `${chamber}, bath ${showDegrees(bath_C, units)}, oven ${showDegrees(oven_C, units)}`;
}

export function ShopPanel({ state }: { state: PieceState }) {
  const shop = useShopBeside();
  const settings = useSettings();
  const [trouble, setTrouble] = useState<string | null>(null);
  if (shop === null) return null;
  const { reading, piece } = shop;
  const alert = trouble === null ? null : <span role="alert">{trouble}</span>;
  // A server that was started again knows nothing of the shop it had.
  if (reading === null || piece === null || shop.state === "closed") {
    return (
      <Shut state={state} shop={shop} onTrouble={setTrouble}>
        {alert}
      </Shut>
    );
  }
  return (
    <div className="shop-panel">
      <i
        className="shop-glow"
        style={{ background: piece.back.length > 1 ? `linear-gradient(to right, ${piece.back.join(", ")})` : piece.hex }}
        role="img"
        aria-label={piece.glows ? "how it glows now, from where it works back" : "no glow can be seen"}
      />
      <span className="drawn" data-testid="shop-reads">
        Simulated, {PLACE_WORDS[piece.place]}. {readWords(reading, isInKiln(state.route), settings)}
        {shop.state === "lost" ? ". Not heard of at present" : ""}
      </span>
      <Speeds state={state} speed={reading.speed} onTrouble={setTrouble} />
      {alert}
    </div>
  );
}
