/** The shop's own equipment: what plans may name, how big it is, and how far each thing can be trusted. */

import { factorKey, isInWork, saysSomething, LEAST_PAIRS, type Kit, type KitItem, type KitKind, type NewKitItem } from "@tembrak/core";
import Button from "@mui/material/Button";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import { useFactors } from "../../compute/LearnProvider.js";
import { showDifference } from "../../format/show.js";
import { hasOwnVoice, playCue, sayCue } from "../../calls/sound.js";
import { KitStart } from "../../parts/KitStart.js";
import { Hatches } from "../../parts/Drawing.js";
import { newId } from "../../store/db.js";
import { useEye } from "../../compute/useHeatContext.js";
import { useKit, usePieces, useSettings, useKeepKit, useSet } from "../../store/useStore.js";
import { blank, factsOf, GROUPS, ADD_WORDS, KIND_WORDS, lacks } from "../../words/kitWords.js";
import { factorTitle, factorWords } from "../../words/learnedWords.js";
import { CalibrateDialog } from "./parts/CalibrateDialog.js";
import { ItemDialog } from "./parts/ItemDialog.js";
import { KitDrawing } from "./parts/KitDrawing.js";
import { shopNow } from "../../store/shopClock.js";
import "./kit.css";
import { toBath } from "../../format/address.js";

type Open =
  | { readonly what: "item"; readonly item: KitItem | NewKitItem }
  | { readonly what: "calibrate"; readonly item: Extract<KitItem, { kind: "kiln" | "oven" }> };

const TRIED = [
  { kind: "ready", label: "It may go on", words: "It should be hand-warm." },
  { kind: "look", label: "Soon", words: "One minute left." },
  { kind: "now", label: "Now", words: "The hold is over." },
  { kind: "late", label: "Too late", words: "No more bending." },
] as const;

function EyeLine() {
  const settings = useSettings();
  const eye = useEye();
  const told =
    eye.pairs < LEAST_PAIRS
      ? `${eye.pairs} of ${LEAST_PAIRS} colours named beside a probe: too few to correct it yet.`
      : `${eye.pairs} colours beside a probe: it calls heats ${showDifference(Math.abs(eye.bias_C), settings)} too ${eye.bias_C > 0 ? "hot" : "cold"}, give or take ${showDifference(1.645 * eye.sd_C, settings)}. Taken off every colour named at the bench.`;
  return (
    <li className="kit-row kit-still">
      <b>Your eye</b>
      <span>{told}</span>
    </li>
  );
}

/** What the shop's own pieces taught, each with a switch. */
function Learned() {
  const settings = useSettings();
  const { unlearned } = settings;
  const change = useSet();
  const factors = useFactors().filter((factor) => saysSomething(factor) || unlearned.includes(factorKey(factor)));
  const set = (key: string, isOff: boolean): void =>
    change({ unlearned: isOff ? [...unlearned, key] : unlearned.filter((other) => other !== key) });
  return (
    <section aria-labelledby="learned-h">
      <h2 id="learned-h">What your own pieces taught: it counts for every piece planned from here on</h2>
      {factors.length === 0 ? (
        <p className="kit-still">Nothing yet: finish a piece and test it, and the next one is told better for it.</p>
      ) : (
        <ul className="kit-learned">
          {factors.map((factor) => {
            const key = factorKey(factor);
            const isOff = unlearned.includes(key);
            return (
              <li key={key} className="kit-row kit-still">
                <div>
                  <b>{factorTitle(factor)}</b>
                  <span>
                    {factorWords(factor, settings)}
                    {isOff ? " Switched off: it counts for nothing." : ""}
                  </span>
                </div>
                <Button aria-pressed={isOff} onClick={() => set(key, !isOff)}>
                  {isOff ? "Count it" : "Switch it off"}
                </Button>
              </li>
            );
          })}
        </ul>
      )}
    </section>
  );
}

/** What each call sounds like, over the noise of this shop. */
function TryCalls() {
  const { cues } = useSettings();
  const hasVoice = hasOwnVoice();
  return (
    <section aria-labelledby="calls-h">
      <h2 id="calls-h">The call: try it beside the blower</h2>
      <div className="kit-adds">
        {TRIED.map(({ kind, label, words }) => (
          <Button
            key={kind}
            onClick={() => {
              playCue(kind);
              if (cues === "speech") sayCue(words);
            }}
          >
            {label}
          </Button>
        ))}
      </div>
      <p className="kit-still">
        {cues === "flash" ? "The screen flashes, and nothing sounds: change it under Units." : "Sound and flash."}{" "}
        {cues === "speech" && !hasVoice ? "This machine has no voice of its own: nothing is spoken." : ""}
      </p>
    </section>
  );
}

