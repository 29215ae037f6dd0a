/** The two things of a kit that decide most, each answer kept as it is tapped. */

import { CATALOGUE, PASTE, type KitItem } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useKeepKit } from "../store/useStore.js";
import { RadioKeys } from "./RadioKeys.js";

/** What a tank of oil may hold: a tray of paste is no tank. */
const OILS = CATALOGUE.media.filter(({ kind, id }) => kind === "oil" && id !== PASTE);
const BURNERS = ["1", "2", "3"] as const;

function isOilBath(item: KitItem): item is Extract<KitItem, { kind: "bath" }> {
  return item.kind === "bath" && OILS.some(({ id }) => id === item.medium);
}

interface AskProps {
  readonly kit: readonly KitItem[];
  readonly onKeep: (item: KitItem) => void;
}

/** One burner heats a patch, three a blade: it decides how even a long piece comes out. */
function Burners({ kit, onKeep }: AskProps) {
  const forge = kit.find((item) => item.kind === "forge");
  if (forge?.kind !== "forge" || forge.fuel !== "gas") return null;
  return (
    <>
      <h3>How many burners?</h3>
      <RadioKeys
        label="Burners of the forge"
        className="kit-two"
        keyClass="plain-key"
        chosen={String(Math.min(forge.burners, BURNERS.length)) as (typeof BURNERS)[number]}
        keys={BURNERS.map((count) => ({ key: count, inside: count === "3" ? "3 or more" : count }))}
        onPick={(count) => onKeep({ ...forge, burners: Number(count) })}
      />
    </>
  );
}

/** Called after what is in it, while it still is. */
function refilled<B extends Extract<KitItem, { kind: "bath" }>>(bath: B, medium: (typeof OILS)[number]): B {
  const was = CATALOGUE.medium(bath.medium)?.name;
  return { ...bath, medium: medium.id, ...(bath.name === was ? { name: medium.name } : {}) };
}

/** Which oil decides what hardens at all. */
function Oils({ kit, onKeep }: AskProps) {
  return kit.filter(isOilBath).map((bath) => (
    <div key={bath.id}>
      <h3>Which oil is in the {bath.name.toLowerCase()}?</h3>
      <RadioKeys
        label={`Oil in the ${bath.name.toLowerCase()}`}
        className="kit-two"
        keyClass="plain-key"
        chosen={bath.medium}
        keys={OILS.map(({ id, name }) => ({ key: id, inside: name }))}
        onPick={(id) =>
          onKeep(
            refilled(
              bath,
              OILS.find((oil) => oil.id === id)!,
            ),
          )
        }
      />
    </div>
  ));
}

interface TwoThingsProps {
  readonly kit: readonly KitItem[];
  readonly onDone: () => void;
}

export function TwoThings({ kit, onDone }: TwoThingsProps) {
  const { put } = useKeepKit();
  const onKeep = (item: KitItem): void => void put([item]);
  return (
    <section aria-labelledby="start-h">
      <h2 id="start-h">Kept. Two things of it decide most</h2>
      <Burners kit={kit} onKeep={onKeep} />
      <Oils kit={kit} onKeep={onKeep} />
      <p className="kit-kept" role="status">
        Each answer is kept as it is tapped. Sizes, thermometers and the rest are put right under Kit.
      </p>
      <Button onClick={onDone}>That is right</Button>
    </section>
  );
}