/** What an address asks for: a dial to be checked, a thing to be put in the kit. */
function openedBy(asked: URLSearchParams, kit: Kit): Open | null {
  const item = kit.find(({ id }) => id === asked.get("check"));
  if (item?.kind === "kiln" || item?.kind === "oven") return { what: "calibrate", item };
  const kind = GROUPS.flatMap(({ kinds }) => kinds).find((one) => one === asked.get("add"));
  return kind === undefined ? null : { what: "item", item: blank(kind) };
}

export function KitPage() {
  const units = useSettings();
  const kit = useKit();
  const pieces = usePieces();
  const [own, setOwn] = useState<Open | null>(null);
  const [asked, setAsked] = useSearchParams();
  const change = useSet();
  const keepKit = useKeepKit();
  if (kit === undefined) return <main aria-busy="true" style={{ flex: 1 }} />;
  const open = own ?? openedBy(asked, kit ?? []);
  const setOpen = (next: Open | null): void => {
    setOwn(next);
    // What the address asked for is answered.
    if (asked.size > 0) setAsked({}, { replace: true });
  };
  const store = (items: readonly unknown[]): void => {
    void keepKit.put(items);
    setOpen(null);
  };
  const add = (kind: KitKind): void => setOpen({ what: "item", item: blank(kind) });
  const longest = (pieces ?? [])
    .filter(isInWork)
    .map(({ piece }) => piece)
    .sort((a, b) => b.length_mm - a.length_mm)[0];
  const missing = kit === null ? [] : lacks(kit);
  return (
    <main className="kit">
      <Hatches />
      <header className="kit-head">
        <h1>Kit</h1>
        <p>
          {kit === null
            ? "Nobody has said yet what this shop has: plans may name anything."
            : missing.length > 0
              ? `Still wanted for hardening: ${missing.join(", ")}.`
              : "Plans name nothing that is not here, and say when a piece does not fit."}
        </p>
      </header>
      <KitStart />
      {kit === null ? null : (
        <div className="kit-scroll" tabIndex={0} role="group" aria-label="Chambers and tanks, drawn to scale">
          <KitDrawing kit={kit} longest={longest} units={units} />
        </div>
      )}
      <div className="kit-groups">
        {GROUPS.map(({ name, kinds }) => (
          <section key={name} aria-labelledby={`kit-${kinds[0]}`}>
            <h2 id={`kit-${kinds[0]}`}>{name}</h2>
            <ul>
              {(kit ?? [])
                .filter(({ kind }) => kinds.includes(kind))
                .map((item) => (
                  <li key={item.id} className="kit-row">
                    <button type="button" className="kit-item" onClick={() => setOpen({ what: "item", item })}>
                      <b>{item.name}</b>
                      <span>{factsOf(item, units)}</span>
                      {item.notes ? <small>{item.notes}</small> : null}
                    </button>
                    {item.kind === "kiln" || item.kind === "oven" ? (
                      <Button
                        aria-label={`Check ${item.name} against a second thermometer`}
                        onClick={() => setOpen({ what: "calibrate", item })}
                      >
                        Check it
                      </Button>
                    ) : null}
                    {item.kind === "bath" ? (
                      <Button component={Link} to={toBath(item.id)} aria-label={`How ${item.name} stands`}>
                        How it stands
                      </Button>
                    ) : null}
                    {item.kind === "forge" && item.ambient_lux !== units.ambient_lux ? (
                      <Button
                        aria-label={`Judge colours in the light around ${item.name}`}
                        onClick={() => change({ ambient_lux: item.ambient_lux })}
                      >
                        Use its light
                      </Button>
                    ) : null}
                  </li>
                ))}
              {kinds.includes("magnet") ? <EyeLine /> : null}
            </ul>
            <div className="kit-adds">
              {kinds.map((kind) => (
                <Button key={kind} size="small" variant="text" onClick={() => add(kind)}>
                  {`+ ${ADD_WORDS[kind] ?? KIND_WORDS[kind]}`}
                </Button>
              ))}
            </div>
          </section>
        ))}
        <Learned />
        <TryCalls />
      </div>
      {open?.what === "item" ? (
        <ItemDialog
          item={open.item}
          isNew={!("id" in open.item)}
          units={units}
          onClose={() => setOpen(null)}
          onRemove={() => {
            if ("id" in open.item) void keepKit.remove(open.item.id);
            setOpen(null);
          }}
          onKeep={(item) => store(["id" in open.item ? item : { ...(item as object), id: newId(shopNow()) }])}
        />
      ) : null}
      {open?.what === "calibrate" ? (
        <CalibrateDialog item={open.item} units={units} onClose={() => setOpen(null)} onKeep={(item) => store([item])} />
      ) : null}
    </main>
  );
}
